import fc from 'fast-check';
import { of } from '../units';
import {
  KNOB_READINGS,
  firstPlace,
  knobCurve,
  knobDoubt,
  knobPlaces,
  knobReading,
  placeFor,
  placeWordsOf,
  pressureAtPlace,
  type KnobReading,
} from './knob';

const MARKS = ['lowest', 'a quarter', 'half', 'three quarters', 'full'];
const at = (place: number, bar: number, by: KnobReading['by'] = 'gauge') =>
  knobReading(place, of(bar, 'bar'), by);
const bar = (pressure: number) => pressure / 1e5;

function curveOf(...readings: KnobReading[]) {
  const curve = knobCurve(readings);
  if (!curve) throw new Error('no curve');
  return curve;
}
const pressure = (curve: ReturnType<typeof curveOf>, place: number) => {
  const result = pressureAtPlace(curve, place);
  if (!result.ok) throw new Error(result.message);
  return result.value;
};

describe('the knob of a machine', () => {
  it('says nothing before three readings at two places', () => {
    expect(knobCurve([])).toBeUndefined();
    expect(knobCurve([at(1, 60), at(2, 110)])).toBeUndefined();
    expect(knobCurve([at(2, 108), at(2, 110), at(2, 112)])).toBeUndefined();
    expect(knobCurve([at(1, 60), at(2, 110), at(2, 112)])?.readings).toBe(KNOB_READINGS);
  });

  it('goes straight between its places, and not beyond them', () => {
    const curve = curveOf(at(1, 60), at(2, 110), at(3, 165));
    expect(bar(pressure(curve, 1.5).value)).toBeCloseTo(85, 9);
    expect(bar(pressure(curve, 3).value)).toBeCloseTo(165, 9);
    expect(pressureAtPlace(curve, 3.5)).toMatchObject({ ok: false, field: 'mark' });
    expect(pressureAtPlace(curve, 0)).toMatchObject({ ok: false });
  });

  it('weighs a gauge nine times a test card', () => {
    const curve = curveOf(at(1, 60), at(2, 100), at(2, 120, 'dial-in'));
    expect(bar(pressure(curve, 2).value)).toBeCloseTo((100 * 9 + 120) / 10, 6);
  });

  it('puts neighbours together where pressure falls from one to the next', () => {
    const curve = curveOf(at(1, 60), at(2, 130), at(3, 110), at(4, 170));
    expect(curve.points.map((one) => Math.round(bar(one.pressure)))).toEqual([60, 120, 120, 170]);
  });

  it('forgets what a place gave long ago', () => {
    const curve = curveOf(at(1, 60), at(2, 150), ...[100, 100, 100, 100, 100].map((now) => at(2, now)));
    expect(bar(pressure(curve, 2).value)).toBeCloseTo(100, 9);
  });

  it('is no surer than its readings', () => {
    const cards = curveOf(at(1, 60, 'dial-in'), at(2, 110, 'dial-in'), at(3, 165, 'dial-in'));
    const gauged = curveOf(at(1, 60), at(2, 110), at(3, 165));
    const width = (curve: typeof cards) => {
      const { low, high, value } = pressure(curve, 2);
      return (high - low) / 2 / value;
    };
    expect(width(cards)).toBeCloseTo(0.15, 9);
    expect(width(gauged)).toBeCloseTo(0.05, 9);
    expect(width(curveOf(at(1, 60), at(2, 90), at(2, 130)))).toBeGreaterThan(0.15);
  });

  it('never falls, whatever was read, and sets a pressure it knows to within half a mark', () => {
    const readings = fc.array(fc.tuple(fc.integer({ min: 0, max: 8 }), fc.integer({ min: 20, max: 230 })), {
      minLength: 3,
      maxLength: 20,
    });
    fc.assert(
      fc.property(readings, fc.integer({ min: 20, max: 230 }), (all, wanted) => {
        const curve = knobCurve(all.map(([place, read]) => at(place / 2, read)));
        if (!curve) return;
        curve.points.forEach(({ pressure: here }, index) => {
          expect(here).toBeGreaterThanOrEqual((curve.points[index - 1]?.pressure ?? 0) - 1e-6);
        });
        const setting = placeFor(curve, of(wanted, 'bar'));
        if (!setting) throw new Error('no place');
        const off = Math.abs(setting.pressure.value - of(wanted, 'bar'));
        for (const { place } of curve.points)
          expect(off).toBeLessThanOrEqual(Math.abs(pressure(curve, place).value - of(wanted, 'bar')) + 2);
      }),
    );
  });

  it('says where a pressure is beyond all that was read', () => {
    const curve = curveOf(at(1, 60), at(2, 110), at(3, 165));
    expect(placeFor(curve, of(112, 'bar'))).toMatchObject({ place: 2 });
    expect(placeFor(curve, of(138, 'bar'))).toMatchObject({ place: 2.5 });
    expect(placeFor(curve, of(215, 'bar'))).toMatchObject({ place: 3, beyond: 'above' });
    expect(placeFor(curve, of(40, 'bar'))).toMatchObject({ place: 1, beyond: 'below' });
  });

  it('doubts a mark that gives less than a lower one', () => {
    const before = [at(2, 140)];
    expect(knobDoubt(before, at(3, 100), MARKS)).toMatch(
      /^Half gave 140 bar, and three quarters is above it: pressure cannot fall there\./,
    );
    expect(knobDoubt(before, at(1, 170), MARKS)).toMatch(/a quarter is below it: pressure cannot rise there/);
    // Within what readings differ by themselves nobody is asked.
    expect(knobDoubt(before, at(3, 132), MARKS)).toBeUndefined();
    expect(knobDoubt(before, at(2, 90), MARKS)).toBeUndefined();
  });

  it('has a place at each mark and between them, in words', () => {
    expect(knobPlaces(MARKS)).toHaveLength(9);
    expect(knobPlaces([])).toEqual([]);
    expect(placeWordsOf(MARKS, 2)).toBe('half');
    expect(placeWordsOf(MARKS, 2.5)).toBe('between half and three quarters');
    expect(placeWordsOf(MARKS, firstPlace(MARKS))).toBe('between half and three quarters');
    expect(firstPlace(['low', 'high'])).toBe(1);
  });
});
