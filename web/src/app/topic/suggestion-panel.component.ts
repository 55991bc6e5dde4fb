import { MatButton } from '@angular/material/button';
import { LiveAnnouncer } from '@angular/cdk/a11y';
import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
} from '@angular/core';
import type { Dialect } from '#core/dialect/index';
import {
  createTermKey,
  describeTermKind,
  getConceptLetter,
  readPlainWords,
  type Concept,
  type Term,
} from '#core/project/index';
import { covers, parseQuery } from '#core/query/index';
import { getGreatest, type Amount } from '#core/count/index';
import { getAmount, type Counted } from '../counting/count-state';
import { Counts } from '../counting/counts';
import { OpenProject } from '../state/open-project';
import { CountComponent } from '../records/count.component';
import { getHueClass } from '../ui/hues';
import { IconComponent } from '../ui/icon.component';
import { SuggestionFinder, type SuggestionRequest } from '../terms/suggestions/suggestion-finder';
import { SECTIONS, type Suggestion } from '../terms/suggestions/suggestion';
import { TopicDialogs } from './topic-dialogs';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** From a concept with more terms than this, suggestions are found from the first ones. */
const MAX_TERMS_ASKED = 12;
/** Milliseconds of quiet before suggestions are looked for. */
const QUIET = 350;
const SHOWN_AT_FIRST = 5;

/** Suggestions of one kind, as far as they are shown. */
interface ShownSection {
  readonly id: string;
  readonly name: string;
  readonly shown: readonly { readonly suggestion: Suggestion; readonly counted: Counted | undefined }[];
  readonly more: number;
}

/** What may become a term of the concept at hand, each with its source and its count. */
@Component({
  selector: 'app-suggestion-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, CountComponent, IconComponent, MatButton],
  templateUrl: './suggestion-panel.component.html',
  styleUrl: './suggestion-panel.component.scss',
  host: {
    role: 'complementary',
    '[attr.aria-label]': 'spokenName',
    '[class]': 'hue()',
    '(pointerdown)': 'hold()',
    '(document:pointerup)': 'release()',
    '(document:pointercancel)': 'release()',
  },
})
export class SuggestionPanelComponent {
  protected readonly spokenName = say('topic.suggestions');
  private readonly open = inject(OpenProject);
  private readonly counts = inject(Counts);
  private readonly finder = inject(SuggestionFinder);
  private readonly announcer = inject(LiveAnnouncer);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly dialogs = inject(TopicDialogs);

  readonly concept = input.required<Concept>();
  readonly term = input<Term>();
  readonly dialect = input<Dialect>();

  private readonly found = signal<readonly Suggestion[]>([]);
  protected readonly isLooking = signal(false);
  protected readonly opened = signal<ReadonlySet<string>>(new Set());
  private readonly index = computed(() =>
    this.open.concepts().findIndex((concept) => concept.id === this.concept().id),
  );
  protected readonly hue = computed(() => getHueClass(Math.max(0, this.index())));
  protected readonly letter = computed(() => getConceptLetter(Math.max(0, this.index())));
  private readonly terms = computed<readonly Term[]>(() => {
    const term = this.term();
    return term
      ? [term]
      : this.concept()
          .terms.filter((other) => !other.off)
          .slice(0, MAX_TERMS_ASKED);
  });
  /** Phrases that find nothing wherever they are counted. */
  private readonly empty = computed(
    () =>
      this.terms().filter((term) => {
        if (describeTermKind(term) !== 'phrase') return false;
        const { root } = parseQuery(term.text);
        const amounts = this.open
          .dialects()
          .flatMap((dialect) => getAmount(this.counts.look(root, dialect, this.open.limiters()).state) ?? []);
        return amounts.length > 0 && amounts.every((amount) => !findsSomething(amount));
      }),
    { equal: (one, other) => one.length === other.length && one.every((term, at) => term === other[at]) },
  );
  /** A word for the bench and the thesaurus to start with. */
  protected readonly word = computed(() => {
    const text =
      this.term()?.text ?? this.concept().terms.find((term) => !term.off)?.text ?? this.concept().name;
    return readPlainWords(text);
  });
  private readonly question = computed<SuggestionRequest | undefined>(() => {
    const dialect = this.dialect();
    return (
      dialect && {
        concept: this.concept(),
        terms: this.terms(),
        empty: this.empty(),
        dialects: this.open.dialects(),
        dialect,
      }
    );
  });
  private readonly headings = computed(() => {
    const question = this.question();
    return question ? this.finder.findHeadings(question) : [];
  });
  /** Neither what the concept has or finds already nor what was dismissed. */
  private readonly candidates = computed(() => {
    const { terms, dismissed = [] } = this.concept();
    const known = new Set([...terms.map((term) => createTermKey({ text: term.text })), ...dismissed]);
    const trees = terms
      .filter((term) => !term.off && !term.databases)
      .map((term) => parseQuery(term.text).root);
    const seen = new Set<string>();
    return [...this.headings(), ...this.found()].filter(({ key, root, replaces }) => {
      if (known.has(key) || seen.has(key)) return false;
      if (replaces === undefined && trees.some((tree) => covers(tree, root))) return false;
      seen.add(key);
      return true;
    });
  });
  private readonly counted = computed(() =>
    this.candidates().map((suggestion) => ({
      suggestion,
      counts: this.open
        .dialects()
        .map((dialect) => this.counts.look(suggestion.root, dialect, this.open.limiters())),
    })),
  );
  /** Only what some chosen database finds is worth offering; headings are offered though they are new. */
  private readonly sections = computed<readonly ShownSection[]>(() => {
    const at = this.open.dialects().findIndex((dialect) => dialect.id === this.dialect()?.id);
    const worth = this.counted()
      .filter(({ counts }) => counts.some(({ state }) => findsSomething(getAmount(state))))
      .map(({ suggestion, counts }) => ({ suggestion, counted: counts[at] }));
    return SECTIONS.map(({ id, name }) => {
      const all = worth.filter(({ suggestion }) => suggestion.section === id);
      const shown = this.opened().has(id) ? all : all.slice(0, SHOWN_AT_FIRST);
      return { id, name, shown, more: all.length - shown.length };
    }).filter((section) => section.shown.length > 0);
  });

  /** What was shown when the pointer was pressed: nothing moves away from under it. */
  private readonly held = signal<readonly ShownSection[] | undefined>(undefined);
  protected readonly shownSections = computed(() => this.held() ?? this.sections());

  constructor() {
    effect((onCleanup) => {
      const question = this.question();
      if (!question) return;
      let isStale = false;
      const timer = setTimeout(
        () => {
          if (!isStale) void this.look(question, () => isStale);
        },
        untracked(this.found).length === 0 ? 0 : QUIET,
      );
      onCleanup(() => {
        isStale = true;
        clearTimeout(timer);
      });
    });
  }

  protected hold(): void {
    this.held.set(this.sections());
  }

  protected release(): void {
    this.held.set(undefined);
  }

  protected take({ label, text, source, language, replaces }: Suggestion, event?: Event): void {
    if (event?.target instanceof HTMLElement) this.focusBeside(event.target);
    const term: Term = {
      id: this.open.createId(),
      text,
      off: false,
      source,
      ...(language !== undefined && { language }),
    };
    this.open.change(
      replaces === undefined
        ? { kind: 'add-terms', concept: this.concept().id, terms: [term] }
        : { kind: 'replace-term', id: replaces, terms: [term] },
    );
    void this.announcer.announce(say('topic.addedTo', { text: label ?? text, name: this.concept().name }));
  }

  protected dismiss({ key, text, label }: Suggestion, event?: Event): void {
    if (event?.target instanceof HTMLElement) this.focusBeside(event.target);
    this.open.change({ kind: 'dismiss-suggestion', concept: this.concept().id, key });
    void this.announcer.announce(say('topic.dismissed', { name: label ?? text }));
  }

  protected takeKey(event: KeyboardEvent, suggestion: Suggestion): void {
    const { target } = event;
    if (!(target instanceof HTMLElement)) return;
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      const all = this.listTakers();
      all[all.indexOf(target) + (event.key === 'ArrowDown' ? 1 : -1)]?.focus();
    } else if (event.key === 'Delete') {
      event.preventDefault();
      this.dismiss(suggestion, event);
    }
  }

  protected toggle(section: string): void {
    this.opened.update((opened) => new Set([...opened, section]));
  }

  private async look(question: SuggestionRequest, isStale: () => boolean): Promise<void> {
    this.isLooking.set(true);
    const fresh: Suggestion[] = [];
    const lookouts = [...this.finder.list(question), ...this.finder.listSlips(question)];
    const pending = lookouts.map(async (find) => {
      const found = await find();
      if (isStale()) return;
      fresh.push(...found);
      this.found.set([...fresh]);
    });
    await Promise.allSettled(pending);
    if (isStale()) return;
    if (fresh.length === 0) this.found.set([]);
    this.isLooking.set(false);
  }

  private listTakers(): HTMLElement[] {
    return [...this.host.nativeElement.querySelectorAll<HTMLElement>('button.take')];
  }

  private focusBeside(target: HTMLElement): void {
    const all = this.listTakers();
    const at = all.indexOf(target.closest('li')?.querySelector<HTMLElement>('button.take') ?? target);
    (all[at + 1] ?? all[at - 1])?.focus();
  }
}

function findsSomething(amount: Amount | undefined): boolean {
  return amount !== undefined && getGreatest(amount) > 0;
}
