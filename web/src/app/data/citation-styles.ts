import { Injectable, inject } from '@angular/core';
import Joi from 'joi';
import { CITATION_KINDS, CITATION_STYLES, type CitationStyle } from '#core/citation/index';
import type { SchemaOf } from '#core/schema/index';
import { Settings } from './settings';

/** A style that the person loaded, with the text of its file. */
export interface OwnStyle extends CitationStyle {
  readonly text: string;
}

/** The most styles of one's own, and the longest of them, in UTF-16 units: they share what browsers keep of a site. */
export const MAX_OWN_STYLES = 8;
export const LONGEST_OWN_STYLE = 300_000;

const OWN_STYLES = Joi.array<readonly OwnStyle[]>()
  .items(
    Joi.object<OwnStyle>({
      id: Joi.string().max(300).required(),
      name: Joi.string().max(300).required(),
      kind: Joi.valid(...CITATION_KINDS).required(),
      text: Joi.string().max(LONGEST_OWN_STYLE).required(),
    } satisfies SchemaOf<OwnStyle>),
  )
  .max(MAX_OWN_STYLES);
const LANGUAGES = ['en-GB', 'en-US'];

/** The citation styles that can be used: those that ship, and those that the person loaded on this machine. */
@Injectable({ providedIn: 'root' })
export class CitationStyles {
  private readonly settings = inject(Settings);
  private readonly fetched = new Map<string, Promise<string>>();

  listOwn(): readonly OwnStyle[] {
    return this.settings.read('citation-styles', OWN_STYLES, []);
  }

  list(): readonly CitationStyle[] {
    return [...CITATION_STYLES, ...this.listOwn()];
  }

  /** Keeps a style, in place of the one with its name; the oldest goes where there are too many. */
  keep(style: OwnStyle): void {
    const others = this.listOwn().filter(({ id }) => id !== style.id);
    this.settings.write('citation-styles', [...others.slice(1 - MAX_OWN_STYLES), style]);
  }

  /** The style that was used last. */
  readChosen(): string {
    const chosen = this.settings.read('citation-style', Joi.string().max(300), CITATION_STYLES[0]!.id);
    return this.list().some(({ id }) => id === chosen) ? chosen : CITATION_STYLES[0]!.id;
  }

  choose(id: string): void {
    this.settings.write('citation-style', id);
  }

  /** The text of a style. Fails if it cannot be had. */
  async fetchText(id: string): Promise<string> {
    const own = this.listOwn().find((style) => style.id === id);
    return own ? own.text : this.fetch(`${id}.csl`);
  }

  /** The words of languages by their codes. Fails if they cannot be had. */
  async fetchLocales(): Promise<Record<string, string>> {
    const texts = await Promise.all(LANGUAGES.map((language) => this.fetch(`locale-${language}.xml`)));
    return Object.fromEntries(LANGUAGES.map((language, at) => [language, texts[at]!]));
  }

  private fetch(file: string): Promise<string> {
    const known = this.fetched.get(file);
    if (known) return known;
    const text = fetch(`/citation-styles/${encodeURIComponent(file)}`).then((response) => {
      if (!response.ok) throw new Error(`The style could not be loaded (${response.status}).`);
      return response.text();
    });
    this.fetched.set(file, text);
    // What failed is asked for again.
    text.catch(() => this.fetched.delete(file));
    return text;
  }
}
