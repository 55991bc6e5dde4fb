/**
 * Sentences of abstracts and of papers. In braces: `S` subjects, `F` factors, `R` responses, `M`
 * methods, `P` settings, `D` details, `place`, `species`, `tool`, numbers `n` (small), `N` (large),
 * `pct`, `p`, `year`, `month`, and `term`, a rare learned adjective.
 */
export const BACKGROUND = [
  'The influence of {F} on {S} is still poorly understood.',
  '{F} has spread rapidly over the last decades, and concern about {R} has grown with it.',
  'Little is known about how {S} respond to {F} in {P}.',
  '{R} of {S} depends on {F}, yet most evidence comes from a few well-studied regions.',
  'Earlier studies of {F} led to contradictory findings on {R}.',
  'Managers need robust evidence on {D} and on {R} when planning for {P}.',
  '{S} are sensitive to changes in {P}, which makes them useful indicators.',
  'Although {F} is widely used, its consequences for {R} have rarely been quantified.',
  'A better understanding of {D} could help to reduce the effects of {F}.',
  'The relation between {F} and {R} has been debated since the early work in {place}.',
  'In many regions {P} have changed under {F}, with unknown results for {S}.',
  'Recent reviews call for {term} studies of {S} that take {D} into account.',
  'It has been assumed that {R} is driven mainly by {F}.',
  'For {S}, the role of {D} remains a matter of debate.',
];
export const AIMS = [
  'Here we tested whether {F} affects {R} of {S} in {P}.',
  'We examined the effect of {F} on {R}.',
  'This study compares {F} with {F} and asks how each changes {R}.',
  'The aim of this paper is to describe {R} of {S} and its link to {D}.',
  'We ask how {S} use {P} when {F} is present.',
  'Our objective was to separate the roles of {F} and {D}.',
  'This paper presents {term} evidence from {place} on {R}.',
  'We investigated {D} and {R} at {n} sites in {P} near {place}.',
  'The present work evaluates {M} as a means of measuring {R}.',
];
export const METHODS = [
  'We used {M} at {n} sites along {P} near {place} between {month} and {month} {year}.',
  'Data were collected by {M} over {n} months in {P}.',
  'A total of {N} observations was obtained with the {tool} and analysed by {M}.',
  '{M} were combined with {M} to estimate {R}.',
  'In {place}, {n} treatments with {F} were compared with untreated controls.',
  'We recorded {R} during {n} nights and related it to {F} and {D}.',
  'Samples from {N} individuals were analysed after calibration against the {tool} standard.',
  'Sites differed in {D} and were matched for {D}.',
  'We reviewed {N} records and kept {n} studies that met all criteria.',
  'The design followed the protocol of the {place} programme, with {F} at {n} levels.',
  'Interactions with {D} were tested by {M}, with site as a random effect.',
  'Measurements were repeated in {year} and in {year} to allow for {D}.',
];
export const RESULTS = [
  '{R} was {pct} per cent lower under {F} than in controls (p < {p}).',
  '{R} increased by {pct} per cent where {F} was present.',
  'We found no effect of {F} on {R} of {S}, whereas {D} explained {pct} per cent of the variation.',
  '{S} avoided {P} with {F}, and {R} declined within {n} metres.',
  'The response of {S} to {F} differed between {P} and {P}.',
  '{F} led to higher {R} in {n} of {N} cases.',
  'In contrast, {S} showed a weak response that was led by {D}.',
  'Effects of {F} were strongest in {month}, when {D} was greatest.',
  'A {term} pattern was seen in {P}: {R} peaked at {n} and then fell.',
  '{R} was best predicted by {D} together with {F} (deviance explained {pct} per cent).',
  'Among {S}, individuals near {place} showed the largest change in {R}.',
  'Models that included {D} performed better than those with {F} alone.',
  'The {tool} gave values {pct} per cent above those of {M}.',
  'At {n} sites {R} did not recover within {n} months after {F} ended.',
];
export const SPECIES_RESULTS = [
  'The effect was clear for {species} and absent for {species}.',
  'We identified {n} species, among them {species}, which was new to {place}.',
  '{species} accounted for {pct} per cent of all records.',
  'Unlike {species}, {species} was found only in {P}.',
  'Records of {species} came from {n} localities around {place}.',
];
export const CONCLUSIONS = [
  'Our findings suggest that {F} should be considered when {P} are managed.',
  'We conclude that {R} can be improved by attention to {D}.',
  'These results show that {S} respond to {F} at distances that matter for {P}.',
  'Measures that reduce {F} are likely to benefit {S}.',
  'Further work should consider {D} and the long-term effects of {F}.',
  'We recommend {M} for routine assessment of {R}.',
  'The findings support a {term} view of {R} and {D}.',
  'Planners in {place} have since changed their guidance on {F}.',
  'Without attention to {D}, the benefits of {F} may be overestimated.',
  'Our study underlines the value of {P} for {S}.',
];
/** Filler of full texts: the way papers talk about themselves. */
export const PAPER_TALK = [
  'As shown in Figure {n}, {R} varied with {D} across {P}.',
  'Table {n} lists the values for {S} by site and year.',
  'This agrees with reports from {place}, where {F} changed {R} in a similar way.',
  'We thank the landowners of {place} and the volunteers who helped with {M}.',
  'One limitation is that {D} could not be controlled in {P}.',
  'The {tool} was calibrated before each session and mounted at {n} metres.',
  'Following the approach used in {place}, we excluded {N} doubtful records.',
  'A sensitivity analysis with {M} gave the same result.',
  'Differences in {D} between {P} and {P} may explain part of the scatter.',
  'The authors of the {place} study reported {pct} per cent, somewhat more than our value.',
  'Supplementary material gives the {term} model and all coefficients.',
  'Permission for the work in {P} was granted by the council of {place}.',
  'Because {S} are rarely seen in {P}, we pooled the data of {year} and {year}.',
  'Residuals were checked for {term} structure, and none was found.',
  'It is possible that {F} acts through {D} rather than directly on {R}.',
  'The second author scored {N} recordings blind to treatment.',
];
export const TITLES = [
  'Effects of {F} on {R} of {S}',
  '{F} and {R}: evidence from {P}',
  '{R} of {S} in {P}',
  'How {S} respond to {F}',
  '{S} and {F} in {P}: a field study near {place}',
  'Does {F} change {R} of {S}?',
  '{M} to assess {R} in {S}',
  'The role of {D} in {R}',
  '{F} in {P}: consequences for {S}',
  'Response of {S} to {F} along {P}',
  'Influence of {D} on {R} of {S} under {F}',
  '{S}: {R} and {D}',
  'Using {M} to study {S} in {P}',
  '{R} under {F}',
  'Towards better {P}: {F}, {R} and {D}',
  'A {term} study of {R} in {S}',
];
export const REVIEW_TITLES = [
  '{F} and {S}: a review',
  'Effects of {F} on {S}: a systematic review',
  'What do we know about {R} of {S}? A review of {N} studies',
  '{R} and {F}: a meta-analysis',
  'Advances in the study of {S}',
];
export const BOOK_TITLES = [
  '{S} and {P}',
  'Handbook of {D}',
  '{F}: principles and practice',
  'The world of {S}',
  '{S} of {place} and its surroundings',
];
export const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];

const LEARNED_FRONTS =
  'bio eco geo hydro photo thermo electro neuro morpho macro micro meso hetero homoeo iso poly mono multi intra inter trans supra sub peri epi hyper hypo para meta auto allo spatio chrono agro socio psycho physio patho cyto phyto zoo aero cryo magneto radio techno stereo pluri quasi retro'.split(
    ' ',
  );
const LEARNED_ENDS =
  'logical metric dynamic graphic genetic trophic static kinetic morphic phonic centric synthetic chemical physical climatic structural functional temporal spatial regional sensory analytical typical tropic philic phobic nomic scopic systemic cultural'.split(
    ' ',
  );

/** Rare learned adjectives, the frequent ones first. */
export const LEARNED: readonly string[] = [
  'detailed',
  'long-term',
  'comparative',
  'large-scale',
  'quantitative',
  'regional',
  'seasonal',
  'integrated',
  'standardised',
  'generalised',
  'spatial',
  'mechanistic',
  'exploratory',
  ...LEARNED_ENDS.flatMap((end) => LEARNED_FRONTS.map((front) => front + end)),
];
