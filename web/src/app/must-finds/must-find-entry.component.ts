import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { readPastedList, type UnreadPiece } from '#core/must-finds/index';
import type { MustFind } from '#core/project/index';
import { Connections } from '../state/connections';
import { OpenProject } from '../state/open-project';
import { FIELD_PARTS } from '../ui/field-parts';
import { FileButtonComponent } from '../ui/file-button.component';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';
import { MustFindFiles, type MustFindImport } from './must-find-files';

const REASONS = {
  get 'no-words'() {
    return say('mustFinds.hasNoWords');
  },
  get 'one-word'() {
    return say('mustFinds.hasOneWord');
  },
} as const;

/** Where must-finds come in: pasted, or from files of records. What was not understood stays, with its reason. */
@Component({
  selector: 'app-must-find-entry',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FIELD_PARTS, FileButtonComponent, MatButton, SayPipe],
  templateUrl: './must-find-entry.component.html',
  styleUrl: '../comparing/tools.scss',
  styles: `
    .box {
      width: 100%;
      max-width: 760px;
      margin-top: 6px;
    }
    app-file-button {
      display: inline-block;
      margin-left: 16px;
    }
    .unread {
      margin: 4px 0 10px;
      padding-left: 20px;
    }
  `,
})
export class MustFindEntryComponent {
  private readonly open = inject(OpenProject);
  private readonly connections = inject(Connections);
  private readonly files = inject(MustFindFiles);

  protected readonly isLookingUp = signal(false);
  protected readonly unread = signal<readonly UnreadPiece[]>([]);
  protected readonly reasons = REASONS;
  /** What came of files that were taken in. */
  protected readonly taken = signal<MustFindImport | undefined>(undefined);

  /** Titles as they are; identifiers get the title under which a database has them. */
  protected async add(field: HTMLTextAreaElement): Promise<void> {
    const { works: lines, unread } = readPastedList(field.value);
    this.unread.set(unread);
    if (lines.length === 0) return;
    this.isLookingUp.set(true);
    const identifiers = lines.flatMap(({ identifier }) => identifier ?? []);
    const titles = await this.lookUp(identifiers);
    this.isLookingUp.set(false);
    const has = new Set(
      this.open.project().mustFinds.flatMap(({ title, identifier }) => [title, identifier ?? '']),
    );
    const mustFinds = lines.flatMap(({ title, identifier }): MustFind[] => {
      if (has.has(identifier ?? title)) return [];
      const found = identifier === undefined ? title : (titles.get(identifier) ?? title);
      return [{ id: this.open.createId(), title: found, ...(identifier !== undefined && { identifier }) }];
    });
    if (mustFinds.length > 0) this.open.change({ kind: 'add-must-finds', mustFinds });
    // What was not understood stays, to be mended.
    field.value = unread.map(({ text }) => text).join('\n');
  }

  protected async takeFiles(files: readonly File[]): Promise<void> {
    this.taken.set(await this.files.take(files));
  }

  private async lookUp(identifiers: readonly string[]): Promise<ReadonlyMap<string, string>> {
    const titles = new Map<string, string>();
    if (identifiers.length === 0) return titles;
    for (const { id } of this.open.dialects()) {
      const answer = await this.connections.find(id).ask('lookup', { identifiers });
      if (!answer.ok) continue;
      answer.value.titles.forEach((title, at) => {
        const identifier = identifiers[at] ?? '';
        if (title !== null && !titles.has(identifier)) titles.set(identifier, title);
      });
    }
    return titles;
  }
}
