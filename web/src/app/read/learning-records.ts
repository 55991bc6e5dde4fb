import { Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import type { Verdict } from '#core/project/index';
import { LEAST_FOUND } from '#core/reading/index';
import type { BibliographicRecord } from '#core/record/index';
import { formatNumber } from '../ui/number-format';
import { OpenProject } from '../state/open-project';
import { ReadRecords } from './read-records';
import { ReadSubject } from './read-subject';
import { say } from '../words/say';

/** Of the records that are here, so many are learnt from: the first of the list. */
const MAX_HERE = 500;
/** So many of a set are fetched to learn from. */
const MAX_FETCHED = 5_000;
/** Which records are learnt from: those on topic, those here, many of the set, kept ones, or those on topic against others. */
const FROM = ['on', 'here', 'set', 'kept', 'apart'] as const;
type From = (typeof FROM)[number];

/** The records that are learnt from. */
@Injectable()
export class LearningRecords {
  private readonly subject = inject(ReadSubject);
  private readonly list = inject(ReadRecords);
  private readonly open = inject(OpenProject);

  /** The records that are here. Of several databases together, those of the one whose counts they are held against. */
  private readonly here = computed(() => {
    const id = this.subject.dialect()?.id ?? '';
    return this.list.loaded().filter(({ databases }) => databases.length === 0 || databases.includes(id));
  });
  private readonly judged = computed(() => {
    const here = this.here();
    const ids = new Set(here.map(({ record }) => record.id));
    // What was judged before a reload may stand on pages that are not here.
    return [...here, ...this.list.judgedElsewhere().filter(({ record }) => !ids.has(record.id))];
  });
  readonly onTopic = computed(() => this.pick('on'));
  readonly offTopic = computed(() => this.pick('off'));
  private readonly canTellApart = computed(
    () => this.onTopic().length >= LEAST_FOUND && this.offTopic().length >= LEAST_FOUND,
  );
  /** The works of the shelf that the database has whose counts they are held against. */
  private readonly kept = computed(() => {
    const id = this.subject.dialect()?.id;
    const works = this.open.project().kept;
    return works.filter(({ places }) => places[0]?.database === id).map(({ record }) => record);
  });
  /** The records from the top of the list to the first that is not here. */
  private readonly top = computed(() => {
    const here = this.here();
    const end = this.subject.isTogether() ? -1 : here.findIndex(({ at }, place) => at !== place);
    return here.slice(0, Math.min(MAX_HERE, end < 0 ? here.length : end)).map(({ record }) => record);
  });
  /** The records that were fetched to learn from; nothing if none were asked for. */
  private readonly fetched = signal<readonly BibliographicRecord[] | undefined>(undefined);
  /** How many of them are here while they are on their way. */
  readonly fetching = signal<number | undefined>(undefined);
  private readonly wanted = signal<From | undefined>(undefined);
  /** From those judged on topic, as soon as there are some. */
  readonly from = computed<From>(() => {
    const wanted = this.wanted();
    if (wanted !== undefined && (wanted !== 'apart' || this.canTellApart())) return wanted;
    return this.onTopic().length >= LEAST_FOUND ? 'on' : 'here';
  });
  readonly choices = computed(() => [
    { id: 'on', name: say('read.onTopicCount', { count: this.onTopic().length }) },
    { id: 'here', name: say('read.theFirst', { count: this.top().length }) },
    ...(this.canFetch() ? [{ id: 'set', name: say('read.upTo', { most: formatNumber(MAX_FETCHED) }) }] : []),
    ...(this.kept().length >= LEAST_FOUND
      ? [{ id: 'kept', name: say('read.theShelf', { count: this.kept().length }) }]
      : []),
    ...(this.canTellApart() ? [{ id: 'apart', name: say('read.onAgainstOff') }] : []),
  ]);
  readonly records = computed<readonly BibliographicRecord[]>(
    () => {
      if (this.from() === 'on') return this.onTopic().slice(0, MAX_HERE);
      if (this.from() === 'kept') return this.kept();
      return this.from() === 'set' ? (this.fetched() ?? []) : this.top();
    },
    // The same records teach the same: what was written for them is not written again.
    { equal: (one, other) => one.length === other.length && one.every((record, at) => record === other[at]) },
  );

  constructor() {
    // Another set, or another order: what was fetched is not of it.
    effect(() => {
      this.subject.sets();
      this.subject.filters();
      this.subject.sort();
      untracked(() => {
        this.fetched.set(undefined);
        if (this.wanted() === 'set') this.stop();
      });
    });
  }

  choose(id: string): void {
    this.wanted.set(FROM.find((from) => from === id) ?? 'here');
    if (id === 'set' && !this.fetched()) void this.fetch();
  }

  stop(): void {
    this.fetching.set(undefined);
    this.wanted.set(undefined);
  }

  /** There are more records than those here, and they can be had a page at a time. */
  private canFetch(): boolean {
    const isSample = this.list.sampledFrom() !== undefined;
    const isInTurn = this.subject.connection()?.traits()?.asksOneByOne ?? true;
    return (
      !this.subject.isTogether() && !isSample && !isInTurn && (this.list.total() ?? 0) > this.top().length
    );
  }

  /** Fetches the first records of the set. */
  private async fetch(): Promise<void> {
    this.fetching.set(0);
    const records = await this.list.fetchFirst(MAX_FETCHED, (done) => {
      if (this.fetching() === undefined) return false;
      this.fetching.set(done);
      return true;
    });
    if (this.fetching() === undefined) return;
    this.fetching.set(undefined);
    this.fetched.set(records);
  }

  private pick(verdict: Verdict): readonly BibliographicRecord[] {
    return this.judged()
      .filter(({ judgement }) => judgement?.verdict === verdict)
      .map(({ record }) => record);
  }
}
