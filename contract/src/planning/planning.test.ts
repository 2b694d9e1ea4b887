import { readFileSync } from 'node:fs';
import path from 'node:path';
import { jobModel, of, paintDistributions, setupCard, systemWaiting } from '@fine-spray/core';
import { jobFile, kitFile, USUAL_BOOK, type Job, type Surface } from '..';
import {
  buyingsFor,
  checkBought,
  coreLayers,
  jobPlan,
  layersOf,
  ordersFor,
  paintCost,
  requestFor,
  triggerTimeOf,
  type Kit,
} from '.';

const STORED = { version: 1, createdAt: '2026-01-01T00:00:00Z', updatedAt: '2026-01-01T00:00:00Z' };
const read = (name: string): unknown =>
  JSON.parse(readFileSync(path.resolve(__dirname, '../../../demo', name), 'utf8'));
const stored = <Row extends object>(rows: readonly Row[]) => rows.map((row) => ({ ...row, ...STORED }));

const { coatings, sprayers, hoses, tips, company } = kitFile.parse(read('millrace.kit.json'));
const kit: Kit = {
  coatings: stored(coatings),
  sprayers: stored(sprayers),
  hoses: stored(hoses),
  tips: stored(tips),
};
const tern = jobFile.parse(read('tern-boathouse.job.json'));
const job: Job = { ...tern.job, ...STORED, surfaceCount: tern.surfaces.length };
const surfaces: readonly Surface[] = stored(tern.surfaces);
const { orders, refused } = ordersFor(surfaces, job, kit);

function drawn() {
  const result = paintDistributions(jobModel(orders), { draws: 2000, seed: 1 });
  if (!result.ok) throw new Error(result.message);
  return result.value;
}
const distributions = drawn();
const buyings = buyingsFor(orders, distributions, 'P80', 'left over');

describe('the orders of a job', () => {
  it('have every layer of every surface once, under its coating', () => {
    expect(refused).toBe(0);
    const wanted = surfaces.flatMap((surface) =>
      layersOf(surface).map(({ coatingId }) => `${coatingId} ${surface.id}`),
    );
    const ordered = orders.flatMap(({ id, surfaces: own }) => own.map((one) => `${id} ${one.id}`));
    expect(ordered.sort()).toEqual(wanted.sort());
  });

  it('take the trigger time of the cards of all layers', () => {
    const sum = surfaces
      .flatMap((surface) => layersOf(surface).map((layer) => ({ surface, layer })))
      .reduce((total, { surface, layer }) => {
        const request = requestFor(surface, job, kit, layer);
        const card = request ? setupCard(request) : undefined;
        if (!card?.ok) throw new Error('no card');
        return total + layer.share * card.value.tip.candidate.triggerTime;
      }, 0);
    expect(triggerTimeOf(orders)).toBeCloseTo(sum, 6);
  });

  it('count a surface whose coating is missing, and plan the rest', () => {
    const without = { ...kit, coatings: kit.coatings.filter(({ id }) => id !== orders[0]?.id) };
    const rest = ordersFor(surfaces, job, without);
    expect(rest.refused).toBe(orders[0]?.surfaces.length);
    expect(rest.orders).toHaveLength(orders.length - 1);
  });
});

describe('what is bought', () => {
  it('stands with the largest first, and costs more where it must be surer', () => {
    const means = buyings.map(({ distribution }) => distribution.mean);
    expect(means).toEqual([...means].sort((one, other) => other - one));
    const all = (risk: 'P50' | 'P95') =>
      buyingsFor(orders, distributions, risk, 'cost').reduce((sum, { purchase }) => sum + purchase.bought, 0);
    expect(all('P95')).toBeGreaterThan(all('P50'));
  });

  it('has a cost around what is paid, or none without prices', () => {
    for (const buying of buyings) {
      const cost = paintCost(buying);
      expect(cost?.low).toBeLessThanOrEqual(cost?.likely ?? NaN);
      expect(cost?.high).toBeGreaterThanOrEqual(cost?.likely ?? NaN);
      expect(cost?.likely).toBe(buying.purchase.cost);
      expect(paintCost({ ...buying, purchase: { ...buying.purchase, cost: null } })).toBeNull();
    }
  });

  it('makes a plan whose cost is paint, consumables and hours together', () => {
    const book = company.book ?? USUAL_BOOK;
    const plan = jobPlan(surfaces, kit.coatings, buyings, triggerTimeOf(orders), book);
    const hours = Object.values(plan.hours).reduce((sum, { value }) => sum + value, 0);
    expect(plan.time.likely).toBeCloseTo(hours, 6);
    expect(plan.cost.labour.likely).toBeCloseTo((hours / 3600) * (book.hour ?? NaN), 6);
    const paid = buyings.reduce((sum, { purchase }) => sum + (purchase.cost ?? NaN), 0);
    expect(plan.cost.paint.likely).toBeCloseTo(paid, 6);
    expect(plan.days).toBeGreaterThan(0);
    // No surface waits longer than the job, and one waits as long
    const waits = surfaces.map((surface) => systemWaiting(coreLayers(surface, kit.coatings)).value);
    expect(plan.waiting?.value).toBe(Math.max(...waits));
    expect(jobPlan([], kit.coatings, [], 0, book).waiting).toBeUndefined();
  });
});

describe('a buy list that came back', () => {
  const [first, second] = buyings;
  const line = (coating: string, bought: number) => ({
    coating,
    bought,
    ...{ likely: 0, wanted: 0, chance: 80, containers: [], cost: null, tips: 0 },
  });

  it('is held against what the job wants now', () => {
    if (!first || !second) throw new Error('nothing to buy');
    const wanted = first.purchase.volume * 1000;
    const half = wanted / 2;
    const name = ` ${first.order.name.toUpperCase()} `;
    const { checks, unknown } = checkBought([line(name, half), line('Roof tar', 20)], buyings, 'P80');
    expect(unknown).toEqual(['Roof tar']);
    expect(checks).toHaveLength(buyings.length);
    expect(checks[0]).toMatchObject({ name: first.order.name, enough: 0 });
    expect(checks[0]?.short).toBeCloseTo(of(half, 'L'), 9);
    expect(checks[1]).toMatchObject({ bought: 0, enough: 0, short: second.purchase.volume });
    const twice = checkBought([line(name, half), line(name, half)], buyings, 'P80').checks[0];
    expect(twice?.enough).toBeCloseTo(0.8, 2);
    expect(twice?.short).toBeCloseTo(0, 9);
  });
});
