import { MatTooltip } from '@angular/material/tooltip';
import { MatButton } from '@angular/material/button';
import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  Injector,
  afterNextRender,
  computed,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { getConceptLetter, type Concept } from '#core/project/index';
import {
  checkSteps,
  choosePhrases,
  joinPicked,
  listPairs,
  readQuestion,
  type PairCounts,
  type QuestionWord,
} from '#core/question/index';
import { findMatches, parseQuery } from '#core/query/index';
import { foldLetters } from '#core/text/index';
import { getProved } from '#core/count/index';
import { readCount } from '../counting/read-count';
import { Counts } from '../counting/counts';
import { OpenProject } from '../state/open-project';
import { getHueClass } from '../ui/hues';
import { IconComponent } from '../ui/icon.component';
import { ChecklistHidden } from './checklist-hidden';
import { SayPipe } from '../words/say.pipe';

/** A word as it is shown: with the concept that speaks of it. */
interface ShownWord extends QuestionWord {
  readonly at: number;
  /** What stands between it and the next word. */
  readonly after: string;
  readonly hue: string;
  readonly concept: string | undefined;
  /** It and the next word are a likely phrase. */
  readonly isPaired: boolean;
}

/** The question, whose words can be picked for concepts, and the steps of the work. */
@Component({
  selector: 'app-question-bar',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, MatMenu, MatMenuItem, MatMenuTrigger, IconComponent, MatButton, MatTooltip],
  templateUrl: './question-bar.component.html',
  styleUrl: './question-bar.component.scss',
})
export class QuestionBarComponent {
  private readonly open = inject(OpenProject);
  private readonly counts = inject(Counts);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly injector = inject(Injector);
  protected readonly hidden = inject(ChecklistHidden);

  readonly concepts = input.required<readonly Concept[]>();
  readonly conceptMade = output<{ name: string; terms: readonly string[] }>();
  readonly termsMade = output<{ concept: Concept; terms: readonly string[] }>();
  readonly rulesAsked = output();

  protected readonly question = computed(() => this.open.working().question);
  private readonly wantsToEdit = signal(false);
  protected readonly isEditing = computed(() => this.wantsToEdit() || this.question().trim() === '');
  protected readonly picked = signal<ReadonlySet<number>>(new Set());
  private readonly anchor = signal(0);
  /** The word that Tab comes to. */
  protected readonly current = signal(0);

  private readonly read = computed(() => readQuestion(this.question(), this.open.working().contextWords));
  private readonly pairs = computed(() => listPairs(this.read(), this.question()));
  private readonly pairQueries = computed(() =>
    this.pairs().map((pair) => {
      const [first = '', second = ''] = pair.text.split(' ');
      return { pair, queries: [`"${pair.text}"`, first, second].map((text) => parseQuery(text).root) };
    }),
  );
  private readonly pairCounts = computed(() => {
    const [dialect] = this.open.dialects();
    if (!dialect) return [];
    return this.pairQueries().map(({ pair, queries }) => ({
      pair,
      counted: queries.map((root) => this.counts.look(root, dialect, NO_LIMITERS)),
    }));
  });
  private readonly phrases = computed(
    () =>
      new Set(
        choosePhrases(this.pairs(), (pair): PairCounts | undefined => {
          const counted = this.pairCounts().find((entry) => entry.pair === pair)?.counted ?? [];
          const [both, first, second] = counted.map((one) => getProved(readCount(one)));
          if (both === undefined || first === undefined || second === undefined) return undefined;
          return { pair: both, first, second };
        }),
      ),
  );
  protected readonly words = computed<readonly ShownWord[]>(() => {
    const question = this.question();
    const spoken = this.findSpoken();
    const words = this.read();
    return words.map((word, at) => {
      const index = spoken.find(({ start, end }) => word.start >= start && word.end <= end)?.index;
      return {
        ...word,
        at,
        after: question.slice(word.end, words[at + 1]?.start ?? question.length),
        hue: index === undefined ? '' : getHueClass(index),
        concept: index === undefined ? undefined : this.concepts()[index]?.name,
        isPaired: this.phrases().has(at),
      };
    });
  });
  protected readonly before = computed(() => this.question().slice(0, this.read()[0]?.start ?? 0));
  protected readonly pickedText = computed(() => this.listPicked().join(' · '));
  protected readonly contextWord = computed(() => {
    const [only, ...others] = [...this.picked()];
    return others.length === 0 && only !== undefined ? this.read()[only] : undefined;
  });
  protected readonly steps = computed(() => checkSteps(this.open.project()));
  protected readonly doneCount = computed(() => this.steps().filter((step) => step.isDone).length);
  protected readonly nextStep = computed(() => this.steps().find((step) => !step.isDone)?.text);

  protected setQuestion(question: string): void {
    if (question !== this.question()) this.open.change({ kind: 'set-question', question });
  }

  protected edit(): void {
    this.wantsToEdit.set(true);
    this.picked.set(new Set());
    this.focusLater('textarea');
  }

  /** An empty question stays open while it is typed into. */
  protected keepEditing(): void {
    this.wantsToEdit.set(true);
  }

  protected finish(event?: Event): void {
    event?.preventDefault();
    this.wantsToEdit.set(false);
    if (event) this.focusLater('.word[tabindex="0"]');
  }

  /** Takes a word in or out; with Shift, all from the last one to this. A likely phrase comes as a whole. */
  protected pick(at: number, event: { shiftKey: boolean }): void {
    this.current.set(at);
    if (event.shiftKey) {
      const [from, to] = [Math.min(at, this.anchor()), Math.max(at, this.anchor())];
      this.picked.update(
        (picked) => new Set([...picked, ...Array.from({ length: to - from + 1 }, (_, add) => from + add)]),
      );
      return;
    }
    this.anchor.set(at);
    const group = this.phrases().has(at) ? [at, at + 1] : this.phrases().has(at - 1) ? [at - 1, at] : [at];
    this.picked.update((picked) => {
      const next = new Set(picked);
      for (const word of group)
        if (picked.has(at)) next.delete(word);
        else next.add(word);
      return next;
    });
  }

  protected takeKey(event: KeyboardEvent, at: number): void {
    const to = { ArrowLeft: at - 1, ArrowRight: at + 1, Home: 0, End: this.read().length - 1 }[event.key];
    if (to !== undefined && this.read()[to]) {
      event.preventDefault();
      this.current.set(to);
      if (event.shiftKey) {
        this.picked.update((picked) => new Set([...picked, at, to]));
        this.anchor.set(to);
      }
      // At once, so that the next key finds its word though keys come fast.
      this.host.nativeElement.querySelector<HTMLElement>(`[data-word="${to}"]`)?.focus();
    } else if (event.key === ' ') {
      event.preventDefault();
      this.pick(at, event);
    } else if (event.key === 'Enter') {
      event.preventDefault();
      if (this.picked().size === 0) this.pick(at, { shiftKey: false });
      this.makeConcept();
    } else if (event.key === 'Escape') {
      this.picked.set(new Set());
    } else if (/^[a-l]$/i.test(event.key) && !event.ctrlKey && !event.metaKey && !event.altKey) {
      const concept = this.concepts()[event.key.toUpperCase().charCodeAt(0) - 65];
      if (concept && this.picked().size > 0) this.addTo(concept);
    }
  }

  protected makeConcept(): void {
    const terms = this.listPicked();
    const [name] = terms;
    if (name === undefined) return;
    this.picked.set(new Set());
    this.conceptMade.emit({ name, terms });
  }

  protected addTo(concept: Concept): void {
    const terms = this.listPicked();
    this.picked.set(new Set());
    this.termsMade.emit({ concept, terms });
  }

  /** Puts a word on the project's list of context words, or takes it from there. */
  protected turnContext(word: QuestionWord): void {
    const key = foldLetters(word.text);
    const { added, dropped } = this.open.working().contextWords;
    const isContext = word.role !== 'content';
    const contextWords = {
      added: isContext ? added.filter((other) => other !== key) : [...new Set([...added, key])],
      dropped: isContext ? [...new Set([...dropped, key])] : dropped.filter((other) => other !== key),
    };
    this.picked.set(new Set());
    this.open.change({ kind: 'set-context-words', contextWords });
  }

  protected letterOf(at: number): string {
    return getConceptLetter(at);
  }

  private listPicked(): string[] {
    return joinPicked(this.read(), this.picked(), this.question());
  }

  /** The stretches of the question that terms of a concept speak of. */
  private findSpoken(): { start: number; end: number; index: number }[] {
    const queries = this.concepts().flatMap((concept, index) =>
      [concept.name, ...concept.terms.filter((term) => !term.off).map((term) => term.text)].map(
        (text, at) => ({
          owner: String(index),
          root: parseQuery(at === 0 ? `"${text.replaceAll('"', '')}"` : text).root,
        }),
      ),
    );
    return findMatches(this.question(), queries).map(({ start, end, owner }) => ({
      start,
      end,
      index: Number(owner),
    }));
  }

  private focusLater(selector: string): void {
    afterNextRender(() => this.host.nativeElement.querySelector<HTMLElement>(selector)?.focus(), {
      injector: this.injector,
    });
  }
}

const NO_LIMITERS = {};
