import { FileButtonComponent } from '../ui/file-button.component';
import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { describeInFull, type Problem } from '#core/problem/index';
import { applyChange, createProject, type Project } from '#core/project/index';
import { FIRST_DATABASES, createDemoProject } from '#demo/demo-project';
import { CLOCK_AND_IDS, writeMoment } from '../data/clock-and-ids';
import type { ProjectEntry } from '../data/project-repository';
import { PROJECT_REPOSITORY } from '../data/providers';
import { ProjectActions } from '../state/project.actions';
import { projectFeature } from '../state/project.feature';
import { IconComponent } from '../ui/icon.component';
import { ProjectFiles } from './project-files';
import { ProjectsNotice } from './projects-notice';
import { Messages } from '../ui/messages';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** All projects of this browser: a plain list. */
@Component({
  selector: 'app-projects-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    DatePipe,
    IconComponent,
    MatButton,
    MatMenu,
    MatMenuItem,
    MatMenuTrigger,
    RouterLink,
    FileButtonComponent,
  ],
  templateUrl: './projects-page.component.html',
  styleUrl: './projects-page.component.scss',
})
export class ProjectsPageComponent {
  private readonly repository = inject(PROJECT_REPOSITORY);
  private readonly files = inject(ProjectFiles);
  private readonly router = inject(Router);
  private readonly messages = inject(Messages);
  private readonly clockAndIds = inject(CLOCK_AND_IDS);
  private readonly store = inject(Store);
  private readonly notice = inject(ProjectsNotice);
  private readonly openProject = this.store.selectSignal(projectFeature.selectProject);

  protected readonly entries = signal<readonly ProjectEntry[] | undefined>(undefined);
  /** The project whose name is being edited. */
  protected readonly naming = signal<string | undefined>(undefined);
  protected readonly problem = computed(() => {
    const problem = this.notice.problem();
    return problem && describeInFull(problem);
  });
  protected readonly hasDemo = computed(() => this.entries()?.some((entry) => entry.id === 'demo') ?? true);

  constructor() {
    void this.refresh();
  }

  protected async create(): Promise<void> {
    const project = createProject(this.clockAndIds.createId(), '', this.writeNow(), FIRST_DATABASES);
    await this.addAndOpen(project);
  }

  protected async addDemo(): Promise<void> {
    await this.addAndOpen(createDemoProject());
  }

  protected async duplicate(entry: ProjectEntry): Promise<void> {
    const project = await this.load(entry.id);
    if (project) await this.files.addCopy(project);
    await this.refresh();
  }

  protected async export(entry: ProjectEntry): Promise<void> {
    const project = await this.load(entry.id);
    if (project) this.files.download(project);
  }

  protected async import([file]: readonly File[]): Promise<void> {
    if (!file) return;
    const imported = await this.files.import(await file.text());
    this.tell(imported.ok ? undefined : imported.problem);
    if (imported.ok) this.messages.show(say('projects.theProjectWasImported'));
    await this.refresh();
  }

  protected async rename(entry: ProjectEntry, name: string): Promise<void> {
    if (this.naming() !== entry.id) return;
    this.naming.set(undefined);
    if (name.trim() === '' || name.trim() === entry.name) return;
    const loaded = await this.repository.load(entry.id);
    if (!loaded.ok) return this.tell(loaded.problem);
    const changed = applyChange(loaded.value.project, { kind: 'rename-project', name: name.trim() });
    if (!changed.ok) return this.tell(changed.problem);
    const saved = await this.repository.save(changed.value, loaded.value.revision, this.writeNow());
    if (!saved.ok) return this.tell(saved.problem);
    if (this.openProject()?.id === entry.id)
      this.store.dispatch(
        ProjectActions.opened({
          project: changed.value,
          revision: saved.value,
          history: { ...loaded.value.history, project: changed.value },
        }),
      );
    await this.refresh();
  }

  protected async remove(entry: ProjectEntry): Promise<void> {
    const project = await this.load(entry.id);
    const removed = await this.repository.remove(entry.id);
    if (!removed.ok) return this.tell(removed.problem);
    if (this.openProject()?.id === entry.id) this.store.dispatch(ProjectActions.closed());
    await this.refresh();
    if (!project) return;
    this.messages.show(say('projects.deleted', { name: entry.name }), () => {
      void this.files.add(project).then(() => this.refresh());
    });
  }

  private async addAndOpen(project: Project): Promise<void> {
    const added = await this.files.add(project);
    if (added.ok) await this.router.navigate(['/p', project.id, 'topic']);
    else this.tell(added.problem);
  }

  private async load(id: string): Promise<Project | undefined> {
    const loaded = await this.repository.load(id);
    if (loaded.ok) return loaded.value.project;
    this.tell(loaded.problem);
    return undefined;
  }

  private async refresh(): Promise<void> {
    const listed = await this.repository.list();
    if (listed.ok) this.entries.set(listed.value);
    else this.tell(listed.problem);
  }

  private tell(problem: Problem | undefined): void {
    this.notice.problem.set(problem);
  }

  private writeNow(): string {
    return writeMoment(this.clockAndIds.now());
  }
}
