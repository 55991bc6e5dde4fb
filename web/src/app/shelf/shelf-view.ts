import { Injectable, computed, inject, signal } from '@angular/core';
import type { KeptWork } from '#core/project/index';
import { listKept, listLabels, type ShelfOrder } from '#core/shelf/index';
import { OpenProject } from '../state/open-project';

/** What of the shelf is shown, in which order, and what is picked. */
@Injectable()
export class ShelfView {
  private readonly open = inject(OpenProject);

  readonly all = computed(() => this.open.project().kept);
  readonly order = signal<ShelfOrder>('kept');
  readonly words = signal('');
  private readonly wantedLabels = signal<readonly string[]>([]);
  private readonly pickedIds = signal<ReadonlySet<string>>(new Set());
  private readonly openId = signal<string | undefined>(undefined);

  readonly labels = computed(() => listLabels(this.all()));
  /** The labels that are asked for; one that no work has any more is not. */
  readonly chosenLabels = computed(() =>
    this.wantedLabels().filter((wanted) => this.labels().some(({ label }) => label === wanted)),
  );
  readonly shown = computed(() =>
    listKept(this.all(), { order: this.order(), labels: this.chosenLabels(), words: this.words() }),
  );
  /** The work that is looked at: the one that was opened, else the first. */
  readonly current = computed<KeptWork | undefined>(
    () => this.shown().find(({ id }) => id === this.openId()) ?? this.shown()[0],
  );
  readonly picked = computed(() => this.shown().filter(({ id }) => this.pickedIds().has(id)));
  /** What is cited, saved and sent: the works that are picked, else all that are shown. */
  readonly meant = computed(() => (this.picked().length > 0 ? this.picked() : this.shown()));

  chooseLabels(labels: readonly string[]): void {
    this.wantedLabels.set(labels);
  }

  look(id: string): void {
    this.openId.set(id);
  }

  isPicked(id: string): boolean {
    return this.pickedIds().has(id);
  }

  pick(id: string, isPicked: boolean): void {
    const ids = new Set(this.pickedIds());
    if (isPicked) ids.add(id);
    else ids.delete(id);
    this.pickedIds.set(ids);
  }

  pickNone(): void {
    this.pickedIds.set(new Set());
  }
}
