/** What a problem says and what would be legal; `{name}` stands for a particular of the problem. */
export interface Wording {
  readonly says: string;
  readonly remedy: string;
}
