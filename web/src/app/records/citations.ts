import { DestroyRef, Injectable, inject } from '@angular/core';
import type {
  CitationResults,
  CitationStyle,
  CitationTask,
  ReferenceList,
  WrittenCitation,
} from '#core/citation/index';
import { createProblem, fail, type Outcome } from '#core/problem/index';
import type { BibliographicRecord } from '#core/record/index';
import { CitationStyles, LONGEST_OWN_STYLE } from '../data/citation-styles';
import { CitationWorker } from '../data/citation-worker';

/** Writes citations of records in a style; provided where they are shown, and ended with it. */
@Injectable()
export class Citations {
  private readonly styles = inject(CitationStyles);
  private readonly worker = new CitationWorker();

  constructor() {
    inject(DestroyRef).onDestroy(() => this.worker.stop());
  }

  /** A list of references; nothing if it was given up. */
  writeList(
    records: readonly BibliographicRecord[],
    style: string,
  ): Promise<Outcome<ReferenceList> | undefined> {
    return this.ask<'list'>({ kind: 'list', records }, style);
  }

  /** One citation in the text or in a note. */
  writeOne(
    record: BibliographicRecord,
    others: readonly BibliographicRecord[],
    page: string,
    style: string,
  ): Promise<Outcome<WrittenCitation> | undefined> {
    return this.ask<'one'>({ kind: 'one', record, others, page }, style);
  }

  /** Takes in a file of a style; nothing if it was given up. */
  async load(name: string, text: string): Promise<Outcome<CitationStyle> | undefined> {
    if (text.length > LONGEST_OWN_STYLE)
      return fail(createProblem('file-too-large', 'error', { most: `${LONGEST_OWN_STYLE / 1_000} kB` }));
    const read = await this.worker.ask<'check'>({ kind: 'check', id: `own ${name}` }, text, {});
    if (read?.ok) this.styles.keep({ ...read.value, text });
    return read;
  }

  /** Gives up what is being written. */
  stop(): void {
    this.worker.stop();
  }

  private async ask<Kind extends CitationTask['kind']>(
    task: Extract<CitationTask, { kind: Kind }>,
    style: string,
  ): Promise<Outcome<CitationResults[Kind]> | undefined> {
    try {
      const [text, locales] = await Promise.all([this.styles.fetchText(style), this.styles.fetchLocales()]);
      return await this.worker.ask<Kind>(task, text, locales);
    } catch (error) {
      const reason = error instanceof Error ? error.message : String(error);
      return fail(createProblem('style-unreadable', 'error', { reason }));
    }
  }
}
