import { readBuyList, writeBuyList, type BuyLine } from './buyListCsv';

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
    const text = writeBuyList(lines, 'EUR');
    expect(text.split('\r\n')[0]).toBe(
      'Coating,Likely (L),Wanted (L),Chance (%),Containers (L),Bought (L),Cost (EUR),Tips',
    );
    expect(text).toContain('4 x 15 + 3 x 2.5');
    expect(readBuyList(bytes(text))).toEqual({ ok: true, value: lines, notes: [] });
  });

  it.each([
    ['66', 'much', 'Wanted (L)', /not a number/],
    ['4 x 15', 'four of 15', 'Containers (L)', /no container/],
    ['"Interior', '"@Interior', 'Coating', /formula/],
  ])('with %s made %s is refused at its cell', (from, into, column, sentence) => {
    const result = readBuyList(bytes(writeBuyList(lines, 'EUR').replace(from, into)));
    expect(result.ok ? undefined : result.issues[0]).toMatchObject({
      row: 2,
      column,
      message: expect.stringMatching(sentence) as string,
    });
  });

  it('without its columns is refused', () => {
    expect(readBuyList(bytes('Coating\nX'))).toMatchObject({ ok: false });
  });
});
