import fc from 'fast-check';
import { learnedMinutes, lessons, readRecord, timesFrom, type LogEntry } from '.';
import { normal, seeded } from '../random';
import {
  NO_AREA,
  TIMED_WORK,
  USUAL_RATES,
  kindOfWorkKey,
  usualTime,
  workCountedIn,
  workOf,
  type KindOfWork,
} from '../quantities';

const MINUTE = 60;
let count = 0;

/** Some work of one job: so much of it in so many minutes of one person. */
function worked(work: KindOfWork, amount: number, minutes: number, job = 'one'): LogEntry {
  count += 1;
  const head = { id: `w${String(count).padStart(5, '0')}`, at: count * 1000, author: 'Wren', job };
  return { ...head, ...work, kind: 'worked', amount, time: minutes * MINUTE };
}
const POOR = { rate: 'filling', state: 'poor' } as const;
const minutesOf = (entries: readonly LogEntry[], work: KindOfWork) =>
  learnedMinutes(readRecord(entries), work).value.value / MINUTE;

const NOTHING = {
  ...{ maskingLine: 60, film: 0, floorCover: 0, fittings: 0, doors: 4, rooms: 1, powerOff: 0 },
  inTheWay: { plate: 0, light: 0, vent: 0, alarm: 0, curtain: 0 },
};
const surfaces = {
  ...{ area: 30, washed: 0, scraped: NO_AREA, sanded: NO_AREA, caulked: 0, backRolled: 0, between: 0 },
  filled: { good: 0, fair: 10, poor: 20 },
  highShare: 0,
};
const work = {
  ...{ trigger: 0, protection: NOTHING, surfaces, moves: 0, flushes: 0, baseChanges: 0, inUse: false },
  ...{ people: 1, days: 1 },
};

describe('minutes that a crew takes', () => {
  it('are the working rate without a word in the log, by state where they hang on it', () => {
    // Filling 1 min/m² on a fair surface, three times that on a poor one; 60 m of masking line an hour; 2.4 doors an hour
    expect(minutesOf([], POOR)).toBeCloseTo(3, 9);
    expect(minutesOf([], { rate: 'maskingLine' })).toBeCloseTo(1, 9);
    expect(minutesOf([], { rate: 'doors' })).toBeCloseTo(25, 9);
    expect(timesFrom(readRecord([]))).toEqual({});
  });

  it('move with what was written down, of one state and not of another', () => {
    const log = [1, 2, 3].flatMap((job) => [
      worked(POOR, 10, 50, `job ${job}`),
      worked(POOR, 20, 100, `job ${job}`),
    ]);
    expect(minutesOf(log, POOR)).toBeGreaterThan(4);
    expect(minutesOf(log, POOR)).toBeLessThan(5);
    const times = timesFrom(readRecord(log));
    expect(Object.keys(times)).toEqual(['filling poor']);
    expect(times['filling poor']).toMatchObject({
      basis: 'history',
      source: '6 times in 3 jobs of this crew',
    });
    expect(lessons(readRecord(log), {}).map(({ kind, timed }) => [kind, timed])).toEqual([['minutes', POOR]]);
  });

  it('are found again in a crew whose own are known, within what the log claims', () => {
    const random = seeded(11);
    let within = 0;
    for (let crew = 0; crew < 40; crew += 1) {
      const hidden = 25 * Math.exp(0.3 * normal(random));
      const log = Array.from({ length: 8 }, (_job, job) => {
        const own = hidden * Math.exp(0.25 * normal(random));
        return Array.from({ length: 5 }, () =>
          worked({ rate: 'doors' }, 4, 4 * own * Math.exp(0.35 * normal(random)), `job ${job}`),
        );
      }).flat();
      const { low, high } = learnedMinutes(readRecord(log), { rate: 'doors' }).value;
      if (low <= hidden * MINUTE && hidden * MINUTE <= high) within += 1;
    }
    // A range of two spreads to each side: 19 in 20 of 40 are 38
    expect(within).toBeGreaterThanOrEqual(35);
  });

  it('believe no slip of the hand: hours typed as minutes change little', () => {
    const log = [1, 2, 3, 4].flatMap((job) => [1, 2].map(() => worked(POOR, 10, 30, `job ${job}`)));
    const before = minutesOf(log, POOR);
    const after = minutesOf([...log, worked(POOR, 10, 30 * 60, 'job 5')], POOR);
    expect(Math.abs(after / before - 1)).toBeLessThan(0.03);
  });

  it('stand in the hours of a job, and for other states by what a fair surface takes', () => {
    const rates = USUAL_RATES;
    const plain = workOf(work, rates);
    // 10 m² fair at 1 min and 20 m² poor at 3
    expect((plain.preparing?.value ?? NaN) / MINUTE).toBeCloseTo(10 + 60, 9);
    const log = Array.from({ length: 40 }, (_unused, job) => worked(POOR, 10, 50, `job ${job}`));
    const learned = timesFrom(readRecord(log));
    const poor = (learned['filling poor']?.value ?? NaN) / MINUTE;
    const own = workOf(work, rates, [], learned);
    expect((own.preparing?.value ?? NaN) / MINUTE).toBeCloseTo(10 + 20 * poor, 9);
    const fair = timesFrom(
      readRecord([1, 2, 3].map((job) => worked({ rate: 'filling', state: 'fair' }, 10, 20, `job ${job}`))),
    );
    const each = (fair['filling fair']?.value ?? NaN) / MINUTE;
    expect((workOf(work, rates, [], fair).preparing?.value ?? NaN) / MINUTE).toBeCloseTo(
      10 * each + 20 * 3 * each,
      9,
    );
    // Rates by the hour, too: 60 m of line in the time it was learned to take, likewise four doors
    const lines = timesFrom(readRecord([worked({ rate: 'maskingLine' }, 30, 60)]));
    const metre = lines['maskingLine']?.value ?? NaN;
    expect(workOf(work, rates, [], lines).masking?.value).toBeCloseTo(60 * metre, 6);
    const doors = timesFrom(readRecord([worked({ rate: 'doors' }, 4, 160)]));
    expect(workOf(work, rates, [], doors).doors).toMatchObject({
      basis: 'history',
      value: expect.closeTo(4 * (doors['doors']?.value ?? NaN), 6) as number,
    });
  });

  it('never make hours less where more was written down: monotone in what the log says', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...TIMED_WORK),
        fc.double({ min: 0.5, max: 3, noNaN: true }),
        fc.double({ min: 1, max: 1.5, noNaN: true }),
        (rate, factor, more) => {
          const kind: KindOfWork = { rate, state: 'fair' };
          const minutes = (usualTime(kind).value / MINUTE) * factor;
          const at = (one: number) => minutesOf([worked(kind, 10, 10 * one)], kind);
          expect(at(minutes * more)).toBeGreaterThanOrEqual(at(minutes) - 1e-9);
          expect(workCountedIn(rate)).toBeDefined();
          expect(kindOfWorkKey(kind)).toContain(rate);
        },
      ),
      { numRuns: 60 },
    );
  });
});
