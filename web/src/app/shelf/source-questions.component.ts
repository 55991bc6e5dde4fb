import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { LONGEST_QUESTION } from '#core/project/index';
import { SOURCE_QUESTIONS } from '#core/shelf/index';
import { TextFieldComponent } from '../ui/text-field.component';
import { SayPipe } from '../words/say.pipe';

type Answers = Readonly<Record<string, string>>;

/** What the person thinks of a work as a source, by questions of a short list or of one's own; none is required. */
@Component({
  selector: 'app-source-questions',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, SayPipe, TextFieldComponent],
  template: `
    @for (question of asked(); track question) {
      <app-text-field
        class="wide"
        [label]="question"
        [rows]="2"
        [value]="answers()[question] ?? ''"
        (left)="answer(question, $event)"
      />
    }
    <p>
      @for (list of lists(); track list.id) {
        <button mat-button type="button" (click)="ask(list.questions)">{{ list.name }}</button>
      }
    </p>
    <form (submit)="$event.preventDefault(); askOwn()">
      <app-text-field
        class="own"
        [label]="'shelf.aQuestionOfYourOwn' | say"
        [maxLength]="longest"
        [value]="own()"
        (typed)="own.set($event)"
      />
      <button mat-button type="submit" [disabled]="own().trim() === ''">{{ 'shared.add' | say }}</button>
    </form>
  `,
  styles: `
    app-text-field.wide {
      margin-bottom: 8px;
    }
    form {
      display: flex;
      align-items: center;
      gap: 10px;
    }
    .own {
      flex: 1;
    }
  `,
})
export class SourceQuestionsComponent {
  /** The id of the work: what is asked of one is not asked of the next. */
  readonly work = input.required<string>();
  readonly answers = input.required<Answers>();
  /** Makes the answers what they are to be. */
  readonly changed = output<(answers: Answers) => Answers>();

  protected readonly longest = LONGEST_QUESTION;
  /** Questions that have no answer yet. */
  private readonly open = linkedSignal<string, readonly string[]>({
    source: this.work,
    computation: () => [],
  });
  protected readonly own = linkedSignal({ source: this.work, computation: () => '' });
  protected readonly asked = computed(() => [...new Set([...Object.keys(this.answers()), ...this.open()])]);
  /** Lists of which a question is not asked yet. */
  protected readonly lists = computed(() =>
    SOURCE_QUESTIONS.filter(({ questions }) => questions.some((one) => !this.asked().includes(one))),
  );

  protected ask(questions: readonly string[]): void {
    this.open.update((open) => [...open, ...questions]);
  }

  protected askOwn(): void {
    const question = this.own().replace(/\s+/g, ' ').trim();
    this.own.set('');
    if (question !== '') this.ask([question]);
  }

  /** An answer that is emptied is gone; its question stays to be seen. */
  protected answer(question: string, text: string): void {
    this.ask([question]);
    this.changed.emit((answers) => {
      const { [question]: _, ...others } = answers;
      return text.trim() === '' ? others : { ...answers, [question]: text };
    });
  }
}
