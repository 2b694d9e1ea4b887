import fc from 'fast-check';
import { numberIn } from './columns';
import { csvOf, readTable } from './csv';
import { CSV_STYLES, titled, type Cell, type CsvStyleName } from './sheet';
import { fromWindows1252 } from './windows1252';

const bytes = (text: string) => new TextEncoder().encode(text);
const STYLES = Object.keys(CSV_STYLES) as CsvStyleName[];
function table(file: Uint8Array) {
  const read = readTable(file);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  return { ...read.value, notes: read.notes };
}

describe('a table as CSV', () => {
  it('is marked as UTF-8, so that a spreadsheet program shows its signs', () => {
    const file = bytes(csvOf({ columns: titled('Area (m²)', 'Paint (°C)'), rows: [[12.5, '2 × 10']] }));
    expect([...file.subarray(0, 3)]).toEqual([0xef, 0xbb, 0xbf]);
    expect(table(file)).toMatchObject({
      header: ['Area (m²)', 'Paint (°C)'],
      rows: [{ cells: ['12.5', '2 × 10'] }],
    });
  });

  it.each(STYLES)('gives back what was in it, numbers and text that would be run too: %s', (style) => {
    const number = fc.double({ min: -1e6, max: 1e6, noNaN: true }).map((value) => Number(value.toFixed(3)));
    const text = fc
      .array(fc.constantFrom('=', '+', '-', '@', ';', ',', '"', "'", 'a', 'é', ' ', '\n', '²'), {
        maxLength: 8,
      })
      .map((signs) => `x${signs.join('')}x`);
    fc.assert(
      fc.property(fc.array(fc.tuple(text, number), { minLength: 1, maxLength: 8 }), (rows) => {
        const read = table(
          // A number that says which of the two marks is the decimal one, as any file of measures has.
          bytes(
            csvOf({ columns: titled('What', 'How many'), rows: [...rows, ['x', 0.5]] }, CSV_STYLES[style]),
          ),
        );
        const back = read.rows.map(({ cells: [what, many = ''] }): Cell[] => [
          what ?? '',
          numberIn(many, read.marks) ?? null,
        ]);
        expect(back).toEqual([...rows, ['x', 0.5]].map(([what, many]) => [what, many === 0 ? 0 : many]));
      }),
    );
  });

  it('in an encoding of one byte is read as a spreadsheet program of the West saved it, and that is said', () => {
    const file = Uint8Array.from('Room;Surface\r\nCaf\u00e9;\u0084Wall\u0093 2 m\u00b2', (sign) =>
      sign.charCodeAt(0),
    );
    const read = table(file);
    expect(read.rows[0]?.cells).toEqual(['Café', '„Wall“ 2 m²']);
    expect(read.notes).toEqual([expect.stringMatching(/windows-1252/)]);
    expect(readTable(Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 0, 0xff])).ok).toBe(false);
  });

  it('knows every sign of windows-1252', () => {
    const all = fromWindows1252(Uint8Array.from({ length: 256 }, (_, code) => code));
    expect(all).toHaveLength(256);
    // Euro, dashes, quotes and the trade mark; the five places that stand for nothing stay as they are.
    expect([0x80, 0x96, 0x97, 0x93, 0x99, 0x9f, 0x81].map((code) => all[code])).toEqual([
      ...['€', '–', '—', '“', '™', 'Ÿ', '\u0081'],
    ]);
  });
});

describe('a number of a table', () => {
  const unknown = { decimal: undefined, separator: ',' } as const;
  const comma = { decimal: ',', separator: ';' } as const;
  const point = { decimal: '.', separator: ',' } as const;
  it.each([
    ['1234.5', unknown, 1234.5],
    ['1,234.50', unknown, 1234.5],
    ['1.234,50', unknown, 1234.5],
    ['1 234,50', comma, 1234.5],
    ['1\u202f234,50', comma, 1234.5],
    ['1’234.50', point, 1234.5],
    ['12.345.678', comma, 12_345_678],
    ['1,234', unknown, 1234],
    ['1,234', point, 1234],
    ['1,234', comma, 1.234],
    ['1.234', comma, 1234],
    ['1.234', unknown, 1.234],
    ['1,234', { decimal: undefined, separator: ';' }, 1.234],
    ['12,5', unknown, 12.5],
    ['2.5', comma, 2.5],
    [',5', unknown, 0.5],
    ['-0,75', comma, -0.75],
  ] as const)('%s', (cell, marks, value) => {
    expect(numberIn(cell, marks)).toBe(value);
  });
  it('1,234 is a length of a little over one where nothing tells', () => {
    expect(numberIn('1,234', unknown, 'decimal')).toBe(1.234);
  });
  it.each(['', 'many', '1,2,3', '1.2.3', '1,23,456', '--1', '1e3', '12 34', '0x10', '1.234,5.6'])(
    'is none: "%s"',
    (cell) => {
      expect(numberIn(cell, unknown)).toBeUndefined();
    },
  );
});
