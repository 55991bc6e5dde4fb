import { Injectable, inject } from '@angular/core';
import type { DocumentFormat } from '#core/document/index';
import { describeInFull } from '#core/problem/index';
import { getProjectTitle } from '#core/project/index';
import { saveFile } from '../data/save-file';
import { OpenProject } from '../state/open-project';
import { createFileName } from '../ui/file-name';
import { Messages } from '../ui/messages';
import { say } from '../words/say';
import { ShownSearchOfRun } from './shown-search';

/** A kind of file that a documented search is saved as. */
export interface DocumentFile {
  readonly format: DocumentFormat;
  readonly name: string;
  /** What its name ends in. */
  readonly ending: string;
  /** Only where the numbers flow. */
  readonly needsFlow: boolean;
}

export const DOCUMENT_FILES: readonly DocumentFile[] = [
  file('docx', () => say('logbook.wordProcessor'), 'docx'),
  file('md', () => say('logbook.markdown'), 'md'),
  file('html', () => say('logbook.webPage'), 'html'),
  file('csv', () => say('logbook.tableOfStrings'), 'csv'),
  file('json', () => say('logbook.everythingAsJson'), 'json'),
  file('svg', () => say('logbook.flowAsPicture'), 'svg', true),
  file('flow-csv', () => say('logbook.flowAsTable'), 'csv', true),
];

function file(format: DocumentFormat, name: () => string, ending: string, needsFlow = false): DocumentFile {
  return {
    format,
    get name() {
      return name();
    },
    ending,
    needsFlow,
  };
}

/** Saves the documented search as a file. */
@Injectable()
export class SaveDocument {
  private readonly open = inject(OpenProject);
  private readonly search = inject(ShownSearchOfRun);
  private readonly messages = inject(Messages);

  async save({ format, ending, needsFlow }: DocumentFile): Promise<void> {
    const answer = await this.search.write(format);
    if (!answer) return;
    if (!answer.ok) {
      this.messages.show(describeInFull(answer.problem));
      return;
    }
    if (!answer.value) return;
    const { content, type } = answer.value;
    const name = createFileName(getProjectTitle(this.open.project()));
    const what = needsFlow ? say('logbook.flowFile') : say('logbook.searchFile');
    saveFile(
      `${name}-${what}.${ending}`,
      content instanceof ArrayBuffer ? new Blob([content]) : content,
      type,
    );
  }
}
