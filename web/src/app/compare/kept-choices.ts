import { Injectable, computed, inject, signal } from '@angular/core';
import type { SchemaOf } from '#core/schema/index';
import Joi from 'joi';
import { OpenProject } from '../state/open-project';
import { Settings } from '../data/settings';

/** What of Compare is shown, and in which order. */
interface Choices {
  /** By descent, name, date, must-finds, or the short name of a database: then by its counts. */
  readonly sort: string;
  readonly hiddenVariants: readonly string[];
  readonly hiddenColumns: readonly string[];
  /** Variants that are counted under the limiters of the one compared with. */
  readonly onEqualTerms: readonly string[];
  /** The works of all databases together are fetched and told apart. */
  readonly showsTogether: boolean;
  /** Keys of the staircase's steps in the order wanted; none for the order of the query. */
  readonly stepOrder: readonly string[];
  /** Keys of what is not combined. */
  readonly notCombined: readonly string[];
  /** Ids of concepts that What to try leaves as they are. */
  readonly lockedConcepts: readonly string[];
}

/** The choices that are lists of ids. */
type ChosenList = 'hiddenVariants' | 'hiddenColumns' | 'onEqualTerms' | 'notCombined';

const USUAL: Choices = {
  sort: 'descent',
  hiddenVariants: [],
  hiddenColumns: [],
  onEqualTerms: [],
  showsTogether: false,
  stepOrder: [],
  notCombined: [],
  lockedConcepts: [],
};
const ids = Joi.array().items(Joi.string().max(2_000)).max(2_000);
const STORED = Joi.object<Choices>({
  sort: Joi.string().max(200).default(USUAL.sort),
  hiddenVariants: ids.default([]),
  hiddenColumns: ids.default([]),
  onEqualTerms: ids.default([]),
  showsTogether: Joi.boolean().default(false),
  stepOrder: ids.default([]),
  notCombined: ids.default([]),
  lockedConcepts: ids.default([]),
} satisfies SchemaOf<Choices>);

/** What a person chose to see in Compare, project by project; remembered on this device. */
@Injectable({ providedIn: 'root' })
export class KeptChoices {
  private readonly open = inject(OpenProject);
  private readonly settings = inject(Settings);
  private readonly changed = signal<ReadonlyMap<string, Choices>>(new Map());
  private readonly now = computed(() => {
    const { id } = this.open.project();
    return this.changed().get(id) ?? this.settings.read(createName(id), STORED, USUAL);
  });

  readonly sort = computed(() => this.now().sort);
  readonly hiddenVariants = computed(() => new Set(this.now().hiddenVariants));
  readonly hiddenColumns = computed(() => new Set(this.now().hiddenColumns));
  readonly onEqualTerms = computed(() => new Set(this.now().onEqualTerms));
  readonly showsTogether = computed(() => this.now().showsTogether);
  readonly stepOrder = computed(() => this.now().stepOrder);
  readonly notCombined = computed(() => new Set(this.now().notCombined));
  readonly lockedConcepts = computed(() => new Set(this.now().lockedConcepts));

  /** Takes some choices over and keeps them. */
  choose(some: Partial<Choices>): void {
    const { id } = this.open.project();
    const next = { ...this.now(), ...some };
    this.changed.update((all) => new Map(all).set(id, next));
    this.settings.write(createName(id), next);
  }

  toggle(list: ChosenList, id: string): void {
    const before = this.now()[list];
    this.choose({ [list]: before.includes(id) ? before.filter((other) => other !== id) : [...before, id] });
  }
}

function createName(project: string): string {
  return `compare-${project}`;
}
