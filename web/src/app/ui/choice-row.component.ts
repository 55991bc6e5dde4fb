import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  inject,
  input,
  output,
} from '@angular/core';

/** One of several: `label` is its full name where `name` is a short one. */
export interface Choice {
  readonly id: string;
  readonly name: string;
  readonly label?: string;
}

/** A few choices in a row, of which one holds; the arrow keys go from one to the next. */
@Component({
  selector: 'app-choice-row',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { role: 'radiogroup', '[attr.aria-label]': 'label()' },
  template: `
    @if (shown(); as words) {
      <span class="quiet" aria-hidden="true">{{ words }}</span>
    }
    @for (choice of choices(); track choice.id) {
      <button
        type="button"
        role="radio"
        class="plain choice"
        [attr.aria-checked]="choice.id === chosen()"
        [attr.aria-label]="choice.label ?? null"
        [attr.tabindex]="choice.id === current() ? 0 : -1"
        (click)="chose.emit(choice.id)"
        (keydown)="takeKey($event, choice)"
      >
        {{ choice.name }}
      </button>
    }
  `,
  styles: `
    :host {
      display: inline-flex;
      flex-wrap: wrap;
      gap: 2px 12px;
    }
    .choice {
      color: var(--mute);
      border-bottom: 2px solid transparent;
      white-space: nowrap;
    }
    .choice[aria-checked='true'] {
      color: var(--ink);
      font-weight: 600;
      border-bottom-color: var(--glaze);
    }
  `,
})
export class ChoiceRowComponent {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);

  /** What is chosen, for screen readers. */
  readonly label = input.required<string>();
  /** The same as shown before the choices, if it is to be shown. */
  readonly shown = input<string>();
  readonly choices = input.required<readonly Choice[]>();
  readonly chosen = input<string>();
  readonly chose = output<string>();

  /** The choice that Tab comes to. */
  protected readonly current = computed(
    () => this.choices().find((choice) => choice.id === this.chosen())?.id ?? this.choices()[0]?.id,
  );

  protected takeKey(event: KeyboardEvent, choice: Choice): void {
    const by = STEPS[event.key];
    if (by === undefined) return;
    event.preventDefault();
    const choices = this.choices();
    const at = (choices.indexOf(choice) + by + choices.length) % choices.length;
    const next = choices[at];
    if (!next) return;
    this.chose.emit(next.id);
    this.host.nativeElement.querySelectorAll<HTMLElement>('[role="radio"]')[at]?.focus();
  }
}

const STEPS: Readonly<Record<string, number>> = { ArrowLeft: -1, ArrowUp: -1, ArrowRight: 1, ArrowDown: 1 };
