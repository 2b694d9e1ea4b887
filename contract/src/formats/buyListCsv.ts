import { columnsOf, numberIn } from './columns';
import { isFormula, readTable, unguarded } from './csv';
import { readFile, refuseFile, type FileIssue, type FileRead } from './issue';
import type { Sheet } from './sheet';

/** One coating of a buy list. Volumes in litres, money in the company's currency. */
export interface BuyLine {
  readonly coating: string;
  readonly likely: number;
  /** What is enough with the chance asked for, and that chance in %. */
  readonly wanted: number;
  readonly chance: number;
  /** Containers by size in litres: "2 x 10 + 1 x 2.5". */
  readonly containers: readonly { readonly size: number; readonly count: number }[];
  readonly bought: number;
  readonly cost: number | null;
  /** To have to spare. */
  readonly tips: number;
}

const COLUMNS = {
  coating: 'Coating',
  likely: 'Likely',
  wanted: 'Wanted',
  chance: 'Chance',
  containers: 'Containers',
  bought: 'Bought',
  cost: 'Cost',
  tips: 'Tips',
} as const;
type Name = keyof typeof COLUMNS;

/** A buy list as a table, units in the header. */
export function buyListSheet(lines: readonly BuyLine[], currency: string): Sheet {
  const units: Partial<Record<Name, string>> = {
    likely: 'L',
    wanted: 'L',
    chance: '%',
    containers: 'L',
    bought: 'L',
    cost: currency,
  };
  const names = Object.keys(COLUMNS) as Name[];
  return {
    title: 'Buy list',
    columns: names.map((name) => ({
      title: units[name] === undefined ? COLUMNS[name] : `${COLUMNS[name]} (${units[name]})`,
    })),
    rows: lines.map((line) => [
      line.coating,
      line.likely,
      line.wanted,
      line.chance,
      line.containers.map(({ size, count }) => `${count} x ${size}`).join(' + '),
      line.bought,
      line.cost,
      line.tips,
    ]),
  };
}

const CONTAINER = /^(\d+)\s*[x×]\s*(.+?)(?:\s*L)?$/i;

/** Reads a buy list back: all of it, or what is wrong by row and column and nothing. */
export function readBuyList(bytes: Uint8Array): FileRead<readonly BuyLine[]> {
  const table = readTable(bytes);
  if (!table.ok) return table;
  const columns = columnsOf(table.value, COLUMNS);
  if (!columns.ok) return columns;
  const missing = (Object.keys(COLUMNS) as Name[]).filter((name) => !columns.value[name]);
  if (missing.length > 0) {
    return refuseFile(`The header has no column ${missing.map((name) => `"${COLUMNS[name]}"`).join(', ')}.`);
  }
  const issues: FileIssue[] = [];
  const lines = table.value.rows.map(({ row, cells }): BuyLine => {
    const cell = (name: Name) => cells[columns.value[name]?.index ?? -1] ?? '';
    const refuse = (name: Name, message: string) =>
      issues.push({ row, column: columns.value[name]?.title ?? COLUMNS[name], message });
    const number = (name: Name) => {
      const value = numberIn(cell(name), table.value.marks);
      if (value === undefined || value < 0) refuse(name, `"${cell(name).slice(0, 40)}" is not a number.`);
      return value ?? NaN;
    };
    if (isFormula(cell('coating'))) refuse('coating', 'This begins like a formula.');
    const containers = cell('containers')
      .split('+')
      .filter((text) => text.trim() !== '')
      .flatMap((text) => {
        const [, count, written = ''] = CONTAINER.exec(text.trim()) ?? [];
        // A container of 1,250 L is none: here a comma is the decimal mark where it may be either.
        const size = numberIn(written, table.value.marks, 'decimal');
        if (count !== undefined && size !== undefined) return [{ size, count: Number(count) }];
        refuse('containers', `"${text.trim().slice(0, 40)}" is no container. Write it like 2 x 10.`);
        return [];
      });
    return {
      coating: unguarded(cell('coating')),
      likely: number('likely'),
      wanted: number('wanted'),
      chance: number('chance'),
      containers,
      bought: number('bought'),
      cost: cell('cost') === '' ? null : number('cost'),
      tips: number('tips'),
    };
  });
  return issues.length > 0 ? { ok: false, issues } : readFile(lines, [...table.notes, ...columns.notes]);
}
