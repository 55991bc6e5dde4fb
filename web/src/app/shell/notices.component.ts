import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { describeInFull, describeProblem, describeRemedy } from '#core/problem/index';
import { AskedCounts } from '../counting/asked-counts';
import { OpenProject } from '../state/open-project';
import { ProjectFiles } from '../projects/project-files';
import { SayPipe } from '../words/say.pipe';

/** What has to be said at once: the server gone, nothing saved, a change refused. Nothing else stops for it. */
@Component({
  selector: 'app-notices',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, RouterLink, MatButton],
  template: `
    @if (asked.isGone()) {
      <p class="notice" role="status">
        {{ 'shell.theServerCannotBeReached' | say }}
      </p>
    }
    @if (saving(); as problem) {
      <p class="notice bad" role="alert">
        {{ problem.says }} {{ problem.remedy }}
        <button mat-button type="button" (click)="exportNow()">{{ 'shared.exportToAFile' | say }}</button>
        @if (problem.elsewhere) {
          <button mat-button type="button" (click)="keepAsCopy()">{{ 'shell.keepMineAsACopy' | say }}</button>
          <button mat-button type="button" (click)="takeOther()">{{ 'shell.takeTheOtherOne' | say }}</button>
        }
      </p>
    }
    @if (open.copy(); as copy) {
      <p class="notice" role="status">
        {{ 'shell.thisProjectWasChanged' | say }}
        <a [routerLink]="['/p', copy.id, 'topic']">{{ copy.name }}</a>.
        <button mat-button type="button" (click)="open.closeNotice()">{{ 'shared.close' | say }}</button>
      </p>
    }
    @if (refused(); as problem) {
      <p class="notice" role="alert">
        {{ problem }}
        <button mat-button type="button" (click)="open.closeNotice()">{{ 'shared.close' | say }}</button>
      </p>
    }
  `,
  styles: `
    .notice {
      padding: 6px 18px;
      border-bottom: 1px solid var(--rule);
      background: var(--sheet);
      color: var(--warn);
    }
    .bad {
      color: var(--bad);
    }
    .notice a {
      color: var(--glaze);
      font-weight: 600;
    }
    button {
      margin-left: 8px;
    }
  `,
})
export class NoticesComponent {
  private readonly router = inject(Router);
  private readonly files = inject(ProjectFiles);
  protected readonly asked = inject(AskedCounts);
  protected readonly open = inject(OpenProject);

  protected readonly saving = computed(() => {
    const problem = this.open.saveProblem();
    return (
      problem && {
        says: describeProblem(problem),
        remedy: describeRemedy(problem),
        elsewhere: problem.code === 'saved-elsewhere',
      }
    );
  });
  protected readonly refused = computed(() => {
    const notice = this.open.notice();
    return notice && describeInFull(notice);
  });

  protected exportNow(): void {
    this.files.download(this.open.project());
  }

  protected async keepAsCopy(): Promise<void> {
    const copy = await this.files.addCopy(this.open.project());
    if (copy !== undefined) await this.router.navigate(['/p', copy, 'topic']);
  }

  protected takeOther(): void {
    location.reload();
  }
}
