import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  linkedSignal,
  signal,
  untracked,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import { compareCounts, getProved, type Comparison } from '#core/count/index';
import { LIMITERS } from '#core/limiter/index';
import { nameTerm } from '#core/outline/index';
import { build, covers, parseQuery, printQuery, type QueryNode } from '#core/query/index';
import {
  LEAST_FOUND,
  LESSONS,
  buildWords,
  findAmong,
  listSeparators,
  rankLearnt,
  type Candidate,
  type Learnt,
  type Lesson,
  type Separator,
} from '#core/reading/index';
import { listNamesInLanguages } from '#core/suggest/index';
import { shortenName } from '#core/text/index';
import { Counts } from '../counting/counts';
import { describeComparison } from '../counting/describe-count';
import { readCount } from '../counting/read-count';
import { LearnWorker } from '../data/learn-worker';
import { OpenProject } from '../state/open-project';
import { ChoiceRowComponent } from '../ui/choice-row.component';
import { Messages } from '../ui/messages';
import { createStringAddress } from '../records/string-address';
import { LearningRecords } from './learning-records';
import { OutlookComponent, type Outlook } from './outlook.component';
import { ReadRecords } from './read-records';
import { ReadSubject } from './read-subject';
import type { RecordPart } from './record-menu.component';
import { SeparatorTableComponent } from './separator-table.component';
import { TakeLearnt } from './take-learnt';
import type { MessageKey } from '../words/message-key';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** What a lesson is called: in a narrow row, and in full. */
const LESSON_NAMES: Readonly<Record<Lesson, { readonly name: MessageKey; readonly label: MessageKey }>> = {
  words: { name: 'shared.words', label: 'shared.words' },
  headings: { name: 'read.headingsWords', label: 'read.headingsWords' },
  keywords: { name: 'read.keywords', label: 'read.authorKeywordsWords' },
  sources: { name: 'read.sources', label: 'read.sources' },
  names: { name: 'read.names', label: 'read.names' },
  places: { name: 'read.places', label: 'read.placesOfWork' },
};
/** So many candidates are counted in the whole database. */
const COUNTED = 60;
/** So many are shown. */
const SHOWN = 12;

/** One row of what was learnt, with what it would bring to the draft. */
interface LearntRow {
  readonly learnt: Learnt;
  readonly text: string;
  readonly isInQuery: boolean;
  readonly brings: string;
}

/** What sets the records that are read apart from the rest of the database, and may become a term. */
@Component({
  selector: 'app-learn-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, ChoiceRowComponent, MatButton, MatCheckbox, OutlookComponent, SeparatorTableComponent],
  templateUrl: './learn-panel.component.html',
  styleUrls: ['./learn-table.scss', './learn-panel.component.scss'],
  providers: [LearningRecords, TakeLearnt],
  host: { role: 'complementary', '[attr.aria-label]': 'spokenName' },
})
export class LearnPanelComponent {
  protected readonly spokenName = say('read.whatTheRecordsTeach');
  protected readonly subject = inject(ReadSubject);
  private readonly records = inject(ReadRecords);
  protected readonly learning = inject(LearningRecords);
  protected readonly taking = inject(TakeLearnt);
  private readonly counts = inject(Counts);
  private readonly open = inject(OpenProject);
  private readonly messages = inject(Messages);

  protected readonly least = LEAST_FOUND;
  protected readonly lessons = LESSONS.map((id) => ({
    id,
    name: say(LESSON_NAMES[id].name),
    label: say(LESSON_NAMES[id].label),
  }));
  protected readonly lesson = signal<Lesson>('words');
  /** What the good and the bad differ by, each with the draft as it would be; made once, so that each is counted once. */
  private readonly told = computed(() => {
    const dialect = this.subject.dialect();
    if (this.learning.from() !== 'apart' || !dialect) return [];
    return listSeparators(
      this.learning.onTopic(),
      this.learning.offTopic(),
      this.lesson(),
      SHOWN,
      this.subject.vocabulary(),
      dialect.headings?.vocabulary,
    ).map((separator) => {
      const all = this.learning.onTopic().length;
      const lost = separator.use === 'not' ? separator.on : all - separator.on;
      return {
        separator,
        root: join(this.taking.before(), separator),
        words: say('read.wouldLoseOfOnTopic', { lost, all }),
      };
    });
  });
  protected readonly separators = computed(() => {
    const dialect = this.subject.dialect();
    return this.told().map((one) => ({
      ...one,
      after: dialect && this.counts.lookLater(one.root, dialect, this.open.limiters()),
    }));
  });
  protected readonly isTogether = this.subject.isTogether;
  protected readonly databaseName = computed(() => this.subject.dialect()?.name ?? '');
  /** A database that is asked string by string is not asked for what nobody wants to know. */
  protected readonly isCounted = computed(() => {
    const traits = this.subject.connection()?.traits();
    return traits !== undefined && !traits.asksOneByOne && traits.offers.has('count');
  });

  /** What the records have in common; the worker says it. */
  private readonly candidates = signal<readonly Candidate[]>([]);
  private readonly learner = new LearnWorker((candidates) => {
    this.candidates.set(candidates);
    this.isLearning.set(false);
  });
  protected readonly isLearning = signal(false);
  /** The candidates with how many records of the database have each; nothing while some are not counted. */
  private readonly rankedNow = computed<readonly Learnt[] | undefined>(() => {
    const dialect = this.subject.dialect();
    const all = this.subject.connection()?.traits()?.records;
    if (!dialect || all === undefined || !this.isCounted()) return [];
    const counts = new Map(
      this.candidates().map((candidate) => [
        candidate,
        readCount(this.counts.lookLater(candidate.root, dialect, {})),
      ]),
    );
    if ([...counts.values()].some(({ status }) => status === 'pending')) return undefined;
    return rankLearnt(this.candidates(), this.learning.records().length, all, (candidate) =>
      getProved(counts.get(candidate) ?? { status: 'none' }),
    );
  });
  /** Rows change places once all are counted, not with every count that comes: nothing moves under the pointer. */
  private readonly ranked = linkedSignal<
    { readonly lesson: Lesson; readonly now: readonly Learnt[] | undefined },
    readonly Learnt[]
  >({
    source: () => ({ lesson: this.lesson(), now: this.rankedNow() }),
    computation: ({ lesson, now }, before) => now ?? (before?.source.lesson === lesson ? before.value : []),
  });
  protected readonly isCounting = computed(() => this.isLearning() || this.rankedNow() === undefined);
  private readonly terms = computed(() =>
    this.open
      .concepts()
      .flatMap(({ terms }) => terms.filter(({ off }) => !off).map(({ text }) => parseQuery(text).root)),
  );
  protected readonly rows = computed<readonly LearntRow[]>(() => {
    const known = this.terms();
    return this.ranked()
      .filter(({ score }) => score > 0)
      .slice(0, SHOWN)
      .map((learnt) => {
        const isInQuery = known.some((term) => covers(term, learnt.root));
        const compared = isInQuery ? undefined : this.compareWith(learnt.root);
        return {
          learnt,
          text: learnt.text,
          isInQuery,
          brings: isInQuery ? say('shared.inTheQuery') : compared ? describeComparison(compared) : '…',
        };
      });
  });
  /** The texts of the rows that are looked at, or ticked to be taken together. */
  private readonly pickedTexts = linkedSignal<Lesson, readonly string[]>({
    source: this.lesson,
    computation: () => [],
  });
  protected readonly picked = computed(() => {
    const texts = this.pickedTexts();
    return this.rows().filter(({ text, isInQuery }) => texts.includes(text) && !isInQuery);
  });
  /** What it would do in each database to take what is picked. */
  protected readonly outlook = computed<Outlook | undefined>(() => {
    const rows = this.picked();
    const [first] = rows;
    if (!first) return undefined;
    const things = rows.map(({ learnt }) => learnt);
    const root = build.any(things.map((thing) => thing.root));
    const proposed = this.taking.proposeAll(things);
    const before = this.taking.before();
    const limiters = this.open.limiters();
    const fresh = proposed && !this.taking.isNarrowing() ? build.not(proposed, before) : proposed;
    const only = rows.length === 1 ? first : undefined;
    const name = only?.text ?? say('shared.terms', { count: rows.length });
    const terms = things
      .map((thing) => nameTerm(printQuery(thing.root), this.open.dialects()))
      .join(say('read.orBetween'));
    return {
      name,
      terms,
      database: this.databaseName(),
      lines: this.open.dialects().map((dialect) => ({
        key: `${dialect.id} ${this.taking.way()} ${terms}`,
        name: shortenName(dialect),
        before: this.counts.look(before, dialect, limiters),
        after: proposed && this.counts.look(proposed, dialect, limiters),
      })),
      address: fresh && this.findAddress(fresh, name),
      part: only && createPart(this.lesson(), only),
      holders:
        only && this.lesson() === 'sources'
          ? this.open.dialects().map((dialect) => ({
              name: shortenName(dialect),
              counted: this.counts.look(only.learnt.root, dialect, {}),
            }))
          : [],
      translations: only && this.lesson() === 'headings' ? this.listTranslations(only.text) : [],
      judged: this.describeJudged(root),
    };
  });

  protected chooseLesson(id: string): void {
    const lesson = LESSONS.find((one) => one === id);
    if (lesson) this.lesson.set(lesson);
  }

  constructor() {
    const destroy = inject(DestroyRef);
    destroy.onDestroy(() => this.learner.end());
    effect(() => {
      const records = this.learning.records();
      const lesson = this.lesson();
      const vocabulary = this.subject.dialect()?.headings?.vocabulary;
      untracked(() => {
        if (records.length < LEAST_FOUND) return this.candidates.set([]);
        this.isLearning.set(true);
        this.learner.learn({ records, lesson, most: COUNTED, vocabulary });
      });
    });
  }

  /** Looks at one row. */
  protected look(row: LearntRow): void {
    this.pickedTexts.set([row.text]);
  }

  /** Ticks a row, or no longer. */
  protected tick({ text }: LearntRow): void {
    this.pickedTexts.update((texts) =>
      texts.includes(text) ? texts.filter((one) => one !== text) : [...texts, text],
    );
  }

  protected take(): void {
    this.taking.take(this.picked().map(({ learnt }) => learnt));
    this.pickedTexts.set([]);
  }

  /** Leaves a separator out of the draft, or asks for it. */
  protected apply({ text, root, use }: Separator): void {
    const draft = this.open.working().draft.trim();
    if (draft === '') return;
    const joint = use === 'not' ? 'NOT' : 'AND';
    this.open.change({ kind: 'rewrite-draft', text: `(${draft}) ${joint} ${printQuery(root)}` });
    this.messages.show(say('read.isPartOfTheQuery', { joint, text }), () => this.open.undo());
  }

  /** What a heading is called in other languages, as its thesaurus says, with what each word finds here. */
  private listTranslations(label: string): Outlook['translations'] {
    const heading = this.subject.vocabulary()?.find(label);
    const dialect = this.subject.dialect();
    if (!heading || !dialect) return [];
    return listNamesInLanguages([heading], []).flatMap((name) => {
      const root = buildWords(name.label);
      if (!root || this.terms().some((term) => covers(term, root))) return [];
      const counted = this.counts.look(root, dialect, {});
      // A word that hardly any record has is no help, whatever the thesaurus says.
      if ((getProved(readCount(counted)) ?? 0) < LEAST_FOUND) return [];
      return [
        {
          root,
          text: name.label,
          language: LIMITERS.languages.names[name.language] ?? name.language,
          counted,
        },
      ];
    });
  }

  private compareWith(root: QueryNode): Comparison | undefined {
    const dialect = this.subject.dialect();
    const proposed = this.taking.propose(root);
    if (!dialect || !proposed) return undefined;
    const limiters = this.open.limiters();
    const after = this.counts.lookLater(proposed, dialect, limiters);
    const before = this.counts.look(this.taking.before(), dialect, limiters);
    return after && compareCounts(readCount(after), readCount(before));
  }

  /** Where the new records are read; nothing if the database cannot be asked for them. */
  private findAddress(root: QueryNode, text: string): ReturnType<typeof createStringAddress> | undefined {
    const dialect = this.subject.dialect();
    const countKey = dialect && this.counts.look(root, dialect, this.open.limiters()).countKey;
    return countKey && createStringAddress(countKey, say('read.newWith', { text }));
  }

  /** How many of the records here that were judged have it. */
  private describeJudged(root: QueryNode): string {
    const judged = this.records.loaded().filter(({ judgement }) => judgement !== undefined);
    const [found = []] = findAmong(
      judged.map(({ record }) => record),
      [root],
      this.subject.vocabulary(),
    );
    const count = (verdict: 'on' | 'off'): number =>
      judged.filter(({ judgement }, at) => found[at] && judgement?.verdict === verdict).length;
    return judged.length === 0
      ? ''
      : say('read.inOnTopicAndOff', { count: count('on'), count2: count('off') });
  }
}

/** What a row is, for the menu of what can be done with it. */
function createPart(lesson: Lesson, { text, learnt }: LearntRow): RecordPart {
  const query = printQuery(learnt.root);
  switch (lesson) {
    case 'sources':
      return { name: text, lead: 'source', facet: 'sources' };
    case 'names':
      return { name: text, lead: 'author', facet: 'authors' };
    case 'places':
      return { name: text, lead: 'affiliation', facet: 'affiliations' };
    case 'headings':
      return { name: text, text: query, facet: 'headings' };
    case 'keywords':
      return { name: text, text: query, facet: 'keywords' };
    case 'words':
      return { name: text, text: query, lead: 'words' };
  }
}

/** A draft with a separator left out of it or asked for. */
function join(draft: QueryNode, { root, use }: Separator): QueryNode {
  return use === 'not' ? build.not(draft, root) : build.and(draft, root);
}
