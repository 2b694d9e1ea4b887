import { jobFile, kitFile } from '@fine-spray/contract';
import { takeoffSheet } from '@fine-spray/contract/formats';
import { XMLParser } from 'fast-xml-parser';
import { strFromU8, unzipSync } from 'fflate';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { xlsxOf } from './xlsx';

const DEMO = path.join(__dirname, '../../../demo');
const read = (name: string): unknown => JSON.parse(readFileSync(path.join(DEMO, name), 'utf8'));

interface XmlCell {
  readonly '@r': string;
  readonly '@t'?: string;
  readonly '@s'?: string;
  readonly v?: string;
}

/** What a workbook says, by a reader of its own: cells by their address, and how its head stands. */
async function bookOf(file: Blob) {
  const bytes = await file.arrayBuffer();
  const parts = unzipSync(new Uint8Array(bytes));
  const xml = (name: string) => strFromU8(parts[name] ?? new Uint8Array());
  const parser = new XMLParser({
    ignoreAttributes: false,
    attributeNamePrefix: '@',
    parseTagValue: false,
    isArray: (name) => ['row', 'c', 'si', 'xf'].includes(name),
  });
  const sheet = parser.parse(xml('xl/worksheets/sheet1.xml')) as {
    worksheet: { sheetData: { row: { c: XmlCell[] }[] } };
  };
  const shared = parser.parse(xml('xl/sharedStrings.xml')) as {
    sst: { si: { t: string | { '#text': string } }[] };
  };
  const text = (index: string) => {
    const t = shared.sst.si[Number(index)]?.t;
    return typeof t === 'object' ? t['#text'] : t;
  };
  const cells = new Map(
    sheet.worksheet.sheetData.row.flatMap(({ c }) =>
      c.map((cell) => [cell['@r'], cell['@t'] === 's' ? text(cell.v ?? '') : Number(cell.v)] as const),
    ),
  );
  return { cells, raw: xml('xl/worksheets/sheet1.xml'), styles: xml('xl/styles.xml') };
}

describe('a table as a workbook', () => {
  it('has numbers as numbers, days as days, times as times, text as text, and its head frozen', async () => {
    const { cells, raw, styles } = await bookOf(
      await xlsxOf({
        title: 'Days',
        columns: [
          { title: 'Day', as: 'day' },
          { title: 'Start', as: 'time' },
          { title: 'What' },
          { title: 'Area (m²)' },
        ],
        rows: [
          ['2026-12-01', '04:00', '=2+2', 12.5],
          ['soon', '25 o’clock', 'é ² °', null],
        ],
      }),
    );
    expect(['A1', 'D1'].map((at) => cells.get(at))).toEqual(['Day', 'Area (m²)']);
    // Days since 1899-12-30 (ECMA-376, 18.17.4), and four hours of 24.
    expect([cells.get('A2'), cells.get('D2')]).toEqual([46357, 12.5]);
    expect(cells.get('B2')).toBeCloseTo(4 / 24, 12);
    expect(['C2', 'A3', 'B3', 'C3'].map((at) => cells.get(at))).toEqual([
      '=2+2',
      'soon',
      '25 o’clock',
      'é ² °',
    ]);
    expect(raw).not.toContain('<f>');
    expect(raw).toMatch(/<pane [^>]*ySplit="1"[^>]*state="frozen"/);
    expect(styles).toContain('yyyy-mm-dd');
    expect(styles).toContain('hh:mm');
  });

  it('has every surface of the demo with its sizes', async () => {
    const kit = kitFile.parse(read('millrace.kit.json'));
    const { surfaces } = jobFile.parse(read('orchard-row-3.job.json'));
    const sheet = takeoffSheet(surfaces, kit.coatings);
    const { cells } = await bookOf(await xlsxOf(sheet));
    const column = sheet.columns.findIndex(({ title }) => title === 'Width (m)');
    const letter = String.fromCharCode(65 + column);
    sheet.rows.forEach((row, index) => {
      expect(cells.get(`${letter}${index + 2}`)).toBe(row[column] ?? undefined);
    });
    expect(sheet.rows.filter((row) => typeof row[column] === 'number').length).toBeGreaterThan(5);
  });
});
