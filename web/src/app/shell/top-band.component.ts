import { MatTooltip } from '@angular/material/tooltip';
import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { isSameLimiters } from '#core/limiter/index';
import { getProjectTitle, type Change, type TargetBand } from '#core/project/index';
import { DraftCounts } from '../counting/draft-counts';
import { OpenProject } from '../state/open-project';
import { IconComponent } from '../ui/icon.component';
import type { BandAnswer, BandDialogComponent, BandDialogData } from './band-dialog.component';
import type {
  FreezeAnswer,
  FreezeDialogComponent,
  FreezeDialogData,
} from '../freezing/freeze-dialog.component';
import { FreezeVariant } from '../freezing/freeze-variant';
import { GaugeComponent } from './gauge.component';
import { LimiterStripComponent } from '../limiters/limiter-strip.component';
import { Dialogs } from '../ui/dialogs';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** The band on every view: question, draft, limiters at the left, the gauges at the right. */
@Component({
  selector: 'app-top-band',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, IconComponent, GaugeComponent, LimiterStripComponent, MatButton, MatTooltip],
  templateUrl: './top-band.component.html',
  styleUrl: './top-band.component.scss',
})
export class TopBandComponent {
  private readonly dialogs = inject(Dialogs);
  protected readonly open = inject(OpenProject);
  protected readonly counts = inject(DraftCounts);
  private readonly freezing = inject(FreezeVariant);

  protected readonly question = computed(
    () => this.open.working().question || getProjectTitle(this.open.project()),
  );
  protected readonly state = computed(() => {
    const latest = this.open.latest();
    const changes = this.open.changesSince();
    if (!latest) return { changes: say('shell.noVariantYet'), name: '' };
    if (changes === 0) return { changes: say('shell.asIn'), name: latest.name };
    return { changes: say('shell.changesSince', { changes }), name: latest.name };
  });
  protected readonly keeping = computed(() => {
    if (this.open.isSaved()) return say('shell.saved');
    return this.open.saveProblem() ? say('shell.notSaved') : say('shell.saving');
  });
  protected readonly otherLimiters = computed(() => {
    const compared = this.open.compared();
    return compared !== undefined && !isSameLimiters(compared.frozen.limiters, this.open.limiters());
  });

  protected getBand(database: string): TargetBand {
    return this.open.working().bands[database] ?? {};
  }

  protected async freeze(): Promise<void> {
    const { FreezeDialogComponent: dialog } = await import('../freezing/freeze-dialog.component');
    this.dialogs
      .open<FreezeDialogComponent, FreezeDialogData, FreezeAnswer>(dialog, {
        data: { name: this.freezing.proposeName(), note: '', isThere: false },
        width: 420,
      })
      .afterClosed()
      .subscribe((answer) => {
        if (answer) this.freezing.freeze(answer.name, answer.note);
      });
  }

  protected async askBand(database: string, name: string): Promise<void> {
    const { BandDialogComponent: dialog } = await import('./band-dialog.component');
    this.dialogs
      .open<BandDialogComponent, BandDialogData, BandAnswer>(dialog, {
        data: { name, band: this.getBand(database), databases: this.open.dialects().length },
        width: 380,
      })
      .afterClosed()
      .subscribe((answer) => {
        if (!answer) return;
        const { band, isForAll } = answer;
        const set = (one: string): Change => ({ kind: 'set-band', database: one, band });
        this.open.change(
          isForAll
            ? { kind: 'compound', changes: this.open.dialects().map(({ id }) => set(id)) }
            : set(database),
        );
      });
  }
}
