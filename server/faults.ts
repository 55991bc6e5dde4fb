/** How a stand-in can be told to misbehave, so that people and tests can see what happens then. */
export type Fault =
  | { readonly kind: 'slow'; readonly milliseconds: number }
  | { readonly kind: 'refuse'; readonly seconds: number }
  | { readonly kind: 'fail' }
  | { readonly kind: 'cut' }
  /** Its sessions end, and it answers as one does whose session has ended. */
  | { readonly kind: 'forget' }
  /** It answers with something that is no count. */
  | { readonly kind: 'nonsense'; readonly answer: 'text' | 'negative' | 'page' };

/** The faults in force, by stand-in. */
export type Faults = Map<string, Fault>;
