import fc from 'fast-check';
import { coverOf, passesOf, type FanOnPiece } from '.';
import { netArea } from '../shape';
import {
  ELEMENTS,
  ELEMENT_DATA,
  ITEMS,
  USUAL_OVER,
  transferEfficiency,
  usualFans,
  type Element,
  type PieceGeometry,
} from '../takeoff';
import { TIP_FAMILIES, fanWidth, NOMINAL_DISTANCE } from '../tip';
import { of, quantity, type Fraction } from '../units';

const sheet = (width: number, height: number): PieceGeometry => ({
  shape: 'rectangle',
  width,
  height,
  count: 1,
  openings: [],
});
const fanOf = (fan: number, extra: Partial<FanOnPiece> = {}): FanOnPiece => ({
  family: 'standard',
  fanWidth: fanWidth(fan, NOMINAL_DISTANCE),
  overlap: quantity<Fraction>(0.5),
  ...extra,
});

/** The usual pieces of each kind: a wall and a ceiling of a bedroom, and what the picture list starts with. */
const USUAL: Readonly<Record<Element, readonly PieceGeometry[]>> = {
  wall: [sheet(4, 2.4)],
  ceiling: [sheet(4, 3.5)],
  door: [sheet(ITEMS.door.sizes.width, ITEMS.door.sizes.height)],
  cabinet: [sheet(ITEMS.cabinet.sizes.width, ITEMS.cabinet.sizes.height)],
  trim: (['baseboard', 'cornice', 'wall-rail', 'trim', 'stringer'] as const).map((id) =>
    sheet(ITEMS[id].sizes.length, ITEMS[id].sizes.height),
  ),
  edge: [sheet(ITEMS.gutter.sizes.length, ITEMS.gutter.sizes.height)],
  spindles: [sheet(4 * ITEMS.spindle.sizes.width, ITEMS.spindle.sizes.height)],
  'lapped-fence': [sheet(ITEMS['closed-fence'].sizes.length, ITEMS['closed-fence'].sizes.height)],
  'open-fence': [
    sheet(2 * (ITEMS.picket.sizes.width + ITEMS.picket.sizes.depth), ITEMS.picket.sizes.height),
    sheet(ITEMS['fence-rail'].sizes.length, ITEMS['fence-rail'].sizes.height),
  ],
};
const fansFor = (element: Element) => {
  const { low, high } = usualFans(element, 'inside', 'calm');
  return Array.from({ length: high - low + 1 }, (_unused, index) => low + index);
};

describe('what of a fan is over a piece', () => {
  it.each(ELEMENTS)('is for the usual %s what the table of transfer is parted by', (element) => {
    const shares = USUAL[element].flatMap((piece) =>
      fansFor(element).map((fan) => coverOf(piece, element, fanOf(fan)).over),
    );
    // In the middle between the least and the most, as ratios go
    const middle = Math.sqrt(Math.min(...shares) * Math.max(...shares));
    expect(Math.abs(middle - USUAL_OVER[element])).toBeLessThan(0.006);
  });

  it('meets the table within its range together with what is lost in the air, on what is usually sprayed', () => {
    const pieces: readonly (readonly [Element, PieceGeometry])[] = [
      ...ELEMENTS.flatMap((element) => USUAL[element].map((piece) => [element, piece] as const)),
      ['wall', sheet(9.6, 3.2)],
      ['wall', sheet(1.2, 2.4)],
      ['ceiling', sheet(3, 1.2)],
      ['trim', sheet(14.2, 0.12)],
      ['trim', sheet(5.2, 0.07)],
      ['trim', sheet(5.2, 0.14)],
      ['edge', sheet(6, 0.18)],
      ['edge', sheet(10.2, 0.45)],
      ['cabinet', sheet(1.8, 0.3)],
      ['cabinet', sheet(2.1, 0.6)],
      ['cabinet', sheet(0.45, 0.7)],
      ['spindles', sheet(0.36, 1.1)],
      ['spindles', sheet(4.8, 0.2)],
      ['open-fence', sheet(8.4, 1)],
    ];
    for (const [element, piece] of pieces)
      for (const fan of fansFor(element)) {
        const { low, likely, high } = transferEfficiency(element, 'inside', 'calm');
        const lands = (likely / USUAL_OVER[element]) * coverOf(piece, element, fanOf(fan)).over;
        expect([element, fan, lands >= low - 0.005 && lands <= high + 0.005]).toEqual([element, fan, true]);
      }
  });

  it('is all passes summed up, for every kind of piece, family, fan and lap', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...ELEMENTS),
        fc.constantFrom(...TIP_FAMILIES),
        fc.integer({ min: 1, max: 12 }),
        fc.constantFrom(0.5, 1 / 3),
        fc.double({ min: 0.05, max: 8, noNaN: true }),
        fc.double({ min: 0.05, max: 4, noNaN: true }),
        (element, family, fan, overlap, width, height) => {
          const piece = sheet(width, height);
          const on = fanOf(fan, { family, overlap: quantity<Fraction>(overlap) });
          const cover = coverOf(piece, element, on);
          const { passes, area } = passesOf(piece, element, on);
          const length = (all: typeof passes) =>
            all.reduce((sum, { open }) => sum + open.reduce((part, { from, to }) => part + to - from, 0), 0);
          const over = passes.reduce((sum, pass) => sum + length([pass]) * pass.overPiece, 0);
          expect(cover.open).toBeCloseTo(length(passes), 6);
          expect(cover.over * cover.open).toBeCloseTo(over, 6);
          expect(cover.area).toBe(area);
          expect(cover.over).toBeGreaterThan(0);
          expect(cover.over).toBeLessThanOrEqual(1);
        },
      ),
      { numRuns: 200 },
    );
  });

  it('is by hand what the edges and the leads leave of it', () => {
    // 4 x 2.4 m, 254 mm lapped by a half: 20 passes of 4.1 m, the first and the last half off, and a hair of their neighbours
    const cover = coverOf(sheet(4, 2.4), 'wall', fanOf(5));
    expect(cover.open).toBeCloseTo(20 * 4.1, 9);
    expect(cover.over).toBeCloseTo((19 / 20) * (4 / 4.1), 3);
    // A casing of 70 mm in one pass of 152 mm: of 160.6 mm that get any paint 70 in the middle, (3s − s³)/2
    const s = (70 / 152.4) * Math.sqrt(0.9);
    const casing = coverOf(sheet(5.2, 0.07), 'trim', fanOf(3));
    expect(casing.over).toBeCloseTo(((3 * s - s ** 3) / 2) * (5.2 / 5.3), 4);
    // A spindle of 35 mm from its four corners: 49.5 mm seen of 107.1
    const t = ((35 * Math.SQRT2) / 101.6) * Math.sqrt(0.9);
    const spindle = coverOf(sheet(0.14, 0.9), 'spindles', fanOf(2));
    expect(spindle.over).toBeCloseTo(((3 * t - t ** 3) / 2) * (0.9 / 1), 4);
    expect(spindle.open).toBeCloseTo(4, 9);
    expect(spindle.area).toBeCloseTo(0.126, 9);
  });

  it('takes narrow work in one pass or two', () => {
    const passes = (height: number, fan: number) =>
      passesOf(sheet(5, height), 'trim', fanOf(fan)).passes.length;
    expect([passes(0.07, 2), passes(0.07, 3)]).toEqual([2, 1]);
    expect([passes(0.12, 2), passes(0.12, 3)]).toEqual([2, 2]);
    expect([passes(0.18, 3), passes(0.15, 3)]).toEqual([2, 2]);
  });

  it('stands on a plain field where openings leave nothing', () => {
    const opening = { id: 'w', kind: 'window' as const, width: 2, height: 2, count: 1, at: 0, sill: 0 };
    const nothing: PieceGeometry = { ...sheet(2, 2), openings: [opening] };
    const cover = coverOf(nothing, 'wall', fanOf(5));
    expect(cover.over).toBe(USUAL_OVER.wall);
    expect(netArea(passesOf(nothing, 'wall', fanOf(5)).piece)).toBe(0);
  });

  it('knows bars by their girth, and by their usual side where they are an area', () => {
    const { bar } = ELEMENT_DATA.spindles;
    expect(bar).toBe(of(35, 'mm'));
    const field = coverOf(sheet(4, 0.9), 'spindles', fanOf(1));
    const one = coverOf(sheet(4 * 0.035, 4), 'spindles', fanOf(1));
    expect(field.over).toBeCloseTo(one.over, 9);
  });
});
