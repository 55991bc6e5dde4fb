import { TextFieldComponent } from '../../ui/text-field.component';
import { MatTooltip } from '@angular/material/tooltip';
import { NumberFieldComponent } from '../../ui/number-field.component';
import { FIELD_PARTS, SELECT_PARTS } from '../../ui/field-parts';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { listLimiters } from '#core/limiter/index';
import { MatRadioButton, MatRadioGroup } from '@angular/material/radio';
import type { FramedQuestion, Purpose, SourceRules } from '#core/project/index';
import { FRAMES, PURPOSE_ROWS } from '#core/question/index';
import { foldLetters, splitWords } from '#core/text/index';
import { LimiterStripComponent } from '../../limiters/limiter-strip.component';
import { StatedRulesComponent } from './stated-rules.component';
import { OpenProject } from '../../state/open-project';
import { TermEntry } from '../../terms/term-entry';
import { DIALOG_PARTS } from '../../ui/dialog-parts';
import { SayPipe } from '../../words/say.pipe';
import { say } from '../../words/say';

/** What the search is for and what its sources must be: purpose, frame, rules, context words. */
@Component({
  selector: 'app-brief-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    DIALOG_PARTS,
    MatRadioButton,
    MatRadioGroup,
    LimiterStripComponent,
    FIELD_PARTS,
    SELECT_PARTS,
    NumberFieldComponent,
    MatTooltip,
    StatedRulesComponent,
    TextFieldComponent,
  ],
  templateUrl: './brief-dialog.component.html',
  styleUrl: './brief-dialog.component.scss',
})
export class BriefDialogComponent {
  protected readonly open = inject(OpenProject);
  private readonly entry = inject(TermEntry);
  protected readonly purposes = PURPOSE_ROWS;
  protected readonly frames = FRAMES;
  protected readonly working = this.open.working;
  protected readonly purpose = computed(() => PURPOSE_ROWS.find((row) => row.id === this.working().purpose));
  protected readonly asks = computed(() => {
    const frame = this.working().frame;
    const known = FRAMES.find((candidate) => candidate.id === frame?.id);
    return frame?.parts.map((part, at) => ({ ...part, asks: known?.parts[at]?.asks ?? '' })) ?? [];
  });
  protected readonly about = computed(
    () => FRAMES.find((frame) => frame.id === this.working().frame?.id)?.about ?? '',
  );
  protected readonly canApply = computed(() => {
    const { limiters, wanted } = this.working().rules;
    return listLimiters(limiters).length > 0 || wanted.from !== undefined || wanted.to !== undefined;
  });

  /** The note as it is being typed. */
  protected readonly typed = signal<string | undefined>(undefined);
  protected setPurpose(purpose: Purpose): void {
    this.open.change({ kind: 'set-purpose', purpose });
  }

  protected takeBand(): void {
    const wanted = this.purpose()?.suggests;
    if (wanted) this.setRules({ wanted });
  }

  protected setFrame(id: string): void {
    const frame = FRAMES.find((candidate) => candidate.id === id);
    const old = this.working().frame?.parts ?? [];
    if (id === 'own')
      this.change({ id, parts: old.length > 0 ? old : [{ name: say('topic.part1'), answer: '' }] });
    else if (frame)
      this.change({
        id,
        parts: frame.parts.map(({ name }, at) => ({ name, answer: old[at]?.answer ?? '' })),
      });
    else this.open.change({ kind: 'set-frame', frame: undefined });
  }

  protected setPart(at: number, values: { name?: string; answer?: string }): void {
    const frame = this.working().frame;
    if (frame)
      this.change({
        ...frame,
        parts: frame.parts.map((part, other) => (other === at ? { ...part, ...values } : part)),
      });
  }

  protected addPart(): void {
    const frame = this.working().frame;
    if (frame)
      this.change({
        ...frame,
        parts: [...frame.parts, { name: say('topic.part', { number: frame.parts.length + 1 }), answer: '' }],
      });
  }

  /** A frame only proposes: what was answered becomes a concept when the person says so. */
  protected makeConcept(answer: string): void {
    const terms = this.entry.create(undefined, [answer], 'question');
    this.open.change({ kind: 'add-concept', id: this.open.createId(), name: answer.trim(), terms });
  }

  protected hasConcept(answer: string): boolean {
    const key = foldLetters(answer.trim());
    return this.open.concepts().some((concept) => foldLetters(concept.name) === key);
  }

  protected setRules(values: Partial<SourceRules>): void {
    this.open.change({ kind: 'set-rules', rules: { ...this.working().rules, ...values } });
  }

  protected setWanted(end: 'from' | 'to', number: number | undefined): void {
    const { [end]: _, ...rest } = this.working().rules.wanted;
    this.setRules({ wanted: number === undefined ? rest : { ...rest, [end]: number } });
  }

  protected setContextWords(list: 'added' | 'dropped', typed: string): void {
    const words = [...new Set(splitWords(typed).map((word) => word.text))];
    const contextWords = { ...this.working().contextWords, [list]: words };
    this.open.change({ kind: 'set-context-words', contextWords });
  }

  private change(frame: FramedQuestion): void {
    this.open.change({ kind: 'set-frame', frame });
  }
}
