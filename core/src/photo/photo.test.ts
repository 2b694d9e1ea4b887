import fc from 'fast-check';
import { GOOD_SHOT, drawCardPicture, readCardPicture, type GreyPicture, type Shot } from '.';
import { seeded } from '../random';
import { patternProfile, typicalPattern, type PatternShape, type Seen } from '../setup';

const EVEN = typicalPattern('even', 1);
const shoot = (shape: PatternShape, shot: Partial<Shot> = {}, seed = 1) =>
  drawCardPicture(shape, { ...GOOD_SHOT, ...shot }, seeded(seed));
const read = (picture: GreyPicture, exponent = 1) => {
  const result = readCardPicture(picture, exponent);
  if (!result.ok) throw new Error(result.message);
  return result.value;
};

/** Where a pattern falls under 8 % of its peak, as a share of the picture: what the reader calls the ends. */
function visibleWidth(shape: PatternShape, fan: number): number {
  const profile = patternProfile(shape);
  const s = Array.from({ length: 2001 }, (_, index) => -1 + index / 1000);
  const peak = Math.max(...s.map(profile));
  const seen = s.filter((one) => profile(one) > 0.08 * peak);
  return (fan * (Math.max(...seen) - Math.min(...seen))) / 2;
}

describe('a picture of a test card', () => {
  it.each(['even', 'tails', 'heavy edges', 'split', 'one-sided'] as const)(
    'of a fan that is %s is read as such',
    (seen: Seen) => {
      for (const exponent of [1, 1.5, 0.7]) {
        const reading = read(shoot(typicalPattern(seen, exponent)), exponent);
        expect([exponent, reading.seen]).toEqual([exponent, seen]);
        expect(reading.confidence).toBeGreaterThan(0.4);
      }
    },
  );

  it('with noise, tilt and uneven light gives width within 4 % and tails within 0.15 nine times in ten', () => {
    const random = seeded(21);
    const between = (low: number, high: number) => low + (high - low) * random();
    const off: { width: number; tails: number; skew: number; seen: boolean }[] = [];
    for (let index = 0; index < 90; index += 1) {
      const tails = index % 3 === 0 ? 0 : between(0.3, 1);
      const skew = index % 5 === 0 ? between(0.3, 0.6) : 0;
      const shape: PatternShape = { ...EVEN, tails, skew };
      const shot: Shot = {
        ...GOOD_SHOT,
        width: 240,
        height: 160,
        fan: between(0.45, 0.7),
        middle: between(0.46, 0.54),
        tilt: between(-0.12, 0.12),
        light: between(0.5, 0.9),
        across: between(-0.35, 0.35),
        down: between(-0.35, 0.35),
        noise: between(0.005, 0.03),
      };
      const { width, features, seen } = read(drawCardPicture(shape, shot, random));
      off.push({
        width: Math.abs(width / visibleWidth(shape, shot.fan) - 1),
        tails: skew === 0 ? Math.abs(features.tails - tails) : 0,
        skew: tails === 0 ? Math.abs(Math.abs(features.skew) - skew) : 0,
        seen: skew > 0 || seen === (tails === 0 ? 'even' : 'tails'),
      });
    }
    const at = (pick: (one: (typeof off)[number]) => number, share: number) =>
      off.map(pick).sort((a, b) => a - b)[Math.floor(share * off.length)] ?? NaN;
    expect(at(({ width }) => width, 0.5)).toBeLessThan(0.02);
    expect(at(({ width }) => width, 0.9)).toBeLessThan(0.04);
    expect(at(({ tails }) => tails, 0.9)).toBeLessThan(0.15);
    expect(at(({ skew }) => skew, 0.9)).toBeLessThan(0.12);
    expect(off.filter(({ seen }) => seen).length / off.length).toBeGreaterThan(0.9);
  });

  it('is read alike however bright, large or turned it is', () => {
    const shape = { ...EVEN, tails: 0.6 };
    const plain = read(shoot(shape));
    const others = [{ light: 0.5 }, { width: 960, height: 660 }, { tilt: 0.15 }, { across: 0.4, down: -0.3 }];
    for (const shot of others) {
      const reading = read(shoot(shape, shot));
      expect(Math.abs(reading.width / plain.width - 1)).toBeLessThan(0.03);
      expect(Math.abs(reading.features.tails - plain.features.tails)).toBeLessThan(0.1);
    }
    expect(read(shoot(shape, { tilt: 0.15 })).tilt).toBeCloseTo(0.15, 1);
  });

  it('is read between two ends marked by hand, near where they are', () => {
    const found = read(shoot({ ...EVEN, tails: 0.6 }));
    const marked = readCardPicture(shoot({ ...EVEN, tails: 0.6 }), 1, {
      left: found.ends.right,
      right: found.ends.left,
    });
    expect(marked.ok && marked.value.seen).toBe('tails');
    expect(marked.ok && Math.abs(marked.value.width / found.width - 1)).toBeLessThan(0.03);
  });

  it.each([
    ['photo.dark', shoot(EVEN, { light: 0.1 })],
    ['photo.fan', shoot(EVEN, { middle: -9 })],
    ['pattern.narrow', shoot(EVEN, { fan: 0.03 })],
    ['photo.cut', shoot({ ...EVEN, tails: 0.7 }, { fan: 1.15 })],
    ['photo.tilt', shoot(EVEN, { tilt: 0.6, fan: 0.4 })],
    ['photo.size', { width: 20, height: 20, grey: new Uint8ClampedArray(400) }],
    ['photo.size', { width: 100, height: 100, grey: new Uint8ClampedArray(10) }],
  ] as const)('is refused with %s where nothing can be read', (code, picture) => {
    const result = readCardPicture(picture, 1);
    expect(result).toMatchObject({ ok: false, code, field: 'photo' });
    expect(!result.ok && result.message.length).toBeGreaterThan(30);
  });

  it('of anything else is refused or read whole, never with a broken number', () => {
    fc.assert(
      fc.property(fc.integer(), fc.constantFrom('noise', 'blobs', 'stripes'), (seed, kind) => {
        const random = seeded(seed);
        const [width, height] = [120, 90];
        const grey = new Uint8ClampedArray(width * height).map((_one, index) => {
          const [x, y] = [index % width, Math.floor(index / width)];
          if (kind === 'noise') return 255 * random();
          if (kind === 'stripes') return y % 10 < 5 ? 220 : 40;
          return Math.hypot(x - 40, y - 50) < 20 || Math.hypot(x - 90, y - 20) < 9 ? 60 : 210;
        });
        const result = readCardPicture({ width, height, grey }, 1);
        if (!result.ok) expect(result.message).not.toMatch(/NaN|undefined/);
        else {
          expect(result.value.profile.every((one) => Number.isFinite(one))).toBe(true);
          expect(result.value.confidence).toBeGreaterThanOrEqual(0);
          expect(result.value.confidence).toBeLessThanOrEqual(1);
        }
      }),
      { numRuns: 30 },
    );
  });
});
