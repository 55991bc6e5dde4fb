import { Injectable, inject } from '@angular/core';
import type { Completion, CompletionContext, CompletionResult } from '@codemirror/autocomplete';
import { listFields } from '#core/outline/index';
import { FIELDS, FIELD_TABLE, PROPERTIES, printQuery, build, type QueryNode } from '#core/query/index';
import { foldLetters } from '#core/text/index';
import { getAmount } from '../counting/count-state';
import { Counts } from '../counting/counts';
import { IndexWords } from '../state/index-words';
import { OpenProject } from '../state/open-project';
import { ThesaurusStore } from '../state/thesaurus-store';
import { formatAmount, formatNumber } from '../ui/number-format';
import { QueryDesk } from './query-desk';
import { QueryNumbers } from './query-numbers';
import { say } from '../words/say';

const MAX_OFFERED = 40;
const OPERATORS = [
  {
    label: 'AND',
    get detail() {
      return say('shared.allOfThem');
    },
  },
  {
    label: 'OR',
    get detail() {
      return say('shared.anyOfThem');
    },
  },
  { label: 'NOT', detail: 'without' },
  {
    label: 'WITHIN',
    get detail() {
      return say('query.nearInEitherOrder');
    },
    apply: 'WITHIN 3 ',
  },
  {
    label: 'BEFORE',
    get detail() {
      return say('query.nearInThisOrder');
    },
    apply: 'BEFORE 3 ',
  },
  {
    label: 'OFF',
    get detail() {
      return say('query.takesNoPart');
    },
    apply: 'OFF(',
  },
] as const;
const HEADINGS = [
  {
    label: 'heading:',
    get detail() {
      return say('query.aSubjectHeading');
    },
  },
  {
    label: 'branch:',
    get detail() {
      return say('query.aHeadingWithItsNarrower');
    },
  },
  {
    label: 'focus:',
    get detail() {
      return say('query.aHeadingAsAMain');
    },
  },
] as const;

/** What the editor offers while a query is typed: blocks, headings, fields, operators and known words, with counts. */
@Injectable()
export class QueryCompletions {
  private readonly open = inject(OpenProject);
  private readonly counts = inject(Counts);
  private readonly words = inject(IndexWords);
  private readonly thesauri = inject(ThesaurusStore);
  private readonly desk = inject(QueryDesk);
  private readonly numbers = inject(QueryNumbers);

  readonly complete = async (context: CompletionContext): Promise<CompletionResult | null> => {
    const block = context.matchBefore(/@[\p{L}\p{M}\p{Nd}_-]*/u);
    if (block) return { from: block.from, options: this.listBlocks(), validFor: /^@[\p{L}\p{M}\p{Nd}_-]*$/u };
    const heading = context.matchBefore(/(?:heading|branch|focus)(?:\([\w-]*\))?:\s*"[^"\n]*/iu);
    if (heading) return this.listHeadings(heading.from, heading.text);
    const quote = context.matchBefore(/"[^"\n]*/);
    const word = context.matchBefore(/[\p{L}\p{M}\p{Nd}]+/u);
    if (!word || (word.text.length < 2 && !context.explicit)) return null;
    const known = await this.listWords(word.text);
    if (context.aborted) return null;
    const signs = quote && isOpenQuote(context, quote.from) ? [] : this.listSigns();
    return { from: word.from, options: [...signs, ...known] };
  };

  private listBlocks(): Completion[] {
    const { concepts, blocks } = this.open.working();
    return [
      ...concepts.map((concept) =>
        this.describe(`@${concept.block}`, build.block(concept.block), concept.name),
      ),
      ...blocks.map((block) => this.describe(`@${block.name}`, build.block(block.name), block.text)),
    ];
  }

  private describe(label: string, node: QueryNode, info: string): Completion {
    const dialect = this.numbers.database();
    const expanded = this.desk.rows().find((row) => row.text === printQuery(node))?.query;
    const amount =
      dialect && expanded && getAmount(this.counts.peek(expanded, dialect, this.open.limiters()).state);
    return { label, type: 'block', info, ...(amount && { detail: formatAmount(amount) }) };
  }

  private listSigns(): Completion[] {
    return [
      ...FIELDS.map((field) => ({
        label: `${field}:`,
        detail: say('query.inFields', { fields: listFields([field]) }),
        type: 'field',
        apply: `${field}: `,
      })),
      ...PROPERTIES.map((property) => ({
        label: `${property}:`,
        detail: say('query.like', {
          label: FIELD_TABLE[property].label,
          example: FIELD_TABLE[property].example,
        }),
        type: 'field',
        apply: `${property}: `,
      })),
      ...HEADINGS.map(({ label, detail }) => ({ label, detail, type: 'field', apply: `${label} "` })),
      ...OPERATORS.map((operator) => ({ ...operator, type: 'operator' })),
    ];
  }

  private async listWords(typed: string): Promise<Completion[]> {
    const databases = this.open.dialects().map((dialect) => dialect.id);
    const first = this.numbers.database()?.id ?? databases[0];
    const lists = await this.words.list(databases, foldLetters(typed));
    const known = new Map<string, number>();
    for (const [database, words] of Object.entries(lists)) {
      for (const { word, records } of words) {
        if (database === first || !known.has(word)) known.set(word, database === first ? records : 0);
      }
    }
    return [...known]
      .sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))
      .slice(0, MAX_OFFERED)
      .map(([label, records], place) => ({
        label,
        type: 'word',
        boost: -place / MAX_OFFERED,
        ...(records > 0 && { detail: formatNumber(records) }),
      }));
  }

  private listHeadings(from: number, text: string): CompletionResult {
    const start = text.indexOf('"') + 1;
    const vocabulary = /\(([\w-]+)\)/.exec(text)?.[1];
    const typed = text.slice(start);
    const options = this.open
      .dialects()
      .filter(({ id, headings }) => headings && (vocabulary === undefined || vocabulary === id))
      .flatMap(({ id, name }) =>
        (this.thesauri.find(id)?.lookUp(typed, MAX_OFFERED) ?? []).map(({ heading }) => ({
          label: heading.label,
          detail: name,
          type: 'heading',
          apply: `${heading.label}"`,
        })),
      );
    return { from: from + start, options, validFor: /^[^"\n]*$/ };
  }
}

/** True if a quotation mark opens a phrase, and does not close one. */
function isOpenQuote(context: CompletionContext, at: number): boolean {
  const line = context.state.doc.lineAt(at);
  const before = line.text.slice(0, at - line.from);
  return (before.split('"').length - 1) % 2 === 0;
}
