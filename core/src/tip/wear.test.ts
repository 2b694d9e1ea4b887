import fc from 'fast-check';
import {
  TIP_LIFE,
  checkSeal,
  litresLeft,
  litresLeftByFan,
  sealFor,
  wornByPressure,
  wornTip,
  type AbrasionClass,
  type Tip,
  type Wear,
  type WearReading,
} from '.';
import { of, quantity, to, type Length } from '../units';

const tip: Tip = { family: 'standard', fan: 5, orificeThou: 17 };
function wear(reading: WearReading): Wear {
  const result = wornTip(tip, reading);
  if (!result.ok) throw new Error(result.message);
  return result.value;
}
const fan = (share: number) => wear({ by: 'fan', width: of(254 * share, 'mm') });

describe('a worn tip', () => {
  it('with 40 % more flow is a 17 that has become a 20', () => {
    // √1.4 = 1.1832; 17 · 1.1832 = 20.1 thou
    const worn = wear({ by: 'flow', flow: of(1.4, 'L/min'), newFlow: of(1, 'L/min') });
    expect(to(quantity<Length>(worn.orifice.value), 'in') * 1000).toBeCloseTo(20.11, 2);
    expect(worn.widthRatio).toBeCloseTo(0.75, 9);
    expect(worn.verdict).toBe('replace');
  });

  it('25 % narrower lays 1.87 times the film', () => {
    const worn = fan(0.75);
    expect(worn.filmRatio.value).toBeCloseTo(1.4 / 0.75, 9);
    expect(worn.timeRatio.value).toBeCloseTo(4 / 3, 9);
  });

  it('is replaced at 25 % narrower, watched from half of that, and good before', () => {
    expect([1, 0.9, 0.87, 0.76, 0.75, 0.6].map((share) => fan(share).verdict)).toEqual([
      'good',
      'good',
      'watch',
      'watch',
      'replace',
      'replace',
    ]);
  });

  it('never gives less paint, thinner film or less time than a new one', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.25, max: 1, noNaN: true }), (share) => {
        const worn = fan(share);
        expect(worn.flowRatio).toBeGreaterThanOrEqual(1);
        expect(worn.filmRatio.value).toBeGreaterThanOrEqual(1);
        expect(worn.timeRatio.value).toBeGreaterThanOrEqual(1);
        expect(worn.orifice.low).toBeLessThanOrEqual(worn.orifice.high);
      }),
    );
  });

  it.each([
    [{ by: 'fan', width: quantity<Length>(NaN) }, 'width'],
    [{ by: 'fan', width: of(900, 'mm') }, 'width'],
    [{ by: 'fan', width: of(200, 'mm'), distance: quantity<Length>(0) }, 'distance'],
    [{ by: 'flow', flow: of(0.2, 'L/min'), newFlow: of(1, 'L/min') }, 'flow'],
    [{ by: 'flow', flow: of(1, 'L/min'), newFlow: of(0, 'L/min') }, 'newFlow'],
    [{ by: 'flow', flow: of(Infinity, 'L/min'), newFlow: of(1, 'L/min') }, 'flow'],
  ] as const)('refuses a reading that cannot be of this tip: %j', (reading, field) => {
    expect(wornTip(tip, reading)).toMatchObject({ ok: false, field });
  });

  it('shows in the pressure too: 20 % more for an even fan', () => {
    expect(wornByPressure(144, 120)).toBe(true);
    expect(wornByPressure(143, 120)).toBe(false);
  });
});

describe('litres left in a tip', () => {
  const left = (litres: Partial<Record<AbrasionClass, number>>, next: AbrasionClass) => {
    const result = litresLeft(litres, next);
    if (!result.ok) throw new Error(result.message);
    return result.value;
  };

  it('are the whole spread for a new tip', () => {
    for (const abrasion of [1, 2, 3] as const) {
      const fresh = left({}, abrasion);
      expect(fresh.low).toBeCloseTo(TIP_LIFE[abrasion].low, 9);
      expect(fresh.high).toBeCloseTo(TIP_LIFE[abrasion].high, 9);
      expect(fresh.value).toBeCloseTo(Math.sqrt(TIP_LIFE[abrasion].low * TIP_LIFE[abrasion].high), 9);
    }
  });

  it('fall with what went through, by shares of life', () => {
    // Half a life of class 3 (√(60·120) = 84.85 L) leaves half a life of class 1 (√(150·400) = 244.9 L).
    expect(to(quantity(left({ 3: 0.042426 }, 1).value), 'L')).toBeCloseTo(122.5, 1);
    expect(left({ 1: 0.5 }, 1)).toMatchObject({ value: 0, low: 0 });
  });

  it('refuse litres that are none', () => {
    for (const bad of [-1, NaN, Infinity, 1e6]) {
      expect(litresLeft({ 2: bad }, 1)).toMatchObject({ ok: false, field: 'litres.2' });
    }
  });

  it('follow the measured fan where it has narrowed: half worn after 60 L leaves 60 L', () => {
    const result = litresLeftByFan(tip, of(254 * 0.875, 'mm'), of(60, 'L'));
    expect(result.ok && to(quantity(result.value.value), 'L')).toBeCloseTo(60, 9);
    expect(result.ok && result.value.high).toBeGreaterThan(0.06);
    expect(litresLeftByFan(tip, of(250, 'mm'), of(60, 'L'))).toMatchObject({ ok: false, code: 'wear.early' });
    expect(litresLeftByFan(tip, of(220, 'mm'), quantity(0))).toMatchObject({ ok: false, field: 'litres' });
    expect(litresLeftByFan(tip, of(2200, 'mm'), of(60, 'L'))).toMatchObject({ ok: false, field: 'width' });
  });
});

describe('the seal of a tip', () => {
  it('follows the family, its ring the paint', () => {
    expect(sealFor('fine-finish', 'water')).toMatchObject({ seal: 'pre-orifice', ring: 'soft ring' });
    expect(sealFor('standard', 'solvent')).toMatchObject({ seal: 'plain', ring: 'solvent-proof ring' });
    expect(sealFor('heavy-texture', 'solvent').reason).toMatch(/swells/);
  });

  it('is refused when it is of another family', () => {
    expect(checkSeal('wide', 'plain').ok).toBe(true);
    const refused = checkSeal('fine-finish', 'plain');
    expect(!refused.ok && refused.message).toMatch(/leak at the guard/);
  });
});
