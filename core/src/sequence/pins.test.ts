import { seeded } from '../random';
import {
  Calendar,
  boundOf,
  brokenRules,
  chanceOf,
  finishBy,
  forecastOf,
  movedTasks,
  planProblems,
  repairPlan,
  searchPlan,
  type SiteJob,
  type SitePlan,
  type SiteTask,
  type SiteTimes,
} from '.';
import { DAY, H, TIMES, hand, jobOf, someJob, spray } from './testing';

const rules = (job: SiteJob, plan: SitePlan) => brokenRules(job, plan).map(({ text }) => text);
const planOf = (job: SiteJob, tries = 60): SitePlan => {
  const found = searchPlan(job, { seed: 3, tries });
  if (!found) throw new Error('no plan');
  return found;
};
const repaired = (job: SiteJob, before: SitePlan): SitePlan => {
  const found = repairPlan(job, before.placed);
  if (!found) throw new Error('no plan');
  return found;
};
const of = (plan: SitePlan, id: string) => {
  const one = plan.placed.find(({ task }) => task === id);
  if (!one) throw new Error(`no ${id}`);
  return one;
};
const changed = (
  job: SiteJob,
  id: string,
  part: Partial<SiteTask>,
  times: Partial<SiteTimes> = {},
): SiteJob => ({
  ...job,
  tasks: job.tasks.map((task) => (task.id === id ? { ...task, ...part } : task)),
  times: new Calendar({ ...job.times.times, ...times }),
});

describe('tasks that somebody put somewhere', () => {
  const job = jobOf([
    hand('protect', H),
    spray('coat', H, { after: [{ task: 'protect', least: 0 }] }),
    hand('loft', 2 * H, { room: 'Loft' }),
  ]);

  it('stay there, on whom they were put, and the rest goes round them', () => {
    const put = changed(job, 'coat', { pin: { start: DAY + 10 * H, who: [1] } });
    const plan = planOf(changed(put, 'loft', { pin: { who: [1] } }));
    expect(of(plan, 'coat')).toMatchObject({ start: DAY + 10 * H, people: [1] });
    expect(of(plan, 'loft').people).toEqual([1]);
    expect(of(plan, 'protect').end).toBeLessThanOrEqual(DAY + 10 * H);
    expect(rules(put, plan)).toEqual([]);
    expect(boundOf(put)?.finish).toBe(DAY + 11 * H);
  });

  it('are refused with the reason', () => {
    const said = (id: string, part: Partial<SiteTask>, times?: Partial<SiteTimes>) =>
      planProblems(changed(job, id, part, times)).map(({ text }) => text);
    expect(said('coat', { pin: { start: 8 * H } })).toEqual([
      // Protected from 8:00 to 9:00
      'coat cannot begin day 1, 8:00: what it waits for is done and dry day 1, 9:00 at the earliest.',
    ]);
    expect(said('coat', { pin: { start: DAY + 3 * H } })).toEqual([
      'coat is put at day 2, 3:00, when there is no work.',
    ]);
    expect(said('loft', { pin: { start: DAY + 9 * H } }, { closed: { Loft: [1] } })).toEqual([
      'loft is put at day 2, 9:00, when Loft is closed.',
    ]);
    expect(said('loft', { pin: { start: DAY + 9 * H, who: [0] } }, { away: { 1: [0] } })).toEqual([
      'loft is put at day 2, 9:00 on somebody who is away then.',
    ]);
    expect(said('loft', { pin: { who: [4] } })).toEqual(['loft is put on somebody who is not on the crew.']);
    expect(said('loft', { pin: { who: [0, 1] } })).toEqual(['loft takes one person, and is put on 2.']);
    expect(said('loft', { pin: { start: DAY + 9 * H, who: [1] } })).toEqual([]);
  });

  it('are never in two places: two of one person at one time find no plan', () => {
    const pin = { start: 9 * H, who: [0] };
    const both = changed(changed(job, 'protect', { pin }), 'loft', { pin });
    expect(searchPlan(both, { seed: 1, tries: 20 })).toBeUndefined();
  });
});

describe('work that is begun', () => {
  it('goes on where it is, whatever there is against it, and the rest waits', () => {
    const job = jobOf(
      [
        spray('coat', H, { running: true, pin: { start: 10 * H, who: [1] } }),
        spray('next', H, { room: 'Loft', fluid: { coating: 'enamel', base: 'solvent' } }),
        hand('unmask', H, { after: [{ task: 'coat', least: 30 }] }),
      ],
      // Shut, and yet somebody is in it
      { from: 10 * H, closed: { Hall: [0] } },
    );
    const plan = planOf(job);
    expect(of(plan, 'coat')).toMatchObject({ start: 10 * H, end: 11 * H, people: [1], setUp: 0 });
    // Another base and another room
    expect(of(plan, 'next')).toMatchObject({ start: 11 * H + 55, setUp: 55 });
    expect(of(plan, 'unmask').start).toBe(DAY + 8 * H);
    expect(rules(job, plan)).toEqual(['Hall is closed then.']);
  });

  it('leaves a sprayer as it was filled: nothing is loaded again, a change is flushed', () => {
    const matt = { coating: 'matt', base: 'water' } as const;
    const job = (coating: string): SiteJob => ({
      ...jobOf([spray('coat', H, { fluid: { coating, base: 'water' } })], { from: 13 * H }),
      loaded: [{ fluid: matt, room: 'Hall' }],
    });
    for (const [coating, setUp] of [['matt', 0] as const, ['ceiling', 25] as const]) {
      const plan = planOf(job(coating));
      expect(of(plan, 'coat')).toMatchObject({ start: 13 * H + setUp, setUp });
      expect(rules(job(coating), plan)).toEqual([]);
      expect(boundOf(job(coating))?.finish).toBeLessThanOrEqual(plan.finish);
    }
  });
});

describe('a plan that is made again', () => {
  it('is the same where nothing is new, whatever the job', () => {
    for (let seed = 1; seed <= 25; seed += 1) {
      const people = 1 + (seed % 3);
      const job = jobOf(someJob(seeded(seed), 1 + (seed % 6)), { people }, 1 + (seed % 2));
      const plan = planOf(job, 40);
      const again = repaired(job, plan);
      expect([seed, movedTasks(plan.placed, again)]).toEqual([seed, []]);
      expect(again).toEqual(plan);
    }
  });

  it('moves little for an hour late, breaks nothing, and a search from it finds no worse', () => {
    let [kept, tasks] = [0, 0];
    for (let seed = 1; seed <= 20; seed += 1) {
      const job = jobOf(someJob(seeded(seed), 5));
      const plan = planOf(job, 40);
      const [first] = [...plan.placed].sort((a, b) => a.start - b.start);
      const late = changed(job, first?.task ?? '', { notBefore: (first?.start ?? 0) + H });
      const again = repaired(late, plan);
      expect([seed, rules(late, again)]).toEqual([seed, []]);
      expect(again.finish).toBeGreaterThanOrEqual(boundOf(late)?.finish ?? Infinity);
      const sooner = searchPlan(late, { seed: 1, tries: 40, from: again });
      expect(sooner?.finish).toBeLessThanOrEqual(again.finish);
      tasks += job.tasks.length;
      kept += job.tasks.length - movedTasks(plan.placed, again).length;
    }
    // Of a job planned anew from nothing nearly every task moves; here most stay.
    expect(kept / tasks).toBeGreaterThan(0.6);
  });

  it('lets go only what is in the way: others stay with who was on them', () => {
    const job = jobOf([hand('a', 2 * H), hand('b', H, { room: 'Loft' }), hand('c', H, { room: 'Attic' })]);
    const plan = planOf(job);
    const c = of(plan, 'c');
    const away = changed(job, 'c', {}, { away: { 0: [c.people[0] ?? 0] } });
    const again = repaired(away, plan);
    expect(rules(away, again)).toEqual([]);
    const moved = movedTasks(plan.placed, again).map(({ task }) => task);
    expect(moved).toContain('c');
    for (const id of ['a', 'b']) if (of(plan, id).people[0] !== c.people[0]) expect(moved).not.toContain(id);
  });
});

describe('when it may be done', () => {
  const spread = { by: 'hand', low: 0.6, high: 1.4 };

  it('is as far apart as the rates are, by hand', () => {
    // One long day: 10 h of work, triangular from 6 to 14
    const day = { day: { from: 0, to: 24 * H }, breaks: [] };
    const job = jobOf([hand('a', 10 * H, { spread })], day);
    const found = forecastOf(job, planOf(job), 1, 400);
    if (!found) throw new Error('no forecast');
    expect(found.finishes).toHaveLength(400);
    expect(chanceOf(found, 10 * H)).toBeCloseTo(0.5, 1);
    // Inverse of its distribution at 0.8: 14 - 8·sqrt(0.1)
    expect(Math.abs(finishBy(found, 0.8) - (14 - Math.sqrt(8 * 4 * 0.2)) * H)).toBeLessThan(20);
    expect(finishBy(found, 0.95)).toBeGreaterThan(finishBy(found, 0.8));
    expect(Math.max(...found.finishes)).toBeLessThanOrEqual(14 * H);
  });

  it('is the plan where nothing is off, and parts what no day holds', () => {
    const exact = jobOf([hand('a', H), spray('b', H, { after: [{ task: 'a', least: 0 }] })]);
    const plan = planOf(exact);
    expect(forecastOf(exact, plan, 1, 3)?.finishes).toEqual([plan.finish, plan.finish, plan.finish]);
    // 6 h of spraying, a day holds 6.6: from a tenth more on it takes a second
    const long = jobOf([spray('coat', 6 * H, { spread: { by: 'spray', low: 1, high: 1.5 } })], { people: 1 });
    const found = forecastOf(long, planOf(long), 1, 200);
    expect(found?.finishes.at(-1)).toBeGreaterThan(DAY);
    expect(found?.finishes[0]).toBeLessThan(DAY);
    expect(TIMES.people).toBe(2);
  });
});
