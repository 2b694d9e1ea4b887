/** One entry for each formula whose result a person sees: how it reads, where it comes from, where it holds. */
export interface Formula {
  readonly name: string;
  readonly expression: string;
  readonly source: string;
  readonly range: string;
}
