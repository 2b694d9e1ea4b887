import fc from 'fast-check';
import {
  DROP,
  checkSurface,
  dewPoint,
  driftReach,
  settlingSpeed,
  windLimit,
  type SurfaceConditions,
  type WindRequest,
} from '.';
import { given } from '../explain';
import { of, quantity, to, type Length } from '../units';

const celsius = (air: number, humidity: number) => to(dewPoint(of(air, '°C'), of(humidity, '%')), '°C');
const degrees = (label: string, value: number) => given(label, 'temperature', of(value, '°C'), 'x');

describe('dew point', () => {
  it.each([
    // γ = ln RH + 17.625 T/(243.04 + T); Td = 243.04 γ/(17.625 − γ)
    [20, 50, 9.26],
    [25, 60, 16.7],
    [10, 80, 6.71],
    [0, 100, 0],
  ])('of air at %d °C and %d %% is %d °C', (air, humidity, expected) => {
    expect(celsius(air, humidity)).toBeCloseTo(expected, 2);
  });

  it('is the air itself when saturated, never above it, and rises with humidity', () => {
    const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(number(-20, 45), number(5, 99), (air, humidity) => {
        expect(celsius(air, 100)).toBeCloseTo(air, 8);
        expect(celsius(air, humidity)).toBeLessThan(air);
        expect(celsius(air, humidity)).toBeLessThan(celsius(air, humidity + 0.5));
      }),
    );
  });
});

describe('a surface to be sprayed', () => {
  const conditions = (extra: Partial<SurfaceConditions> = {}): SurfaceConditions => ({
    air: degrees('Air', 20),
    humidity: given('Humidity', 'percent', 0.5, 'x'),
    surface: degrees('Surface', 18),
    minimum: of(10, '°C'),
    ...extra,
  });
  const stops = (extra: Partial<SurfaceConditions>) => {
    const result = checkSurface(conditions(extra));
    if (!result.ok) throw new Error(result.message);
    expect(result.value.fit).toBe(result.value.stops.length === 0);
    return result.value.stops.map(({ code }) => code);
  };

  it('is fit with 3 °C above the dew point and the coating’s minimum', () => {
    expect(stops({})).toEqual([]);
    const result = checkSurface(conditions());
    expect(result.ok && result.value.margin.value).toBeCloseTo(18 - 9.26, 1);
  });

  it('is not fit near the dew point or too cold, now or before it is dry', () => {
    expect(stops({ surface: degrees('Surface', 12.2) })).toEqual(['dew']);
    // 3.04 C° above the dew point, and the instruments read to half a degree and three hundredths
    expect(stops({ surface: degrees('Surface', 12.3) })).toEqual(['dew in doubt']);
    expect(stops({ surface: degrees('Surface', 15) })).toEqual([]);
    expect(stops({ coldest: degrees('Night', 11.5) })).toEqual(['dew later']);
    expect(stops({ surface: degrees('Surface', 9), humidity: given('H', 'percent', 0.3, 'x') })).toEqual([
      'cold',
    ]);
    expect(stops({ coldest: degrees('Night', 4), humidity: given('H', 'percent', 0.2, 'x') })).toEqual([
      'cold later',
    ]);
    expect(stops({ surface: degrees('Surface', 5) })).toEqual(['dew', 'cold']);
  });

  it('is refused where the readings cannot be', () => {
    for (const [field, extra] of [
      ['air', { air: degrees('Air', 99) }],
      ['humidity', { humidity: given('H', 'percent', 0, 'x') }],
      ['surface', { surface: degrees('Surface', NaN) }],
      ['coldest', { coldest: degrees('Night', -90) }],
      ['minimum', { minimum: of(Infinity, '°C') }],
    ] as const) {
      expect(checkSurface(conditions(extra))).toMatchObject({ ok: false, field });
    }
  });
});

describe('drift', () => {
  const reach = (wind: number, height = 2) => {
    const result = driftReach({ height: of(height, 'm'), wind: of(wind, 'm/s'), density: 1300 });
    if (!result.ok) throw new Error(result.message);
    return result.value;
  };

  it('carries a 100 μm drop from 2 m about 26 m at 4 m/s, and one of 50 μm 87 m', () => {
    expect(reach(4).value).toBeCloseTo(26, 0);
    expect((4 * 2) / settlingSpeed(of(50, 'μm'), 1300)).toBeCloseTo(87, 0);
  });

  it('settles by Stokes where the drop is small, and slower than that where it is not', () => {
    const stokes = (d: number) => ((1300 - 1.2) * 9.80665 * d * d) / (18 * 1.81e-5);
    expect(settlingSpeed(quantity<Length>(5e-6), 1300) / stokes(5e-6)).toBeCloseTo(1, 2);
    expect(settlingSpeed(quantity<Length>(DROP.high), 1300)).toBeLessThan(0.8 * stokes(DROP.high));
  });

  it('goes with wind and height, farthest for the fine drops', () => {
    expect(reach(6).value / reach(3).value).toBeCloseTo(2, 9);
    expect(reach(4, 6).value / reach(4, 2).value).toBeCloseTo(3, 9);
    expect(reach(4).high).toBeGreaterThan(reach(4).value * 2);
    expect(reach(0).value).toBe(0);
  });

  it('is refused for heights and winds that cannot be', () => {
    for (const bad of [-1, NaN, Infinity, 1e6]) {
      const at = { height: of(2, 'm'), wind: of(4, 'm/s'), density: 1300 };
      expect(driftReach({ ...at, height: quantity(bad) })).toMatchObject({ ok: false, field: 'height' });
      expect(driftReach({ ...at, wind: quantity(bad) })).toMatchObject({ ok: false, field: 'wind' });
      expect(driftReach({ ...at, density: bad })).toMatchObject({ ok: false, field: 'density' });
    }
  });
});

describe('wind to stop at', () => {
  const request = (extra: Partial<WindRequest> = {}): WindRequest => ({
    fan: 5,
    distance: of(12, 'in'),
    wind: of(2, 'm/s'),
    nearOthers: false,
    ...extra,
  });
  const found = (extra: Partial<WindRequest> = {}) => {
    const result = windLimit(request(extra));
    if (!result.ok) throw new Error(result.message);
    return result.value;
  };

  it('is 7 m/s for fan 5 at 12 in, narrowing from 3', () => {
    expect(found().stopAt.value).toBeCloseTo(7, 9);
    expect(found().narrowFrom).toBeCloseTo(3, 9);
    expect([2, 3, 6.9, 7].map((wind) => found({ wind: of(wind, 'm/s') }).verdict)).toEqual([
      'spray',
      'narrow the fan',
      'narrow the fan',
      'stop',
    ]);
  });

  it('is lower for a wider fan, a gun farther away, and near others', () => {
    // Edge of fan 12: √2 against √(1 + (5/12)²) = 1.0833
    expect(found({ fan: 12 }).stopAt.value).toBeCloseTo((7 * 1.08333) / Math.SQRT2, 4);
    expect(found({ fan: 2 }).stopAt.value).toBeGreaterThan(7);
    expect(found({ distance: of(24, 'in') }).stopAt.value).toBeCloseTo(3.5, 9);
    expect(found({ nearOthers: true }).stopAt.value).toBeCloseTo(4.9, 9);
    expect(found({ nearOthers: true }).reason).toContain('others are near');
    expect(found({ stopAt: of(5, 'm/s') }).stopAt.value).toBeCloseTo(5, 9);
  });

  it('is refused for fans, distances and winds that cannot be', () => {
    for (const [field, extra] of [
      ['fan', { fan: 0 }],
      ['distance', { distance: quantity<Length>(NaN) }],
      ['wind', { wind: of(-1, 'm/s') }],
      ['stopAt', { stopAt: of(0, 'm/s') }],
    ] as const) {
      expect(windLimit(request(extra))).toMatchObject({ ok: false, field });
    }
  });
});
