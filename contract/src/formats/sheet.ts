/** What stands in a cell: text, a number, or nothing. */
export type Cell = string | number | null;

/** A column: its title with the unit of its numbers, "Width (m)"; days "2026-01-31" and times "07:20" say that they are. */
export interface SheetColumn {
  readonly title: string;
  readonly as?: 'day' | 'time';
}

/** A table that goes out as a file: as CSV, or to a spreadsheet program. */
export interface Sheet {
  /** What it is called there. */
  readonly title: string;
  readonly columns: readonly SheetColumn[];
  readonly rows: readonly (readonly Cell[])[];
}

export const titled = (...titles: readonly string[]): readonly SheetColumn[] =>
  titles.map((title) => ({ title }));

/** How numbers stand in a CSV file, and what separates cells: spreadsheet programs take it as their language has it. */
export interface CsvStyle {
  readonly separator: ',' | ';';
  readonly decimal: '.' | ',';
}

export const CSV_STYLES = {
  point: { separator: ',', decimal: '.' },
  comma: { separator: ';', decimal: ',' },
} as const satisfies Record<string, CsvStyle>;
export type CsvStyleName = keyof typeof CSV_STYLES;
