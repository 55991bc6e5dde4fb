declare module '@citation-js/core' {
  /** What is used of the library: texts of a known kind become records in CSL-JSON. */
  export const plugins: {
    readonly input: {
      chain(text: string, options: { readonly generateGraph: false; readonly forceType?: string }): unknown[];
      chainLink(text: string, options?: { readonly forceType?: string }): unknown;
    };
  };
}
declare module '@citation-js/plugin-bibtex';
