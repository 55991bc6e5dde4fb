import {
  ChangeDetectionStrategy,
  Component,
  type ElementRef,
  afterNextRender,
  input,
  output,
  viewChild,
} from '@angular/core';
import { SayPipe } from '../words/say.pipe';

/** A line in the outline that is being typed. */
@Component({
  imports: [SayPipe],
  selector: 'app-row-entry',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <input
      #field
      type="text"
      class="line-field code"
      spellcheck="false"
      autocomplete="off"
      [value]="text()"
      [attr.aria-label]="label()"
      [placeholder]="'query.aWordAPhraseTitle' | say"
      (keydown.enter)="take($event, field.value)"
      (keydown.escape)="leave($event)"
      (blur)="blur(field.value)"
    />
  `,
  styles: `
    :host {
      display: inline-block;
      width: min(100%, 420px);
    }
    input {
      width: 100%;
      padding: 2px 6px;
      border-bottom: 2px solid var(--glaze);
    }
  `,
})
export class RowEntryComponent {
  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');
  readonly text = input('');
  readonly label = input.required<string>();
  readonly typed = output<string>();
  readonly left = output();
  private isDone = false;
  /** What was handed on last: it is not handed on again when the line goes. */
  private last: string | undefined;

  constructor() {
    afterNextRender(() => {
      this.field().nativeElement.focus();
      this.field().nativeElement.select();
    });
  }

  protected take(event: Event, text: string): void {
    event.preventDefault();
    event.stopPropagation();
    this.last = text;
    this.typed.emit(text);
  }

  protected leave(event: Event): void {
    event.preventDefault();
    event.stopPropagation();
    this.isDone = true;
    this.left.emit();
  }

  /** What was typed is never lost: going elsewhere takes it, as Enter does. */
  protected blur(text: string): void {
    if (this.isDone || text === this.last) return;
    this.last = text;
    if (text === this.text()) this.left.emit();
    else this.typed.emit(text);
  }
}
