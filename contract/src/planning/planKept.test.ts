import { USUAL_BOOK } from '..';
import { demoCompany } from '../testing/demo';
import { PRICED_AT, USUAL_WEATHER, planKept, planSite, workOutJob, type DoneCoat, type SiteAsked } from '.';

const { kit, jobs } = demoCompany();
const kiln = jobs.find(({ job }) => job.name.startsWith('Kiln'));
if (!kiln) throw new Error('no job');
const worked = workOutJob({ ...kiln, kit, book: USUAL_BOOK, ...PRICED_AT });
const asked: SiteAsked = {
  ...{ first: '2026-12-07', school: 'trim first', weather: USUAL_WEATHER, sprayers: 1, seed: 1, tries: 5 },
  times: {
    ...{ firstWeekday: 0, from: 0, workdays: [0, 1, 2, 3, 4], people: 2, away: {}, closed: {} },
    ...{ day: { from: 420, to: 930 }, breaks: [] },
  },
  unsure: true,
};
const plan = planSite(worked, asked);
if (!plan.ok) throw new Error(plan.messages.join(' '));
const before = plan.plan.placed;

/** What the log has where every coat is done so long after its plan. */
const doneAfter = (late: number): readonly DoneCoat[] =>
  plan.tasks.flatMap(({ id, surfaces, coat }) => {
    const end = before.find(({ task }) => task === id)?.end ?? 0;
    return coat && coat.part === coat.parts - 1
      ? surfaces.map((surface) => ({ surface, coating: coat.coatingId, coat: coat.coat, at: end + late }))
      : [];
  });

describe('a plan against what happened', () => {
  it('says of every coat when it was done and when it was planned', () => {
    const kept = planKept(worked, { ...asked, before, done: doneAfter(90) });
    const sprayed = plan.tasks.filter(({ coat }) => coat && coat.part === coat.parts - 1);
    expect(kept?.coats).toHaveLength(sprayed.length);
    expect(kept?.coats.every(({ planned, done }) => done - planned === 90)).toBe(true);
    expect((kept?.done ?? 0) - (kept?.planned ?? 0)).toBe(90);
    expect(kept?.open).toBe(0);
  });

  it('takes a coat on several surfaces as done with the last, and counts what is open', () => {
    const all = doneAfter(0);
    const shared = plan.tasks.find(({ coat, surfaces }) => coat && surfaces.length > 1);
    if (!shared?.coat) throw new Error('no task on two surfaces');
    const of = (one: DoneCoat) =>
      shared.surfaces.includes(one.surface) &&
      one.coating === shared.coat?.coatingId &&
      one.coat === shared.coat.coat;
    const [first] = all.filter(of);
    const late = all.map((one) => (one === first ? { ...one, at: one.at + 300 } : one));
    const kept = planKept(worked, { ...asked, before, done: late });
    const row = kept?.coats.find(({ task }) => task.startsWith(shared.id.split(' ').slice(0, 3).join(' ')));
    expect((row?.done ?? 0) - (row?.planned ?? 0)).toBe(300);
    const without = planKept(worked, { ...asked, before, done: all.filter((one) => one !== first) });
    expect(without?.open).toBe(1);
  });

  it('says nothing where there was no plan, or nothing of it is done', () => {
    expect(planKept(worked, { ...asked, done: doneAfter(0) })).toBeUndefined();
    expect(planKept(worked, { ...asked, before, done: [] })).toBeUndefined();
    const other = { surface: 'other', coating: 'none', coat: 1, at: 0 };
    expect(planKept(worked, { ...asked, before, done: [other] })).toBeUndefined();
  });
});
