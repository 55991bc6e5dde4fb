import { checkStemming, checkWrittenOtherwise } from './database-checks';
import type { Check } from './finding';
import { checkUnknownHeadings, checkWordsAndHeadings } from './heading-checks';
import { checkNames } from './name-checks';
import {
  checkEmptied,
  checkEmptyConcepts,
  checkFields,
  checkGroupsOfOne,
  checkRemoved,
  checkRepeatedGroups,
  checkUnusedConcepts,
} from './structure-checks';
import {
  checkAcronyms,
  checkCoveredMembers,
  checkLimiterWords,
  checkNeedlessTerms,
  checkPlurals,
  checkSpellings,
  checkTermMarks,
} from './term-checks';
import {
  checkBlocks,
  checkForgottenQuotes,
  checkMixedOperators,
  checkOddSigns,
  checkTexts,
} from './text-checks';

/** Every check, in the order of the report. */
export const CHECKS: readonly Check[] = [
  {
    id: 'concept-unused',
    element: 'question',
    looksFor: 'a concept of the topic that the query does not use',
    find: checkUnusedConcepts,
  },
  { id: 'concept-empty', element: 'question', looksFor: 'a concept without terms', find: checkEmptyConcepts },
  {
    id: 'sentence',
    element: 'question',
    looksFor: 'a whole sentence used as a term',
    find: checkTermMarks(['term-is-sentence']),
  },
  {
    id: 'fields-differ',
    element: 'question',
    looksFor: 'different fields on concepts that look meant alike',
    find: checkFields,
  },

  {
    id: 'mixed-operators',
    element: 'operators',
    looksFor: 'OR beside AND or NOT on one level',
    find: checkMixedOperators,
  },
  {
    id: 'lower-case',
    element: 'operators',
    looksFor: 'operators in small letters',
    find: checkTexts(['lower-case-operator']),
  },
  {
    id: 'side-by-side',
    element: 'operators',
    looksFor: 'words side by side without an operator',
    find: checkTexts(['side-by-side', 'field-binds-one']),
  },
  {
    id: 'missing-operand',
    element: 'operators',
    looksFor: 'operators with nothing on one side',
    find: checkTexts(['missing-operand', 'pure-negation', 'near-operand', 'near-chain', 'near-distance']),
  },
  {
    id: 'and-emptied',
    element: 'operators',
    looksFor: 'a group of all that finds nothing',
    find: checkEmptied,
  },
  {
    id: 'not-removes',
    element: 'operators',
    looksFor: 'records that NOT throws away though they satisfy the rest',
    find: checkRemoved,
  },
  {
    id: 'member-repeated',
    element: 'operators',
    looksFor: 'groups that stand twice',
    find: checkRepeatedGroups,
  },

  {
    id: 'heading-unknown',
    element: 'headings',
    looksFor: 'headings unknown to a chosen database',
    find: checkUnknownHeadings,
  },
  {
    id: 'words-and-headings',
    element: 'headings',
    looksFor: 'headings without free words, or words without a heading',
    find: checkWordsAndHeadings,
  },

  { id: 'group-of-one', element: 'words', looksFor: 'a synonym group of one', find: checkGroupsOfOne },
  {
    id: 'term-brings-nothing',
    element: 'words',
    looksFor: 'terms that find nothing',
    find: checkTermMarks(['term-brings-nothing']),
  },
  {
    id: 'term-adds-nothing',
    element: 'words',
    looksFor: 'terms that bring nothing that the others do not find',
    find: checkNeedlessTerms,
  },
  {
    id: 'term-covered',
    element: 'words',
    looksFor: 'terms covered by others, and terms that stand twice',
    find: checkTermMarks(['term-covered', 'term-repeated', 'term-elsewhere']),
  },
  {
    id: 'member-covered',
    element: 'words',
    looksFor: 'members of a choice that others cover',
    find: checkCoveredMembers,
  },
  {
    id: 'number-one-sided',
    element: 'words',
    looksFor: 'a singular without its plural, or the reverse',
    find: checkPlurals,
  },
  {
    id: 'name-order',
    element: 'words',
    looksFor: 'a name that is searched in one order only',
    find: checkNames,
  },
  {
    id: 'acronym-ambiguous',
    element: 'words',
    looksFor: 'acronyms with several meanings',
    find: checkAcronyms,
  },

  {
    id: 'spelling-one-sided',
    element: 'syntax',
    looksFor: 'British or American spelling only',
    find: checkSpellings,
  },
  {
    id: 'brackets',
    element: 'syntax',
    looksFor: 'brackets and quotation marks that are not closed',
    find: checkTexts([
      'unclosed-bracket',
      'unopened-bracket',
      'unclosed-quote',
      'empty-group',
      'empty-phrase',
      'bracket-in-word',
    ]),
  },
  { id: 'signs', element: 'syntax', looksFor: 'curly quotation marks', find: checkTexts(['curly-quotes']) },
  {
    id: 'odd-signs',
    element: 'syntax',
    looksFor: 'other dashes and non-breaking blanks',
    find: checkOddSigns,
  },
  {
    id: 'quotes-forgotten',
    element: 'syntax',
    looksFor: 'a phrase that looks as if its quotation marks were forgotten',
    find: checkForgottenQuotes,
  },
  {
    id: 'names',
    element: 'syntax',
    looksFor: 'names of fields, blocks and databases that are not known',
    find: checkTexts(['unknown-field', 'unknown-database', 'field-without-item', 'heading-unquoted']),
  },
  {
    id: 'blocks',
    element: 'syntax',
    looksFor: 'blocks that are not there or use themselves',
    find: checkBlocks,
  },
  {
    id: 'truncation-too-short',
    element: 'syntax',
    looksFor: 'truncation after too few letters',
    find: checkTexts(['truncation-too-short', 'wildcards-only', 'no-letters']),
  },
  {
    id: 'truncation-uncut',
    element: 'syntax',
    looksFor: 'truncation that a chosen database does not take',
    find: checkWrittenOtherwise(
      ['truncation-too-short', 'truncation-moved', 'wildcard-missing'],
      'truncation-uncut',
    ),
  },
  {
    id: 'truncation-capped',
    element: 'syntax',
    looksFor: 'truncation that a chosen database silently caps',
    find: checkWrittenOtherwise(['truncation-capped'], 'truncation-capped'),
  },
  {
    id: 'truncation-in-phrase',
    element: 'syntax',
    looksFor: 'truncation inside a phrase where a chosen database ignores it',
    find: checkWrittenOtherwise(['phrase-as-words', 'phrase-as-pair'], 'truncation-in-phrase'),
  },
  {
    id: 'truncation-and-stemming',
    element: 'syntax',
    looksFor: 'wildcards that double what a stemming database does',
    find: checkStemming,
  },

  {
    id: 'limiter-as-words',
    element: 'limits',
    looksFor: 'words that do what a limiter does',
    find: checkLimiterWords,
  },
];
