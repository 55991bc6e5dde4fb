import { Clipboard } from '@angular/cdk/clipboard';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatMenu, MatMenuTrigger } from '@angular/material/menu';
import { MatCheckbox } from '@angular/material/checkbox';
import { MatSnackBar } from '@angular/material/snack-bar';
import { DIALECTS, type Dialect } from '#core/dialect/index';
import { describeInFull } from '#core/problem/index';
import { DraftCounts } from '../counting/draft-counts';
import type { Counted } from '../counting/count-store';
import { OpenProject } from '../state/open-project';
import { CountComponent } from '../ui/count.component';
import { getHueClass } from '../ui/hues';
import { LEVEL_WORDS, describeStep, listFidelityNotes } from './rendering-notes';
import { cutSegments } from './string-segments';

/** The draft in each chosen database's own syntax, with what that does to its meaning. */
@Component({
  selector: 'app-translate-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CountComponent, MatCheckbox, MatMenu, MatMenuTrigger],
  templateUrl: './translate-page.component.html',
  styleUrl: './translate-page.component.scss',
})
export class TranslatePageComponent {
  protected readonly open = inject(OpenProject);
  private readonly draftCounts = inject(DraftCounts);
  private readonly clipboard = inject(Clipboard);
  private readonly snackBar = inject(MatSnackBar);

  /** The node whose pieces are lit in all rows. */
  protected readonly lit = signal<string | undefined>(undefined);
  private readonly hues = computed(
    () => new Map(this.open.concepts().map((concept, place) => [concept.block, getHueClass(place)])),
  );
  protected readonly rows = computed(() =>
    this.draftCounts.draft().map(({ dialect, counted }) => this.describeRow(dialect, counted)),
  );
  protected readonly choices = computed(() =>
    DIALECTS.map((dialect) => ({ dialect, isOn: this.open.working().databases.includes(dialect.id) })),
  );

  protected light(nodes: readonly string[]): void {
    this.lit.set(nodes.at(-1));
  }

  protected isLit(nodes: readonly string[]): boolean {
    const lit = this.lit();
    return lit !== undefined && nodes.includes(lit);
  }

  protected choose(id: string, on: boolean): void {
    const chosen = this.open.working().databases;
    const databases = DIALECTS.map((dialect) => dialect.id).filter((other) =>
      other === id ? on : chosen.includes(other),
    );
    this.open.change({ kind: 'choose-databases', databases });
  }

  protected copy(text: string, what: string): void {
    const done = this.clipboard.copy(text);
    this.snackBar.open(
      done ? `${what} copied` : 'The clipboard cannot be used here: select the text and copy it.',
      undefined,
      { duration: 3_000 },
    );
  }

  protected copyAll(): void {
    const parts = this.rows().map((row) => [row.name, row.text, ...row.steps].join('\n'));
    this.copy(parts.join('\n\n'), 'All strings');
  }

  private describeRow(dialect: Dialect, counted: Counted) {
    const { rendering } = counted;
    const root = this.open.draft().root;
    const segments = cutSegments(rendering.text, rendering.pieces).map((segment) => ({
      ...segment,
      hue: segment.block === undefined ? '' : (this.hues().get(segment.block) ?? ''),
    }));
    return {
      id: dialect.id,
      name: dialect.name,
      about: dialect.about,
      habits: dialect.habits,
      text: rendering.text,
      segments,
      counted,
      level: rendering.whole,
      levelWords: LEVEL_WORDS[rendering.whole],
      notes: listFidelityNotes(root, rendering),
      length: describeLength(rendering.extent.characters, dialect.most.characters),
      truncations:
        dialect.most.truncations === undefined
          ? ''
          : `${rendering.extent.truncations} of ${dialect.most.truncations} cut words`,
      steps: rendering.steps.map(describeStep),
      problems: rendering.problems.map((problem) => describeInFull(problem)),
    };
  }
}

function describeLength(length: number, most: number | undefined): string {
  const characters = length.toLocaleString('en');
  return most === undefined
    ? `${characters} characters`
    : `${characters} of ${most.toLocaleString('en')} characters`;
}
