import type { ProofAnswer } from '#core/contract/index';
import type { FidelityLevel, HandStep, PhraseFallback } from '#core/dialect/index';
import type { WrittenLine } from '#core/dialect/history/index';
import type { ReadBack } from '#core/proof/index';
import type { Counted } from '../../counting/count-state';
import type { PieceCost } from '../differences';
import type { HeadingOffer } from '../heading-offers';
import type { Intended } from '../intended';
import type { Segment } from '../string-segments';

/** All that is shown of one rendering. */
export interface RenderingRow {
  readonly id: string;
  readonly name: string;
  readonly about: string;
  readonly habits: readonly string[];
  readonly parts: readonly {
    readonly text: string;
    readonly segments: readonly (Segment & { readonly hue: string })[];
  }[];
  readonly text: string;
  readonly counted: Counted;
  /** There are limiters, which proofs go without. */
  readonly isLimited: boolean;
  /** What stands in the field for a count that is typed in. */
  readonly typed: string;
  readonly level: FidelityLevel;
  readonly levelWords: string;
  readonly isProving: boolean;
  readonly proofWords: string;
  readonly proofFailure: string;
  readonly answer: ProofAnswer | undefined;
  readonly costs: readonly PieceCost[];
  /** What is meant for this database only, or left out here on purpose. */
  readonly intended: readonly Intended[];
  readonly meters: readonly { readonly words: string; readonly share: number | undefined }[];
  readonly steps: readonly HandStep[];
  readonly problems: readonly string[];
  readonly address: string | undefined;
  /** The person searches there and types the count in. */
  readonly isByHand: boolean;
  /** What the string is read back as; nothing while that is not known. */
  readonly back: ReadBack | undefined;
  /** The query as numbered searches, where the database can refer to earlier ones. */
  readonly lines: readonly WrittenLine[];
  /** How cut phrases could be written here, each with its count; empty if there is nothing to choose. */
  readonly ways: readonly PhraseWay[];
  readonly canChooseWay: boolean;
  /** What headings of other thesauri could be here. */
  readonly offers: readonly HeadingOffer[];
}

/** One way to write phrases that the database cannot cut. */
export interface PhraseWay {
  /** None: as the database's dialect says. */
  readonly way: PhraseFallback | undefined;
  readonly words: string;
  readonly counted: Counted;
  readonly levelWords: string;
  readonly isChosen: boolean;
}
