import type catalogue from '../../../public/words.en.json';

/** The name of a message of the catalogue, `web/public/words.en.json`. Other languages have the same names. */
export type MessageKey = keyof typeof catalogue;

/** What a message says of the moment: names, numbers, texts. Which ones it needs stands in its `{braces}`. */
export type MessageParameters = Readonly<Record<string, string | number | null | undefined>>;
