/** The databases that have a thesaurus of their own. */
export type ThesaurusId = 'heronsmere' | 'gantry';
