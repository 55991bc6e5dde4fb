import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { MatButton } from '@angular/material/button';
import type { WrittenCitation } from '#core/citation/index';
import { listLimiters } from '#core/limiter/index';
import { describeProblem } from '#core/problem/index';
import type { KeptWork, Quotation } from '#core/project/index';
import { nameAuthor } from '#core/record/index';
import { listRecordAddresses } from '#core/shelf/index';
import { CitationStyles } from '../data/citation-styles';
import { TextClipboard } from '../data/text-clipboard';
import { Citations } from '../records/citations';
import { Shelf } from '../records/shelf';
import { OpenProject } from '../state/open-project';
import { SELECT_PARTS } from '../ui/field-parts';
import { Messages } from '../ui/messages';
import { TextFieldComponent } from '../ui/text-field.component';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';
import { LabelFieldComponent } from './label-field.component';
import { QuotationsComponent } from './quotations.component';
import { ShelfView } from './shelf-view';
import { SourceQuestionsComponent } from './source-questions.component';

/** How a work is cited: the entry of the list, and the citation in the text. */
interface Cited {
  readonly entry: WrittenCitation;
  readonly inText: WrittenCitation;
}

/** One kept work: where it was found, its labels, how it is cited, and what the person says of it. */
@Component({
  selector: 'app-kept-work',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    LabelFieldComponent,
    MatButton,
    QuotationsComponent,
    RouterLink,
    SayPipe,
    SELECT_PARTS,
    SourceQuestionsComponent,
    TextFieldComponent,
  ],
  providers: [Citations],
  templateUrl: './kept-work.component.html',
  styleUrl: './kept-work.component.scss',
  host: { role: 'region', '[attr.aria-label]': 'spokenName' },
})
export class KeptWorkComponent {
  protected readonly spokenName = say('shelf.theKeptWork');
  protected readonly shelf = inject(Shelf);
  protected readonly open = inject(OpenProject);
  private readonly view = inject(ShelfView);
  private readonly citations = inject(Citations);
  private readonly clipboard = inject(TextClipboard);
  private readonly messages = inject(Messages);
  protected readonly styles = inject(CitationStyles);

  readonly work = input.required<KeptWork>();

  protected readonly authors = computed(() => this.work().record.authors.map(nameAuthor).join('; '));
  protected readonly line = computed(() => {
    const { source, year, volume, issue, pages, publisher, type } = this.work().record;
    const part = issue === undefined ? volume : `${volume ?? ''}(${issue})`;
    return [source, part, pages?.replace('-', '–'), publisher, year, type]
      .filter((one) => one !== undefined && one !== '')
      .join(' · ');
  });
  protected readonly foundIn = computed(() => {
    const { found } = this.work();
    return found && (this.open.findDialect(found.database)?.name ?? found.database);
  });
  /** What was ticked beside the string. */
  protected readonly ticked = computed(() =>
    listLimiters(this.work().found?.limiters ?? {})
      .map(({ value }) => value)
      .join(', '),
  );
  protected readonly variant = computed(() => {
    const id = this.work().found?.variant;
    return id === undefined ? undefined : this.open.project().variants.find((one) => one.id === id);
  });
  protected readonly places = computed(() =>
    [...new Set(this.work().places.map(({ database }) => database))]
      .map((id) => this.open.findDialect(id)?.name ?? id)
      .join(', '),
  );

  /** Where the databases outside show the record themselves. */
  protected readonly addresses = computed(() =>
    listRecordAddresses(this.work(), (id) => this.open.findDialect(id)),
  );

  protected readonly style = signal(this.styles.readChosen());
  protected readonly page = signal('');
  protected readonly cited = signal<Cited | undefined>(undefined);
  protected readonly fault = signal('');

  constructor() {
    effect(() => {
      const { record } = this.work();
      const others = this.view.all().map((one) => one.record);
      void this.writeCitation(record, others, this.page().trim(), this.style());
    });
  }

  private async writeCitation(
    record: KeptWork['record'],
    others: readonly KeptWork['record'][],
    page: string,
    style: string,
  ): Promise<void> {
    const [list, inText] = await Promise.all([
      this.citations.writeList([record], style),
      this.citations.writeOne(record, others, page, style),
    ]);
    // Another work is looked at, or another style is chosen by now.
    if (!list || !inText || record !== this.work().record || style !== this.style()) return;
    const problem = list.ok ? (inText.ok ? undefined : inText.problem) : list.problem;
    this.fault.set(problem ? describeProblem(problem) : '');
    const entry = list.ok ? list.value.entries[0] : undefined;
    this.cited.set(entry && inText.ok ? { entry, inText: inText.value } : undefined);
  }

  protected chooseStyle(id: string): void {
    this.styles.choose(id);
    this.style.set(id);
  }

  protected change(make: (work: KeptWork) => Partial<KeptWork>): void {
    this.shelf.change(this.work().id, make);
  }

  protected setNote(note: string): void {
    this.change(() => ({ note }));
  }

  protected changeLabels(make: (labels: readonly string[]) => readonly string[]): void {
    this.change(({ labels }) => ({ labels: make(labels) }));
  }

  protected changeQuotations(make: (quotations: readonly Quotation[]) => readonly Quotation[]): void {
    this.change(({ quotations }) => ({ quotations: make(quotations) }));
  }

  protected changeAnswers(make: (answers: KeptWork['answers']) => KeptWork['answers']): void {
    this.change(({ answers }) => ({ answers: make(answers) }));
  }

  protected async copy({ html, text }: WrittenCitation): Promise<void> {
    this.messages.showCopied(await this.clipboard.copyRich(html, text), say('shelf.theCitation'));
  }
}
