/** The processor of the Citation Style Language (https://citeproc-js.readthedocs.io), as far as Ewer uses it. */
declare module 'citeproc' {
  export interface Items {
    retrieveLocale(language: string): string;
    retrieveItem(id: string): object;
  }
  export interface BibliographyFacts {
    readonly entry_ids: readonly (readonly string[])[];
    readonly hangingindent?: boolean | number;
    readonly 'second-field-align'?: string | false;
  }
  export interface CitedItem {
    readonly id: string;
    readonly locator?: string;
    readonly label?: 'page';
  }
  export class Engine {
    constructor(items: Items, style: string, language?: string);
    updateItems(ids: readonly string[]): void;
    makeBibliography(): [BibliographyFacts, string[]] | false;
    makeCitationCluster(cited: readonly CitedItem[]): string;
  }
  const CSL: { readonly Engine: typeof Engine };
  export default CSL;
}
