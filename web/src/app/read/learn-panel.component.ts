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
import { createSharedDraft, tryChange } from '#core/compare/index';
import { compareCounts, getProved, type Comparison } from '#core/count/index';
import { getConceptLetter, type Change, type Concept, type Term } from '#core/project/index';
import { build, covers, parseQuery, printQuery, type QueryNode } from '#core/query/index';
import {
  LEAST_FOUND,
  LESSONS,
  findAmong,
  listSeparators,
  rankLearnt,
  type Candidate,
  type Learnt,
  type Lesson,
  type Separator,
} from '#core/reading/index';
import { shortenName } from '#core/text/index';
import { Counts } from '../counting/counts';
import { describeComparison } from '../counting/describe-count';
import { readCount } from '../counting/read-count';
import { CountComponent } from '../records/count.component';
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

const LESSON_NAMES: Readonly<Record<Lesson, string>> = {
  words: 'words',
  headings: 'headings',
  keywords: 'author keywords',
  sources: 'sources',
  names: 'names',
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
  imports: [ChoiceRowComponent, CountComponent, MatButton, OutlookComponent],
  templateUrl: './learn-panel.component.html',
  styleUrl: './learn-panel.component.scss',
  providers: [LearningRecords],
  host: { role: 'complementary', 'aria-label': 'What the records teach' },
})
export class LearnPanelComponent {
  protected readonly subject = inject(ReadSubject);
  private readonly records = inject(ReadRecords);
  protected readonly learning = inject(LearningRecords);
  private readonly counts = inject(Counts);
  private readonly open = inject(OpenProject);
  private readonly messages = inject(Messages);

  protected readonly least = LEAST_FOUND;
  protected readonly lessons = LESSONS.map((id) => ({
    id,
    name: LESSON_NAMES[id].split(' ').at(-1) ?? id,
    label: LESSON_NAMES[id],
  }));
  protected readonly lesson = signal<Lesson>('words');
  /** The draft as it is. */
  private readonly before = computed(() => createSharedDraft(this.open.working()));
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
        root: join(this.before(), separator),
        words: `would lose ${lost} of ${all} on topic`,
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
  protected readonly concepts = computed(() => this.open.concepts());
  private readonly wantedConcept = signal<string | undefined>(undefined);
  /** The concept that things are added to. */
  protected readonly concept = computed<Concept | undefined>(
    () => this.concepts().find(({ id }) => id === this.wantedConcept()) ?? this.concepts()[0],
  );
  protected readonly conceptChoices = computed(() =>
    this.concepts().map(({ id, name }, turn) => ({ id, name: getConceptLetter(turn), label: name })),
  );
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
  private readonly ranked = computed(() => {
    const dialect = this.subject.dialect();
    const all = this.subject.connection()?.traits()?.records;
    if (!dialect || all === undefined || !this.isCounted()) return [];
    return rankLearnt(this.candidates(), this.learning.records().length, all, ({ root }) =>
      getProved(readCount(this.counts.lookLater(root, dialect, {}))),
    );
  });
  protected readonly isCounting = computed(
    () =>
      this.isLearning() || (this.isCounted() && this.candidates().length > 0 && this.ranked().length === 0),
  );
  private readonly terms = computed(() =>
    this.concepts().flatMap(({ terms }) =>
      terms.filter(({ off }) => !off).map(({ text }) => parseQuery(text).root),
    ),
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
          brings: isInQuery ? 'in the query' : compared ? describeComparison(compared) : '…',
        };
      });
  });
  private readonly chosenText = linkedSignal<Lesson, string | undefined>({
    source: this.lesson,
    computation: () => undefined,
  });
  /** The row that is looked at, with what taking it would do in each database. */
  protected readonly chosen = computed<(Outlook & { readonly row: LearntRow }) | undefined>(() => {
    const row = this.rows().find(({ text }) => text === this.chosenText());
    const concept = this.concept();
    if (!row || row.isInQuery || !concept) return undefined;
    const proposed = this.propose(row.learnt.root);
    if (!proposed) return undefined;
    const before = this.before();
    const fresh = build.not(proposed, before);
    const limiters = this.open.limiters();
    return {
      row,
      name: row.text,
      query: printQuery(row.learnt.root),
      place: this.concepts().indexOf(concept),
      lines: this.open.dialects().map((dialect) => ({
        name: shortenName(dialect),
        before: this.counts.look(before, dialect, limiters),
        after: this.counts.look(proposed, dialect, limiters),
      })),
      address: this.findAddress(fresh, row.text),
      part: createPart(this.lesson(), row),
      holders:
        this.lesson() === 'sources'
          ? this.open.dialects().map((dialect) => ({
              name: shortenName(dialect),
              counted: this.counts.look(row.learnt.root, dialect, {}),
            }))
          : [],
      judged: this.describeJudged(row.learnt.root),
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

  protected chooseConcept(id: string): void {
    this.wantedConcept.set(id);
  }

  protected look(row: LearntRow): void {
    this.chosenText.set(row.text);
  }

  /** Leaves a separator out of the draft, or asks for it. */
  protected apply({ text, root, use }: Separator): void {
    const draft = this.open.working().draft.trim();
    if (draft === '') return;
    const joint = use === 'not' ? 'NOT' : 'AND';
    this.open.change({ kind: 'rewrite-draft', text: `(${draft}) ${joint} ${printQuery(root)}` });
    this.messages.show(`${joint} ${text} is part of the query now`, () => this.open.undo());
  }

  protected add(row: LearntRow): void {
    const change = this.createChange(row.learnt.root);
    const concept = this.concept();
    if (!change || !concept) return;
    this.open.change(change);
    this.messages.show(`${row.text} added to ${concept.name}`, () => this.open.undo());
  }

  private createChange(root: QueryNode): Change | undefined {
    const concept = this.concept();
    if (!concept) return undefined;
    const term: Term = { id: this.open.createId(), text: printQuery(root), off: false, source: 'record' };
    return { kind: 'add-terms', concept: concept.id, terms: [term] };
  }

  /** The draft with something added to the concept; each is made once. */
  private propose(root: QueryNode): QueryNode | undefined {
    const { byRoot, project } = this.proposals();
    const known = byRoot.get(root);
    if (known) return known;
    const concept = this.concept();
    if (!concept) return undefined;
    const term: Term = { id: 'proposed', text: printQuery(root), off: false };
    const changed = tryChange(project, { kind: 'add-terms', concept: concept.id, terms: [term] });
    const proposed = changed && createSharedDraft(changed.working);
    if (proposed) byRoot.set(root, proposed);
    return proposed;
  }

  /** Made anew when the draft or the concept is another one; a judgement changes nothing in them. */
  private readonly proposals = computed(() => {
    this.open.working();
    this.concept();
    return { project: untracked(this.open.project), byRoot: new Map<QueryNode, QueryNode>() };
  });

  private compareWith(root: QueryNode): Comparison | undefined {
    const dialect = this.subject.dialect();
    const proposed = this.propose(root);
    if (!dialect || !proposed) return undefined;
    const limiters = this.open.limiters();
    const after = this.counts.lookLater(proposed, dialect, limiters);
    const before = this.counts.look(this.before(), dialect, limiters);
    return after && compareCounts(readCount(after), readCount(before));
  }

  /** Where the new records are read; nothing if the database cannot be asked for them. */
  private findAddress(root: QueryNode, text: string): ReturnType<typeof createStringAddress> | undefined {
    const dialect = this.subject.dialect();
    const countKey = dialect && this.counts.look(root, dialect, this.open.limiters()).countKey;
    return countKey && createStringAddress(countKey, `new with ${text}`);
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
    return judged.length === 0 ? '' : `in ${count('on')} on topic and ${count('off')} off topic here`;
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
