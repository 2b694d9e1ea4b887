import fc from 'fast-check';
import { WAYS_OUT, comparePlan, readRecord, type CoatingCompared, type LogEntry, type PlannedCoat } from '.';
import { explain, given } from '../explain';
import { of, quantity, to, type Fraction, type Volume } from '../units';
import { HOUR, comb, cup, fan, finished, sprayed, started } from './testing';

/** Two jobs with two walls each; a wall that is gone is in none. */
const WALLS: Readonly<Record<string, string>> = { hall: 'J', galley: 'J', shed: 'K', barn: 'K' };
const JOBS = {
  isJob: (job: string) => ['J', 'K'].includes(job),
  jobOfSurface: (surface: string) => WALLS[surface],
};
const litres = (value: number) => to(quantity<Volume>(value), 'L');

const THREE = explain('paint of a coat', 'volume', { v: given('x', 'volume', of(3, 'L'), '') }, ({ v }) => v);
const planned = (surface: string, coat: number, part: Partial<PlannedCoat> = {}): PlannedCoat => ({
  ...{ surface, coating: 'matt', coat, trueArea: 20, thinning: 0, time: 600 },
  wet: of(112.5, 'μm'),
  volume: THREE,
  ...part,
});
const PLAN = [planned('hall', 1), planned('hall', 2), planned('galley', 1)];

let next = 0;
const head = (at = 0) => ({ id: `p${(next += 1)}`, at, author: '' });
const came = (amount: number, job?: string, coating = 'matt'): LogEntry => ({
  ...head(),
  ...{ job, kind: 'delivered', coating, volume: of(amount, 'L') },
});
const went = (amount: number, how: (typeof WAYS_OUT)[number], job?: string, coating = 'matt'): LogEntry => ({
  ...head(),
  ...{ job, kind: 'paint out', how, coating, volume: of(amount, 'L') },
});
const touchedUp = (amount: number, surface?: string, job?: string): LogEntry => ({
  ...head(),
  ...{ job, kind: 'used', on: 'touch-up', surface, coating: 'matt', volume: of(amount, 'L') },
});
const onNothing = (amount: number, job?: string): LogEntry => ({
  ...head(),
  ...{ job, kind: 'used', on: 'no surface', coating: 'matt', volume: of(amount, 'L') },
});

const compare = (log: readonly LogEntry[], job: string | undefined, plan: readonly PlannedCoat[]) =>
  comparePlan(plan, readRecord(log), [], job, JOBS);
function only(log: readonly LogEntry[], plan = PLAN, job: string | undefined = 'J'): CoatingCompared {
  const found = compare(log, job, plan).find(({ coating }) => coating === 'matt');
  if (!found) throw new Error('no matt');
  return found;
}
const beside = ({ beside: all }: CoatingCompared) =>
  Object.fromEntries(all.map(({ why, volume }) => [why, Math.round(litres(volume) * 1e6) / 1e6]));

describe('paint of a job', () => {
  it('is all there, whatever it was used on', () => {
    const one = only([
      came(40, 'J'),
      sprayed(3, { surface: 'hall', coat: 1, job: 'J' }),
      // Beyond the plan, on a wall deleted since, on no wall, and with the brush
      sprayed(2, { surface: 'hall', coat: 3, job: 'J' }),
      sprayed(4, { surface: 'long gone', coat: 1, job: 'J' }),
      onNothing(1, 'J'),
      touchedUp(0.5, 'hall', 'J'),
      went(5, 'given back', 'J'),
      went(0.5, 'poured away', 'J'),
    ]);
    expect(beside(one)).toEqual({ beyond: 2, gone: 4, nowhere: 1, 'touch-up': 0.5 });
    expect(litres(one.used)).toBeCloseTo(10.5, 9);
    expect(litres(one.out)).toBeCloseTo(5.5, 9);
    expect(litres(one.atHand?.value ?? 0)).toBeCloseTo(24, 9);
  });

  it('is that of the coating it was, when the plan has another now', () => {
    const log = [came(20, 'J', 'primer'), sprayed(3, { surface: 'hall', coating: 'primer', job: 'J' })];
    const found = compare(log, 'J', PLAN);
    expect(found.map(({ coating }) => coating)).toEqual(['matt', 'primer']);
    const [, primer] = found;
    expect(litres(primer?.used ?? 0)).toBeCloseTo(3, 9);
    expect(litres(primer?.atHand?.value ?? 0)).toBeCloseTo(17, 9);
    expect(primer?.needed.value).toBe(0);
    expect(primer).not.toHaveProperty('short');
  });

  it('belongs to the job it was written for, else to that of its wall, else to none', () => {
    const log = [
      sprayed(1, { surface: 'hall', coat: 1, job: 'K' }),
      sprayed(2, { surface: 'hall', coat: 1 }),
      sprayed(4, { surface: 'long gone', coat: 1 }),
      sprayed(8, { surface: 'long gone', coat: 1, job: 'a job that is gone' }),
      onNothing(16),
    ];
    expect(litres(only(log).used)).toBeCloseTo(2, 9);
    expect(beside(only(log, [], 'K'))).toEqual({ gone: 1 });
    const [none] = compare(log, undefined, []);
    expect(beside(none as CoatingCompared)).toEqual({ gone: 12, nowhere: 16 });
  });

  it('was delivered where it was used, whether somebody wrote it down or not', () => {
    const one = only([came(2, 'J'), sprayed(3, { surface: 'hall', coat: 1, job: 'J' })]);
    expect(litres(one.delivered ?? 0)).toBeCloseTo(3, 9);
    expect(litres(one.unwritten ?? 0)).toBeCloseTo(1, 9);
    expect(one.atHand?.value).toBe(0);
  });

  it('is counted as it is sold: what was thinned for the gun is not short', () => {
    // 20 L of paint with 5 % thinner are 21 L through the gun: just what was delivered.
    const thin = [planned('hall', 1, { thinning: 0.05, volume: { ...THREE, value: of(21, 'L') } })];
    const log = [
      came(20, 'J'),
      started(0, { surface: 'hall', job: 'J' }),
      sprayed(21, { surface: 'hall', coat: 1, job: 'J' }),
      finished(HOUR, { surface: 'hall', job: 'J' }),
    ];
    const one = only(log, thin);
    expect(litres(one.used)).toBeCloseTo(20, 9);
    expect(litres(one.plannedDone)).toBeCloseTo(20, 9);
    expect(one.atHand?.value).toBeCloseTo(0, 12);
    expect(one.unwritten).toBeCloseTo(0, 12);
    expect(one.causes.every(({ volume }) => Math.abs(volume) < 1e-12)).toBe(true);
    expect(one).not.toHaveProperty('short');
    expect(only([came(20.5, 'J')], thin)).not.toHaveProperty('short');
  });

  it('has the thinner in it that was measured that day, whatever the plan has', () => {
    const thinned = cup(30, { at: 0, job: 'J', thinner: quantity<Fraction>(0.1) });
    const on = { surface: 'hall', coat: 1, job: 'J' } as const;
    expect(litres(only([thinned, sprayed(11, { ...on, at: HOUR })]).used)).toBeCloseTo(10, 9);
    // The day after, before it was checked, and of another job the plan stands.
    expect(litres(only([thinned, sprayed(11, { ...on, at: 24 * HOUR })]).used)).toBeCloseTo(11, 9);
    expect(litres(only([thinned, sprayed(11, { ...on, at: -HOUR })]).used)).toBeCloseTo(11, 9);
    expect(litres(only([{ ...thinned, job: 'K' }, sprayed(11, { ...on, at: HOUR })]).used)).toBeCloseTo(
      11,
      9,
    );
  });

  it('is of one coat where two finished it', () => {
    const half = { surface: 'hall', coat: 1, job: 'J', area: 10 } as const;
    const area = (log: readonly LogEntry[]) => only(log).coats[0]?.actual?.finished?.trueArea;
    const halves = [
      sprayed(1.5, { ...half, id: 'a' }),
      sprayed(1.5, { ...half, id: 'b' }),
      finished(HOUR, { ...half, id: 'x' }),
      finished(2 * HOUR, { ...half, id: 'y' }),
    ];
    expect(area(halves)).toBe(20);
    expect(only(halves).causes.find(({ cause }) => cause === 'area')?.volume).toBeCloseTo(0, 12);
    // Both say all of it; one half of it and the other all; one more than the plan
    expect(area([finished(0, { ...half, area: 20 }), finished(1, { ...half, area: 20 })])).toBe(20);
    expect(area([finished(0, half), finished(1, { ...half, area: 20 })])).toBe(20);
    expect(area([finished(0, { ...half, area: 26 })])).toBe(26);
    expect(area([finished(0, { ...half, area: 11 }), finished(1, { ...half, area: 12 })])).toBe(23);
  });

  it('blames the tips by what went through each of them', () => {
    const tips = ['new', 'worn'].map((tip) => ({
      ...{ tip, code: { family: 'standard', fan: 5, orificeThou: 17 }, before: 0 },
    })) as Parameters<typeof comparePlan>[2];
    const wear = (through: readonly (readonly [string, number])[]) => {
      const on = { surface: 'hall', coat: 1, job: 'J', at: HOUR } as const;
      const log = [
        fan(254 * 0.8, 0, 'worn'),
        ...through.map(([tip, amount]) => sprayed(amount, { ...on, tip })),
        comb(220, 240, on),
        finished(2 * HOUR, on),
      ];
      const [one] = comparePlan([planned('hall', 1)], readRecord(log), tips, 'J', JOBS);
      return one?.causes.find(({ cause }) => cause === 'wear')?.volume ?? NaN;
    };
    const worn = wear([['worn', 4]]);
    expect(worn).toBeGreaterThan(0);
    // The last tip is not the only one.
    for (const order of [[0, 1] as const, [1, 0] as const]) {
      const both = [
        ['worn', 3.9],
        ['new', 0.1],
      ] as const;
      const mixed = wear(order.map((index) => both[index] ?? ['new', 0]));
      expect(mixed).toBeGreaterThan(0.85 * worn);
      expect(mixed).toBeLessThan(worn);
    }
    expect(wear([['new', 4]])).toBe(0);
  });
});

describe('used, at hand and gone another way are what was delivered', () => {
  const job = fc.constantFrom('J', 'K', 'a job that is gone', undefined);
  const surface = fc.constantFrom('hall', 'galley', 'shed', 'long gone');
  const coating = fc.constantFrom('matt', 'primer');
  const amount = fc.double({ min: 0.1, max: 30, noNaN: true });
  const at = fc.integer({ min: 0, max: 30 }).map((hours) => hours * HOUR);
  const entry: fc.Arbitrary<LogEntry> = fc.oneof(
    fc
      .tuple(amount, surface, fc.integer({ min: 1, max: 3 }), coating, job, at)
      .map(([l, on, coat, of_, to_, when]) =>
        sprayed(l, { surface: on, coat, coating: of_, at: when, ...(to_ ? { job: to_ } : {}) }),
      ),
    fc.tuple(amount, job).map(([l, to_]) => onNothing(l, to_)),
    fc.tuple(amount, surface, job).map(([l, on, to_]) => touchedUp(l, on, to_)),
    fc.tuple(amount, job, coating).map(([l, to_, of_]) => came(l, to_, of_)),
    fc
      .tuple(amount, fc.constantFrom(...WAYS_OUT), job, coating)
      .map(([l, how, to_, of_]) => went(l, how, to_, of_)),
    fc.tuple(at, surface).map(([when, on]) => finished(when, { surface: on, job: 'J' })),
  );

  it('for every job and none together, whatever was written', () => {
    fc.assert(
      fc.property(fc.array(entry, { maxLength: 60 }), (log) => {
        const all = ['J', 'K', undefined].map((one) => compare(log, one, one === 'J' ? PLAN : []));
        const sum = (kind: LogEntry['kind'][], of_: string) =>
          log.reduce(
            (total, one) =>
              kind.includes(one.kind) && 'coating' in one && 'volume' in one && one.coating === of_
                ? total + one.volume
                : total,
            0,
          );
        for (const of_ of ['matt', 'primer']) {
          const own = all.flatMap((each) => each.filter((one) => one.coating === of_));
          // Nothing sprayed is lost, and nothing is counted twice.
          const used = own.reduce((total, one) => total + one.used, 0);
          expect(used).toBeCloseTo(sum(['sprayed', 'used'], of_), 9);
          expect(own.reduce((total, one) => total + one.out, 0)).toBeCloseTo(sum(['paint out'], of_), 9);
          const written = own.reduce((total, one) => total + (one.delivered ?? 0) - (one.unwritten ?? 0), 0);
          expect(written).toBeCloseTo(sum(['delivered'], of_), 9);
          for (const one of own) {
            if (!one.atHand) continue;
            expect(one.used + one.atHand.value + one.out).toBeCloseTo(one.delivered ?? NaN, 12);
            expect(one.atHand.value).toBeGreaterThanOrEqual(0);
          }
        }
      }),
    );
  });
});
