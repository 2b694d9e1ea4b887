import type { Cell, Sheet, SheetColumn } from '@fine-spray/contract/formats';
import writeXlsxFile, { type Cell as XlsxCell } from 'write-excel-file/universal';

/** How wide a column is at least and at most, in signs. */
const WIDTHS = { least: 6, most: 48 } as const;
/** Rows looked at for how wide a column is. */
const LOOKED_AT = 200;

const DAY = /^\d{4}-\d{2}-\d{2}$/;
const TIME = /^(\d{2}):(\d{2})$/;

/** A cell as a spreadsheet program knows it: a number is one, a day a day, a time of the day one, and text never a formula. */
function cellOf(cell: Cell, as: SheetColumn['as']): XlsxCell {
  if (cell === null || cell === '') return null;
  if (typeof cell === 'number') return { value: cell, type: Number };
  if (as === 'day' && DAY.test(cell))
    return { value: new Date(`${cell}T00:00:00Z`), type: Date, format: 'yyyy-mm-dd' };
  const [, hours, minutes] = (as === 'time' ? TIME.exec(cell) : undefined) ?? [];
  if (hours !== undefined)
    return { value: (Number(hours) + Number(minutes) / 60) / 24, type: Number, format: 'hh:mm' };
  return { value: cell, type: String };
}

function widthOf({ title }: SheetColumn, cells: readonly Cell[]): number {
  const longest = cells
    .slice(0, LOOKED_AT)
    .reduce<number>((most, cell) => Math.max(most, String(cell ?? '').length), title.length);
  return Math.min(WIDTHS.most, Math.max(WIDTHS.least, longest + 1));
}

/** A table as an Office Open XML workbook (ECMA-376) of one sheet: real numbers, days and times, its head frozen and bold. */
export async function xlsxOf({ title, columns, rows }: Sheet): Promise<Blob> {
  const head = columns.map((column): XlsxCell => ({
    value: column.title,
    type: String,
    fontWeight: 'bold',
    wrap: true,
  }));
  const body = rows.map((row) => row.map((cell, index) => cellOf(cell, columns[index]?.as)));
  return writeXlsxFile([head, ...body], {
    sheet: title,
    stickyRowsCount: 1,
    columns: columns.map((column, index) => ({
      width: widthOf(
        column,
        rows.map((row) => row[index] ?? null),
      ),
    })),
  }).toBlob();
}
