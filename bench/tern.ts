import { USUAL_BOOK, jobFile, kitFile } from '@fine-spray/contract';
import {
  PRICED_AT,
  PURCHASE_DRAWS,
  USUAL_WEATHER,
  jobPlan,
  layersOf,
  ordersFor,
  planSite,
  type SiteAsked,
  type SiteStep,
  priceFor,
  requestFor,
  workOutJob,
} from '@fine-spray/contract/planning';
import { jobModel, paintDistributions, tipSetFor, tipsOn } from '@fine-spray/core';
import type { SiteTimes } from '@fine-spray/core/sequence';
import tern from '../demo/tern-boathouse.job.json';
import millrace from '../demo/millrace.kit.json';

const STORED = { version: 1, createdAt: '2026-01-01T00:00:00Z', updatedAt: '2026-01-01T00:00:00Z' };
const stored = <Row extends object>(rows: readonly Row[]) => rows.map((row) => ({ ...row, ...STORED }));

/** Tern Boathouse of the demo as its stored rows. */
export function ternRows() {
  const { company, ...kit } = kitFile.parse(millrace);
  const { job, places, surfaces } = jobFile.parse(tern);
  return {
    company: { ...company, ...STORED },
    job: { ...job, ...STORED, surfaceCount: surfaces.length },
    surfaces: stored(surfaces),
    places: stored(places),
    kit: {
      coatings: stored(kit.coatings),
      sprayers: stored(kit.sprayers),
      hoses: stored(kit.hoses),
      tips: stored(kit.tips),
    },
  };
}

/** Seconds of the distributions of Tern Boathouse, best of some rounds, and what they are of. */
export function purchase(rounds: number): { seconds: number; coatings: number; layers: number } {
  const { job, surfaces, kit } = ternRows();
  const { orders } = ordersFor(surfaces, job, kit);
  const model = jobModel(orders);
  let least = Infinity;
  for (let round = 0; round <= rounds; round += 1) {
    const started = performance.now();
    const result = paintDistributions(model, PURCHASE_DRAWS);
    if (!result.ok) throw new Error(result.message);
    if (round > 0) least = Math.min(least, (performance.now() - started) / 1000);
  }
  const layers = orders.reduce((sum, order) => sum + order.surfaces.length, 0);
  return { seconds: least, coatings: orders.length, layers };
}

/** Tern Boathouse worked out from its rows, at the company's book. */
function workedOut() {
  const { company, ...rows } = ternRows();
  const worked = workOutJob({ ...rows, book: company.book ?? USUAL_BOOK, ...PRICED_AT });
  if (!worked.work) throw new Error(worked.unquantified);
  return { ...worked, work: worked.work };
}

/** Seconds of the whole estimate of Tern Boathouse, its hours, what is used up, cost and price, best of some rounds. */
export function estimate(rounds: number): { seconds: number; hours: number } {
  const { work } = workedOut();
  let [least, hours] = [Infinity, 0];
  for (let round = 0; round <= rounds; round += 1) {
    const started = performance.now();
    const plan = jobPlan(work);
    priceFor(work, plan);
    if (round > 0) least = Math.min(least, (performance.now() - started) / 1000);
    hours = plan.time.likely / 3600;
  }
  return { seconds: least, hours };
}

const H = 60;
const TIMES: SiteTimes = {
  ...{ firstWeekday: 0, from: 0, workdays: [0, 1, 2, 3, 4], people: 2, away: {}, closed: {} },
  day: { from: 7 * H, to: 15 * H + 30 },
  breaks: [{ from: 12 * H, to: 12 * H + 30 }],
};

/** Seconds of a plan of the days of Tern Boathouse, its tasks and its bound with it, by how many orders are tried; best of some rounds. */
export function days(rounds: number, tries: number): { seconds: number; tasks: number; finish: number } {
  const worked = workedOut();
  let [least, tasks, finish] = [Infinity, 0, 0];
  for (let round = 0; round < rounds; round += 1) {
    const started = performance.now();
    const planned = planSite(worked, {
      ...{
        first: '2026-12-07',
        school: 'trim first',
        weather: USUAL_WEATHER,
        times: TIMES,
        sprayers: 1,
        seed: 1,
        tries,
      },
      unsure: true,
    });
    least = Math.min(least, (performance.now() - started) / 1000);
    if (!planned.ok) throw new Error(planned.messages.join(' '));
    tasks = planned.tasks.length;
    ({ finish } = planned.plan);
  }
  return { seconds: least, tasks, finish };
}

/** Seconds until a plan of the days is followed after an entry of the log: a task begun at ten, the rest moved as little as can be; best of some rounds. */
export function followed(rounds: number): { seconds: number; moved: number } {
  const worked = workedOut();
  const asked: SiteAsked = {
    ...{ first: '2026-12-07', school: 'trim first', weather: USUAL_WEATHER, times: TIMES },
    ...{ sprayers: 1, seed: 1, tries: 60, unsure: true },
  };
  const before = planSite(worked, asked);
  if (!before.ok) throw new Error(before.messages.join(' '));
  const { placed } = before.plan;
  const now = 10 * H;
  const steps = placed.flatMap(({ task, start, end }): SiteStep[] =>
    end <= now
      ? [{ task, state: 'done', at: end }]
      : start <= now
        ? [{ task, state: 'running', at: start }]
        : [],
  );
  let [least, moved] = [Infinity, 0];
  for (let round = 0; round < rounds; round += 1) {
    const started = performance.now();
    const next = { ...asked, times: { ...TIMES, from: now + 45 }, tries: 0, steps, before: placed };
    const planned = planSite(worked, next);
    least = Math.min(least, (performance.now() - started) / 1000);
    if (!planned.ok) throw new Error(planned.messages.join(' '));
    moved = planned.moved.length;
  }
  return { seconds: least, moved };
}

/** Seconds of the tips of Tern Boathouse, from its rows to the set, best of some rounds. */
export function tipsOfJob(rounds: number): { seconds: number; surfaces: number; tips: number } {
  const { job, surfaces, kit } = ternRows();
  let [least, tips] = [Infinity, 0];
  for (let round = 0; round <= rounds; round += 1) {
    const started = performance.now();
    const all = surfaces.flatMap((surface) =>
      layersOf(surface).flatMap((layer) => {
        const request = requestFor(surface, job, kit, layer);
        const work = { id: `${surface.id} ${layer.role}`, paint: layer.coatingId };
        return request ? [{ ...work, rack: request.rack, tips: tipsOn(request) }] : [];
      }),
    );
    const set = tipSetFor(all, { rack: all[0]?.rack ?? [], loss: 0.1 });
    if (round > 0) least = Math.min(least, (performance.now() - started) / 1000);
    tips = set.tips.length;
  }
  return { seconds: least, surfaces: surfaces.length, tips };
}
