import { Injectable, inject } from '@angular/core';
import { succeed, type Outcome } from '#core/problem/index';
import { applyChange, getProjectTitle, type Concept } from '#core/project/index';
import { CLOCK_AND_IDS, writeMoment } from '../data/clock-and-ids';
import { PROJECT_REPOSITORY } from '../data/providers';

/** Copies of concepts in other projects. */
@Injectable({ providedIn: 'root' })
export class ConceptCopies {
  private readonly repository = inject(PROJECT_REPOSITORY);
  private readonly clockAndIds = inject(CLOCK_AND_IDS);

  /** The projects that a concept can be copied to. */
  async list(except: string): Promise<{ id: string; name: string }[]> {
    const listed = await this.repository.list();
    return listed.ok ? listed.value.filter((project) => project.id !== except) : [];
  }

  /** Adds a copy of the concept to a project that is not open here; gives that project's name. */
  async copy(concept: Concept, projectId: string): Promise<Outcome<string>> {
    const loaded = await this.repository.load(projectId);
    if (!loaded.ok) return loaded;
    const { project, revision } = loaded.value;
    const terms = concept.terms.map((term) => ({ ...term, id: this.clockAndIds.createId() }));
    const id = this.clockAndIds.createId();
    let changed = applyChange(project, { kind: 'add-concept', id, name: concept.name, terms });
    if (changed.ok && concept.fields)
      changed = applyChange(changed.value, { kind: 'set-concept-fields', id, fields: concept.fields });
    if (changed.ok && concept.note !== undefined)
      changed = applyChange(changed.value, { kind: 'note-concept', id, note: concept.note });
    if (!changed.ok) return changed;
    const saved = await this.repository.save(changed.value, revision, writeMoment(this.clockAndIds.now()));
    return saved.ok ? succeed(getProjectTitle(project)) : saved;
  }
}
