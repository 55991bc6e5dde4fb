import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { MAT_DIALOG_DATA } from '@angular/material/dialog';
import { MatProgressBar } from '@angular/material/progress-bar';
import { writeListAsHtml, writePage, type ReferenceList } from '#core/citation/index';
import { describeInFull } from '#core/problem/index';
import type { BibliographicRecord } from '#core/record/index';
import { createMailAddress, writeMailFile, writeWhereabouts, type Whereabouts } from '#core/shelf/index';
import { CitationStyles } from '../data/citation-styles';
import { saveFile } from '../data/save-file';
import { TextClipboard } from '../data/text-clipboard';
import { Citations } from '../records/citations';
import { DIALOG_PARTS } from '../ui/dialog-parts';
import { SELECT_PARTS } from '../ui/field-parts';
import { FileButtonComponent } from '../ui/file-button.component';
import { createFileName } from '../ui/file-name';
import { Messages } from '../ui/messages';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** What is cited, and what the list is called. */
export interface CiteDialogData {
  readonly records: readonly BibliographicRecord[];
  readonly title: string;
  /** Where the works are, for messages. */
  readonly whereabouts: readonly Whereabouts[];
}

/** So many entries are shown; copied and saved are all. */
const MAX_SHOWN = 200;

/** A list of references in a style, to look at, copy, save or send. */
@Component({
  selector: 'app-cite-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DIALOG_PARTS, FileButtonComponent, MatProgressBar, SayPipe, SELECT_PARTS],
  providers: [Citations],
  templateUrl: './cite-dialog.component.html',
  styles: `
    .choose {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px 14px;
      margin-bottom: 10px;
    }
    .choose mat-form-field {
      width: 300px;
    }
    .entry {
      margin: 0 0 8px;
    }
    .hangs .entry {
      padding-left: 2em;
      text-indent: -2em;
    }
  `,
})
export class CiteDialogComponent {
  protected readonly data = inject<CiteDialogData>(MAT_DIALOG_DATA);
  protected readonly styles = inject(CitationStyles);
  private readonly citations = inject(Citations);
  private readonly clipboard = inject(TextClipboard);
  private readonly messages = inject(Messages);

  protected readonly style = signal(this.styles.readChosen());
  protected readonly choices = signal(this.styles.list());
  protected readonly list = signal<ReferenceList | undefined>(undefined);
  protected readonly isWriting = signal(true);
  protected readonly fault = signal('');
  protected readonly shown = computed(() => this.list()?.entries.slice(0, MAX_SHOWN) ?? []);
  protected readonly hidden = computed(() => (this.list()?.entries.length ?? 0) - this.shown().length);
  private readonly text = computed(() => (this.list()?.entries ?? []).map(({ text }) => text).join('\n'));
  private readonly html = computed(() => {
    const list = this.list();
    return list ? writeListAsHtml(list) : '';
  });
  private readonly subject = say('shelf.referencesFor', { title: this.data.title });
  /** What a message says: the references, and where the works are. */
  private readonly mail = computed(() => {
    const where = writeWhereabouts(this.data.whereabouts, say('shelf.whereTheyAre'));
    return { subject: this.subject, text: this.text() + where.text, html: this.html() + where.html };
  });
  /** Opens a message in the person's mail program; nothing for lists that are too long for an address. */
  protected readonly mailAddress = computed(() => (this.list() ? createMailAddress(this.mail()) : undefined));

  constructor() {
    effect(() => void this.write(this.style()));
  }

  private async write(style: string): Promise<void> {
    this.citations.stop();
    this.isWriting.set(true);
    this.fault.set('');
    const written = await this.citations.writeList(this.data.records, style);
    if (!written || style !== this.style()) return;
    this.isWriting.set(false);
    if (written.ok) this.list.set(written.value);
    else {
      this.list.set(undefined);
      this.fault.set(describeInFull(written.problem));
    }
  }

  protected choose(id: string): void {
    this.styles.choose(id);
    this.style.set(id);
  }

  protected async load([file]: readonly File[]): Promise<void> {
    if (!file) return;
    const loaded = await this.citations.load(file.name.replace(/\.csl$/i, ''), await file.text());
    if (!loaded) return;
    if (!loaded.ok) return this.fault.set(describeInFull(loaded.problem));
    this.choices.set(this.styles.list());
    this.choose(loaded.value.id);
  }

  protected stop(): void {
    this.citations.stop();
    this.isWriting.set(false);
  }

  protected async copy(): Promise<void> {
    this.messages.showCopied(await this.clipboard.copyRich(this.html(), this.text()), say('shelf.theList'));
  }

  protected saveText(): void {
    saveFile(`${this.fileName()}.txt`, this.text(), 'text/plain');
  }

  protected savePage(): void {
    saveFile(`${this.fileName()}.html`, writePage(this.html()), 'text/html');
  }

  protected saveMail(): void {
    const message = writeMailFile(this.mail());
    saveFile(`${this.fileName()}.eml`, message, 'message/rfc822');
  }

  private fileName(): string {
    return createFileName(this.subject);
  }
}
