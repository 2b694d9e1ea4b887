import { readBuyList, buyListSheet, type BuyLine } from './buyListCsv';
import { csvOf } from './csv';
import { CSV_STYLES } from './sheet';

const bytes = (text: string) => new TextEncoder().encode(text);
const lines: readonly BuyLine[] = [
  {
    coating: 'Interior wall matt, water-borne',
    likely: 58.2,
    wanted: 66,
    chance: 80,
    containers: [
      { size: 15, count: 4 },
      { size: 2.5, count: 3 },
    ],
    bought: 67.5,
    cost: 512.5,
    tips: 2,
  },
  {
    coating: '=2.5 "special"',
    likely: 1,
    wanted: 1.2,
    chance: 80,
    containers: [],
    bought: 0,
    cost: null,
    tips: 1,
  },
];

describe('a buy list', () => {
  it('comes back from CSV as it was, with units in its header', () => {
    const text = csvOf(buyListSheet(lines, 'EUR'));
    expect(text.split('\r\n')[0]).toBe(
      '\uFEFFCoating,Likely (L),Wanted (L),Chance (%),Containers (L),Bought (L),Cost (EUR),Tips',
    );
    expect(text).toContain('4 x 15 + 3 x 2.5');
    expect(readBuyList(bytes(text))).toEqual({ ok: true, value: lines, notes: [] });
  });

  it.each([
    ['66', 'much', 'Wanted (L)', /not a number/],
    ['4 x 15', 'four of 15', 'Containers (L)', /no container/],
    ['"Interior', '"@Interior', 'Coating', /formula/],
  ])('with %s made %s is refused at its cell', (from, into, column, sentence) => {
    const result = readBuyList(bytes(csvOf(buyListSheet(lines, 'EUR')).replace(from, into)));
    expect(result.ok ? undefined : result.issues[0]).toMatchObject({
      row: 2,
      column,
      message: expect.stringMatching(sentence) as string,
    });
  });

  it('is read as a spreadsheet program saves it where the comma is the decimal mark, with its thousands', () => {
    const [first] = lines;
    if (!first) throw new Error('no line');
    const dear: BuyLine = {
      ...first,
      cost: 1512.5,
      bought: 1067.5,
      containers: [
        { size: 2.5, count: 27 },
        { size: 1000, count: 1 },
      ],
    };
    const text = csvOf(buyListSheet([dear], 'EUR'), CSV_STYLES.comma)
      .replace(';1512,5;', ';1.512,50;')
      .replace(';1067,5;', ';"1.067,5";')
      .replace('27 x 2.5 + 1 x 1000', '27 × 2,5 L + 1 x 1.000 L');
    expect(text).toMatch(/1\.512,50.*|27 × 2,5 L/);
    expect(readBuyList(bytes(text))).toEqual({ ok: true, value: [dear], notes: [] });
  });

  it('without its columns is refused', () => {
    expect(readBuyList(bytes('Coating\nX'))).toMatchObject({ ok: false });
  });
});
