import fc from 'fast-check';
import { tipSetFor, type SurfaceTips, type TipOnSurface, type TipSet, type TipWish } from '.';
import { isSameTip, type Tip } from '../tip';

const tip = (number: number): Tip => ({
  family: 'standard',
  fan: 1 + (number % 8),
  orificeThou: 9 + 2 * Math.floor(number / 8),
});
const on = (number: number, score: number): TipOnSurface => ({
  tip: tip(number),
  score,
  time: 1000 / score,
  paint: 0.01 / score,
  variation: 0.1 / score,
});

/** What a set costs, by its definition: surfaces without a tip, and beyond the loss, tips to buy, tips, and what is lost in all. */
function costOf(chosen: readonly Tip[], surfaces: readonly SurfaceTips[], { rack, loss }: TipWish): number[] {
  let [without, beyond, lost] = [0, 0, 0];
  for (const { tips } of surfaces) {
    const best = Math.max(...tips.map(({ score }) => score));
    const mine = tips.filter((one) => chosen.some((other) => isSameTip(one.tip, other)));
    const own = mine.length === 0 ? 1 : 1 - Math.max(...mine.map(({ score }) => score)) / best;
    if (mine.length === 0) without += 1;
    else if (own > loss + 1e-12) beyond += 1;
    lost += own;
  }
  const bought = chosen.filter((one) => !rack.some((owned) => isSameTip(owned, one))).length;
  return [without, beyond, bought, chosen.length, lost];
}

const compare = (one: readonly number[], other: readonly number[]): number => {
  for (const [index, value] of one.entries()) {
    const apart = value - (other[index] ?? 0);
    if (Math.abs(apart) > 1e-9) return apart;
  }
  return 0;
};

/** The best cost of all sets of tips there are. */
function exhaustive(surfaces: readonly SurfaceTips[], wish: TipWish, count: number): number[] {
  let least = [Infinity, Infinity, Infinity, Infinity, Infinity];
  for (let bits = 1; bits < 1 << count; bits += 1) {
    const chosen = Array.from({ length: count }, (_one, index) => index)
      .filter((index) => bits & (1 << index))
      .map(tip)
      .filter((one) => !wish.onlyOurs || wish.rack.some((owned) => isSameTip(owned, one)));
    if (wish.most !== undefined && chosen.length > wish.most) continue;
    const cost = costOf(chosen, surfaces, wish);
    if (compare(cost, least) < 0) least = cost;
  }
  return least;
}

const tipsOf = ({ tips }: TipSet) => tips.map((one) => one.tip);
const COUNT = 9;
const job = fc.record({
  surfaces: fc.array(
    fc.array(fc.option(fc.double({ min: 0.2, max: 1, noNaN: true }), { nil: undefined }), {
      minLength: COUNT,
      maxLength: COUNT,
    }),
    { minLength: 1, maxLength: 7 },
  ),
  rack: fc.uniqueArray(fc.integer({ min: 0, max: COUNT - 1 }), { maxLength: 5 }),
  loss: fc.constantFrom(0, 0.05, 0.1, 0.3),
});
const made = ({
  surfaces,
  rack,
  loss,
}: {
  surfaces: (number | undefined)[][];
  rack: number[];
  loss: number;
}) => ({
  surfaces: surfaces
    .map((scores, index): SurfaceTips => ({
      id: `s${index}`,
      tips: scores.flatMap((score, number) => (score === undefined ? [] : [on(number, score)])),
    }))
    .filter(({ tips }) => tips.length > 0),
  wish: { rack: rack.map(tip), loss },
});

describe('the tips of a job', () => {
  it('are the best of all sets there are, by trying every one', () => {
    fc.assert(
      fc.property(job, (one) => {
        const { surfaces, wish } = made(one);
        if (surfaces.length === 0) return;
        const found = costOf(tipsOf(tipSetFor(surfaces, wish)), surfaces, wish);
        expect(compare(found, exhaustive(surfaces, wish, COUNT))).toBe(0);
      }),
      { numRuns: 300 },
    );
  });

  it('are the best of so many at most, and of ours alone', () => {
    fc.assert(
      fc.property(job, fc.integer({ min: 1, max: 4 }), (one, most) => {
        const { surfaces, wish } = made(one);
        if (surfaces.length === 0) return;
        const few = { ...wish, most };
        const found = tipSetFor(surfaces, few);
        expect(found.tips.length).toBeLessThanOrEqual(most);
        expect(compare(costOf(tipsOf(found), surfaces, few), exhaustive(surfaces, few, COUNT))).toBe(0);
      }),
      { numRuns: 200 },
    );
    fc.assert(
      fc.property(job, (one) => {
        const { surfaces, wish } = made(one);
        const found = tipSetFor(surfaces, { ...wish, onlyOurs: true });
        for (const { ours } of found.tips) expect(ours).toBe(true);
        // What no tip of ours works on is said
        for (const { id, tips } of surfaces) {
          const works = tips.some((mine) => wish.rack.some((owned) => isSameTip(owned, mine.tip)));
          expect(found.without.includes(id)).toBe(!works);
        }
      }),
      { numRuns: 200 },
    );
  });

  it('are changed as seldom as can be between neighbouring work of one paint, each within its loss', () => {
    /** Every way to give each work one of the tips, by trying all of them. */
    const fewest = (works: readonly SurfaceTips[], chosen: readonly Tip[], loss: number): number[] => {
      let least = [Infinity, Infinity];
      const walk = (at: number, last: ReadonlyMap<string, Tip>, changes: number, lost: number): void => {
        const work = works[at];
        if (!work) {
          if (compare([changes, lost], least) < 0) least = [changes, lost];
          return;
        }
        const best = Math.max(...work.tips.map(({ score }) => score));
        const mine = work.tips.filter((one) => chosen.some((other) => isSameTip(one.tip, other)));
        const nearest = Math.min(...mine.map(({ score }) => 1 - score / best));
        for (const one of mine) {
          const own = 1 - one.score / best;
          if (own > Math.max(loss, nearest) + 1e-12) continue;
          const before = last.get(work.paint ?? '');
          const changed = before !== undefined && !isSameTip(before, one.tip) ? 1 : 0;
          walk(at + 1, new Map([...last, [work.paint ?? '', one.tip]]), changes + changed, lost + own);
        }
      };
      walk(0, new Map(), 0, 0);
      return least;
    };
    fc.assert(
      fc.property(
        job,
        fc.array(fc.constantFrom('matt', 'enamel'), { minLength: 7, maxLength: 7 }),
        (one, paints) => {
          const { surfaces, wish } = made(one);
          const works = surfaces.map((work, index) => ({ ...work, paint: paints[index] }));
          if (works.length === 0) return;
          const set = tipSetFor(works, wish);
          const lost = set.uses.reduce((sum, { loss }) => sum + loss, 0);
          const [changes = 0, least = 0] = fewest(works, tipsOf(set), wish.loss);
          expect(set.changes).toBe(changes);
          expect(lost).toBeCloseTo(least, 9);
          expect(set.changes).toBeLessThanOrEqual(set.changesAtBest);
        },
      ),
      { numRuns: 150 },
    );
  });

  it('say what each surface loses, and what one more would save', () => {
    const surfaces: readonly SurfaceTips[] = [
      { id: 'wall', tips: [on(1, 0.8), on(2, 0.78)] },
      { id: 'ceiling', tips: [on(2, 0.9), on(3, 0.7)] },
      { id: 'nothing', tips: [] },
    ];
    const set = tipSetFor(surfaces, { rack: [], loss: 0.05 });
    expect(set.tips).toEqual([
      { tip: tip(2), code: expect.any(String) as string, ours: false, ids: ['wall', 'ceiling'] },
    ]);
    expect(set.uses.map(({ id, loss }) => [id, Number(loss.toFixed(4))])).toEqual([
      ['wall', 0.025],
      ['ceiling', 0],
    ]);
    expect(set.without).toEqual(['nothing']);
    expect(set.more).toHaveLength(1);
    // 1000 s / 0.78 − 1000 s / 0.8
    expect(set.more[0]).toMatchObject({
      tip: tip(1),
      ids: ['wall'],
      time: expect.closeTo(32.05, 2) as number,
      // 0.1 ÷ 0.78 − 0.1 ÷ 0.8
      evenness: expect.closeTo(0.003205, 6) as number,
    });
    // Ours before one to buy, within the loss
    expect(tipsOf(tipSetFor(surfaces.slice(0, 1), { rack: [tip(2)], loss: 0.05 }))).toEqual([tip(2)]);
    expect(tipsOf(tipSetFor(surfaces.slice(0, 1), { rack: [tip(2)], loss: 0.01 }))).toEqual([tip(1)]);
  });
});
