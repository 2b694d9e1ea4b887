/** What is wrong with a file, where a spreadsheet program shows it: rows count from 1, the header is row 1. */
export interface FileIssue {
  /** 0: the file as a whole. */
  readonly row: number;
  readonly column?: string;
  readonly message: string;
}

/** What a file was read as: everything, or what is wrong with it and nothing. */
export type FileRead<T> =
  | { readonly ok: true; readonly value: T; readonly notes: readonly string[] }
  | { readonly ok: false; readonly issues: readonly FileIssue[] };

export const refuseFile = (message: string): FileRead<never> => ({
  ok: false,
  issues: [{ row: 0, message }],
});
export const readFile = <T>(value: T, notes: readonly string[] = []): FileRead<T> => ({
  ok: true,
  value,
  notes,
});

/** Issues shown of one file; more help nobody. */
export const ISSUES_SHOWN = 200;
