import { USUAL_BOOK, jobFile, kitFile } from '@fine-spray/contract';
import {
  PURCHASE_DRAWS,
  buyingsFor,
  jobPlan,
  layersOf,
  ordersFor,
  priceFor,
  requestFor,
  triggerTimeOf,
} from '@fine-spray/contract/planning';
import { jobModel, paintDistributions, tipSetFor, tipsOn } from '@fine-spray/core';
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

/** Seconds of the whole estimate of Tern Boathouse, its hours, what is used up, cost and price, best of some rounds. */
export function estimate(rounds: number): { seconds: number; hours: number } {
  const { company, job, surfaces, places, kit } = ternRows();
  const { orders } = ordersFor(surfaces, job, kit);
  const drawn = paintDistributions(jobModel(orders), PURCHASE_DRAWS);
  if (!drawn.ok) throw new Error(drawn.message);
  const work = {
    ...{ surfaces, places, job, coatings: kit.coatings },
    buyings: buyingsFor(orders, drawn.value, 'P80', 'cost'),
    trigger: triggerTimeOf(orders),
    book: company.book ?? USUAL_BOOK,
  };
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
