import fc from 'fast-check';
import {
  type ArchetypeId,
  CUPS,
  CUP_IDS,
  compareOwnCup,
  cupForPaint,
  cupSeconds,
  cupViscosity,
  cupsFor,
  kinematicOfPaint,
  viscosityOf,
  type Coating,
  type CupAnswer,
} from '.';
import { of, quantity, to, type KinematicViscosity, type Result } from '../units';

function accepted(result: Result<CupAnswer>): CupAnswer {
  if (!result.ok) throw new Error(result.message);
  return result.value;
}
const mm2 = (answer: CupAnswer) => to(quantity<KinematicViscosity>(answer.value.value), 'mm²/s');

describe('a cup and its seconds', () => {
  it.each([
    // ν = a(t − b)
    ['dip-1', 40, 12.1],
    ['dip-2', 40, 91],
    ['dip-3', 30, 263.25],
    ['dip-4', 25, 296],
    ['dip-5', 30, 690],
    ['bench-1', 60, 12.25],
    ['bench-2', 50, 46.08],
    ['bench-3', 40, 77.2],
    ['bench-4', 30, 98.21],
    ['bench-5', 30, 338.8],
    // ν = a·t − b/t
    ['iso-3', 60, 23.247],
    ['iso-4', 60, 78.867],
    ['iso-5', 50, 159.6],
    ['iso-6', 60, 404.5],
    ['din-4', 30, 122.03],
  ] as const)('%s at %d s is %d mm²/s by its standard', (id, seconds, kinematic) => {
    expect(mm2(accepted(cupViscosity(id, seconds)))).toBeCloseTo(kinematic, 2);
  });

  it('goes to viscosity and back over the whole window of every cup', () => {
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(fc.constantFrom(...CUP_IDS), share, (id, part) => {
        const { min, max } = CUPS[id].window;
        const seconds = min + part * (max - min);
        const there = accepted(cupViscosity(id, seconds));
        const back = accepted(cupSeconds(id, quantity(there.value.value)));
        expect(back.value.value).toBeCloseTo(seconds, 6);
        expect(there.value.low).toBeLessThan(there.value.value * 0.91);
        expect(there.value.high).toBeGreaterThan(there.value.value * 1.09);
      }),
    );
  });

  it('carries the range of stopwatch and cup: ±0.5 s and ±10 %, as root of the sum of squares', () => {
    // ν(60.5 s) − ν(60 s) = 0.7126, 10 % of 78.867 = 7.8867: ±7.919
    const there = accepted(cupViscosity('iso-4', 60));
    const half = (value: number) => to(quantity<KinematicViscosity>(value), 'mm²/s');
    expect(half(there.value.high - there.value.value)).toBeCloseTo(7.919, 2);
    expect(half(there.value.value - there.value.low)).toBeCloseTo(7.919, 2);
    // 91/0.9/3.5 + 14 and 91/1.1/3.5 + 14
    const back = accepted(cupSeconds('dip-2', of(91, 'mm²/s')));
    expect(back.value.high).toBeCloseTo(42.889, 3);
    expect(back.value.low).toBeCloseTo(37.636, 3);
  });

  it('is offered nearest the middle of its seconds first', () => {
    // 100 mm²/s: 32.6, 30.5, 42.6, 25.7 and 49.9 s; the middle is √(20·60) = 34.6
    expect(cupsFor(of(100, 'mm²/s'))).toEqual(['iso-5', 'bench-4', 'dip-2', 'din-4', 'bench-3']);
  });

  it.each(CUP_IDS.map((id) => [id] as const))('%s refuses outside its window, without a number', (id) => {
    const { min, max } = CUPS[id].window;
    for (const seconds of [min - 0.1, max + 0.1, min / 2, max * 2]) {
      const refused = cupViscosity(id, seconds);
      expect(refused).toMatchObject({ ok: false, code: 'cup.window', field: 'seconds' });
      expect(refused).not.toHaveProperty('value');
      expect(!refused.ok && refused.message).toMatch(seconds < min ? /too fast/ : /too slow/);
    }
  });

  it('names the next cup outside the preferred window and still converts', () => {
    const slow = accepted(cupViscosity('dip-2', 75));
    expect(slow).toMatchObject({ preferred: false, better: 'dip-3' });
    expect(slow.words).toContain('Dip cup no. 3');
    expect(accepted(cupViscosity('dip-2', 40))).toMatchObject({ preferred: true });
    const refused = cupViscosity('iso-4', 120);
    expect(!refused.ok && refused.message).toMatch(/30 to 100 s.*5 mm flow cup/);
  });

  it.each([NaN, Infinity, 0, -20, 1e9])('refuses %d seconds and viscosities', (bad) => {
    expect(cupViscosity('iso-4', bad)).toMatchObject({ ok: false, field: 'seconds' });
    expect(cupSeconds('iso-4', quantity(bad))).toMatchObject({ ok: false, field: 'kinematic' });
    expect(cupsFor(quantity(bad))).toEqual([]);
  });

  it('compares an own cup by seconds and never converts it', () => {
    const verdict = (seconds: number) => {
      const result = compareOwnCup(quantity(seconds), quantity(30));
      return result.ok ? [result.value.verdict, result.value.preferred] : result.field;
    };
    expect([30, 34, 26, 17, 15].map(verdict)).toEqual([
      ['as wanted', true],
      ['thicker', true],
      ['thinner', true],
      ['thinner', true],
      ['thinner', false],
    ]);
    expect(verdict(NaN)).toBe('seconds');
    expect(compareOwnCup(quantity(30), quantity(0))).toMatchObject({ ok: false, field: 'target' });
  });
});

describe('the cup for a paint', () => {
  const coating = (archetype: ArchetypeId): Coating => ({
    name: archetype,
    archetype,
    overrides: {},
  });
  const state = { temperature: of(23, '°C'), thinner: quantity<ReturnType<typeof of<'%'>>>(0) };

  it('reads it in the middle, nearest first', () => {
    // Trim enamel: 1.0 Pa·s / 1220 kg/m³ = 820 mm²/s; the largest dip cup shows 820/23 = 35.6 s.
    const choice = cupForPaint(coating('trim-enamel'), state);
    expect(choice.ok && choice.value.cup).toBe('dip-5');
    expect(choice.ok && choice.value.seconds.value.value).toBeCloseTo(35.6, 1);
    expect(kinematicOfPaint(quantity(1), quantity(1000))).toBeCloseTo(1e-3, 12);
  });

  it('is refused for paint no cup can read, with another way', () => {
    const refused = cupForPaint(coating('block-filler'), state);
    expect(refused).toMatchObject({ ok: false, code: 'cup.none' });
  });

  it('follows temperature and thinning', () => {
    const eta = (celsius: number, thinner: number) => {
      const result = viscosityOf(coating('wall-matt'), {
        temperature: of(celsius, '°C'),
        thinner: of(thinner, '%'),
      });
      if (!result.ok) throw new Error(result.message);
      return result.value;
    };
    expect(eta(23, 0).value).toBeCloseTo(1.6, 9);
    // 1.6 · exp(2800 · (1/281.15 − 1/296.15)) = 1.6 · 1.6560
    expect(eta(8, 0).value).toBeCloseTo(2.6497, 3);
    expect(eta(8, 0).formula).toBe('viscosity at temperature');
    // x = 0.05/1.05, k = ln(1.6/0.00093) = 7.4503: 1.6 · exp(−0.35478)
    expect(eta(23, 5).value).toBeCloseTo(1.1222, 3);
    expect(eta(23, 5).formula).toBe('thinned viscosity');
    for (const bad of [{ temperature: of(80, '°C') }, { thinner: of(90, '%') }, { thinner: of(NaN, '%') }]) {
      expect(viscosityOf(coating('wall-matt'), { ...state, ...bad }).ok).toBe(false);
      expect(cupForPaint(coating('wall-matt'), { ...state, ...bad }).ok).toBe(false);
    }
  });
});
