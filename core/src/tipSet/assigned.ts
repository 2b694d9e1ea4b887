import { addTo } from '../grouping';
import { isSameTip } from '../tip';
import type { SurfaceTips, TipOnSurface, TipUse } from './tipSet';

/** Room for what the last digit of a score is off. */
const HAIR = 1e-12;

/** What is sprayed with which tip of a set, and how often the tip is changed between neighbouring work. */
export interface Assigned {
  readonly uses: readonly TipUse[];
  readonly changes: number;
}

/** A way to spray the works up to one of them: what it ends with, its changes, what is lost in all, and the way before. */
interface Way {
  readonly used: TipOnSurface;
  readonly changes: number;
  readonly lost: number;
  readonly before: Way | undefined;
}

const less = (one: Way, other: Way): boolean =>
  one.changes === other.changes ? one.lost < other.lost - HAIR : one.changes < other.changes;

const lossOf = (used: TipOnSurface, best: TipOnSurface): number =>
  best.score > 0 ? 1 - used.score / best.score : 0;

const bestOf = (tips: readonly TipOnSurface[]): TipOnSurface =>
  tips.reduce((most, one) => (one.score > most.score ? one : most));

/** The options of a work within its loss; where none is, the nearest. */
function optionsOf(tips: readonly TipOnSurface[], best: TipOnSurface, loss: number): readonly TipOnSurface[] {
  const least = lossOf(bestOf(tips), best);
  return tips.filter((one) => lossOf(one, best) <= Math.max(loss, least) + HAIR);
}

/**
 * A tip of a set for each work, with the fewest changes between neighbours and, of such, the least lost: each stays within its loss.
 * Neighbours are works with one paint, one after the other in the order given; with another paint the line is flushed anyhow. Exact, by
 * dynamic programming over the works of a paint.
 * @param mine the tips of the set that work on a work
 */
export function assigned(
  works: readonly SurfaceTips[],
  mine: (work: SurfaceTips) => readonly TipOnSurface[],
  loss: number,
): Assigned {
  const ofPaint = new Map<string, SurfaceTips[]>();
  for (const work of works) {
    if (mine(work).length === 0) continue;
    addTo(ofPaint, work.paint ?? '', work);
  }
  const used = new Map<SurfaceTips, TipOnSurface>();
  let changes = 0;
  for (const group of ofPaint.values()) {
    let ways: readonly Way[] = [];
    for (const [index, work] of group.entries()) {
      const best = bestOf(work.tips);
      ways = optionsOf(mine(work), best, loss).map((option): Way => {
        const lost = lossOf(option, best);
        if (index === 0) return { used: option, changes: 0, lost, before: undefined };
        return ways
          .map((before) => ({
            used: option,
            changes: before.changes + (isSameTip(before.used.tip, option.tip) ? 0 : 1),
            lost: before.lost + lost,
            before,
          }))
          .reduce((least, one) => (less(one, least) ? one : least));
      });
    }
    let way: Way | undefined = ways.reduce((least, one) => (less(one, least) ? one : least));
    changes += way.changes;
    for (let index = group.length - 1; index >= 0 && way; index -= 1) {
      const work = group[index];
      if (work) used.set(work, way.used);
      way = way.before;
    }
  }
  return {
    changes,
    uses: works.flatMap((work): TipUse[] => {
      const tip = used.get(work);
      if (!tip) return [];
      const best = bestOf(work.tips);
      return [{ id: work.id, used: tip, best, loss: lossOf(tip, best) }];
    }),
  };
}
