import type { Job, Surface } from '@fine-spray/contract';
import { ordersFor } from '@fine-spray/contract/planning';
import { to, quantity, type Volume } from '@fine-spray/core';
import { coatingRow, row, sprayerRow } from '@/testing/rows';
import { coatingTotals } from './totals';

const sprayer = sprayerRow('s', 'Small', 'small electric');
const job: Job = {
  ...row,
  id: 'j',
  name: 'Job',
  place: '',
  note: '',
  status: 'estimate',
  paintAge: 'unknown',
  empty: false,
  sprayerId: 's',
  hoseIds: [],
  lift: 0,
  ways: [],
  surfaceCount: 0,
};
const surface = (id: string, coatingId: string, coats = 2): Surface => ({
  ...row,
  id,
  placeId: null,
  part: '',
  under: [],
  jobId: 'j',
  name: id,
  room: '',
  position: 0,
  element: 'wall',
  side: 'inside',
  kind: 'smooth-board',
  condition: 'sealed',
  state: null,
  wind: 'calm',
  geometry: { shape: 'rectangle', width: 6.2, height: 2.6, count: 1, openings: [] },
  coatingId,
  coats,
  thinning: 0,
  tip: null,
});
const kit = {
  coatings: [
    coatingRow('m', 'Matt', 'wall-matt'),
    coatingRow('c', 'Ceiling', 'ceiling-flat'),
    coatingRow('l', 'Lacquer', 'clear-lacquer-solvent'),
  ],
  sprayers: [sprayer],
  hoses: [],
  tips: [],
};
const litres = (paint: number) => to(quantity<Volume>(paint), 'L');

describe('paint for a job', () => {
  it('adds up by coating, largest first', () => {
    const { orders, refused } = ordersFor(
      [surface('a', 'c', 1), surface('b', 'm'), surface('d', 'm')],
      job,
      kit,
    );
    const totals = coatingTotals(orders);
    expect(refused).toBe(0);
    expect(totals.map(({ name, surfaces }) => [name, surfaces])).toEqual([
      ['Matt', 2],
      ['Ceiling', 1],
    ]);
    // 6.2 x 2.6 m with fan 6, 305 mm: 19 passes of 6.3 m, the first and the last half off; of what is over the wall
    // 0.82/0.92 stays. 16.12 m² · 2 coats · 40 μm / 36 %, twice: 7.164 L land
    const lands = (0.82 / 0.92) * (18 / 19) * (6.2 / 6.3);
    const sprayed = 7.1644 / lands;
    // Half of what tips wear over x = sprayed/170 of their life: (1 + 0.4 x)/(1 − 0.25 x) ≈ 1 + 0.65 x, on the mean half of
    // it; half of that the hand makes good; 5 % kept and left; pump 0.6 L, no hose
    const worn = 1 + (0.65 / 4) * (sprayed / 170);
    expect(litres(totals[0]?.paint ?? 0)).toBeCloseTo(sprayed * worn * 1.05 + 0.6, 1);
  });

  it('leaves out and counts what is refused: solvent on a water-only sprayer, a coating that is gone', () => {
    const { orders, refused } = ordersFor(
      [surface('a', 'l'), surface('b', 'gone'), surface('d', 'm')],
      job,
      kit,
    );
    expect(refused).toBe(2);
    expect(coatingTotals(orders)).toHaveLength(1);
  });

  it('is nothing for no surfaces', () => {
    expect(coatingTotals(ordersFor([], job, kit).orders)).toEqual([]);
  });
});
