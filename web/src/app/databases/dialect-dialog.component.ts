import { TextFieldComponent } from '../ui/text-field.component';
import { FileButtonComponent } from '../ui/file-button.component';
import { FIELD_PARTS, SELECT_PARTS } from '../ui/field-parts';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { compareQueries } from '#core/algebra/index';
import {
  DIALECTS,
  OPEN_DIALECTS,
  TEMPLATE_DIALECTS,
  findDialect,
  writeQuery,
  type Dialect,
} from '#core/dialect/index';
import { DIALECT_FORM, checkDialect, readEntry, writeEntry, type FormEntry } from '#core/dialect/form/index';
import { readString } from '#core/dialect/read/index';
import { describeInFull } from '#core/problem/index';
import type { OwnConnection, OwnDatabase } from '#core/project/index';
import { build, dropInactive, parseQuery, printQuery } from '#core/query/index';
import { saveFile } from '../data/save-file';
import { OpenProject } from '../state/open-project';
import { DIALOG_PARTS } from '../ui/dialog-parts';
import { LearnDialogComponent } from './learn-dialog.component';
import { LEVEL_WORDS } from '../words/fidelity-levels';
import { Dialogs } from '../ui/dialogs';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** What the dialog begins with. */
export interface DialectDialogData {
  readonly dialect?: Dialect;
  readonly connection: OwnConnection;
  /** It is one of the project's already. */
  readonly isKnown?: boolean;
}

const SAMPLE = '(bat* OR "street light*") AND title: lamp NOT cricket';
const LARGEST_FILE = 200_000;

/** The form over a dialect, with a query that is written and read back as one types. */
@Component({
  selector: 'app-dialect-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, DIALOG_PARTS, FIELD_PARTS, SELECT_PARTS, FileButtonComponent, TextFieldComponent],
  templateUrl: './dialect-dialog.component.html',
  styleUrl: './dialect-dialog.component.scss',
})
export class DialectDialogComponent {
  private readonly open = inject(OpenProject);
  private readonly dialog = inject<MatDialogRef<DialectDialogComponent, OwnDatabase>>(MatDialogRef);
  private readonly dialogs = inject(Dialogs);
  private readonly data = inject<DialectDialogData>(MAT_DIALOG_DATA);

  protected readonly sections = DIALECT_FORM;
  protected readonly bases = [...TEMPLATE_DIALECTS, ...OPEN_DIALECTS, ...DIALECTS];
  protected readonly isKnown = this.data.isKnown === true;
  protected readonly document = signal<unknown>(this.data.dialect ?? this.begin(TEMPLATE_DIALECTS[0]));
  protected readonly sample = signal(SAMPLE);
  protected readonly fileFault = signal('');
  private readonly checked = computed(() => checkDialect(this.document()));
  protected readonly faults = computed(() => [
    ...this.checked().problems.map((problem) => ({
      path: String(problem.data['path']),
      words: `${nameEntry(String(problem.data['path']))}: ${String(problem.data['fault'])}`,
    })),
    ...this.listNameFaults(),
  ]);
  /** The sample written and read back; nothing while the dialect has faults. */
  protected readonly trial = computed(() => {
    const { dialect } = this.checked();
    const active = dropInactive(parseQuery(this.sample()).root, '');
    if (!dialect || !active) return undefined;
    const rendering = writeQuery(active, dialect);
    const read = rendering.parts.map(({ text }) => readString(text, dialect).root);
    const [only] = read;
    const back = read.length > 1 ? build.or(...read) : (only ?? build.empty());
    return {
      strings: rendering.parts.map(({ text }) => text),
      level: LEVEL_WORDS[rendering.whole],
      problems: rendering.problems.map(describeInFull),
      back: printQuery(back),
      isSame: compareQueries(active, back) === 'the same',
    };
  });

  protected read(entry: FormEntry): string {
    const text = readEntry(this.document(), entry);
    return entry.kind === 'yes-no' && text !== 'yes' ? 'no' : text;
  }

  /** What may be chosen; nothing where one types. */
  protected choicesOf(entry: FormEntry): readonly string[] | undefined {
    return entry.kind === 'yes-no' ? ['no', 'yes'] : entry.choices;
  }

  protected write(entry: FormEntry, text: string): void {
    this.document.update((document) => writeEntry(document, entry, text));
  }

  protected hasFault({ path }: FormEntry): boolean {
    return this.faults().some((fault) => fault.path === path);
  }

  protected beginWith(id: string): void {
    const base = this.bases.find((dialect) => dialect.id === id);
    if (base) this.document.set(this.begin(base));
  }

  protected async import([file]: readonly File[]): Promise<void> {
    if (!file) return;
    try {
      if (file.size > LARGEST_FILE) throw new Error('too large');
      this.document.set(JSON.parse(await file.text()));
      this.fileFault.set('');
    } catch {
      this.fileFault.set(say('databases.thisFileIsNotADialect'));
    }
  }

  /** Takes over what some pasted searches teach, under the name that the form has. */
  protected learn(): void {
    this.dialogs
      .open<LearnDialogComponent, undefined, Dialect>(LearnDialogComponent, {
        width: 860,
      })
      .afterClosed()
      .subscribe((learnt) => {
        if (!learnt) return;
        const { id, name, shortName } = this.document() as Partial<Dialect>;
        this.document.set({
          ...(this.begin(learnt) as Dialect),
          ...(id && { id }),
          ...(name && { name }),
          ...(shortName && { shortName }),
        });
      });
  }

  protected export(): void {
    const text = JSON.stringify(this.document(), undefined, 2);
    const { id = 'dialect' } = this.document() as Partial<Dialect>;
    saveFile(`${id}.dialect.json`, text, 'application/json');
  }

  protected keep(): void {
    const { dialect } = this.checked();
    if (dialect && this.faults().length === 0)
      this.dialog.close({ dialect, connection: this.data.connection });
  }

  /** A copy under a name of its own. */
  private begin(base: Dialect | undefined): unknown {
    return {
      ...base,
      id: 'my-database',
      name: say('databases.myDatabase'),
      shortName: undefined,
      about: base?.about ?? '',
      habits: [],
    };
  }

  private listNameFaults(): { path: string; words: string }[] {
    const { dialect } = this.checked();
    if (!dialect) return [];
    const own = this.open.working().ownDatabases.some((one) => one.dialect.id === dialect.id);
    if (!findDialect(dialect.id) && !(own && !this.isKnown)) return [];
    return [{ path: 'id', words: say('databases.anotherDatabaseHasTheCode', { id: dialect.id }) }];
  }
}

/** An entry by its label in the form; what has none there, by its place in the document. */
function nameEntry(path: string): string {
  const entries = DIALECT_FORM.flatMap((section) => section.entries);
  return entries.find((entry) => entry.path === path)?.label ?? path;
}
