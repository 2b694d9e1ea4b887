import fc from 'fast-check';
import {
  currentEntries,
  filmAchieved,
  historyFor,
  learnedPressure,
  learnedSlopes,
  learnedTransfer,
  learnedValue,
  litresBySurface,
  recoatClocks,
  tipRecords,
  type LogEntry,
} from '.';
import type { Coating } from '../coating';
import { workingDefault } from '../explain';
import { normal, seeded } from '../random';
import { setupCard } from '../setup';
import { wallRequest } from '../testing';
import { of, quantity, to, type Fraction, type Length, type Volume } from '../units';

const HOUR = 3_600_000;
let nextId = 0;
const head = (at: number, extra: { id?: string; replaces?: string } = {}) => {
  nextId += 1;
  return { id: `e${String(nextId).padStart(5, '0')}`, at, author: 'Wren', ...extra };
};
const coatings: Record<string, Coating> = {
  matt: { name: 'Interior wall matt', archetype: 'wall-matt', overrides: {} },
  masonry: { name: 'High-build masonry', archetype: 'high-build-masonry', overrides: {} },
};
const where = (surface = 'hall', coat = 1, coating = 'matt') => ({ surface, coating, coat });
const sprayed = (
  litres: number,
  extra: {
    at?: number;
    surface?: string;
    coat?: number;
    tip?: string;
    coating?: string;
    id?: string;
    replaces?: string;
  } = {},
): LogEntry => ({
  ...head(extra.at ?? 0, extra.replaces === undefined ? {} : { replaces: extra.replaces }),
  ...(extra.id === undefined ? {} : { id: extra.id }),
  kind: 'sprayed',
  ...where(extra.surface, extra.coat, extra.coating),
  tip: extra.tip ?? 't1',
  volume: of(litres, 'L'),
});
const finished = (
  at: number,
  extra: { surface?: string; coat?: number; celsius?: number; area?: number } = {},
): LogEntry => ({
  ...head(at),
  kind: 'coat finished',
  ...where(extra.surface, extra.coat),
  element: 'wall',
  side: 'inside',
  wind: 'calm',
  trueArea: extra.area ?? 20,
  temperature: of(extra.celsius ?? 23, '°C'),
  humidity: of(50, '%'),
});
const comb = (low: number, high: number, extra: { surface?: string; coat?: number } = {}): LogEntry => ({
  ...head(0),
  kind: 'comb',
  ...where(extra.surface, extra.coat),
  readings: [1, 2, 3].map(() => ({ low: of(low, 'μm'), high: of(high, 'μm') })),
  thinner: quantity<Fraction>(0),
});
const litres = (value: number) => to(quantity<Volume>(value), 'L');

describe('the log', () => {
  it('holds corrections in place of what they correct, and orders by time', () => {
    const log = [
      sprayed(9, { id: 'a', at: 5 }),
      sprayed(6, { id: 'b', at: 6, replaces: 'a' }),
      sprayed(5, { id: 'c', at: 7, replaces: 'b' }),
      sprayed(1, { id: 'd', at: 1 }),
      sprayed(2, { id: 'z', at: 1, replaces: 'nobody' }),
    ];
    expect(currentEntries(log).map(({ id }) => id)).toEqual(['d', 'z', 'c']);
    expect(litres(litresBySurface(log).get('hall')?.value ?? 0)).toBeCloseTo(8, 9);
    expect(litresBySurface(log).get('hall')?.inputs[0]?.source).toBe('3 entries');
  });

  it('says the same in whatever order its entries come', () => {
    const log = [sprayed(1, { at: 3 }), sprayed(2, { at: 1 }), sprayed(3, { at: 1 }), finished(9)];
    fc.assert(
      fc.property(fc.shuffledSubarray(log, { minLength: 4 }), (shuffled) => {
        expect(currentEntries(shuffled)).toEqual(currentEntries(log));
      }),
    );
  });
});

describe('recoat clocks', () => {
  it('run from the last coat by the weather it dried in', () => {
    const log = [
      finished(0),
      finished(10 * HOUR, { coat: 2 }),
      finished(0, { surface: 'galley', celsius: 13 }),
    ];
    const clocks = recoatClocks(log, coatings, 11 * HOUR);
    // Hall: 4 h ± 0.3·√2; galley at 13 °C: 8 h
    expect(clocks.map(({ surface, coat, state }) => [surface, coat, state])).toEqual([
      ['galley', 1, 'may be ready'],
      ['hall', 2, 'wait'],
    ]);
    const hall = clocks[1];
    expect((hall?.surely ?? 0) - 10 * HOUR).toBeCloseTo(4 * HOUR * (1 + 0.3 * Math.SQRT2), -2);
    expect((hall?.from ?? 0) - 10 * HOUR).toBeCloseTo(4 * HOUR * (1 - 0.3 * Math.SQRT2), -2);
    expect(recoatClocks(log, coatings, 20 * HOUR).map(({ state }) => state)).toEqual(['ready', 'ready']);
  });

  it('have no number in the cold, but a sentence, and skip coatings nobody knows', () => {
    const [cold] = recoatClocks([finished(0, { celsius: 6 })], coatings, HOUR);
    expect(cold).toMatchObject({ state: 'no number' });
    expect(cold?.words).toMatch(/lowest temperature/);
    expect(cold).not.toHaveProperty('surely');
    expect(recoatClocks([finished(0)], {}, HOUR)).toEqual([]);
  });
});

describe('tips', () => {
  const fitted: LogEntry = {
    ...head(0),
    kind: 'tip fitted',
    tip: 't1',
    code: { family: 'standard', fan: 5, orificeThou: 17 },
  };
  it('wear by class of paint, and by the fan once it has narrowed', () => {
    const log: LogEntry[] = [fitted, sprayed(40, { at: 1 }), sprayed(10, { at: 2, coating: 'masonry' })];
    const [record] = tipRecords(log, coatings);
    expect(record?.litres).toEqual({ 2: of(40, 'L'), 3: of(10, 'L') });
    // Lives √(110·230) = 159.06 and √(60·120) = 84.85: shares .2515 + .1179 leave .6307 of 84.85 L
    expect(litres(record?.left?.value ?? 0)).toBeCloseTo(53.51, 1);
    const measured: LogEntry = { ...head(3), kind: 'fan measured', tip: 't1', width: of(254 * 0.875, 'mm') };
    const [worn] = tipRecords([...log, measured, sprayed(5, { at: 4 })], coatings);
    // Half worn after 50 L: 50 L were left, 5 went through since
    expect(litres(worn?.left?.value ?? 0)).toBeCloseTo(45, 6);
    expect(worn?.wear?.widthRatio).toBeCloseTo(0.875, 9);
    expect(worn?.retired).toBe(false);
    const retired: LogEntry = { ...head(9), kind: 'tip retired', tip: 't1' };
    expect(tipRecords([...log, retired], coatings)[0]?.retired).toBe(true);
  });
});

describe('film achieved', () => {
  it('is the dry gauge before the combs of the coats', () => {
    const log = [comb(100, 125, { coat: 2 }), comb(100, 125)];
    // 2 · 112.5 μm · 0.36 = 81 μm
    const byComb = filmAchieved(log, 'hall', coatings);
    expect(to(quantity<Length>(byComb?.dry.value ?? 0), 'μm')).toBeCloseTo(81, 6);
    expect(byComb?.coats.map(({ coat, readings }) => [coat, readings])).toEqual([
      [1, 3],
      [2, 3],
    ]);
    const gauge: LogEntry = { ...head(9), kind: 'dry gauge', surface: 'hall', dry: of(76, 'μm') };
    expect(filmAchieved([...log, gauge], 'hall', coatings)?.dry.value).toBeCloseTo(of(76, 'μm'), 12);
    expect(filmAchieved(log, 'galley', coatings)).toBeUndefined();
  });
});

describe('what the log teaches', () => {
  const prior = workingDefault('TE', 'percent', 0.82, 0.75, 0.88);
  it('is the default without readings, and the crew with many', () => {
    expect(learnedValue(prior, [], 0.12)).toMatchObject({ basis: 'default' });
    expect(learnedValue(prior, [], 0.12).value).toBeCloseTo(0.82, 12);
    const few = learnedValue(prior, [0.6], 0.12).value;
    const many = learnedValue(
      prior,
      Array.from({ length: 200 }, () => 0.6),
      0.12,
    );
    expect(few).toBeGreaterThan(0.78);
    expect(many.value).toBeCloseTo(0.6, 1);
    expect(many.high - many.low).toBeLessThan(0.06);
    expect(many.basis).toBe('history');
  });

  it('errs less with more readings, about as one over their root', () => {
    const vague = workingDefault('TE', 'percent', 0.82, 0.3, 1);
    const random = seeded(11);
    const error = (n: number) => {
      const trials = 200;
      let sum = 0;
      for (let trial = 0; trial < trials; trial += 1) {
        const readings = Array.from({ length: n }, () => 0.7 * Math.exp(0.12 * normal(random)));
        sum += (learnedValue(vague, readings, 0.12).value / 0.7 - 1) ** 2;
      }
      return Math.sqrt(sum / trials);
    };
    expect(error(10) / error(90)).toBeGreaterThan(2.3);
    expect(error(10) / error(90)).toBeLessThan(3.9);
  });

  it('is moved by less than 5 % by one reading ten times too big, from three on', () => {
    const ratio = workingDefault('Pressure', 'factor', 1, 0.8, 1.2);
    for (const [start, spread] of [
      [prior, 0.12],
      [ratio, 0.06],
    ] as const) {
      for (const n of [2, 3, 10]) {
        const good = Array.from({ length: n }, (_, index) => start.value * (0.97 + 0.02 * (index % 3)));
        const clean = learnedValue(start, good, spread).value;
        const spoiled = learnedValue(start, [...good, 10 * start.value], spread).value;
        expect(Math.abs(spoiled / clean - 1)).toBeLessThan(0.05);
      }
    }
  });

  it('leaves readings out that are none', () => {
    expect(learnedValue(prior, [NaN, -1, 0, Infinity], 0.12).value).toBeCloseTo(0.82, 12);
  });

  const taught = (te: number): LogEntry[] =>
    Array.from({ length: 12 }, (_, index) => {
      const at = { surface: `s${index}`, coat: 1 };
      // 20 m² of 112.5 μm are 2.25 L on the wall
      return [finished(0, at), comb(100, 125, at), sprayed(2.25 / te, at)];
    }).flat();

  it('is the transfer from area, comb and litres, coat by coat', () => {
    const learned = learnedTransfer(taught(0.65), { element: 'wall', side: 'inside', wind: 'calm' });
    expect(learned.readings).toBe(12);
    // Default 0.82 held by σ 0.04; twelve readings of σ 0.12: between the two
    expect(learned.value.value).toBeLessThan(0.76);
    expect(learned.value.value).toBeGreaterThan(0.65);
    const usual = learnedTransfer(taught(0.82), { element: 'wall', side: 'inside', wind: 'calm' });
    expect(usual.value.value).toBeCloseTo(0.82, 6);
    expect(learnedTransfer(taught(0.65), { element: 'door', side: 'inside', wind: 'calm' }).readings).toBe(0);
    expect(learnedTransfer([finished(0)], { element: 'wall', side: 'inside', wind: 'calm' }).readings).toBe(
      0,
    );
  });

  const cards: LogEntry[] = [1, 2, 3, 4, 5, 6].map((at) => ({
    ...head(at),
    kind: 'set-up confirmed',
    surface: 'hall',
    coating: 'matt',
    family: 'standard',
    pressure: of(100, 'bar'),
    expected: of(125, 'bar'),
  }));

  it('is the pressure an even fan needs, by coating and family', () => {
    const learned = learnedPressure(cards, { coating: 'matt', family: 'standard' });
    expect(learned.readings).toBe(6);
    expect(learned.value.value).toBeLessThan(0.86);
    expect(learnedPressure(cards, { coating: 'matt', family: 'wide' }).readings).toBe(0);
  });

  it('changes the next set-up and says what it stands on', () => {
    const query = {
      element: 'wall',
      side: 'inside',
      wind: 'calm',
      coating: 'matt',
      family: 'standard',
    } as const;
    const history = historyFor([...taught(0.65), ...cards], query);
    expect(history.transfer?.source).toBe('12 coats of this crew');
    expect(history.evenFan?.source).toBe('6 test cards of this crew');
    expect(historyFor([], query)).toEqual({ transfer: undefined, evenFan: undefined });
    expect(historyFor(cards.slice(0, 1), query).evenFan?.source).toBe('1 test card of this crew');
    const request = wallRequest({
      geometry: { shape: 'rectangle', width: 6, height: 2.5, count: 1, openings: [] },
      chosenTip: { family: 'standard', fan: 5, orificeThou: 15 },
    });
    const [before, after] = [setupCard(request), setupCard({ ...request, history })];
    if (!before.ok || !after.ok) throw new Error('cards');
    expect(after.value.paint.value).toBeGreaterThan(before.value.paint.value * 1.08);
    expect(after.value.gunPressure.value).toBeLessThan(before.value.gunPressure.value * 0.9);
    expect(after.value.gunPressure.inputs.map(({ source }) => source)).toContain('6 test cards of this crew');
  });

  it('is how thinner and cold change a coating', () => {
    const reading = (at: number, celsius: number, thinner: number, viscosity: number): LogEntry => ({
      ...head(at),
      kind: 'viscosity',
      coating: 'matt',
      viscosity: quantity(viscosity),
      temperature: of(celsius, '°C'),
      thinner: quantity<Fraction>(thinner),
    });
    const fitted = learnedSlopes(
      [reading(1, 23, 0, 1.5), reading(2, 23, 0.05, 0.9)],
      'matt',
      coatings['matt'] as Coating,
    );
    expect(fitted.ok && fitted.value.readings).toBe(2);
    expect(learnedSlopes([], 'matt', coatings['matt'] as Coating)).toMatchObject({
      ok: false,
      field: 'readings',
    });
  });
});
