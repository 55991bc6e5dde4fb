import { isEstimated, judgeBand, type Amount, type Band, type BandStanding } from '#core/count/index';
import type { Purpose } from '#core/project/index';
import { say } from '../words/say';

const WORDS: Readonly<Record<BandStanding, string>> = {
  'no-band': '',
  get below() {
    return say('shell.belowBand');
  },
  get in() {
    return say('shared.inTheBand');
  },
  get above() {
    return say('shell.aboveBand');
  },
  get unsure() {
    return say('shared.cannotTell');
  },
};

/** How a count stands to the band, in words; what is good depends on what the search is for. */
export function describeStanding(
  amount: Amount | undefined,
  band: Band,
  purpose: Purpose,
): { readonly words: string; readonly isGood: boolean } {
  if (!amount) return { words: '', isGood: true };
  const standing = judgeBand(amount, band);
  // Nothing may be missed: the number is what has to be looked through, and no fault.
  if (purpose === 'exhaustive' && standing !== 'below') return { words: say('shell.toScreen'), isGood: true };
  // An estimate is taken by what it says, and that is said, too.
  const about = isEstimated(amount) && standing !== 'no-band' ? '≈ ' : '';
  return { words: `${about}${WORDS[standing]}`, isGood: standing === 'in' };
}
