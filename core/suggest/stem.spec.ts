import { expect, it } from 'vitest';
import { stemWord } from './word-forms';

/** The sample vocabulary that the description of Snowball's English stemmer publishes, word and stem. */
const SAMPLE = `
consign consign, consigned consign, consigning consign, consignment consign, consist consist,
consisted consist, consistency consist, consistent consist, consistently consist, consisting consist,
consists consist, consolation consol, consolations consol, consolatory consolatori, console consol,
consoled consol, consoles consol, consolidate consolid, consolidated consolid, consolidating consolid,
consoling consol, consolingly consol, consols consol, consonant conson, consort consort,
consorted consort, consorting consort, conspicuous conspicu, conspicuously conspicu,
conspiracy conspiraci, conspirator conspir, conspirators conspir, conspire conspir, conspired conspir,
conspiring conspir, constable constabl, constables constabl, constance constanc, constancy constanc,
constant constant, knack knack, knackeries knackeri, knacks knack, knag knag, knave knave,
knaves knave, knavish knavish, kneaded knead, kneading knead, knee knee, kneel kneel, kneeled kneel,
kneeling kneel, kneels kneel, knees knee, knell knell, knelt knelt, knew knew, knick knick, knif knif,
knife knife, knight knight, knightly knight, knights knight, knit knit, knits knit, knitted knit,
knitting knit, knives knive, knob knob, knobs knob, knock knock, knocked knock, knocker knocker,
knockers knocker, knocking knock, knocks knock, knopp knopp, knot knot, knots knot`;

it.each(SAMPLE.split(',').map((pair) => pair.trim().split(' ')))('%s has the stem %s', (word, stem) => {
  expect(stemWord(word ?? '')).toBe(stem);
});

/** Words that the description names as exceptions, or that show one of its rules. */
it.each([
  ['skies', 'sky'],
  ['dying', 'die'],
  ['news', 'news'],
  ['bias', 'bias'],
  ['andes', 'andes'],
  ['succeed', 'succeed'],
  ['herring', 'herring'],
  ['gas', 'gas'],
  ['gaps', 'gap'],
  ['kiwis', 'kiwi'],
  ['ties', 'tie'],
  ['cries', 'cri'],
  ['luxuriated', 'luxuri'],
  ['hopping', 'hop'],
  ['hoped', 'hope'],
  ['sensational', 'sensat'],
])('%s has the stem %s, by a rule or an exception of its own', (word, stem) => {
  expect(stemWord(word)).toBe(stem);
});
