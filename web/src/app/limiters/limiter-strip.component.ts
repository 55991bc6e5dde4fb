import { CdkTrapFocus } from '@angular/cdk/a11y';
import { CdkConnectedOverlay, CdkOverlayOrigin } from '@angular/cdk/overlay';
import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { Dialect } from '#core/dialect/index';
import { listLimiters, withLimiter, type LimiterName, type Limiters } from '#core/limiter/index';
import { IconComponent } from '../ui/icon.component';
import { LimiterPanelComponent } from './limiter-panel.component';
import { NotInComponent } from './not-in.component';
import { SayPipe } from '../words/say.pipe';

/** The limiters in force as chips, and a panel to change them; one set for all databases. */
@Component({
  selector: 'app-limiter-strip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    CdkConnectedOverlay,
    CdkOverlayOrigin,
    CdkTrapFocus,
    IconComponent,
    LimiterPanelComponent,
    MatButton,
    NotInComponent,
  ],
  templateUrl: './limiter-strip.component.html',
  styleUrl: './limiter-strip.component.scss',
})
export class LimiterStripComponent {
  readonly limiters = input.required<Limiters>();
  /** The databases that are searched. */
  readonly dialects = input<readonly Dialect[]>([]);
  readonly changed = output<Limiters>();

  protected readonly isOpen = signal(false);
  protected readonly chips = computed(() => listLimiters(this.limiters()));

  protected remove(name: LimiterName): void {
    this.changed.emit(withLimiter(this.limiters(), name, undefined));
  }
}
