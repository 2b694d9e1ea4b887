import { numberText } from '@fine-spray/core/units';
import Papa from 'papaparse';
import { refuseFile, readFile, type FileIssue, type FileRead } from './issue';
import { CSV_STYLES, type Cell, type CsvStyle, type Sheet } from './sheet';
import { fromWindows1252 } from './windows1252';

/** Largest table read, rows with the header; beyond it a file is not a take-off. */
export const ROWS_LIMIT = 20_000;
export const BYTES_LIMIT = 8 * 1024 * 1024;

/** How numbers of a table are written, as far as it can be told. */
export interface NumberMarks {
  /** Nothing where no number of it tells. */
  readonly decimal: '.' | ',' | undefined;
  readonly separator: string;
}

/** Rows of cells with the header apart. */
export interface Table {
  readonly header: readonly string[];
  readonly rows: readonly { readonly row: number; readonly cells: readonly string[] }[];
  readonly marks: NumberMarks;
}

/** What a spreadsheet program takes for a formula: a sign, full-width too, at the start or after blanks and line breaks. */
const SIGNS = /^(?:\s*[=+\-@＝＋－＠]|[\t\r\n])/u;

/** Whether what stands behind its apostrophes would be run: such a text gets one more, and gives it back. */
const isTricky = (text: string): boolean => SIGNS.test(text.replace(/^'+/, ''));

/** A cell of text as it is written: one that a spreadsheet program would take for a formula gets an apostrophe before it. */
export const guarded = (text: string): string => (isTricky(text) ? `'${text}` : text);

/** A cell of text as it was meant. */
export const unguarded = (text: string): string =>
  text.startsWith("'") && isTricky(text) ? text.slice(1) : text;

/** Whether a cell of text would be run by a spreadsheet program. */
export const isFormula = (text: string): boolean => SIGNS.test(text);

/** What tells a spreadsheet program that a file is UTF-8: it shows ², ° and × then. */
const MARK = '\uFEFF';

/**
 * A table by RFC 4180, marked as UTF-8: quotes where needed, lines ended by CR LF, text that would be run made harmless.
 * @param style separator and decimal mark; commas and points where it is left out
 */
export function csvOf(
  { columns, rows }: Pick<Sheet, 'columns' | 'rows'>,
  { separator, decimal }: CsvStyle = CSV_STYLES.point,
): string {
  const written = (cell: Cell): string => {
    if (cell === null) return '';
    return typeof cell === 'string' ? guarded(cell) : String(cell).replace('.', decimal);
  };
  const table = { fields: columns.map(({ title }) => title), data: rows.map((row) => row.map(written)) };
  return `${MARK}${Papa.unparse(table, { newline: '\r\n', delimiter: separator })}\r\n`;
}

/** The text of a file: UTF-8 with or without a mark, or UTF-16 with one. */
export function textOf(bytes: Uint8Array): FileRead<string> {
  if (bytes.length > BYTES_LIMIT) return refuseFile('The file is larger than 8 MB. Split it.');
  const [a, b] = [bytes[0], bytes[1]];
  const encoding = a === 0xff && b === 0xfe ? 'utf-16le' : a === 0xfe && b === 0xff ? 'utf-16be' : 'utf-8';
  try {
    const text = new TextDecoder(encoding, { fatal: true }).decode(bytes);
    if (text.includes('\0')) return refuseFile(NO_TEXT);
    return readFile(text);
  } catch {
    return refuseFile('The file is not in UTF-8. Save it again in UTF-8.');
  }
}

const NO_TEXT = 'This is no text file. Save it as CSV.';

/** The text of a table: as of any file, else in the encoding of one byte that spreadsheet programs of the West save in. */
function tableText(bytes: Uint8Array): FileRead<string> {
  const text = textOf(bytes);
  const marked = bytes[0] === 0xff || bytes[0] === 0xfe;
  if (text.ok || marked || bytes.length > BYTES_LIMIT) return text;
  if (bytes.includes(0)) return refuseFile(NO_TEXT);
  return readFile(fromWindows1252(bytes), [
    'The file is not in UTF-8 and was read as windows-1252: look at its accents and signs.',
  ]);
}

const PAPA_WORDS: Readonly<Record<string, string>> = {
  MissingQuotes: 'A quotation mark is opened here and never closed.',
  InvalidQuotes: 'A quotation mark stands inside a cell that is not quoted. Double it and quote the cell.',
};

/** The separator of a file: what its first line has most of outside quotes; a first line "sep=;" rules. */
function separatorOf(text: string): { separator: string; body: string; skipped: number } {
  const named = /^sep=(.)\r?\n/i.exec(text);
  if (named?.[1] !== undefined) return { separator: named[1], body: text.slice(named[0].length), skipped: 1 };
  const first = (text.split(/\r?\n/, 1)[0] ?? '').replace(/"[^"]*"/g, '');
  const counts = [',', ';', '\t'].map((separator) => ({ separator, count: first.split(separator).length }));
  const best = counts.reduce((most, one) => (one.count > most.count ? one : most));
  return { separator: best.separator, body: text, skipped: 0 };
}

/** A number by which a table tells its decimal mark: 12,5 or 1.234,50, not 1,234, which may be either. */
const TELLS_COMMA = /^[+-]?(?:\d+,(?:\d{1,2}|\d{4,})|\d{1,3}(?:[. \u00a0\u202f’']\d{3})+,\d+|0,\d+)\s*%?$/;
const TELLS_POINT = /^[+-]?(?:\d+\.(?:\d{1,2}|\d{4,})|\d{1,3}(?:[, \u00a0\u202f’']\d{3})+\.\d+|0\.\d+)\s*%?$/;

function decimalOf(rows: readonly (readonly string[])[]): NumberMarks['decimal'] {
  const tells = (pattern: RegExp) => rows.some((cells) => cells.some((cell) => pattern.test(cell)));
  const [comma, point] = [tells(TELLS_COMMA), tells(TELLS_POINT)];
  if (comma === point) return undefined;
  return comma ? ',' : '.';
}

/** The cells of a CSV file: separator and encoding found, empty rows left out, what cannot be cells refused by row. */
export function readTable(bytes: Uint8Array): FileRead<Table> {
  const decoded = tableText(bytes);
  if (!decoded.ok) return decoded;
  const { separator, body, skipped } = separatorOf(decoded.value.replace(/^\uFEFF/, ''));
  if (body.trim() === '') return refuseFile('The file is empty.');
  const parsed = Papa.parse<string[]>(body, { delimiter: separator, preview: ROWS_LIMIT + 2 });
  const [header, ...rest] = parsed.data;
  if (!header) return refuseFile('The file is empty.');
  if (rest.length > ROWS_LIMIT) {
    return refuseFile(
      `The file has more than ${numberText(ROWS_LIMIT)} rows. A job holds 1,000 surfaces: split it.`,
    );
  }
  const issues: FileIssue[] = parsed.errors
    .filter(({ type }) => type === 'Quotes')
    .map(({ row, code }) => ({
      row: (row ?? 0) + 1 + skipped,
      message: PAPA_WORDS[code] ?? 'The quotation marks do not match.',
    }));
  const rows = rest.map((cells, index) => ({
    row: index + 2 + skipped,
    cells: cells.map((cell) => cell.trim()),
  }));
  const filled = rows.filter(({ cells }) => cells.some((cell) => cell !== ''));
  for (const { row, cells } of filled) {
    if (cells.slice(header.length).some((cell) => cell !== '')) {
      issues.push({
        row,
        message: `This row has ${cells.length} cells and the header ${header.length}. Check the separators.`,
      });
    }
  }
  if (issues.length > 0) return { ok: false, issues };
  return readFile(
    {
      header: header.map((cell) => cell.trim()),
      rows: filled,
      marks: { decimal: decimalOf(filled.map((one) => one.cells)), separator },
    },
    decoded.notes,
  );
}
