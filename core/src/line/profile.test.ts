import fc from 'fast-check';
import { GUN_PASSAGE, lineAtPump, lineForGun, lineProfile, longestHose, type LineRequest } from '.';
import { given } from '../explain';
import { of, quantity, to, type Length } from '../units';

const request = (extra: Partial<LineRequest> = {}): LineRequest => ({
  hoses: [
    { length: of(15, 'm'), bore: of(3 / 8, 'in') },
    { length: of(1.5, 'm'), bore: of(3 / 16, 'in') },
  ],
  height: of(3, 'm'),
  orifice: of(0.015, 'in'),
  maxFlow: of(2, 'L/min'),
  lowShear: { ...given('low', 'viscosity', 1, 'x'), low: 0.8, high: 1.2 },
  highShear: { ...given('high', 'viscosity', 0.12, 'x'), low: 0.1, high: 0.14 },
  density: given('density', 'density', 1300, 'x'),
  gun: GUN_PASSAGE,
  ...extra,
});
const profileAt = (bar: number, extra: Partial<LineRequest> = {}) => {
  const report = lineAtPump(request(extra), of(bar, 'bar'));
  if (!report.ok) throw new Error(report.message);
  return { report: report.value, points: lineProfile(request(extra), report.value) };
};

describe('the pressure along the line', () => {
  it('starts at the pump, ends in the open air, and falls all the way', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 80, max: 220, noNaN: true }),
        fc.double({ min: 0, max: 12, noNaN: true }),
        (bar, metres) => {
          const { points } = profileAt(bar, { height: of(metres, 'm') });
          expect(points.map(({ part }) => part)).toEqual(['Pump', 'Hose 1', 'Hose 2', 'Gun', 'Tip']);
          expect(Math.abs((points[0]?.pressure ?? 0) - of(bar, 'bar'))).toBeLessThan(10);
          expect(points[4]?.pressure).toBeCloseTo(0, 3);
          points
            .slice(1)
            .forEach(({ pressure }, index) => expect(pressure).toBeLessThan(points[index]?.pressure ?? 0));
          expect(points.map(({ at }) => at)).toEqual([0, 15, 16.5, 16.5, 16.5]);
        },
      ),
    );
  });

  it('has the pressure before the tip at the gun', () => {
    const { points, report } = profileAt(165);
    expect((points[3]?.pressure ?? 0) / report.gun.value).toBeCloseTo(1, 4);
  });

  it('starts at what the pump falls to where the tip outruns it, and takes the height off without a hose', () => {
    const { points, report } = profileAt(190, { orifice: of(0.031, 'in') });
    expect(report.flowLimited).toBe(true);
    expect(points[0]?.pressure).toBeLessThan(of(190, 'bar'));
    const bare = profileAt(150, { hoses: [], height: of(10, 'm') });
    expect(bare.points.map(({ part }) => part)).toEqual(['Pump', 'Gun', 'Tip']);
    expect(bare.points[2]?.pressure).toBeCloseTo(0, 3);
  });
});

describe('the longest hose', () => {
  const gun = of(124, 'bar');
  const most = of(200, 'bar');
  const bore = (inches: number): Length => of(inches, 'in');

  it('is the one with which the pump, wide open, has just that pressure at the gun', () => {
    for (const inches of [3 / 16, 1 / 4, 3 / 8]) {
      const longest = longestHose(request(), bore(inches), gun, most);
      if (!longest.ok) throw new Error(longest.message);
      const length = quantity<Length>(longest.value.length.value);
      if (length > 300) continue;
      const back = lineForGun(request({ hoses: [{ length, bore: bore(inches) }] }), gun);
      expect(back.ok && to(quantity(back.value.pump.value), 'bar')).toBeCloseTo(200, 3);
      expect(longest.value.length.low).toBeLessThan(longest.value.length.value);
    }
  });

  it('of a quarter inch, 3.21 MPa for 15 m at 1.2 L/min, follows from the reference loss', () => {
    // Without height and gun; the flow of this tip at 124 bar is near 1.2 L/min, so about (200 − 124) bar ÷ 2.1 bar/m.
    const { gun: _gun, ...bare } = request({ height: of(0, 'm') });
    const longest = longestHose(bare, bore(1 / 4), gun, most);
    const flow = lineForGun({ ...bare, hoses: [] }, gun);
    const q = flow.ok ? to(quantity(flow.value.flow.value), 'L/min') : NaN;
    const metre = (3.21 / 15) * (q / 1.2) ** 0.5396;
    expect(longest.ok && longest.value.length.value / (7.6 / metre)).toBeCloseTo(1, 2);
  });

  it('is refused where the pump does not reach it without any hose, and for values that cannot be', () => {
    expect(longestHose(request(), bore(1 / 4), gun, of(120, 'bar'))).toMatchObject({
      ok: false,
      code: 'line.none',
    });
    expect(longestHose(request(), bore(5), gun, most)).toMatchObject({ ok: false, field: 'hoses.0.bore' });
    expect(longestHose(request(), bore(1 / 4), quantity(NaN), most)).toMatchObject({
      ok: false,
      field: 'gun',
    });
    expect(longestHose(request(), bore(1 / 4), gun, quantity(Infinity))).toMatchObject({
      ok: false,
      field: 'maxPressure',
    });
  });
});
