import { Injectable, inject } from '@angular/core';
import { succeed, type Outcome } from '#core/problem/index';
import { getProjectTitle, readProjectFile, writeProjectFile, type Project } from '#core/project/index';
import { CLOCK_AND_IDS, writeMoment } from '../data/clock-and-ids';
import { PROJECT_REPOSITORY } from '../data/providers';
import { saveFile } from '../data/save-file';

/** Projects as files, and copies of them. */
@Injectable({ providedIn: 'root' })
export class ProjectFiles {
  private readonly repository = inject(PROJECT_REPOSITORY);
  private readonly clockAndIds = inject(CLOCK_AND_IDS);

  /** Hands the project to the browser as a file to save. */
  download(project: Project): void {
    const name =
      getProjectTitle(project)
        .replace(/[^\p{L}\p{N} _-]/gu, '')
        .trim() || 'project';
    saveFile(`${name}.ewer.json`, writeProjectFile(project), 'application/json');
  }

  /** Adds the project of a file to the list; under a new id if one with its id is there. */
  async import(content: string): Promise<Outcome<string>> {
    const read = readProjectFile(content);
    if (!read.ok) return read;
    const taken = await this.repository.load(read.value.id);
    const project = taken.ok ? { ...read.value, id: this.clockAndIds.createId() } : read.value;
    return this.add(project);
  }

  /** Adds a copy under a name of its own; gives its id. */
  async addCopy(project: Project): Promise<string | undefined> {
    const added = await this.add({
      ...project,
      id: this.clockAndIds.createId(),
      name: `${getProjectTitle(project)} (copy)`,
    });
    return added.ok ? added.value : undefined;
  }

  async add(project: Project): Promise<Outcome<string>> {
    const saved = await this.repository.save(project, 0, writeMoment(this.clockAndIds.now()));
    return saved.ok ? succeed(project.id) : saved;
  }
}
