import fc from 'fast-check';
import { seeded } from '../random';
import {
  Placer,
  better,
  boundOf,
  brokenRules,
  planProblems,
  searchPlan,
  type SiteJob,
  type SiteTask,
} from '.';
import { DAY, H, hand, jobOf, someJob, spray } from './testing';

const plan = (job: SiteJob, tries = 60) => {
  const found = searchPlan(job, { seed: 3, tries });
  if (!found) throw new Error('no plan');
  return found;
};
const at = (job: SiteJob, id: string, tries?: number) => {
  const one = plan(job, tries).placed.find(({ task }) => task === id);
  if (!one) throw new Error(`no ${id}`);
  return [one.start, one.end];
};
const rules = (job: SiteJob, found = plan(job)) =>
  brokenRules(job, found).map(({ rule, text }) => `${rule}: ${text}`);

describe('a plan of the work, by hand', () => {
  it('pauses over a break and a night, and comes after what it waits for', () => {
    // 3 h before and 2 h after noon of the first day; the room is one team's at a time
    const job = jobOf([hand('a', 5 * H), hand('b', 4 * H, { after: [{ task: 'a', least: 0 }] })]);
    expect(at(job, 'a')).toEqual([8 * H, 13 * H + 30]);
    // 2.5 h until 16:00, 1.5 h in the morning
    expect(at(job, 'b')).toEqual([13 * H + 30, DAY + 9 * H + 30]);
    expect(rules(job)).toEqual([]);
  });

  it('waits for drying by the clock on the wall, through a weekend', () => {
    const friday = 4 * DAY;
    const coats = [spray('one', H), spray('two', H, { after: [{ task: 'one', least: 20 * H }] })];
    const job = jobOf(coats, { from: friday });
    // Loaded at 8:00, sprayed until 9:15; 20 h later it is Saturday: Monday, loaded again
    expect(at(job, 'one')).toEqual([friday + 8 * H + 15, friday + 9 * H + 15]);
    expect(at(job, 'two')).toEqual([7 * DAY + 8 * H + 15, 7 * DAY + 9 * H + 15]);
  });

  it('sprays with a set-up before each change, cleans at the end, and lets nobody into the mist', () => {
    const enamel = { coating: 'enamel', base: 'solvent' } as const;
    const job = jobOf([
      spray('matt', H),
      spray('enamel', H, { fluid: enamel, after: [{ task: 'matt', least: 0 }] }),
      hand('unmask', 30, { after: [{ task: 'enamel', least: 0 }] }),
    ]);
    // Load 15; change of base 45 in the same room
    expect(at(job, 'enamel')).toEqual([10 * H, 11 * H]);
    expect(at(job, 'unmask')).toEqual([11 * H + 30, 12 * H]);
    expect(plan(job)).toMatchObject({ flushes: 1, moves: 0, sprayedDays: 1 });
    // 120 of spraying, 30 by hand, 15 + 45 + 40 of set-ups
    expect(plan(job).personMinutes).toBe(250);
  });

  it('puts a spray task into a gap before another, whose set-up is priced again', () => {
    const late = spray('late', H, { room: 'Loft', after: [{ task: 'long', least: 0 }] });
    const job = jobOf([hand('long', 3 * H, { room: 'Loft' }), late, spray('early', H)]);
    const found = new Placer(job).place([0, 1, 2]);
    const of = (id: string) => found?.placed.find(({ task }) => task === id);
    expect(of('early')?.start).toBe(8 * H + 15);
    expect(of('late')).toMatchObject({ start: 11 * H, setUp: 10 });
    expect(rules(job, found)).toEqual([]);
  });

  it('keeps rooms closed, people away and rain', () => {
    const outside = spray('eaves', H, { room: 'Outside', rainFast: 2 * H });
    const job = jobOf([hand('a', H), outside], {
      closed: { Hall: [0] },
      away: { 1: [0, 1] },
      dry: [{ from: 2 * DAY, to: 4 * DAY }],
    });
    expect(at(job, 'a')[0]).toBe(2 * DAY + 8 * H);
    expect(at(job, 'eaves')[0]).toBeGreaterThanOrEqual(2 * DAY + 8 * H);
    expect(rules(job)).toEqual([]);
  });

  it('lets dry what was done before the plan', () => {
    const job = jobOf([spray('two', H, { notBefore: 10 * H + 10 })]);
    expect(at(job, 'two')).toEqual([10 * H + 10, 11 * H + 10]);
    expect(boundOf(job)?.finish).toBe(11 * H + 10);
    const early = plan(jobOf([spray('two', H)]));
    expect(rules(job, early).join()).toMatch(/before the coat under it is dry/);
  });

  it('lays a coat later where it would close before the next can come', () => {
    const job = jobOf(
      [
        spray('primer', H, { room: 'Boat hall' }),
        spray('finish', H, {
          room: 'Boat hall',
          after: [{ task: 'primer', least: 16 * H, most: 30 * H }],
        }),
      ],
      // Shut on Tuesday: a primer of Monday would have closed by Wednesday
      { closed: { 'Boat hall': [1] } },
    );
    expect(at(job, 'primer')[0]).toBeGreaterThanOrEqual(2 * DAY);
    expect(rules(job)).toEqual([]);
  });
});

describe('plans of many jobs', () => {
  it('break no rule, end no earlier than is possible, and are the same for a seed', () => {
    let count = 0;
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 1e6 }),
        fc.integer({ min: 1, max: 6 }),
        fc.integer({ min: 1, max: 3 }),
        fc.integer({ min: 1, max: 2 }),
        (seed, rooms, people, sprayers) => {
          const random = seeded(seed);
          const tasks = someJob(random, rooms);
          const closed = random() < 0.3 ? { 'Room 0': [0, 7] } : {};
          const dry = [
            { from: 0, to: 3 * DAY },
            { from: 5 * DAY, to: 60 * DAY },
          ];
          const job = jobOf(tasks, { people, closed, dry }, sprayers);
          const found = searchPlan(job, { seed: 1, tries: 40 });
          if (!found) return;
          count += 1;
          expect(rules(job, found)).toEqual([]);
          // Everybody is somewhere, and in one place at a time
          for (let person = 0; person < people; person += 1) {
            const own = found.placed
              .filter(({ people: on }) => on[0] === person)
              .sort((a, b) => a.start - b.start);
            own
              .slice(1)
              .forEach((one, index) =>
                expect(one.start - one.setUp).toBeGreaterThanOrEqual(own[index]?.end ?? 0),
              );
          }
          const bound = boundOf(job);
          expect(bound?.finish).toBeLessThanOrEqual(found.finish);
          expect(searchPlan(job, { seed: 1, tries: 40 })).toEqual(found);
        },
      ),
      { numRuns: 36 },
    );
    expect(count).toBeGreaterThan(30);
  });

  it('are no worse for more tries, and not later with one person more but for the gap of the search', () => {
    for (let seed = 1; seed <= 6; seed += 1) {
      const tasks = someJob(seeded(seed), 4);
      const some = plan(jobOf(tasks), 120);
      expect(better(plan(jobOf(tasks), 20), plan(jobOf(tasks), 20))).toBe(false);
      const three = plan(jobOf(tasks, { people: 3 }), 120);
      expect(three.finish).toBeLessThanOrEqual(some.finish);
      expect(plan(jobOf(tasks, { day: { from: 8 * H, to: 18 * H } }), 120).finish).toBeLessThanOrEqual(
        some.finish,
      );
    }
  });

  it('are not later where it is dry for longer, every day a little wider', () => {
    const dry = (hours: number) =>
      Array.from({ length: 60 }, (_unused, day) => ({
        from: day * DAY + 8 * H,
        to: day * DAY + (8 + hours) * H,
      }));
    let waited = 0;
    for (let seed = 1; seed <= 6; seed += 1) {
      const tasks = someJob(seeded(seed), 3).map((task) => (task.fluid ? { ...task, rainFast: H } : task));
      const finishes = [5, 7, 9, 24].map((hours) => plan(jobOf(tasks, { dry: dry(hours) }), 120).finish);
      for (const [index, finish] of finishes.entries())
        expect([seed, finish <= (finishes[index - 1] ?? Infinity)]).toEqual([seed, true]);
      if ((finishes[0] ?? 0) > (finishes[3] ?? 0)) waited += 1;
    }
    expect(waited).toBeGreaterThan(0);
  });
});

/** The least finish of hand work in hours, by trying every start on the hour: nothing of the planner is in it. */
function leastFinish(tasks: readonly SiteTask[], people: number, hours: number): number {
  const taken = new Array<number>(hours).fill(0);
  const rooms = new Map<string, number[]>();
  const ends = new Map<string, number>();
  let best = Infinity;
  const tryAll = (index: number, finish: number): void => {
    if (finish >= best) return;
    const task = tasks[index];
    if (!task) {
      best = finish;
      return;
    }
    const room = rooms.get(task.room) ?? new Array<number>(hours).fill(0);
    rooms.set(task.room, room);
    const length = task.minutes / H;
    const from = Math.max(0, ...task.after.map((one) => (ends.get(one.task) ?? 0) + one.least / H));
    for (let start = from; start + length <= hours; start += 1) {
      const span = Array.from({ length }, (_unused, hour) => start + hour);
      if (span.some((hour) => (taken[hour] ?? 0) + task.people > people || room[hour] === 1)) continue;
      for (const hour of span) {
        taken[hour] = (taken[hour] ?? 0) + task.people;
        room[hour] = 1;
      }
      ends.set(task.id, start + length);
      tryAll(index + 1, Math.max(finish, start + length));
      for (const hour of span) {
        taken[hour] = (taken[hour] ?? 0) - task.people;
        room[hour] = 0;
      }
    }
    ends.delete(task.id);
  };
  tryAll(0, 0);
  return best;
}

it('finds the best of small jobs, held against every way to do them', () => {
  // One long day, so that hours are hours
  const day = { day: { from: 0, to: 24 * H }, breaks: [], workdays: [0, 1, 2, 3, 4, 5, 6] };
  for (let seed = 1; seed <= 30; seed += 1) {
    const random = seeded(seed);
    const upTo = (most: number) => Math.ceil(random() * most);
    const tasks = Array.from({ length: 6 }, (_task, index) =>
      hand(`t${index}`, upTo(3) * H, {
        ...{ room: `Room ${upTo(3)}`, people: random() < 0.2 ? 2 : 1 },
        after: index > 0 && random() < 0.5 ? [{ task: `t${upTo(index) - 1}`, least: (upTo(3) - 1) * H }] : [],
      }),
    );
    const found = plan(jobOf(tasks, day), 400);
    expect([seed, found.finish]).toEqual([seed, leastFinish(tasks, 2, 20) * H]);
  }
});

describe('a checker that stands by itself', () => {
  const job = jobOf([spray('one', H), hand('two', H, { after: [{ task: 'one', least: 2 * H }] })]);
  const good = plan(job);
  const moved = (id: string, by: number) => ({
    ...good,
    placed: good.placed.map((one) =>
      one.task === id ? { ...one, start: one.start + by, end: one.end + by } : one,
    ),
  });

  it('finds what a plan breaks', () => {
    expect(rules(job, good)).toEqual([]);
    expect(rules(job, moved('two', -H)).join()).toMatch(/order/);
    expect(rules(job, moved('one', -15)).join()).toMatch(/sprayer|time/);
    expect(rules(job, moved('two', 12 * H)).join()).toMatch(/time/);
    expect(rules(job, { ...good, placed: good.placed.slice(1) }).join()).toMatch(/missing/);
    const both = jobOf([hand('one', H), hand('two', H)]);
    const overlapping = {
      ...good,
      placed: ['one', 'two'].map((task) => ({ task, start: 8 * H, end: 9 * H, people: [0], setUp: 0 })),
    };
    expect(rules(both, overlapping).join()).toMatch(/room/);
    expect(rules(both, overlapping).join()).toMatch(/two is for somebody who is at other work/);
    const away = jobOf([hand('one', H), hand('two', H)], { away: { 0: [0] } });
    expect(rules(away, overlapping).join()).toMatch(/one is for somebody who is away/);
    const put = jobOf([hand('one', H, { pin: { start: 9 * H, who: [1] } }), hand('two', H)]);
    expect(rules(put, overlapping).join()).toMatch(/pin: one is not where it was put/);
  });
});

it('says what keeps a job from being planned, and a way out', () => {
  const texts = (job: SiteJob) => planProblems(job).map(({ text }) => text);
  expect(texts(jobOf([hand('a', H)], { people: 0 }))).toEqual([
    'Nobody is on the crew: put at least one person on it.',
  ]);
  expect(texts(jobOf([spray('a', H)], {}, 0))).toEqual(['There is no sprayer: put at least one on the job.']);
  expect(texts(jobOf([hand('a', H)], { workdays: [] }))[0]).toMatch(/no working day/);
  const ring = [
    hand('a', H, { after: [{ task: 'b', least: 0 }] }),
    hand('b', H, { after: [{ task: 'a', least: 0 }] }),
  ];
  expect(texts(jobOf(ring))).toEqual(['a waits for itself: take one of the wishes away.']);
  expect(texts(jobOf([spray('a', 9 * H)]))).toEqual([
    'a is 9 h of spraying, and a day has 6.6: part the surface.',
  ]);
  expect(
    texts(jobOf([hand('a', H)], { closed: { Hall: Array.from({ length: 200 }, (_day, day) => day) } })),
  ).toEqual(['Hall is always closed: open it on some day.']);
  expect(texts(jobOf([spray('a', H, { rainFast: H })], { dry: [] }))[0]).toMatch(/no dry hour/);
  expect(texts(jobOf([hand('a', H, { people: 3 })]))[0]).toMatch(/takes 3 people, and 2 are/);
  expect(searchPlan(jobOf(ring), { seed: 1, tries: 10 })).toBeUndefined();
});
