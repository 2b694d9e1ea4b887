import { parseQuantity, type Result } from '@fine-spray/core/units';
import { readFile, type FileIssue, type FileRead } from './issue';
import type { NumberMarks, Table } from './csv';

/** Units a column of lengths may be in, as m. */
const LENGTHS: Readonly<Record<string, number>> = { m: 1, cm: 0.01, mm: 0.001, ft: 0.3048, in: 0.0254 };
const AREAS: Readonly<Record<string, number>> = { 'm²': 1, m2: 1, 'ft²': 0.09290304, ft2: 0.09290304 };

/** A column found in a header. */
export interface Column {
  readonly index: number;
  /** The header as it stands, for messages. */
  readonly title: string;
  readonly unit: string | undefined;
}

/** Splits "Width (m)" into its name and unit. */
function splitTitle(title: string): { name: string; unit: string | undefined } {
  const [, name = title, unit] = /^(.*?)\s*(?:[([]\s*([^)\]]*?)\s*[)\]])?$/.exec(title) ?? [];
  return { name: name.toLowerCase(), unit };
}

/** The columns of a table by name, in any order and case; doubles are refused, unknown ones noted and left out. */
export function columnsOf<Name extends string>(
  { header }: Pick<Table, 'header'>,
  names: Readonly<Record<Name, string>>,
): FileRead<Partial<Record<Name, Column>>> {
  const found: Partial<Record<Name, Column>> = {};
  const issues: FileIssue[] = [];
  const unknown: string[] = [];
  header.forEach((title, index) => {
    if (title === '') return;
    const { name, unit } = splitTitle(title);
    const key = (Object.keys(names) as Name[]).find((one) => names[one].toLowerCase() === name);
    if (key === undefined) unknown.push(title);
    else if (found[key])
      issues.push({ row: 1, column: title, message: `There are two columns "${names[key]}". Keep one.` });
    else found[key] = { index, title, unit };
  });
  if (issues.length > 0) return { ok: false, issues };
  return readFile(
    found,
    unknown.length > 0 ? [`Not known and left out: ${unknown.slice(0, 10).join(', ')}.`] : [],
  );
}

/** A unit a column may have; a column without one is read in the first of them. */
export function checkUnit({ title, unit }: Column, kind: 'length' | 'area'): FileIssue | undefined {
  const known = kind === 'length' ? LENGTHS : AREAS;
  if (unit === undefined || Object.hasOwn(known, unit)) return undefined;
  return {
    row: 1,
    column: title,
    message: `"${unit}" is no unit for this column. Use ${Object.keys(known).join(', ')}.`,
  };
}

/**
 * A number as spreadsheet programs write it: with a point or a comma, thousands set apart by the other of them, by blanks or by an apostrophe.
 * What could be either, 1,234, is what the rest of its table says, else what is said here.
 * @param either whether the comma of 1,234 stands for the decimal point where nothing tells
 * @returns nothing where it is no number
 */
export function numberIn(
  cell: string,
  { decimal, separator }: NumberMarks,
  either: 'decimal' | 'thousands' = 'thousands',
): number | undefined {
  const bare = cell.trim().replace(/(\d)[ \u00a0\u2009\u202f’'](?=\d{3}(?:\D|$))/g, '$1');
  if (/^[+-]?(\d+|\d+\.\d+|\.\d+)$/.test(bare) && !(decimal === ',' && /^[+-]?\d{1,3}\.\d{3}$/.test(bare)))
    return Number(bare);
  const comma = decimal ?? (separator === ';' || either === 'decimal' ? ',' : '.');
  for (const mark of [comma, comma === ',' ? '.' : ','] as const) {
    const other = mark === ',' ? '.' : ',';
    const grouped = new RegExp(`^[+-]?\\d{1,3}(?:\\${other}\\d{3})+(?:\\${mark}\\d+)?$`);
    const plain = new RegExp(`^[+-]?\\d*(?:\\${mark}\\d+)$`);
    if (plain.test(bare) || grouped.test(bare)) return Number(bare.replaceAll(other, '').replace(mark, '.'));
  }
  return undefined;
}

/** A length or area in the unit of its column, or in its own ("12 ft", 8' 6"); SI. */
export function readMeasure(
  cell: string,
  { title, unit }: Column,
  kind: 'length' | 'area',
  marks: NumberMarks,
): Result<number> {
  const factors = kind === 'length' ? LENGTHS : AREAS;
  const factor = unit === undefined ? 1 : (factors[unit] ?? 1);
  const number = numberIn(cell, marks, 'decimal');
  if (number !== undefined) return { ok: true, value: number * factor };
  return parseQuantity(cell, kind === 'length' ? 'size' : 'area', 'metric', title, title);
}
