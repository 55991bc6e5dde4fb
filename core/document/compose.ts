import { getProjectTitle } from '../project';
import { writeAssignment } from './assignment';
import {
  writeChanges,
  writeDatabases,
  writeLog,
  writePlan,
  writeProofs,
  writeReview,
  writeSources,
  writeTerms,
  writeTopic,
} from './background-sections';
import type { Block, DocumentLength, SearchDocument } from './document';
import type { SearchFacts } from './facts';
import { writeDuplicates, writeStrings, writeSubtitle, writeSummary } from './search-sections';

/** The documented search at a length that is chosen. */
export function composeDocument(facts: SearchFacts, length: DocumentLength): SearchDocument {
  return {
    title: `How it was searched: ${getProjectTitle(facts.project)}`,
    subtitle: writeSubtitle(facts),
    blocks: PARTS[length](facts),
  };
}

const PARTS: Readonly<Record<DocumentLength, (facts: SearchFacts) => readonly Block[]>> = {
  appendix: (facts) => [
    ...writeSummary(facts),
    ...writeStrings(facts),
    ...writeTopic(facts),
    ...writeDatabases(facts),
    ...writeDuplicates(facts),
    ...writeTerms(facts),
    ...writeChanges(facts),
    ...writeProofs(facts),
    ...writeReview(facts),
    ...writeSources(facts),
    ...writePlan(facts),
    ...writeLog(facts),
  ],
  'one-page': (facts) => [...writeSummary(facts), ...writeStrings(facts), ...writeDuplicates(facts)],
  assignment: writeAssignment,
};
