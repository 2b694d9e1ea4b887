import fc from 'fast-check';
import {
  fitSlopes,
  slopesFrom,
  thinnerToAdd,
  thinningAdvice,
  usualSlopes,
  warmingTime,
  type PaintSlopes,
  type ThinningAdvice,
  type ThinningRequest,
  type ViscosityReading,
} from '.';
import { of, quantity, type Viscosity } from '../units';

const eta = (value: number) => quantity<Viscosity>(value);
const request = (extra: Partial<ThinningRequest> = {}): ThinningRequest => ({
  viscosity: eta(1.2),
  temperature: of(23, '°C'),
  target: eta(0.8),
  limit: of(10, '%'),
  already: of(0, '%'),
  container: of(10, 'L'),
  room: of(23, '°C'),
  ...extra,
});
function advice(extra: Partial<ThinningRequest> = {}): ThinningAdvice {
  const result = thinningAdvice(request(extra));
  if (!result.ok) throw new Error(result.message);
  return result.value;
}
const share = (r: number) => r / (1 + r);
/** exp(2800 · (1/281.15 − 1/296.15)) */
const COLD = 1.65599;

describe('thinner to add', () => {
  it('is 5.7 % of the mix at 23 °C and 12.7 % at 8 °C for a target of 0.8 Pa·s', () => {
    // k = ln(1.2/0.00093) = 7.1626; ln(1.5)/k = 5.66 %; ln(1.5 · 1.65599)/k = 12.70 %
    const slope = usualSlopes(eta(1.2)).thinning.value;
    expect(share(thinnerToAdd(1.2, 0.8, slope, 0)) * 100).toBeCloseTo(5.66, 2);
    expect(share(thinnerToAdd(1.2 * COLD, 0.8, slope, 0)) * 100).toBeCloseTo(12.7, 2);
  });

  it('given by the cold reading leaves the paint at 0.48 instead of 0.8 Pa·s once warm', () => {
    const cold = advice({
      viscosity: eta(1.2 * COLD),
      temperature: of(8, '°C'),
      slopes: usualSlopes(eta(1.2)),
    });
    // The cold thickening is undone: 0.8 / 1.65599
    expect(cold.readsWarmIfThinnedNow.value).toBeCloseTo(0.4831, 4);
    expect(share(cold.now.value) * 100).toBeCloseTo(12.7, 2);
    expect(share(cold.warm.value) * 100).toBeCloseTo(5.66, 2);
    expect(cold.move).toBe('warm, then thin');
    expect(cold.words).toMatch(/Warm it first.*standing/);
  });

  it('hits the target when it is put in', () => {
    const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(number(0.5, 3), number(0.3, 1), number(4, 10), number(0, 0.05), (η, part, k, already) => {
        const r = thinnerToAdd(η, η * part, k, already);
        const x = share(already + r) - share(already);
        expect(r).toBeGreaterThanOrEqual(-1e-12);
        expect(η * Math.exp(-k * x)).toBeCloseTo(η * part, 8);
      }),
    );
  });

  it('counts the thinner already in and the size of the container', () => {
    // 10.5 L of a mix with 5 % in it hold 10 L of paint.
    const more = advice({ container: of(10.5, 'L'), already: of(5, '%'), limit: of(20, '%') });
    expect(more.amount.value).toBeCloseTo(of(10, 'L') * more.warm.value, 9);
    expect(more.move).toBe('thin');
  });

  it.each([
    ['spray', { viscosity: eta(0.82) }],
    ['thin', {}],
    ['limit', { limit: of(2, '%') }],
    ['limit', { limit: of(0, '%') }],
    ['warm', { viscosity: eta(1.25), temperature: of(8, '°C') }],
    ['warm, then thin', { viscosity: eta(2), temperature: of(8, '°C') }],
    ['limit', { viscosity: eta(6), temperature: of(8, '°C') }],
    ['too thin', { viscosity: eta(0.82), temperature: of(8, '°C') }],
  ] as const)('advises to %s', (move, extra) => {
    const found = advice(extra);
    expect(found.move).toBe(move);
    expect(found.words.length).toBeGreaterThan(20);
    if (move !== 'thin' && move !== 'warm, then thin' && move !== 'limit') expect(found.amount.value).toBe(0);
    expect(found.amount.value).toBeLessThanOrEqual(of(1, 'L'));
  });

  it('never advises more than the data sheet allows', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.3, max: 8, noNaN: true }),
        fc.double({ min: 2, max: 30, noNaN: true }),
        fc.double({ min: 0, max: 0.1, noNaN: true }),
        (η, celsius, limit) => {
          const found = advice({ viscosity: eta(η), temperature: of(celsius, '°C'), limit: quantity(limit) });
          expect(found.amount.value).toBeLessThanOrEqual(of(10, 'L') * limit + 1e-9);
        },
      ),
    );
  });

  it.each([
    ['viscosity', { viscosity: eta(0) }],
    ['target', { target: eta(NaN) }],
    ['temperature', { temperature: of(-40, '°C') }],
    ['room', { room: of(Infinity, '°C') }],
    ['limit', { limit: of(-1, '%') }],
    ['already', { already: of(80, '%') }],
    ['container', { container: of(0, 'L') }],
  ] as const)('refuses a bad %s at its field', (field, extra) => {
    expect(thinningAdvice(request(extra))).toMatchObject({ ok: false, field });
  });
});

describe('a cold container', () => {
  it.each([
    [3.785411784, 9, 13],
    [18.92705892, 15, 27],
    [200, 32, 81],
  ])('of %d L takes %d to %d h from 5 to 21 °C in a room of 23 °C', (litres, least, most) => {
    const time = warmingTime(of(litres, 'L'), of(5, '°C'), of(21, '°C'), of(23, '°C'));
    if (!time.ok) throw new Error(time.message);
    // Two constants stand for three containers: within 4 % of the reference hours.
    expect(Math.abs(time.value.low / 3600 / least - 1)).toBeLessThan(0.04);
    expect(Math.abs(time.value.high / 3600 / most - 1)).toBeLessThan(0.04);
  });

  it('never gets where the room is not, and takes longer the nearer it has to come', () => {
    const time = (to: number, room = 23) =>
      warmingTime(of(10, 'L'), of(5, '°C'), of(to, '°C'), of(room, '°C'));
    expect(time(24)).toMatchObject({ ok: false, field: 'room' });
    expect(time(4)).toMatchObject({ ok: false, field: 'room' });
    expect(time(15, 5)).toMatchObject({ ok: false, field: 'room' });
    const [a, b] = [time(15), time(20)];
    expect(a.ok && b.ok && b.value.value > a.value.value).toBe(true);
    expect(warmingTime(of(NaN, 'L'), of(5, '°C'), of(9, '°C'), of(20, '°C'))).toMatchObject({
      field: 'volume',
    });
    expect(warmingTime(of(5, 'L'), of(5, '°C'), of(900, '°C'), of(20, '°C'))).toMatchObject({ field: 'to' });
  });
});

describe('slopes learned from readings', () => {
  const truth = { paint: 1.4, k: 9, B: 3300 };
  const reading = (celsius: number, r: number, error = 1): ViscosityReading => ({
    temperature: of(celsius, '°C'),
    thinner: quantity(r),
    viscosity: eta(
      truth.paint * error * Math.exp(-truth.k * share(r) + truth.B * (1 / (celsius + 273.15) - 1 / 296.15)),
    ),
  });
  const spread = [8, 12, 18, 23, 28].flatMap((celsius) =>
    [0, 0.02, 0.05, 0.1].map((r) => [celsius, r] as const),
  );
  const fitted = (readings: readonly ViscosityReading[]) => {
    const result = fitSlopes(eta(1.2), readings);
    if (!result.ok) throw new Error(result.message);
    return result.value;
  };

  it('come near the truth with many readings, and stay near the default with one', () => {
    const many = fitted([...spread, ...spread, ...spread].map(([celsius, r]) => reading(celsius, r)));
    expect(Math.abs(many.thinning.value / truth.k - 1)).toBeLessThan(0.05);
    expect(Math.abs(many.temperature.value / truth.B - 1)).toBeLessThan(0.05);
    expect(many.viscosity / truth.paint).toBeCloseTo(1, 1);
    const one = fitted([reading(23, 0.02)]);
    const usual = usualSlopes(eta(1.2));
    expect(Math.abs(one.thinning.value / usual.thinning.value - 1)).toBeLessThan(0.02);
    expect(one.temperature.value).toBeCloseTo(usual.temperature.value, 6);
    expect(many.thinning.high - many.thinning.low).toBeLessThan(one.thinning.high - one.thinning.low);
  });

  it('are hardly moved by one wrong reading', () => {
    const clean = spread.map(([celsius, r]) => reading(celsius, r));
    const spoiled = [...clean.slice(1), reading(8, 0, 10)];
    expect(Math.abs(fitted(spoiled).temperature.value / fitted(clean).temperature.value - 1)).toBeLessThan(
      0.05,
    );
  });

  it('say how many readings they stand on, and change the advice', () => {
    const slopes: PaintSlopes = slopesFrom(fitted(spread.map(([celsius, r]) => reading(celsius, r))));
    expect(slopes.thinning).toMatchObject({ basis: 'history', source: '20 readings of this crew' });
    const before = advice();
    const after = advice({ slopes });
    expect(after.warm.value).toBeLessThan(before.warm.value);
    expect(slopesFrom(fitted([reading(20, 0)])).thinning.source).toBe('1 reading of this crew');
  });

  it('are refused without readings, and at the reading that cannot be', () => {
    expect(fitSlopes(eta(1), [])).toMatchObject({ ok: false, field: 'readings' });
    const bad = { ...reading(20, 0), viscosity: eta(NaN) };
    expect(fitSlopes(eta(1), [reading(20, 0), bad])).toMatchObject({
      ok: false,
      field: 'readings.1.viscosity',
    });
  });
});

describe('the words of an advice', () => {
  it('name the limit of the data sheet, or that it allows none', () => {
    expect(advice({ limit: of(2, '%') }).words).toMatch(/allows 2 % and that is not enough: add 200 mL/);
    expect(advice({ limit: of(0, '%') }).words).toMatch(/allows no thinner/);
    expect(advice({ limit: of(2, '%'), already: of(2, '%') }).words).toMatch(/not enough: warm it or fit/);
  });

  it('name the hours a container takes, standing', () => {
    const time = warmingTime(of(10, 'L'), of(8, '°C'), of(21, '°C'), of(23, '°C'));
    if (!time.ok) throw new Error(time.message);
    const hours = (seconds: number) => Math.round(seconds / 3600);
    const cold = advice({ viscosity: eta(2), temperature: of(8, '°C') });
    expect(cold.words).toContain(`about ${hours(time.value.low)} to ${hours(time.value.high)} h standing`);
    expect(hours(time.value.low)).toBeGreaterThan(6);
  });

  it('stand on defaults whose ranges lean to paint that falls faster', () => {
    const { thinning, temperature } = usualSlopes(eta(1.2));
    // k = ln(1.2/0.00093) = 7.1626
    expect([thinning.low, thinning.value, thinning.high].map((one) => one.toFixed(3))).toEqual([
      '6.088',
      '7.163',
      '12.177',
    ]);
    expect([temperature.low, temperature.value, temperature.high]).toEqual([2000, 2800, 3600]);
  });
});
