import { jobFile, kitFile } from '@fine-spray/contract';
import { PURCHASE_DRAWS, ordersFor } from '@fine-spray/contract/planning';
import { jobModel, paintDistributions } from '@fine-spray/core';
import tern from '../demo/tern-boathouse.job.json';
import millrace from '../demo/millrace.kit.json';

const STORED = { version: 1, createdAt: '2026-01-01T00:00:00Z', updatedAt: '2026-01-01T00:00:00Z' };
const stored = <Row extends object>(rows: readonly Row[]) => rows.map((row) => ({ ...row, ...STORED }));

/** Tern Boathouse of the demo as its stored rows. */
export function ternRows() {
  const { company, ...kit } = kitFile.parse(millrace);
  const { job, surfaces } = jobFile.parse(tern);
  return {
    company: { ...company, ...STORED },
    job: { ...job, ...STORED, surfaceCount: surfaces.length },
    surfaces: stored(surfaces),
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
