import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { Heading } from '#core/vocabulary/index';
import type { Counted } from '../counting/count-state';
import { CountComponent } from '../records/count.component';
import { SayPipe } from '../words/say.pipe';

/** A heading as it is listed: with what it finds alone, or with all below it. */
export interface ListedHeading {
  readonly heading: Heading;
  readonly by?: string;
  readonly counted: Counted | undefined;
}

/** A heading with all that stands round it. */
export interface ShownHeading {
  readonly heading: Heading;
  /** How many headings it has with all below it, itself included. */
  readonly branch: number;
  readonly alone: Counted | undefined;
  readonly whole: Counted | undefined;
  readonly groups: readonly { readonly name: string; readonly headings: readonly ListedHeading[] }[];
}

/** What a person does with a heading. */
export type PaneAction =
  | { readonly kind: 'walk'; readonly heading: Heading }
  | { readonly kind: 'go-back' }
  | { readonly kind: 'take-heading'; readonly heading: Heading; readonly scope: 'heading' | 'branch' }
  | { readonly kind: 'take-words'; readonly words: readonly string[] }
  | { readonly kind: 'take-translation'; readonly label: string; readonly language: string };

/** One heading of a thesaurus: what it means and finds, its words, and the headings round it. */
@Component({
  selector: 'app-heading-pane',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, CountComponent, MatButton],
  templateUrl: './heading-pane.component.html',
  styleUrl: './heading-pane.component.scss',
})
export class HeadingPaneComponent {
  readonly shown = input.required<ShownHeading>();
  /** The database whose records have these headings; empty for a thesaurus from a file. */
  readonly databaseName = input.required<string>();
  readonly canGoBack = input.required<boolean>();
  readonly acted = output<PaneAction>();
}
