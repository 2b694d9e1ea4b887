import {
  jobModel,
  of,
  paintDistributions,
  type CoatingDemand,
  type PaintDistribution,
} from '@fine-spray/core';
import { wallRequest } from '@fine-spray/core/testing';

import type { CoatingOrder } from '@fine-spray/contract/planning';
import { comparisonOf } from './compare';

const request = wallRequest();
const order = (coats: number, price: number | null): CoatingOrder => ({
  id: 'm',
  name: 'Matt',
  coating: request.coating,
  hoses: request.hoses,
  fills: 1,
  onSale: [{ size: of(5, 'L'), price }],
  surfaces: [{ id: 'a', surface: { ...request, coats }, netArea: 60, share: 1, triggerTime: 3600 }],
});
function drawn(demand: CoatingDemand): readonly PaintDistribution[] {
  const result = paintDistributions(jobModel([demand]), { draws: 2000, seed: 1 });
  if (!result.ok) throw new Error(result.message);
  return result.value;
}
const layers = (coats: number) => [
  {
    role: 'finish' as const,
    coats,
    share: 1,
    coating: { name: 'Matt', archetype: 'wall-matt' as const, overrides: {} },
  },
];
const compare = (coats: number, price: number | null = 40, hour: number | null = 50) => {
  const one = order(coats, price);
  return comparisonOf([one], drawn(one), 1980, layers(coats), { hour });
};

describe('two ways side by side', () => {
  it('differ as their coats do', () => {
    const [one, two] = [compare(1), compare(2)];
    expect(two.likely).toBeGreaterThan(one.likely * 1.7);
    expect(two.sure).toBeGreaterThan(two.likely);
    expect(two.paintCost ?? 0).toBeGreaterThan(one.paintCost ?? Infinity);
    expect([one.waiting, two.waiting]).toEqual([0, of(4, 'h')]);
    expect(two.dryFilm).toBeCloseTo(2 * one.dryFilm, 12);
  });

  it('say hours and their price: 33 minutes with the trigger open, 55 % of the time', () => {
    expect(compare(1).spraying).toBeCloseTo(3600, 6);
    expect(compare(1).labour).toBeCloseTo(50, 6);
  });

  it('have no price where one is missing, and no hours before they are worked out', () => {
    expect(compare(1, null).paintCost).toBeNull();
    expect(compare(1, 40, null).labour).toBeNull();
    const one = order(1, 40);
    const early = comparisonOf([one], drawn(one), undefined, layers(1), {
      hour: 50,
    });
    expect([early.spraying, early.labour]).toEqual([null, null]);
  });
});
