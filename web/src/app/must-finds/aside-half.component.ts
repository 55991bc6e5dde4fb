import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  signal,
  untracked,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { LEAST_FOR_HALVES, chooseHalf } from '#core/must-finds/index';
import type { Variant } from '#core/project/index';
import { CountingBarComponent } from '../comparing/counting-bar.component';
import { CompareSubject } from '../comparing/compare-subject';
import { MustFindCounts } from '../comparing/must-find-counts';
import { writeMoment } from '../data/clock-and-ids';
import { Connections } from '../state/connections';
import { OpenProject } from '../state/open-project';
import { say } from '../words/say';
import { SayPipe } from '../words/say.pipe';

/** Half of the must-finds, put aside: it feeds nothing, and tells how well a frozen variant finds what it was not made for. */
@Component({
  selector: 'app-aside-half',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CountingBarComponent, MatButton, SayPipe],
  template: `
    @if (aside().length > 0) {
      <section [attr.aria-label]="'mustFinds.putAside' | say">
        <p>
          {{ 'mustFinds.areAside' | say: { count: aside().length, looks: looks().length } }}
          @if (last(); as last) {
            <b data-testid="aside">{{
              'mustFinds.onTheHiddenHalf' | say: { found: last.found, there: last.there, name: last.name }
            }}</b>
          }
        </p>
        @if (notAsked()) {
          <p class="quiet">{{ 'mustFinds.notAskedByHand' | say: { databases: notAsked() } }}</p>
        }
        @if (looked()) {
          <app-counting-bar [title]="'mustFinds.putAside' | say" [counted]="asked()" />
        }
        <p>
          @if (looked()) {
            <span aria-live="polite">{{ 'mustFinds.itIsCounted' | say }}</span>
            <button mat-button type="button" (click)="looked.set(undefined)">
              {{ 'shared.stop' | say }}
            </button>
          } @else if (variant(); as variant) {
            <button mat-stroked-button type="button" (click)="looked.set(variant)">
              {{ 'mustFinds.lookAtItFor' | say: { name: variant.name } }}
            </button>
          } @else {
            <span class="quiet">{{ 'mustFinds.onlyForVariants' | say }}</span>
          }
          <button mat-button type="button" (click)="bringBack()">
            {{ 'mustFinds.bringThemBack' | say }}
          </button>
        </p>
      </section>
    } @else if (canHalve()) {
      <p>
        <button mat-button type="button" (click)="putAside()">{{ 'mustFinds.putHalfAside' | say }}</button>
        <span class="quiet">{{ 'mustFinds.whatHalvesAreFor' | say }}</span>
      </p>
    }
  `,
  styles: `
    :host {
      display: block;
      margin-top: 14px;
      max-width: 760px;
    }
    p {
      display: flex;
      flex-wrap: wrap;
      align-items: baseline;
      gap: 2px 10px;
      margin-bottom: 6px;
    }
  `,
})
export class AsideHalfComponent {
  private readonly open = inject(OpenProject);
  private readonly subject = inject(CompareSubject);
  private readonly counts = inject(MustFindCounts);
  private readonly connections = inject(Connections);

  protected readonly aside = this.counts.aside;
  protected readonly looks = computed(() => this.open.project().asideLooks);
  protected readonly canHalve = computed(
    () => this.open.project().mustFinds.filter(({ isFromQuery }) => !isFromQuery).length >= LEAST_FOR_HALVES,
  );
  protected readonly variant = computed(() =>
    this.open.project().variants.find(({ id }) => id === this.subject.of()),
  );
  protected readonly last = computed(() => {
    const look = this.looks().at(-1);
    const variant = look && this.open.project().variants.find(({ id }) => id === look.variant);
    return look && { ...look, name: variant?.name ?? say('mustFinds.aVariantThatWasRemoved') };
  });

  /** The variant that is being looked at, until its numbers are there. */
  protected readonly looked = signal<Variant | undefined>(undefined);
  /** What is counted by hand would be waited for without an end. */
  private readonly asking = computed(() =>
    this.subject.dialects().filter(({ id }) => !this.connections.isByHand(id)),
  );
  protected readonly notAsked = computed(() =>
    this.subject
      .dialects()
      .filter((dialect) => !this.asking().includes(dialect))
      .map(({ name }) => name)
      .join(', '),
  );
  private readonly recall = computed(() => {
    const variant = this.looked();
    return variant && this.counts.summarise(variant.frozen, this.asking(), this.aside(), true);
  });
  protected readonly asked = computed(() => this.recall()?.asked ?? []);

  constructor() {
    effect(() => {
      const [variant, recall] = [this.looked(), this.recall()];
      if (!variant || !recall?.isKnown) return;
      const { found, there } = recall;
      untracked(() => {
        this.looked.set(undefined);
        const moment = writeMoment(this.open.now());
        this.open.change({ kind: 'note-aside-look', look: { variant: variant.id, moment, found, there } });
      });
    });
  }

  protected putAside(): void {
    this.open.change({ kind: 'put-must-finds-aside', ids: chooseHalf(this.open.project().mustFinds) });
  }

  protected bringBack(): void {
    this.open.change({ kind: 'put-must-finds-aside', ids: [] });
  }
}
