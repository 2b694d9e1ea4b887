import type { Coating } from '../coating';
import fc from 'fast-check';
import {
  filmAchieved,
  nowAndNext,
  readRecord,
  recoatClocks,
  tipRecords,
  unboxedBatches,
  type LogEntry,
  type OwnedTip,
} from '.';
import { CLOSES_AFTER, coatWindows } from '../coating';
import { of, quantity, to, type Length, type Volume } from '../units';
import { COATINGS, HOUR, comb, confirmed, fan, finished, sprayed, started } from './testing';

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
    expect(readRecord(log).current.map(({ id }) => id)).toEqual(['d', 'z', 'c']);
    const used = readRecord(log).coatsOf('hall');
    expect(litres(used.reduce((sum, { volume }) => sum + volume, 0))).toBeCloseTo(8, 9);
    expect(used.flatMap(({ sprayed: entries }) => entries)).toHaveLength(3);
  });

  it('says the same in whatever order its entries come', () => {
    const log = [
      sprayed(1, { at: 3 }),
      sprayed(2, { at: 1 }),
      sprayed(3, { at: 1 }),
      finished(9),
      started(0),
    ];
    const plain = ({ current, coats }: ReturnType<typeof readRecord>) => ({ current, coats });
    fc.assert(
      fc.property(fc.shuffledSubarray(log, { minLength: 5 }), (shuffled) => {
        expect(plain(readRecord(shuffled))).toEqual(plain(readRecord(log)));
      }),
    );
  });

  it('puts together what is said of one coat, and keeps coats and surfaces apart', () => {
    const record = readRecord([
      started(1),
      sprayed(3, { at: 2 }),
      sprayed(2, { at: 3 }),
      comb(100, 125, { at: 3 }),
      finished(4),
      sprayed(7, { at: 5, coat: 2 }),
      sprayed(1, { at: 5, surface: 'galley' }),
    ]);
    expect(record.coatsOf('hall').map(({ coat }) => coat)).toEqual([1, 2]);
    const [first] = record.coats;
    expect(first).toMatchObject({ started: 1, readings: 3 });
    expect(first?.finished?.at).toBe(4);
    expect(litres(first?.volume ?? 0)).toBeCloseTo(5, 9);
    expect(to(quantity<Length>(first?.wet ?? 0), 'μm')).toBeCloseTo(112.5, 9);
    expect(record.coatsOf('nowhere')).toEqual([]);
  });
});

describe('recoat clocks', () => {
  it('run from the last coat by the weather it dried in', () => {
    const record = readRecord([
      finished(0),
      finished(10 * HOUR, { coat: 2 }),
      finished(0, { surface: 'galley', celsius: 13 }),
    ]);
    const clocks = recoatClocks(record, COATINGS, 11 * HOUR);
    // Hall: 4 h ± 0.3·√2; galley at 13 °C: 8 h
    expect(clocks.map(({ surface, coat, state }) => [surface, coat, state])).toEqual([
      ['galley', 1, 'may be ready'],
      ['hall', 2, 'wait'],
    ]);
    const recoat = clocks[1]?.moments?.recoat;
    expect((recoat?.surely ?? 0) - 10 * HOUR).toBeCloseTo(4 * HOUR * (1 + 0.3 * Math.SQRT2), -2);
    expect((recoat?.from ?? 0) - 10 * HOUR).toBeCloseTo(4 * HOUR * (1 - 0.3 * Math.SQRT2), -2);
    expect(recoatClocks(record, COATINGS, 20 * HOUR).map(({ state }) => state)).toEqual(['ready', 'ready']);
    const only = recoatClocks(record, COATINGS, 20 * HOUR, 'metric', new Set(['galley']));
    expect(only.map(({ surface }) => surface)).toEqual(['galley']);
  });

  it('have no number in the cold, but a sentence, and skip coatings nobody knows', () => {
    const cold = recoatClocks(readRecord([finished(0, { celsius: 6 })]), COATINGS, HOUR)[0];
    expect(cold).toMatchObject({ state: 'no number' });
    expect(cold?.words).toMatch(/lowest temperature/);
    expect(cold).not.toHaveProperty('moments');
    // Masked over, every coat under it has to bear the tape: the slow one below decides.
    const slow = finished(0, { coating: 'primer', celsius: 10, surface: 'door' });
    const top = finished(40 * HOUR, { coating: 'matt', surface: 'door' });
    const masked = (log: readonly LogEntry[]) =>
      recoatClocks(readRecord(log), COATINGS, 41 * HOUR)[0]?.moments?.mask();
    const [below, above, both] = [masked([slow]), masked([top]), masked([slow, top])];
    expect(below?.likely).toBeGreaterThan(above?.likely ?? Infinity);
    expect([both?.likely, both?.surely]).toEqual([below?.likely, below?.surely]);
    expect(both?.why).toEqual(below?.why);
    expect(masked([{ ...slow, temperature: of(2, '°C') }, top])).toBeUndefined();
    // A coating that was deleted is no reason to go on.
    const gone = recoatClocks(readRecord([finished(0)]), {}, HOUR);
    expect(gone.map(({ state, words }) => [state, words])).toEqual([
      ['no number', expect.stringContaining('was deleted')],
    ]);
  });

  it('close again where the coating does, and say so a day before', () => {
    const record = readRecord([finished(0, { coating: 'primer' })]);
    const { low = 0, likely = 0 } = CLOSES_AFTER['exterior-wood-primer'] ?? {};
    const at = (seconds: number) => recoatClocks(record, COATINGS, seconds * 1000)[0]?.state;
    expect(at(low - 25 * 3600)).toBe('ready');
    expect(at(low - 23 * 3600)).toBe('closing');
    expect(at(likely)).toBe('closed');
    expect(recoatClocks(readRecord([finished(0)]), COATINGS, 400 * 24 * HOUR)[0]?.state).toBe('ready');
  });

  it('let nobody put tape on it the same day, and touch before they let paint over', () => {
    fc.assert(
      fc.property(fc.integer({ min: 10, max: 30 }), fc.integer({ min: 5, max: 85 }), (celsius, humidity) => {
        const windows = coatWindows(
          { name: 'x', archetype: 'wall-matt', overrides: {} },
          of(celsius, '°C'),
          of(humidity, '%'),
        );
        if (!windows.ok) throw new Error(windows.message);
        const { touch, recoat, mask } = windows.value;
        expect(touch().value).toBeLessThan(recoat.value);
        expect(mask().value).toBeGreaterThanOrEqual(of(16, 'h'));
        expect(mask().value).toBeGreaterThan(recoat.value);
      }),
    );
  });

  it('say what can be sprayed now, what opens next and what is about to close', () => {
    const record = readRecord([
      finished(0, { surface: 'dry' }),
      finished(9 * HOUR, { surface: 'soon' }),
      finished(9.5 * HOUR, { surface: 'later', celsius: 13 }),
      finished(-6.5 * 24 * HOUR, { surface: 'primed', coating: 'primer' }),
      finished(-6.8 * 24 * HOUR, { surface: 'primed first', coating: 'primer' }),
    ]);
    const clocks = recoatClocks(record, COATINGS, 10 * HOUR);
    const toDo = (surface: string) => ({ surface, coating: 'matt', coat: 2 });
    const list = nowAndNext(['later', 'soon', 'new', 'primed', 'primed first', 'dry'].map(toDo), clocks);
    const names = (some: readonly { toDo: { surface: string } }[]) => some.map((one) => one.toDo.surface);
    expect(names(list.now)).toEqual(['primed', 'primed first', 'dry', 'new']);
    expect(names(list.next)).toEqual(['soon', 'later']);
    expect(names(list.closing)).toEqual(['primed first', 'primed']);
  });
});

describe('tips', () => {
  const owned: OwnedTip = { tip: 't1', code: { family: 'standard', fan: 5, orificeThou: 17 }, before: 0 };
  const only = (log: readonly LogEntry[], tip = owned) => tipRecords(readRecord(log), [tip], COATINGS)[0];

  it('wear by class of paint, and by the fan once it has narrowed', () => {
    const log: LogEntry[] = [sprayed(40, { at: 1 }), sprayed(10, { at: 2, coating: 'masonry' })];
    const record = only(log);
    expect(record?.litres).toEqual({ 2: of(40, 'L'), 3: of(10, 'L') });
    // Lives √(110·230) = 159.06 and √(60·120) = 84.85: shares .2515 + .1179 leave .6307 of 84.85 L
    expect(litres(record?.left?.value ?? 0)).toBeCloseTo(53.51, 1);
    const worn = only([...log, fan(254 * 0.875, 3), sprayed(5, { at: 4 })]);
    // Half worn after 50 L: 50 L were left, 5 went through since
    expect(litres(worn?.left?.value ?? 0)).toBeCloseTo(45, 6);
    expect(worn?.wear?.widthRatio).toBeCloseTo(0.875, 9);
    expect(worn?.fans.map(({ volume }) => litres(volume))).toEqual([50]);
  });

  it('count what they sprayed before the log, and say when they will be worn out at this rate', () => {
    const before = { ...owned, before: of(60, 'L') };
    const day = 24 * HOUR;
    const record = only([sprayed(10, { at: 0 }), sprayed(10, { at: 10 * day })], before);
    expect(litres(record?.volume ?? 0)).toBeCloseTo(80, 9);
    // 159.06 − 80 = 79.06 L at 20 L in 11 days
    expect(((record?.wornAt?.likely ?? 0) - 10 * day) / day).toBeCloseTo((79.06 * 11) / 20, 1);
    expect(only([sprayed(10, { at: 0 })], before)).not.toHaveProperty('wornAt');
    // One day, however long, tells no rate
    expect(only([sprayed(10, { at: 0 }), sprayed(10, { at: 9 * HOUR })], before)).not.toHaveProperty(
      'wornAt',
    );
    const days = [0, 1, 2, 3].map((at) => sprayed(5, { at: at * day }));
    expect(only(days, before)).toHaveProperty('wornAt');
    // A Californian afternoon goes over midnight in UTC: it is one day there.
    const afternoon = readRecord([sprayed(10, { at: 22 * HOUR }), sprayed(10, { at: 26 * HOUR })]);
    const inCalifornia = (at: number) => Math.floor((at - 8 * HOUR) / day);
    expect(tipRecords(afternoon, [before], COATINGS)[0]).toHaveProperty('wornAt');
    expect(tipRecords(afternoon, [before], COATINGS, inCalifornia)[0]).not.toHaveProperty('wornAt');
  });

  it('are retired until they are fitted again', () => {
    const handled = (kind: 'tip retired' | 'tip fitted', at: number): LogEntry => {
      const head = { id: `${kind} ${at}`, at, author: '', tip: 't1' };
      return kind === 'tip fitted' ? { ...head, kind, code: owned.code } : { ...head, kind };
    };
    const advice = (...log: LogEntry[]) => only([sprayed(5), ...log])?.advice;
    expect(advice(handled('tip retired', 5))).toBe('retired');
    expect(advice(handled('tip fitted', 4), handled('tip retired', 5))).toBe('retired');
    expect(advice(handled('tip retired', 5), handled('tip fitted', 6))).not.toBe('retired');
    expect(advice(handled('tip retired', 5), handled('tip fitted', 6), handled('tip retired', 7))).toBe(
      'retired',
    );
  });

  it('are to be replaced by their fan, or by the pressure they need; litres alone only warn', () => {
    expect(only([fan(254 * 0.74, 1)])).toMatchObject({ advice: 'replace' });
    expect(only([fan(254 * 0.99, 1)])).toMatchObject({ advice: 'good' });
    const risen = [confirmed(120, { tip: 't1', at: 1 }), confirmed(145, { tip: 't1', at: 2 })];
    expect(only(risen)).toMatchObject({ advice: 'replace' });
    expect(only([...risen.slice(0, 1), confirmed(130, { tip: 't1', at: 2 })])).toMatchObject({
      advice: 'unknown',
    });
    expect(only([sprayed(200, { at: 1 })])).toMatchObject({ advice: 'watch' });
    expect(only([])?.words).toMatch(/^No fan was measured/);
    const notItsOwn = only([fan(254 * 0.99, 1), fan(900, 2)]);
    expect(notItsOwn?.words).toMatch(/cannot be one of this tip/);
    expect(notItsOwn).toMatchObject({ advice: 'unknown' });
    expect(notItsOwn).not.toHaveProperty('wear');
    expect(only([{ id: 'r', at: 9, author: '', kind: 'tip retired', tip: 't1' }])).toMatchObject({
      advice: 'retired',
    });
  });

  it('cost paint between their fans: nothing while they are new, more the longer they are kept', () => {
    const cost = (log: readonly LogEntry[]) => litres(only(log)?.cost?.value ?? NaN);
    const use = [sprayed(50, { at: 1 }), fan(254 * 0.875, 2)];
    expect(cost([sprayed(50, { at: 1 }), fan(254, 2)])).toBeCloseTo(0, 9);
    // Film 1.2 ÷ 0.875 = 1.371; to there on average 1.186: 50 L · (1 − 1/1.186) · 0.5 = 3.92 L
    expect(cost(use)).toBeCloseTo(3.92, 2);
    expect(cost([...use, sprayed(30, { at: 3 })])).toBeGreaterThan(cost(use) + 3);
    expect(only([sprayed(9)])).not.toHaveProperty('cost');
  });
});

describe('film achieved', () => {
  it('is the dry gauge before the combs of the coats', () => {
    const log: LogEntry[] = [comb(100, 125, { coat: 2 }), comb(100, 125)];
    // 2 · 112.5 μm · 0.36 = 81 μm
    const byComb = filmAchieved(readRecord(log), 'hall', COATINGS);
    expect(to(quantity<Length>(byComb?.dry.value ?? 0), 'μm')).toBeCloseTo(81, 6);
    expect(byComb?.coats.map(({ coat, readings }) => [coat, readings])).toEqual([
      [1, 3],
      [2, 3],
    ]);
    const gauge: LogEntry = {
      id: 'g',
      at: 9,
      author: '',
      kind: 'dry gauge',
      surface: 'hall',
      dry: of(76, 'μm'),
    };
    expect(filmAchieved(readRecord([...log, gauge]), 'hall', COATINGS)?.dry.value).toBeCloseTo(
      of(76, 'μm'),
      12,
    );
    expect(filmAchieved(readRecord(log), 'galley', COATINGS)).toBeUndefined();
  });

  it('is of each coat what its own coating leaves, in whatever order they were combed', () => {
    const solids = (share: number): Coating => ({
      name: `${share}`,
      archetype: 'wall-matt',
      overrides: { volumeSolids: { value: of(share, '%'), basis: 'data-sheet', source: 'Sheet' } },
    });
    const both = { primer: solids(32), matt: solids(52) };
    const log = [
      comb(99, 101, { coating: 'primer', at: 1 }),
      comb(119, 121, { coat: 1, at: 2 }),
      comb(119, 121, { coat: 2, at: 3 }),
    ];
    // 0.32 · 100 + 2 · 0.52 · 120 = 156.8 μm
    const dry = (entries: readonly LogEntry[]) =>
      to(quantity<Length>(filmAchieved(readRecord(entries), 'hall', both)?.dry.value ?? 0), 'μm');
    expect(dry(log)).toBeCloseTo(156.8, 9);
    expect(dry([...log].reverse())).toBeCloseTo(156.8, 9);
    // Thinner in one coat is in that coat alone: 0.52 · 120 / 1.1 = 56.73 μm
    const thinned = log.map((one, index) => (index === 1 ? { ...one, thinner: of(10, '%') } : one));
    expect(dry(thinned)).toBeCloseTo(32 + 56.727 + 62.4, 2);
    // A gauge reads what was there: a coat after it adds its own
    const gauge: LogEntry = {
      id: 'g',
      at: 2.5,
      author: '',
      kind: 'dry gauge',
      surface: 'hall',
      dry: of(90, 'μm'),
    };
    expect(dry([...log, gauge])).toBeCloseTo(90 + 62.4, 9);
    expect(dry([...log, { ...gauge, at: 9 }])).toBeCloseTo(90, 9);
    // Of a coating that has gone there is no number.
    expect(filmAchieved(readRecord(log), 'hall', { matt: both.matt })).toBeUndefined();
  });
});

describe('batches on one wall', () => {
  const opened = (batch: string, boxedWith: string[] = [], surface = 'hall'): LogEntry => ({
    id: `${batch}${surface}${boxedWith.join()}`,
    at: 0,
    author: '',
    kind: 'container opened',
    coating: 'matt',
    surface,
    batch,
    boxedWith,
  });
  it.each([
    ['one batch twice', [opened('A'), opened('A', [], 'galley')], 0],
    ['two that were boxed', [opened('A'), opened('B', ['A'])], 0],
    ['three boxed in a row', [opened('A'), opened('C', ['B']), opened('B', ['A'])], 0],
    ['two that were not', [opened('A'), opened('B')], 1],
    ['two on two walls', [opened('A'), opened('B', [], 'galley')], 0],
    ['no batch written down', [opened(''), opened('B')], 0],
  ])('%s', (_what, log, found) => {
    expect(unboxedBatches(readRecord(log))).toHaveLength(found);
  });
});
