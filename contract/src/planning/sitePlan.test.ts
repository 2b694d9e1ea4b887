import { sprayingTime } from '@fine-spray/core/quantities';
import { Calendar, brokenRules, type SiteTimes } from '@fine-spray/core/sequence';
import { STORED, demoCompany, demoFile } from '../testing/demo';
import { SCHOOLS, USUAL_BOOK, jobFile } from '..';
import {
  PRICED_AT,
  USUAL_WEATHER,
  askedOtherwise,
  layersOf,
  otherPlans,
  planSite,
  siteTasks,
  workOutJob,
  type DryingWeather,
  type SiteAsked,
  type SiteStep,
} from '.';

const H = 60;
const { kit, jobs } = demoCompany();
const TIMES: SiteTimes = {
  ...{ firstWeekday: 0, from: 0, workdays: [0, 1, 2, 3, 4], people: 2, away: {}, closed: {} },
  day: { from: 7 * H, to: 15 * H + 30 },
  breaks: [{ from: 12 * H, to: 12 * H + 30 }],
};
const places = new Map(
  ['tern-boathouse', 'kiln-house', 'orchard-row-3'].map((name) => {
    const file = jobFile.parse(demoFile(`${name}.job.json`));
    return [file.job.id, file.places.map((one) => ({ ...one, ...STORED }))];
  }),
);
const all = jobs.map(({ job, surfaces }) => ({
  name: job.name,
  surfaces,
  worked: workOutJob({
    ...{ job, surfaces, kit, places: places.get(job.id) ?? [], book: USUAL_BOOK },
    ...PRICED_AT,
  }),
}));
type Worked = (typeof all)[number];
const ASKED: SiteAsked = {
  ...{
    first: '2026-12-07',
    school: 'trim first',
    weather: USUAL_WEATHER,
    times: TIMES,
    sprayers: 1,
    seed: 1,
    tries: 10,
  },
  unsure: true,
};
const planned = ({ worked }: Worked, part: Partial<SiteAsked> = {}) => {
  const found = planSite(worked, { ...ASKED, ...part });
  if (!found.ok) throw new Error(found.messages.join(' '));
  return found;
};

describe.each(all.map((one) => [one.name, one] as const))('the days of %s', (_name, one) => {
  const { work, plan } = one.worked;
  if (!work || !plan) throw new Error('no work');

  it.each(SCHOOLS)('have every coat of every surface once, %s, and the hours of the estimate', (school) => {
    const { tasks } = siteTasks(work, { school });
    for (const surface of one.surfaces) {
      const coats = layersOf(surface).reduce((sum, { coats: count }) => sum + count, 0);
      const own = tasks.filter(({ kind, surfaces }) => kind === 'spray' && surfaces.includes(surface.id));
      const distinct = new Set(own.map(({ id }) => id.split(' ').slice(0, 2).join(' ')));
      expect([surface.name, distinct.size]).toEqual([surface.name, coats]);
    }
    const sprayed = tasks
      .filter(({ kind, people }) => kind === 'spray' && people === 1)
      .reduce((sum, { minutes }) => sum + minutes, 0);
    const rolled = tasks.some(({ people }) => people === 2);
    const exact = sprayingTime(work.trigger) / 60;
    // Each task is up to five minutes longer on the grid
    if (!rolled) expect(sprayed).toBeGreaterThanOrEqual(exact - 1e-6);
    expect(sprayed).toBeLessThan(exact + 5 * tasks.length);
    const byHand = tasks.filter(({ kind }) => kind === 'hand').reduce((sum, { minutes }) => sum + minutes, 0);
    const { hours } = plan;
    const parts = [
      'furniture',
      'fittings',
      'doors',
      'preparing',
      'caulking',
      'dusting',
      'height',
      'masking',
    ] as const;
    const tasksByHand = [...parts, 'between', 'unmasking', 'touchUp'] as const;
    const estimated = tasksByHand.reduce((sum, task) => sum + (hours[task]?.value ?? 0), 0) / 60;
    expect(byHand).toBeGreaterThan(0.9 * estimated);
    expect(byHand).toBeLessThan(1.1 * estimated + 5 * tasks.length);
  });

  it('keep every rule, are done no earlier than can be, and come out the same again', () => {
    const found = planned(one);
    expect(
      brokenRules({ tasks: found.tasks, times: new Calendar(found.times), sprayers: 1 }, found.plan),
    ).toEqual([]);
    expect(found.bound.finish).toBeLessThanOrEqual(found.plan.finish);
    expect(planned(one).plan).toEqual(found.plan);
  });
});

describe('a plan of Tern Boathouse', () => {
  const [tern] = all;
  if (!tern) throw new Error('no job');

  it('keeps the boat hall shut on Mondays', () => {
    const closed = { 'Boat hall': Array.from({ length: 20 }, (_week, week) => 7 * week) };
    const { tasks, plan } = planned(tern, { times: { ...TIMES, closed } });
    const inHall = plan.placed.filter(
      ({ task }) => tasks.find(({ id }) => id === task)?.room === 'Boat hall',
    );
    expect(inHall.length).toBeGreaterThan(5);
    for (const { start } of inHall) expect(Math.floor(start / 1440) % 7).not.toBe(0);
  });

  it('is not longer with one person more, and says who is missing', () => {
    const two = planned(tern, { tries: 20 }).plan.finish;
    expect(planned(tern, { tries: 20, times: { ...TIMES, people: 3 } }).plan.finish).toBeLessThanOrEqual(two);
    expect(planSite(tern.worked, { ...ASKED, times: { ...TIMES, people: 0 } })).toEqual({
      ...{ ok: false, done: false },
      messages: ['Nobody is on the crew: put at least one person on it.'],
    });
    const always = { 'Boat hall': Array.from({ length: 200 }, (_day, day) => day) };
    const shut = planSite(tern.worked, { ...ASKED, times: { ...TIMES, closed: always } });
    expect(shut.ok ? [] : shut.messages).toEqual(['Boat hall is always closed: open it on some day.']);
  });

  it('takes off what is done, and waits until it is dry', () => {
    const { work } = tern.worked;
    if (!work) throw new Error('no work');
    const galley = tern.surfaces.filter(({ room, element }) => room === 'Galley' && element === 'wall');
    const [wall] = galley;
    if (!wall) throw new Error('no wall');
    const done = galley.map(({ id, coatingId }) => ({
      surface: id,
      coating: coatingId,
      coat: 1,
      at: 10 * H,
    }));
    const { tasks, plan } = planned(tern, { done });
    const own = tasks.filter(({ kind, surfaces }) => kind === 'spray' && surfaces.includes(wall.id));
    const before = siteTasks(work, { school: 'trim first' }).tasks;
    expect(own.length).toBe(
      before.filter(({ kind, surfaces }) => kind === 'spray' && surfaces.includes(wall.id)).length - 1,
    );
    // The room was protected and prepared before its first coat
    expect(tasks.some(({ id, room }) => room === 'Galley' && / (protect|prepare|mask)$/.test(id))).toBe(
      false,
    );
    const next = plan.placed.find(({ task }) => task === own[0]?.id);
    expect(own[0]?.notBefore).toBeGreaterThan(11 * H);
    expect(next?.start).toBeGreaterThanOrEqual(own[0]?.notBefore ?? NaN);
    const all = tern.surfaces.flatMap((surface) =>
      layersOf(surface).flatMap(({ coatingId, coats }) =>
        Array.from({ length: 9 }, (_unused, coat) => ({
          surface: surface.id,
          coating: coatingId,
          coat: coat + 1,
          at: 0,
        })).slice(0, 9 * coats),
      ),
    );
    // Nothing is left to spray; rooms are still cleared
    expect(planned(tern, { done: all }).tasks.every(({ kind }) => kind === 'hand')).toBe(true);
  });

  it('goes on from what the log says: what is begun goes on, what is done leaves, and little else moves', () => {
    const times = { ...TIMES, closed: { 'Boat hall': [0] } };
    const before = planned(tern, { times, tries: 20 });
    const placed = before.plan.placed;
    // With nothing new nothing moves
    const same = planned(tern, { times, tries: 0, before: placed });
    expect(same.moved).toEqual([]);
    expect(same.plan).toEqual(before.plan);
    // Ten o'clock: what was to be done by then is done, what was to be begun runs
    const now = 10 * H;
    const steps = placed.flatMap(({ task, start, end }): SiteStep[] =>
      end <= now
        ? [{ task, state: 'done', at: end }]
        : start <= now
          ? [{ task, state: 'running', at: start }]
          : [],
    );
    const running = steps.filter(({ state }) => state === 'running');
    expect(running.length).toBeGreaterThan(0);
    const then = { times: { ...times, from: now }, tries: 0, before: placed, steps };
    const on = planned(tern, then);
    expect(on.tasks.length).toBe(before.tasks.length - (steps.length - running.length));
    for (const { task, at } of running) {
      const one = on.plan.placed.find(({ task: id }) => id === task);
      const was = placed.find(({ task: id }) => id === task);
      expect(one?.people).toEqual(was?.people);
      expect(one?.end).toBe(was?.end);
      expect(at).toBeLessThanOrEqual(now);
    }
    // As planned so far: nothing that is not begun moves, and it is done when it was to be
    expect(on.moved.map(({ task }) => task).filter((id) => !running.some(({ task }) => task === id))).toEqual(
      [],
    );
    expect(on.plan.finish).toBe(before.plan.finish);
    // Two hours late: rules are kept, most stay on their day, and a search from there is no worse
    const late = planned(tern, { ...then, times: { ...times, from: 12 * H + 30 } });
    expect(late.notes).toEqual([]);
    const otherDay = late.moved.filter(
      ({ from, to }) => Math.floor(from.start / 1440) !== Math.floor(to.start / 1440),
    );
    expect(otherDay.length).toBeLessThan(late.tasks.length / 4);
    const sooner = planned(tern, { ...then, times: { ...times, from: 12 * H + 30 }, tries: 20 });
    expect(sooner.plan.finish).toBeLessThanOrEqual(late.plan.finish);
    // Skipped is as if it need not be done
    const skipped = planned(tern, {
      ...then,
      steps: [...steps, { task: 'Stair protect', state: 'skipped', at: now }],
    });
    expect(skipped.tasks.some(({ id }) => id === 'Stair protect')).toBe(false);
  });

  it('has a chance for its finish, later the surer, and waits outside for the weather of the station', () => {
    const { unsure: _unsure, ...sure } = ASKED;
    const found = planSite(tern.worked, sure);
    if (!found.ok) throw new Error(found.messages.join(' '));
    expect(found.chances?.likely).toBeLessThanOrEqual(found.chances?.safe ?? 0);
    expect(found.chances?.safe).toBeGreaterThanOrEqual(found.bound.finish);
    const outside = (part: Partial<SiteAsked>) =>
      planned(tern, part).plan.placed.filter(({ task }) =>
        found.tasks.some(({ id, rainFast }) => id === task && rainFast !== undefined),
      );
    // It rains from twelve on the first day, the third and so on: what is outside is sprayed between
    const rain = outside({ outside: ['rain at noon', 'mild'] });
    expect(rain.length).toBeGreaterThan(0);
    for (const { start } of rain) expect(Math.floor(start / 1440) % 2).toBe(1);
    const wet = planSite(tern.worked, { ...ASKED, outside: ['rain at noon'] });
    expect(wet.ok ? '' : wet.messages[0]).toMatch(
      /^Outside: .* needs [\d.]+ h of fit weather from its start, and the forecast has no such time/,
    );
  });

  it('keeps tasks where they were put, or says why not', () => {
    const found = planned(tern);
    const [task] = found.tasks.filter(({ what }) => what === 'protect');
    if (!task) throw new Error('nothing to protect');
    const start = 2 * 1440 + 9 * H;
    const put = planned(tern, { pins: [{ task: task.id, start, who: [1] }] });
    expect(put.plan.placed.find(({ task: id }) => id === task.id)).toMatchObject({ start, people: [1] });
    const coat = found.tasks.find(({ what, notBefore }) => what === 'coat' && notBefore === undefined);
    const early = planSite(tern.worked, {
      ...ASKED,
      pins: [{ task: coat?.id ?? '', start: 7 * H + 30, who: [] }],
    });
    expect(early.ok ? [] : early.messages).toEqual([
      expect.stringMatching(
        /cannot begin Monday 7 December, 7:30: what it waits for is done and dry .* at the earliest/,
      ),
    ]);
    const [one, other] = found.tasks.filter(({ what }) => what === 'unmask');
    const circle = planSite(tern.worked, {
      ...ASKED,
      wishes: [
        { task: one?.id ?? '', before: other?.id ?? '' },
        { task: other?.id ?? '', before: one?.id ?? '' },
      ],
    });
    expect(circle.ok ? [] : circle.messages[0]).toMatch(/waits for itself: take one of the wishes away/);
  });

  it('is held against other ways to do it', () => {
    const others = otherPlans(tern.worked, ASKED);
    expect(others.map(({ way }) => way)).toEqual([
      'one person more',
      'another sprayer',
      'the other order',
      'faster paint',
      'another hose',
    ]);
    const more = others[0];
    expect(more?.finish).toBe(planned(tern, { times: { ...TIMES, people: 3 } }).plan.finish);
    expect(askedOtherwise(ASKED, 'the other order').school).toBe('walls first');
    expect(askedOtherwise(ASKED, 'another sprayer').sprayers).toBe(2);
  });

  it('waits longer in the cold, and says where the rule has no time for it', () => {
    const cold = { air: 285, humidity: 0.6 } as DryingWeather;
    expect(planned(tern, { weather: cold }).plan.finish).toBeGreaterThanOrEqual(planned(tern).plan.finish);
    const frost = planned(tern, { weather: { ...cold, air: 278 } as DryingWeather });
    expect(frost.missing.join(' ')).toMatch(/no honest drying time|lowest temperature/);
  });
});
