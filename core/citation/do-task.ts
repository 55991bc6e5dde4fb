import type { Outcome } from '../problem';
import { readCitationStyle } from './citation-style';
import type { CitationRequest, CitationResults } from './messages';
import { writeCitation, writeReferenceList } from './write-citations';

/** English stands for languages whose words do not ship. */
const USUAL_LOCALE = 'en-US';

/** Does what a request asks for. Never throws. */
export function doCitationTask({
  task,
  style,
  locales,
}: Omit<CitationRequest, 'turn'>): Outcome<CitationResults[keyof CitationResults]> {
  const texts = {
    style,
    findLocale: (language: string): string => locales[language] ?? locales[USUAL_LOCALE] ?? '',
  };
  switch (task.kind) {
    case 'list':
      return writeReferenceList(task.records, texts);
    case 'one':
      return writeCitation(task.record, task.others, task.page, texts);
    case 'check':
      return readCitationStyle(style, task.id);
  }
}
