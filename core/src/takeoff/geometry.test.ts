import fc from 'fast-check';
import {
  ELEMENTS,
  SIDES,
  SURFACE_KINDS,
  WINDS,
  measure,
  narrowSide,
  transferEfficiency,
  usualFans,
  type SheetGeometry,
} from '.';

const wall = (extra: Partial<SheetGeometry> = {}): SheetGeometry => ({
  shape: 'rectangle',
  width: 6.2,
  height: 2.6,
  count: 1,
  openings: [],
  ...extra,
});
const door = { id: 'd', kind: 'door' as const, width: 0.9, height: 2.1, count: 1 };

describe('measuring a surface', () => {
  it('takes the openings off', () => {
    const result = measure(
      wall({ openings: [door, { ...door, id: 'w', kind: 'window', width: 1.2, height: 1.2, count: 2 }] }),
    );
    expect(result.ok && result.value.gross).toBeCloseTo(16.12, 9);
    expect(result.ok && result.value.openings).toBeCloseTo(1.89 + 2.88, 9);
    expect(result.ok && result.value.net).toBeCloseTo(16.12 - 4.77, 9);
  });

  it('takes a gable as a rectangle with a triangle on it', () => {
    const result = measure(wall({ shape: 'gable', width: 8, height: 3, ridge: 6 }));
    expect(result.ok && result.value.net).toBeCloseTo(8 * 3 + (8 * 3) / 2, 9);
  });

  it('is exact for any openings that fit, and never more than the surface', () => {
    const size = fc.double({ min: 0.1, max: 2, noNaN: true });
    fc.assert(
      fc.property(size, size, fc.integer({ min: 0, max: 3 }), (width, height, count) => {
        const result = measure(wall({ width: 20, height: 5, openings: [{ ...door, width, height, count }] }));
        expect(result.ok && result.value.net).toBeCloseTo(100 - width * height * count, 9);
      }),
    );
  });

  it.each([
    [wall({ width: 0 }), 'geometry.width', /between 0.02 m and 100 m/],
    [wall({ height: -1 }), 'geometry.height', /between/],
    [wall({ width: Number.NaN }), 'geometry.width', /between/],
    [wall({ width: Infinity }), 'geometry.width', /between/],
    [wall({ width: 1e9 }), 'geometry.width', /between/],
    [wall({ count: 1.5 }), 'geometry.count', /whole number/],
    [wall({ shape: 'gable', height: 5, ridge: 3 }), 'geometry.ridge', /between 5 m/],
    [wall({ openings: [{ ...door, width: 7 }] }), 'geometry.openings.0.width', /wider than the surface/],
    [wall({ openings: [{ ...door, height: 2.7 }] }), 'geometry.openings.0.height', /higher than the surface/],
    [wall({ openings: [{ ...door, count: -1 }] }), 'geometry.openings.0.count', /whole number/],
    [wall({ openings: [{ ...door, width: 0 }] }), 'geometry.openings.0.width', /Door width must be/],
    [wall({ openings: [{ ...door, count: 40 }] }), 'geometry.openings', /leave nothing/],
  ])('refuses %# with a sentence at its field', (geometry, field, message) => {
    const result = measure(geometry);
    expect(result).toMatchObject({ ok: false, field });
    expect(!result.ok && result.message).toMatch(message);
  });

  it('knows its narrow side', () => {
    expect(narrowSide(wall())).toBe(2.6);
  });
});

describe('working defaults of surfaces', () => {
  it('has a transfer efficiency with low below likely below high for every piece', () => {
    for (const element of ELEMENTS)
      for (const side of SIDES)
        for (const wind of WINDS) {
          const { low, likely, high } = transferEfficiency(element, side, wind);
          expect(0 < low && low < likely && likely < high && high < 1).toBe(true);
          const fans = usualFans(element, side, wind);
          expect(fans.low >= 1 && fans.low <= fans.high).toBe(true);
        }
  });

  it('takes one fan narrower outside in a breeze, and loses more', () => {
    expect(usualFans('wall', 'outside', 'breeze')).toEqual({ low: 4, high: 5 });
    expect(transferEfficiency('wall', 'outside', 'breeze').likely).toBeLessThan(
      transferEfficiency('wall', 'outside', 'calm').likely,
    );
  });

  it('has at least eight kinds of surface, none smaller than flat', () => {
    const kinds = Object.values(SURFACE_KINDS);
    expect(kinds.length).toBeGreaterThanOrEqual(8);
    for (const { texture, absorbed } of kinds) {
      expect(texture).toBeGreaterThanOrEqual(1);
      expect(absorbed).toBeLessThanOrEqual(0.2e-3);
    }
  });
});
