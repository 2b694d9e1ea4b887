import fc from 'fast-check';
import {
  fitSlopes,
  slopesFrom,
  temperatureWhenSprayed,
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
    // Used at once it is sprayed cold; after a night in the room it is warm
    ['spray', { viscosity: eta(0.82), temperature: of(8, '°C') }],
    ['too thin', { viscosity: eta(0.82), temperature: of(8, '°C'), wait: of(48, 'h') }],
    // A can warms while a drum stays cold
    [
      'too thin',
      { viscosity: eta(0.82), temperature: of(8, '°C'), wait: of(16, 'h'), container: of(1, 'L') },
    ],
    ['spray', { viscosity: eta(0.82), temperature: of(8, '°C'), wait: of(1, 'h'), container: of(200, 'L') }],
    // Hot and thinner than wanted: nothing goes in, whatever it would read at 23 °C
    ['too thin', { viscosity: eta(0.6), temperature: of(35, '°C'), room: of(35, '°C') }],
    ['spray', { viscosity: eta(0.82), temperature: of(35, '°C'), room: of(35, '°C') }],
    // Cold and thick in a cold room
    ['thin for the cold', { viscosity: eta(1.25), temperature: of(8, '°C'), room: of(8, '°C') }],
    ['warm', { viscosity: eta(1.25), temperature: of(8, '°C'), room: of(8, '°C'), limit: of(0, '%') }],
    [
      'thin for the cold',
      { viscosity: eta(1.9), temperature: of(8, '°C'), room: of(8, '°C'), limit: of(20, '%') },
    ],
  ] as const)('advises to %s', (move, extra) => {
    const found = advice(extra);
    expect(found.move).toBe(move);
    expect(found.words.length).toBeGreaterThan(20);
    if (!['thin', 'thin for the cold', 'warm, then thin', 'limit'].includes(move))
      expect(found.amount.value).toBe(0);
    expect(found.amount.value).toBeLessThanOrEqual(of(2, 'L'));
  });

  it('meets the target at the temperature at which it is sprayed, and says what it reads once warm', () => {
    const cold = advice({ viscosity: eta(1.25), temperature: of(8, '°C'), room: of(8, '°C') });
    // ln(1.25/0.8)/k of the mix, k = ln(1.25/0.00093)
    const k = usualSlopes(eta(1.25)).thinning.value;
    expect(share(cold.sprayed.value)).toBeCloseTo(Math.log(1.25 / 0.8) / k, 9);
    expect(cold.amount.value).toBeCloseTo(of(10, 'L') * cold.sprayed.value, 9);
    expect(cold.readsWarmThen).toBeCloseTo(0.8 / COLD, 4);
    expect(cold.words).toMatch(/once warm it reads 0\.48/);
  });

  it('is colder never thinner: the same reading wants as much or more thinner the warmer it will be sprayed', () => {
    const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(number(5, 30), number(5, 30), number(0.85, 1.8), (one, other, η) => {
        const [colder, warmer] = [Math.min(one, other), Math.max(one, other)];
        // The same paint: it reads η at 23 °C
        const at = (celsius: number) =>
          advice({
            viscosity: eta(η * Math.exp(2800 * (1 / (celsius + 273.15) - 1 / 296.15))),
            temperature: of(celsius, '°C'),
            room: of(celsius, '°C'),
            limit: of(50, '%'),
            slopes: usualSlopes(eta(η)),
          });
        expect(at(colder).sprayed.value).toBeGreaterThanOrEqual(at(warmer).sprayed.value - 1e-12);
      }),
    );
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
    ['wait', { wait: of(-1, 'h') }],
    ['wait', { wait: of(NaN, 'h') }],
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

describe('the temperature at which paint is sprayed', () => {
  const sprayed = (litres: number, hours: number) =>
    temperatureWhenSprayed(of(litres, 'L'), of(8, '°C'), of(23, '°C'), of(hours, 'h'));
  it('is what it is now where it is used at once, and the room after days', () => {
    expect(sprayed(1, 0).value - 273.15).toBeCloseTo(8, 0);
    expect(sprayed(10, 0).value - 273.15).toBeCloseTo(8, 0);
    expect(sprayed(10, 96).value - 273.15).toBeCloseTo(23, 0);
    // A drum takes hours to spray out and warms meanwhile
    expect(sprayed(200, 0).value).toBeGreaterThan(sprayed(10, 0).value);
  });

  it('follows the warming time: so long after, it is what that was asked for', () => {
    const time = warmingTime(of(10, 'L'), of(8, '°C'), of(18, '°C'), of(23, '°C'));
    if (!time.ok) throw new Error(time.message);
    // 10 L at 0.5 L/min: the middle is 10 min on
    const found = temperatureWhenSprayed(of(10, 'L'), of(8, '°C'), of(23, '°C'), time.value.value - 600);
    expect(found.value - 273.15).toBeCloseTo(18, 6);
    expect(found.low).toBeLessThan(found.value);
    expect(found.high).toBeGreaterThan(found.value);
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
