import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { findMatches, type QueryNode } from '#core/query/index';

/** A text with the words of the query marked in the colours of their concepts. */
@Component({
  selector: 'app-marked-text',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `@for (part of parts(); track $index) {
    @if (part.hue) {
      <mark [class]="part.hue">{{ part.text }}</mark>
    } @else {
      <span>{{ part.text }}</span>
    }
  }`,
  styles: `
    mark {
      background: var(--hue-tint, var(--glaze-tint));
      color: inherit;
      border-bottom: 2px solid var(--hue, var(--glaze));
    }
    mark.at {
      background: var(--hue, var(--glaze));
      color: var(--paper);
    }
  `,
})
export class MarkedTextComponent {
  readonly text = input.required<string>();
  /** Queries with the class of the hue that their words get. */
  readonly queries = input.required<readonly { owner: string; root: QueryNode }[]>();

  protected readonly parts = computed(() => {
    const text = this.text();
    const parts: { text: string; hue?: string }[] = [];
    let at = 0;
    for (const match of findMatches(text, this.queries())) {
      parts.push(
        { text: text.slice(at, match.start) },
        { text: text.slice(match.start, match.end), hue: match.owner },
      );
      at = match.end;
    }
    parts.push({ text: text.slice(at) });
    return parts.filter((part) => part.text !== '');
  });
}
