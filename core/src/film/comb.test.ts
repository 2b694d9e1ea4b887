import fc from 'fast-check';
import {
  MIL_COMB,
  USUAL_COMB,
  checkComb,
  combFor,
  coatsNeeded,
  combReading,
  combVerdict,
  type CombInterval,
  type CombResult,
  type CoatsRequest,
} from '.';
import { given } from '../explain';
import { of, quantity, to, type Fraction, type Length } from '../units';

const microns = (value: number) => to(quantity<Length>(value), 'μm');
const interval = (low: number, high: number): CombInterval => ({ low: of(low, 'μm'), high: of(high, 'μm') });
function verdict(readings: readonly CombInterval[], wet = 110, sag?: number): CombResult {
  const result = combVerdict(readings, {
    wetFilm: of(wet, 'μm'),
    speed: of(0.5, 'm/s'),
    ...(sag === undefined ? {} : { sagLimit: of(sag, 'μm') }),
  });
  if (!result.ok) throw new Error(result.message);
  return result.value;
}

describe('a comb reading', () => {
  it('is the interval from the last wetted tooth to the first dry one', () => {
    expect(combReading(of(100, 'μm'))).toEqual({ ok: true, value: interval(100, 125) });
    expect(combReading(undefined)).toEqual({ ok: true, value: interval(0, 25) });
  });

  it('holds the true film, for any film the comb reaches', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 790, noNaN: true }), (film) => {
        const last = [...USUAL_COMB].reverse().find((tooth) => tooth <= of(film, 'μm'));
        const reading = combReading(last);
        expect(reading.ok && reading.value.low <= of(film, 'μm') && of(film, 'μm') < reading.value.high).toBe(
          true,
        );
      }),
    );
  });

  it('is refused off the comb, with all teeth wet, and on a comb that is none', () => {
    expect(combReading(of(90, 'μm'))).toMatchObject({ ok: false, code: 'comb.tooth', field: 'reading' });
    expect(combReading(of(800, 'μm'))).toMatchObject({ ok: false, code: 'comb.range' });
    for (const teeth of [[], [1e-4], [2e-4, 1e-4], [0, 1e-4], [1e-4, NaN]]) {
      expect(checkComb(teeth.map((tooth) => quantity<Length>(tooth))).ok).toBe(false);
      expect(
        combReading(
          undefined,
          teeth.map((tooth) => quantity<Length>(tooth)),
        ).ok,
      ).toBe(false);
    }
  });
});

describe('several comb readings', () => {
  it('make a mean with its uncertainty: t · √(s²/n + Σ width²/12 n²)', () => {
    // Middles 112.5, 112.5, 137.5: mean 120.83, Σ = 416.7; s² = (4 · 12.083² + 416.7)/6 = 166.8; teeth 3·625/12/9 = 17.36;
    // u = √(55.6 + 17.36) = 8.542; t(6) = 2.447 → 20.9
    const result = verdict([interval(100, 125), interval(100, 125), interval(125, 150)]);
    expect(microns(result.mean.value)).toBeCloseTo(120.83, 2);
    expect(microns(result.mean.high - result.mean.value)).toBeCloseTo(20.9, 1);
    expect(result.readings).toBe(3);
  });

  it('tell more the more there are', () => {
    const one = verdict([interval(100, 125)]);
    // One reading: the hand's 10 % and the tooth: 2.776·√(11.25² + 625/12) = 37.11
    expect(microns(one.mean.high - one.mean.value)).toBeCloseTo(37.11, 1);
    const many = verdict(Array.from({ length: 12 }, () => interval(100, 125)));
    expect(many.mean.high - many.mean.low).toBeLessThan((one.mean.high - one.mean.low) / 3);
  });

  it('are never less sure for one more that agrees', () => {
    const tooth = (index: number) => interval(25 * index, 25 * (index + 1));
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 12 }),
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: -1, max: 1 }),
        (at, count, off) => {
          const readings = Array.from({ length: count }, () => tooth(at));
          const before = verdict(readings).mean;
          const more = verdict([...readings, tooth(at)]).mean;
          expect(more.high - more.low).toBeLessThan(before.high - before.low);
          // A tooth beside is no disagreement where it is a hand's own scatter
          const beside = verdict([...readings, tooth(at + off)]).mean;
          const share = ({ high, low, value }: typeof before) => (high - low) / value;
          if (at >= 8 && count <= 4) expect(share(beside)).toBeLessThan(share(before) * 1.001);
        },
      ),
    );
    // The case that was less sure by half: 100, 100, then 125
    const two = verdict([interval(100, 125), interval(100, 125)]).mean;
    const three = verdict([interval(100, 125), interval(100, 125), interval(125, 150)]).mean;
    expect(three.high - three.low).toBeLessThan(two.high - two.low);
    // What does disagree makes it less sure
    const apart = verdict([interval(100, 125), interval(100, 125), interval(225, 250)]).mean;
    expect(apart.high - apart.low).toBeGreaterThan(two.high - two.low);
  });

  it('want another tip where no arm keeps up the speed', () => {
    const at = (speed: number, low: number, high: number) => {
      const result = combVerdict(many(low, high), { wetFilm: of(110, 'μm'), speed: of(speed, 'm/s') });
      if (!result.ok) throw new Error(result.message);
      return result.value;
    };
    expect(at(0.8, 150, 175)).toMatchObject({
      tip: 'smaller',
      words: expect.stringMatching(/smaller tip/) as string,
    });
    expect(at(0.35, 50, 75)).toMatchObject({ tip: 'larger' });
    expect(at(0.5, 150, 175).tip).toBeUndefined();
    expect(at(1.2, 100, 125).tip).toBeUndefined();
  });

  it('are read on a comb of mils by those who think in them', () => {
    expect(combFor('us')).toBe(MIL_COMB);
    expect(combFor('metric')).toBe(USUAL_COMB);
    expect(checkComb(MIL_COMB).ok).toBe(true);
    const reading = combReading(of(4, 'mil'), MIL_COMB, 'us');
    expect(reading.ok && [to(reading.value.low, 'mil'), to(reading.value.high, 'mil')]).toEqual([
      expect.closeTo(4, 9),
      expect.closeTo(5, 9),
    ]);
  });

  const many = (low: number, high: number) => Array.from({ length: 8 }, () => interval(low, high));
  it.each([
    ['too thin', many(75, 100), 110, undefined],
    ['on target', many(100, 125), 110, 200],
    ['too thick', many(150, 175), 110, 300],
    ['over the sag limit', many(225, 250), 110, 200],
    ['unsure', [interval(75, 100), interval(150, 175), interval(75, 100)], 110, undefined],
    ['unsure', many(100, 125), 110, 112],
  ] as const)('say %s', (expected, readings, wet, sag) => {
    const result = verdict(readings, wet, sag);
    expect(result.verdict).toBe(expected);
    expect(result.words.length).toBeGreaterThan(15);
  });

  it('say the gun speed that puts it right', () => {
    // 162.5 instead of 110 μm at 0.5 m/s: 0.7386 m/s
    expect(verdict(many(150, 175)).speed?.value).toBeCloseTo(0.7386, 4);
    const still = combVerdict(many(100, 125), { wetFilm: of(110, 'μm') });
    expect(still.ok && still.value.speed).toBeUndefined();
  });

  it('are refused when there are none, or no intervals, or no target', () => {
    expect(combVerdict([], { wetFilm: of(110, 'μm') })).toMatchObject({ ok: false, field: 'readings' });
    for (const bad of [interval(NaN, 100), interval(100, 100), interval(-5, 20), interval(100, Infinity)]) {
      expect(combVerdict([bad], { wetFilm: of(110, 'μm') })).toMatchObject({ field: 'readings.0' });
    }
    expect(combVerdict([interval(1, 2)], { wetFilm: of(0, 'μm') })).toMatchObject({ field: 'target' });
  });
});

describe('coats for a dry film in all', () => {
  const request = (extra: Partial<CoatsRequest> = {}): CoatsRequest => ({
    dryTotal: of(120, 'μm'),
    dryPerCoat: of(40, 'μm'),
    sagLimit: of(200, 'μm'),
    solids: given('Solids', 'percent', 0.36, 'x'),
    thinner: quantity<Fraction>(0),
    school: 'lighter',
    ...extra,
  });
  const coats = (extra: Partial<CoatsRequest> = {}) => {
    const result = coatsNeeded(request(extra));
    if (!result.ok) throw new Error(result.message);
    return result.value;
  };

  it('are as many as the data sheet wants, or as stay up', () => {
    expect(coats().coats.value).toBe(3);
    expect(microns(coats().wetEach)).toBeCloseTo(40 / 0.36, 6);
    // 200 μm · 0.36 = 72 μm stay up: two full coats of 60 μm
    expect(coats({ school: 'full' }).coats.value).toBe(2);
    expect(microns(coats({ school: 'full' }).dryEach)).toBeCloseTo(60, 9);
    expect(coats().words).toBe('One full coat would be 2.');
    expect(coats({ dryTotal: of(40, 'μm') }).words).toMatch(/same number/);
    expect(coats({ school: 'full' }).words).toBe('Two or three lighter coats would be 3.');
  });

  it('never go over the sag limit', () => {
    const film = fc.double({ min: 10, max: 300, noNaN: true });
    fc.assert(
      fc.property(film, film, fc.double({ min: 100, max: 400, noNaN: true }), (total, each, sag) => {
        for (const school of ['lighter', 'full'] as const) {
          const found = coatsNeeded(
            request({
              dryTotal: of(total, 'μm'),
              dryPerCoat: of(each, 'μm'),
              sagLimit: of(sag, 'μm'),
              school,
            }),
          );
          if (!found.ok) {
            expect(found.code).toBe('coats.many');
            expect(total / Math.min(each, 0.36 * sag)).toBeGreaterThan(12);
            continue;
          }
          expect(found.value.wetEach).toBeLessThanOrEqual(of(sag, 'μm') * (1 + 1e-6));
        }
      }),
    );
  });

  it.each([
    ['dryTotal', { dryTotal: of(0, 'μm') }],
    ['dryTotal', { dryTotal: of(3, 'mm') }],
    ['dryPerCoat', { dryPerCoat: of(NaN, 'μm') }],
    ['sagLimit', { sagLimit: of(-1, 'μm') }],
    ['solids', { solids: given('Solids', 'percent', 0, 'x') }],
    ['thinner', { thinner: quantity<Fraction>(2) }],
  ] as const)('refuse a bad %s', (field, extra) => {
    expect(coatsNeeded(request(extra))).toMatchObject({ ok: false, field });
  });
});
