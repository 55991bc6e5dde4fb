/** What a rendering does to the meaning of a node. */
export type FidelityLevel = 'same' | 'wider' | 'narrower' | 'different' | 'left-out';

/** Why a node does not mean the same; wording in `REASONS`. */
export interface Reason {
  readonly code: ReasonCode;
  readonly data: Readonly<Record<string, string | number>>;
}

/** The fidelity of one node, with everything below it taken into account. */
export interface Fidelity {
  readonly level: FidelityLevel;
  /** Only what happens at this node itself. */
  readonly reasons: readonly Reason[];
  /** Of a node left out: it would find something there, if the database could search it. */
  readonly isLoss?: true;
}

const REASON_WORDINGS = {
  'field-missing': 'cannot search {fields} separately',
  'field-widened': '{fields} cannot be searched separately: searched in {instead}',
  'forms-listed': '{count} forms written out, as the index had them on {day}',
  'stem-instead': 'other endings of its stem are found, not any ending',
  'distance-widened': 'farther apart than asked: {number} is the closest distance it allows',
  'order-loose': 'the other order is found, too, when the two stand nearer',
  'fields-left-out': 'too long with its fields: searched in the full text',
  'heading-elsewhere': 'this heading belongs to another thesaurus',
  'property-elsewhere': '{property} can only be set for the whole search here, not inside the string',
  'property-missing': '{property} cannot be searched here',
  'qualifier-missing': 'the qualifier of a heading is not told apart here',
  'heading-unwritable': 'this heading holds a quotation mark',
  'focus-missing': 'main topics are not told apart here',
  'branch-missing': 'narrower headings are not included',
  'branch-spelled-out': 'it and its narrower headings, {count} in all, are written one by one',
  'truncation-too-short': 'cut after fewer than {least} letters: searched uncut',
  'truncation-capped': 'only the first {cap} forms are searched',
  'truncation-moved': 'no wildcard in this place: cut before it',
  'wildcard-missing': 'this wildcard cannot be written here',
  'any-character': 'any character may stand where only one letter may',
  'too-many-forms': 'too many spellings to write out',
  'phrase-as-pair': 'a cut phrase is written as neighbours in either order',
  'phrase-as-words': 'a cut phrase is written as words that may stand anywhere',
  'phrase-uncut': 'a cut phrase is searched uncut',
  'phrase-left-out': 'a cut phrase cannot be written here',
  'proximity-missing': 'no proximity search: both may stand anywhere',
  'order-missing': 'either order is found',
  'name-initials': 'given names are searched by their first letters',
  'stop-word': 'this word is not searched here',
  'stop-words-skipped': 'small words in between are skipped',
  'hyphens-joined': 'hyphenated words are found joined, too',
  'member-left-out': 'a member is left out',
} as const;

/** The code of a reason; never reused for another one. */
export type ReasonCode = keyof typeof REASON_WORDINGS;

/** The words for a reason, to stand after the piece that it is about. */
export function describeReason(reason: Reason): string {
  return REASON_WORDINGS[reason.code].replace(/\{(\w+)\}/g, (_, name: string) =>
    String(reason.data[name] ?? '…'),
  );
}

/** Every reason's code, for the documentation and its test. */
export const REASON_CODES = Object.keys(REASON_WORDINGS) as readonly ReasonCode[];

/** Which way a meaning has moved: bit 0 records gained, bit 1 records lost. */
export type MeaningShift = 0 | 1 | 2 | 3;
export const SAME = 0 satisfies MeaningShift;
export const WIDER = 1 satisfies MeaningShift;
export const NARROWER = 2 satisfies MeaningShift;

const LEVELS: readonly FidelityLevel[] = ['same', 'wider', 'narrower', 'different'];

/** The level of a shift. */
export function describeShift(shift: MeaningShift): FidelityLevel {
  return LEVELS[shift] ?? 'different';
}

/** Both shifts at once: wider and narrower together is different. */
export function joinShifts(...shifts: readonly MeaningShift[]): MeaningShift {
  return shifts.reduce<number>((all, shift) => all | shift, 0) as MeaningShift;
}

/** The shift seen from outside an exclusion: wider inside is narrower outside. */
export function invertShift(shift: MeaningShift): MeaningShift {
  return (((shift & 1) << 1) | (shift >> 1)) as MeaningShift;
}
