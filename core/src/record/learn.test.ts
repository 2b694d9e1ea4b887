import fc from 'fast-check';
import {
  historyFor,
  learnedCup,
  learnedPressure,
  learnedSpeed,
  learnedThinning,
  learnedTransfer,
  learnedValue,
  lessons,
  readRecord,
  type LogEntry,
} from '.';
import type { Coating } from '../coating';
import { workingDefault } from '../explain';
import { normal, seeded } from '../random';
import { setupCard } from '../setup';
import { wallRequest } from '../testing';
import { of, quantity, type Fraction } from '../units';
import { COATINGS, comb, confirmed, cup, finished, sprayed } from './testing';

const matt = COATINGS['matt'] as Coating;
const WALL = { element: 'wall', side: 'inside', wind: 'calm' } as const;
const prior = workingDefault('TE', 'percent', 0.82, 0.75, 0.88);
const spread = { reading: 0.12, job: 0.08 };

/** A coat of 20 m² of 112.5 μm: 2.25 L on the wall, and so much through the gun that `te` of it landed. */
function coat(te: number, job: string, surface: string): LogEntry[] {
  const at = { surface: `${job} ${surface}`, coat: 1, job };
  return [finished(0, at), comb(100, 125, at), sprayed(2.25 / te, at)];
}

/** A log of so many jobs of a crew whose paint lands with a hidden share; coats scatter within jobs, jobs about it. */
function crewLog(hidden: number, jobs: number, coats: number, random: () => number): LogEntry[] {
  return Array.from({ length: jobs }, (_job, job) => {
    const own = hidden * Math.exp(spread.job * normal(random));
    return Array.from({ length: coats }, (_coat, index) =>
      coat(own * Math.exp(spread.reading * normal(random)), `job ${job}`, `wall ${index}`),
    ).flat();
  }).flat();
}

describe('a learned value', () => {
  it('is the default without readings, and the crew with many jobs', () => {
    expect(learnedValue(prior, [], spread).value).toMatchObject({ basis: 'default' });
    expect(learnedValue(prior, [], spread).value.value).toBeCloseTo(0.82, 12);
    const few = learnedValue(prior, [[0.65]], spread).value.value;
    const many = learnedValue(
      prior,
      Array.from({ length: 60 }, () => [0.65, 0.65]),
      spread,
    );
    expect(few).toBeGreaterThan(0.74);
    expect(few).toBeLessThan(0.81);
    // The default's information 0.08⁻² = 156 pulls, 60 jobs of 1/(0.08² + 0.12²/2) = 73.5 each stand against it
    const pull = (Math.log(0.88 / 0.75) / 2) ** -2;
    const held = 60 / (0.08 ** 2 + 0.12 ** 2 / 2);
    const between = (pull * Math.log(0.82) + held * Math.log(0.65)) / (pull + held);
    expect(many.value.value).toBeCloseTo(Math.exp(between), 3);
    expect(many.value.high - many.value.low).toBeLessThan(0.06);
    expect(many).toMatchObject({ jobs: 60, readings: 120, value: { basis: 'history' } });
  });

  it('counts a job with many coats as one job, not as many', () => {
    const one = learnedValue(prior, [Array.from({ length: 50 }, () => 0.7)], spread).value;
    const ten = learnedValue(
      prior,
      Array.from({ length: 10 }, () => [0.7, 0.7, 0.7, 0.7, 0.7]),
      spread,
    ).value;
    expect(Math.abs(ten.value - 0.7)).toBeLessThan(Math.abs(one.value - 0.7) / 2);
  });

  it('finds the spread of the jobs, and takes the usual one while there are few', () => {
    const jobs = [0.7, 0.75, 0.8, 0.85, 0.9].map((one) => [one, one]);
    // The middle one of how far they lie from 0.8, as a standard deviation
    expect(learnedValue(prior, jobs, spread).spread).toBeCloseTo((0.8 / 0.75) ** 1.4826 - 1, 9);
    expect(learnedValue(prior, jobs.slice(0, 2), spread).spread).toBe(spread.job);
  });

  it('leaves readings out that are none', () => {
    expect(
      learnedValue(
        prior,
        [
          [NaN, -1],
          [0, Infinity],
        ],
        spread,
      ),
    ).toMatchObject({ jobs: 0, readings: 0 });
  });

  it.each([10, 0.1])(
    'is the same in whatever order the jobs come, one at %s times the rest among them',
    (far) => {
      const open = workingDefault('Factor', 'factor', 1, 0.05, 20);
      const jobs = [[1], [1.05], [far], [0.98], [1.02]];
      const straight = learnedValue(open, jobs, spread).value.value;
      expect(straight).toBeGreaterThan(0.95);
      expect(straight).toBeLessThan(1.1);
      fc.assert(
        fc.property(fc.shuffledSubarray(jobs, { minLength: jobs.length }), (shuffled) => {
          expect(learnedValue(open, shuffled, spread).value.value).toBeCloseTo(straight, 9);
        }),
      );
    },
  );

  it('lies between the lowest and the highest of default and jobs', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.double({ min: 0.3, max: 1, noNaN: true }), { minLength: 1, maxLength: 5 }), {
          maxLength: 8,
        }),
        (jobs) => {
          const { value } = learnedValue(prior, jobs, spread);
          const all = [...jobs.flat(), 0.82];
          expect(value.value).toBeGreaterThanOrEqual(Math.min(...all) - 1e-9);
          expect(value.value).toBeLessThanOrEqual(Math.max(...all) + 1e-9);
          expect(value.low).toBeLessThan(value.value);
          expect(value.high).toBeGreaterThan(value.value);
        },
      ),
    );
  });
});

describe('synthetic crews with a hidden loss', () => {
  const error = (jobs: number, crews: number) => {
    const random = seeded(11);
    let sum = 0;
    for (let crew = 0; crew < crews; crew += 1) {
      // Within the range of the working default, as crews lie.
      const hidden = 0.82 * Math.exp(0.08 * normal(random));
      const { value } = learnedTransfer(readRecord(crewLog(hidden, jobs, 4, random)), WALL);
      sum += Math.log(value.value / Math.min(1, hidden)) ** 2;
    }
    return Math.sqrt(sum / crews);
  };

  it('are learned with an error that shrinks as one over the root of the number of jobs', () => {
    const [four, sixteen, sixtyFour] = [error(4, 100), error(16, 100), error(64, 100)];
    // Twice as near for four times the jobs; the default helps while they are few.
    expect(four / sixteen).toBeGreaterThan(1.6);
    expect(four / sixteen).toBeLessThan(2.4);
    expect(sixteen / sixtyFour).toBeGreaterThan(1.7);
    expect(sixteen / sixtyFour).toBeLessThan(2.4);
    // 64 jobs of four coats: √(0.08² + 0.12²/4) ÷ 8 is 1.25 %
    expect(sixtyFour).toBeLessThan(0.016);
  });

  it.each([2, 3, 5, 20])(
    'with %i jobs are moved by less than 5 %% by one entry ten times too big',
    (jobs) => {
      const random = seeded(5);
      for (let crew = 0; crew < 40; crew += 1) {
        const log = crewLog(0.7, jobs, 3, random);
        const clean = learnedTransfer(readRecord(log), WALL).value.value;
        for (const index of [2, 5]) {
          for (const kind of ['sprayed', 'coat finished'] as const) {
            const at = log.findIndex((entry, place) => place >= index - 2 && entry.kind === kind);
            const spoiled = log.map((entry, place): LogEntry => {
              if (place !== at) return entry;
              if (entry.kind === 'sprayed') return { ...entry, volume: quantity(entry.volume * 10) };
              return entry.kind === 'coat finished' ? { ...entry, trueArea: entry.trueArea * 10 } : entry;
            });
            const now = learnedTransfer(readRecord(spoiled), WALL).value.value;
            expect(Math.abs(now / clean - 1)).toBeLessThan(0.05);
          }
        }
      }
    },
  );
});

describe('what the log teaches', () => {
  it('is the transfer from area, comb and litres, coat by coat, traceable to its entries', () => {
    const log = [...coat(0.7, 'a', 'x'), ...coat(0.7, 'b', 'y')];
    const learned = learnedTransfer(readRecord(log), WALL);
    expect(learned).toMatchObject({ jobs: 2, readings: 2 });
    expect([...learned.entries()].sort()).toEqual(log.map(({ id }) => id).sort());
    expect(learnedTransfer(readRecord(log), { ...WALL, element: 'door' }).readings).toBe(0);
    expect(learnedTransfer(readRecord([finished(0)]), WALL).readings).toBe(0);
  });

  it('is the pressure an even fan needs, by coating and family', () => {
    const cards = ['a', 'b', 'c', 'd', 'e', 'f'].map((job) => confirmed(100, { job }));
    const learned = learnedPressure(readRecord(cards), { coating: 'matt', family: 'standard' });
    expect(learned).toMatchObject({ jobs: 6, readings: 6 });
    expect(learned.value.value).toBeLessThan(0.83);
    expect(learnedPressure(readRecord(cards), { coating: 'matt', family: 'wide' }).readings).toBe(0);
  });

  it('is the speed the comb asks for, where the gun was timed', () => {
    const timed = ['a', 'b', 'c', 'd'].map((job) =>
      comb(140, 160, {
        job,
        surface: job,
        family: 'standard',
        target: of(120, 'μm'),
        speed: of(0.6, 'm/s'),
        cardSpeed: of(0.6, 'm/s'),
      }),
    );
    const learned = learnedSpeed(readRecord(timed), { coating: 'matt', family: 'standard' });
    // 150 ÷ 120 = 1.25 times as fast as the card, held back by the default
    expect(learned.value.value).toBeGreaterThan(1.17);
    expect(learned.value.value).toBeLessThan(1.25);
    expect(learnedSpeed(readRecord([comb(140, 160)]), { coating: 'matt', family: 'standard' }).readings).toBe(
      0,
    );
  });

  it('is that speed by each comb, where the gun went faster after the first', () => {
    const timedAt = (speed: number, film: number, job: string) =>
      comb(film - 10, film + 10, {
        job,
        surface: job,
        family: 'standard',
        target: of(120, 'μm'),
        speed: of(speed, 'm/s'),
        cardSpeed: of(0.6, 'm/s'),
      });
    // 0.6 m/s laid 150 μm and 0.75 m/s laid 120: both say a quarter faster than the card.
    const jobs = ['a', 'b', 'c', 'd'];
    const steady = jobs.map((job) => timedAt(0.6, 150, job));
    const faster = jobs.flatMap((job) => [timedAt(0.6, 150, job), timedAt(0.75, 120, job)]);
    const about = { coating: 'matt', family: 'standard' } as const;
    const [one, two] = [steady, faster].map((log) => learnedSpeed(readRecord(log), about));
    expect(two?.value.value).toBeCloseTo(one?.value.value ?? NaN, 9);
    expect(two?.entries()).toHaveLength(8);
  });

  it('is how far the crew thins', () => {
    const log = ['a', 'b', 'c', 'd', 'e'].map((job) => cup(30, { job, thinner: quantity(0.04) }));
    const { value } = learnedThinning(readRecord(log), 'matt', matt).value;
    expect(value).toBeGreaterThan(1.02);
    expect(value).toBeLessThan(1.04);
    expect(
      learnedThinning(
        readRecord([...log, ...log.map((one) => ({ ...one, id: `${one.id}b`, job: `${one.job}b` }))]),
        'matt',
        matt,
      ).value.value,
    ).toBeGreaterThan(value);
  });

  it('takes thinning from none to the limit of the sheet as usual, and a hair where the sheet allows none', () => {
    const usual = (limit: number) => {
      const sheet: Coating = {
        ...matt,
        overrides: { thinningLimit: { value: of(limit, '%'), basis: 'data-sheet', source: 'Data sheet' } },
      };
      return learnedThinning(readRecord([]), 'matt', sheet).value.inputs[0];
    };
    expect(usual(10)).toMatchObject({ value: 1, high: 1.05 });
    expect(usual(10)?.low).toBeCloseTo(1 / 1.05, 12);
    expect(usual(0)?.low).toBeCloseTo(1 / 1.01, 12);
  });

  it('changes the next set-up and says what it stands on', () => {
    const jobs = Array.from({ length: 6 }, (_unused, index) => `j${index}`);
    const log = jobs.flatMap((job) => [
      ...coat(0.65, job, 'x'),
      ...coat(0.65, job, 'y'),
      confirmed(100, { job }),
    ]);
    const query = { ...WALL, coating: 'matt' } as const;
    const history = historyFor(readRecord(log), query);
    expect(history.transfer?.source).toBe('12 coats in 6 jobs of this crew');
    expect(history.evenFan?.standard?.source).toBe('6 test cards in 6 jobs of this crew');
    expect(historyFor(readRecord([]), query)).toEqual({ transfer: undefined, evenFan: undefined });
    expect(historyFor(readRecord([confirmed(100)]), query).evenFan?.standard?.source).toBe(
      '1 test card in 1 job of this crew',
    );
    const request = wallRequest({
      geometry: { shape: 'rectangle', width: 6, height: 2.5, count: 1, openings: [] },
      chosenTip: { family: 'standard', fan: 5, orificeThou: 15 },
    });
    const [before, after] = [setupCard(request), setupCard({ ...request, history })];
    if (!before.ok || !after.ok) throw new Error('cards');
    expect(after.value.paint.value).toBeGreaterThan(before.value.paint.value * 1.08);
    expect(after.value.gunPressure.value).toBeLessThan(before.value.gunPressure.value * 0.9);
    expect(after.value.gunPressure.inputs.map(({ source }) => source)).toContain(
      '6 test cards in 6 jobs of this crew',
    );
  });

  it('comes with each reading behind it, and what it would be without that one', () => {
    const log = [...coat(0.7, 'a', 'x'), ...coat(0.6, 'a', 'y'), ...coat(0.75, 'b', 'x')];
    const learned = learnedTransfer(readRecord(log), WALL);
    const each = learned.each();
    expect(each.map(({ value }) => Math.round(value * 1e6) / 1e6)).toEqual([0.7, 0.6, 0.75]);
    expect(each.flatMap(({ entries }) => entries)).toEqual(learned.entries());
    // The same as if it had never been written.
    for (const { entries, without } of each) {
      const rest = log.filter(({ id }) => !entries.includes(id));
      expect(without()).toBeCloseTo(learnedTransfer(readRecord(rest), WALL).value.value, 12);
      expect(without()).not.toBeCloseTo(learned.value.value, 6);
    }
    const seconds = [50, 20, 30].map((one, index) => cup(one, { job: `j${index}` }));
    for (const { entries, without } of learnedCup(readRecord(seconds), 'matt', 'dip-5').each()) {
      const rest = readRecord(seconds.filter(({ id }) => !entries.includes(id)));
      expect(without()).toBeCloseTo(learnedCup(rest, 'matt', 'dip-5').value.value, 12);
    }
    const [only] = learnedPressure(readRecord([confirmed(100)]), {
      coating: 'matt',
      family: 'standard',
    }).each();
    expect(only?.without()).toBe(1);
  });

  it('is of what was measured alone: not of cards that disagree, nor of a cup that was thinned after', () => {
    const about = { coating: 'matt', family: 'standard' } as const;
    expect(learnedPressure(readRecord([confirmed(100, { sure: false })]), about).readings).toBe(0);
    const thinned = { ...cup(60), seconds: undefined, thinner: quantity<Fraction>(0.05) };
    expect(learnedCup(readRecord([thinned]), 'matt', 'dip-5').readings).toBe(0);
    expect(learnedThinning(readRecord([thinned]), 'matt', matt).value.value).toBeGreaterThan(1);
    // What a plan had for thinner says nothing.
    expect(learnedThinning(readRecord([confirmed(100)]), 'matt', matt).readings).toBe(0);
  });

  it('is listed with what it is about, best known first', () => {
    const log = [...coat(0.7, 'a', 'x'), ...coat(0.7, 'b', 'x'), confirmed(110, { job: 'a' }), cup(30)];
    const found = lessons(readRecord(log), COATINGS);
    expect(found.map(({ kind }) => kind)).toEqual(['transfer', 'pressure', 'thinning', 'cup']);
    expect(found[0]?.work).toEqual(WALL);
    expect(lessons(readRecord([]), COATINGS)).toEqual([]);
  });

  it('is listed by its readings where it stands on as many jobs', () => {
    const log = [...coat(0.7, 'a', 'x'), cup(30, { job: 'a' }), cup(31, { job: 'a' })];
    expect(lessons(readRecord(log), COATINGS).map(({ kind }) => kind)).toEqual([
      'thinning',
      'cup',
      'transfer',
    ]);
  });

  it('is the seconds at which the crew sprays, by coating and cup, from the middle of its own', () => {
    const jobs = [50, 20, 30].map((seconds, index) => cup(seconds, { job: `j${index}` }));
    const others = [cup(90, { coating: 'masonry' }), cup(15, { cup: 'iso-4' })];
    const { value, readings, entries } = learnedCup(readRecord([...jobs, ...others]), 'matt', 'dip-5');
    expect(value.inputs[0]).toMatchObject({ value: 30, low: 7.5, high: 120, basis: 'default' });
    expect(value.value).toBeGreaterThan(20);
    expect(value.value).toBeLessThan(50);
    expect(readings).toBe(3);
    expect(entries()).toEqual(jobs.map(({ id }) => id));
  });
});
