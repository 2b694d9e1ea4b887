import { isSameTip, writeTipCode, type Tip } from '../tip';
import { assigned } from './assigned';

/** One tip on one surface: how well it does there, and what it takes. */
export interface TipOnSurface {
  readonly tip: Tip;
  /** As the search has it, 0 to 1. */
  readonly score: number;
  /** Spraying time of all coats, s. */
  readonly time: number;
  /** Through the gun in all coats, m³. */
  readonly paint: number;
  /** How far the film of its fan varies with a usual hand, relative. */
  readonly variation: number;
}

/** A surface, or a layer of one, with every tip that works on it; in the order they are sprayed. */
export interface SurfaceTips {
  readonly id: string;
  /** What it is sprayed with: with another paint the line is flushed, and a change of tip costs nothing more. */
  readonly paint?: string | undefined;
  readonly tips: readonly TipOnSurface[];
}

/** What a crew wants of the tips of a job. */
export interface TipWish {
  readonly rack: readonly Tip[];
  /** How much of the best tip's score a surface may lose. */
  readonly loss: number;
  /** No more tips than this. */
  readonly most?: number | undefined;
  /** Nothing is bought. */
  readonly onlyOurs?: boolean | undefined;
}

/** What a surface is sprayed with, and what that costs beside its own best tip. */
export interface TipUse {
  readonly id: string;
  readonly used: TipOnSurface;
  readonly best: TipOnSurface;
  /** Share of the best tip's score that is lost. */
  readonly loss: number;
}

/** A tip of the set with the surfaces it is for. */
export interface TipOfSet {
  readonly tip: Tip;
  readonly code: string;
  readonly ours: boolean;
  readonly ids: readonly string[];
}

/** One more tip, and what it would save over all surfaces. */
export interface OneMore {
  readonly tip: Tip;
  readonly code: string;
  readonly ours: boolean;
  readonly time: number;
  readonly paint: number;
  /** How much less the film varies on those surfaces, in the mean: less than nothing where it varies more. */
  readonly evenness: number;
  /** Surfaces it would be better on. */
  readonly ids: readonly string[];
}

export interface TipSet {
  readonly tips: readonly TipOfSet[];
  readonly uses: readonly TipUse[];
  /** Changes of tip between neighbouring work of one paint; and as many as there were with the best tip of the set for each. */
  readonly changes: number;
  readonly changesAtBest: number;
  /** Surfaces that lose more than was allowed: with so few tips, or with ours alone. */
  readonly beyond: readonly string[];
  /** Surfaces on which no allowed tip works at all. */
  readonly without: readonly string[];
  /** What further tips would save most, the best first. */
  readonly more: readonly OneMore[];
}

const isIn = (rack: readonly Tip[], tip: Tip): boolean => rack.some((owned) => isSameTip(owned, tip));

const keyOf = ({ family, fan, orificeThou }: Tip): string => `${family} ${fan} ${orificeThou}`;

/** A tip over all surfaces: what each loses with it, nothing where it does not work. */
interface Column {
  readonly tip: Tip;
  readonly ours: boolean;
  readonly losses: readonly (number | undefined)[];
}

/**
 * Solutions in the order they are preferred: fewest surfaces without a tip, fewest beyond the loss, fewest to buy, fewest tips, least
 * lost.
 */
type Cost = readonly [without: number, beyond: number, bought: number, tips: number, lost: number];
const NOTHING: Cost = [Infinity, Infinity, Infinity, Infinity, Infinity];
const HAIR = 1e-12;

function isLess(one: Cost, other: Cost): boolean {
  for (let index = 0; index < one.length; index += 1) {
    const apart = (one[index] as number) - (other[index] as number);
    if (Math.abs(apart) > HAIR) return apart < 0;
  }
  return false;
}

function columnsOf(surfaces: readonly SurfaceTips[], { rack, onlyOurs = false }: TipWish): Column[] {
  const found = new Map<string, { tip: Tip; ours: boolean; losses: (number | undefined)[] }>();
  surfaces.forEach(({ tips }, row) => {
    const best = Math.max(...tips.map(({ score }) => score));
    for (const { tip, score } of tips) {
      const ours = isIn(rack, tip);
      if (onlyOurs && !ours) continue;
      const key = keyOf(tip);
      const column = found.get(key) ?? { tip, ours, losses: surfaces.map(() => undefined) };
      found.set(key, column);
      column.losses[row] = best > 0 ? 1 - score / best : 0;
    }
  });
  return [...found.values()];
}

/** Whether a tip is never better than another, on any surface, and no more ours. */
function isDominated(one: Column, by: Column): boolean {
  if (one.ours && !by.ours) return false;
  return one.losses.every((loss, row) => {
    const other = by.losses[row];
    return loss === undefined || (other !== undefined && other <= loss + HAIR);
  });
}

/** Columns that some set may need: of two alike the first. */
function needed(columns: readonly Column[]): readonly Column[] {
  return columns.filter(
    (one, index) =>
      !columns.some(
        (other, at) => at !== index && isDominated(one, other) && (!isDominated(other, one) || at < index),
      ),
  );
}

const leastOf = (chosen: readonly Column[], row: number): number | undefined => {
  let least: number | undefined;
  for (const { losses } of chosen) {
    const loss = losses[row];
    if (loss !== undefined && (least === undefined || loss < least)) least = loss;
  }
  return least;
};

/** What a surface may lose: what is allowed, or as much as it does with the best tip there is. */
type Allowed = (row: number) => number;

/** What a set costs; a surface without any of it loses all. */
function costOf(chosen: readonly Column[], rows: readonly number[], allowed: Allowed): Cost {
  let [without, beyond, lost] = [0, 0, 0];
  for (const row of rows) {
    const loss = leastOf(chosen, row);
    if (loss === undefined) without += 1;
    else if (loss > allowed(row) + HAIR) beyond += 1;
    lost += loss ?? 1;
  }
  return [without, beyond, chosen.filter(({ ours }) => !ours).length, chosen.length, lost];
}

/**
 * The smallest set with every surface within the loss: by branching over the tips of the surface with the fewest, bounded by surfaces
 * that no tip serves together. Exact.
 */
function smallest(columns: readonly Column[], rows: readonly number[], allowed: Allowed): readonly Column[] {
  const serves = (column: Column, row: number) => (column.losses[row] ?? Infinity) <= allowed(row) + HAIR;
  const servers = new Map(rows.map((row) => [row, columns.filter((column) => serves(column, row))]));
  const byServers = (open: readonly number[]) =>
    [...open].sort((a, b) => (servers.get(a)?.length ?? 0) - (servers.get(b)?.length ?? 0));
  let best: readonly Column[] = [];
  let least = NOTHING;
  // No set loses less than each surface with its best tip
  const floor = rows.reduce((sum, row) => sum + (leastOf(columns, row) ?? 1), 0);
  /** Tips, and tips to buy, that surfaces still open want at least: of those that share none. */
  const bound = (open: readonly number[]): [bought: number, tips: number] => {
    let [bought, tips] = [0, 0];
    const taken = new Set<Column>();
    for (const row of byServers(open)) {
      const own = servers.get(row) ?? [];
      if (own.some((column) => taken.has(column))) continue;
      for (const column of own) taken.add(column);
      tips += 1;
      if (own.every(({ ours }) => !ours)) bought += 1;
    }
    return [bought, tips];
  };
  const search = (chosen: readonly Column[], open: readonly number[]): void => {
    if (open.length === 0) {
      const cost = costOf(chosen, rows, allowed);
      if (isLess(cost, least)) [best, least] = [chosen, cost];
      return;
    }
    const [bought, tips] = bound(open);
    const at: Cost = [0, 0, chosen.filter(({ ours }) => !ours).length + bought, chosen.length + tips, floor];
    if (!isLess(at, least)) return;
    const [row = 0] = byServers(open);
    const left = (column: Column) => open.filter((one) => !serves(column, one));
    const branches = (servers.get(row) ?? []).map((column) => ({ column, open: left(column) }));
    branches.sort((a, b) => Number(b.column.ours) - Number(a.column.ours) || a.open.length - b.open.length);
    for (const branch of branches) search([...chosen, branch.column], branch.open);
  };
  search([], rows);
  return best;
}

/** The best set of so many tips at most, when they cannot keep every surface within the loss. Exact: bounded by what the rest could do. */
function ofAtMost(
  columns: readonly Column[],
  rows: readonly number[],
  allowed: Allowed,
  most: number,
): readonly Column[] {
  let best: readonly Column[] = [];
  let least = NOTHING;
  const order = [...columns].sort(
    (a, b) =>
      costOf([a], rows, allowed)[0] - costOf([b], rows, allowed)[0] || Number(b.ours) - Number(a.ours),
  );
  const search = (chosen: readonly Column[], from: number): void => {
    if (chosen.length > 0) {
      const cost = costOf(chosen, rows, allowed);
      if (isLess(cost, least)) [best, least] = [chosen, cost];
    }
    if (chosen.length === most || from >= order.length) return;
    const [without, beyond, , , lost] = costOf([...chosen, ...order.slice(from)], rows, allowed);
    const [, , bought] = costOf(chosen, rows, allowed);
    if (!isLess([without, beyond, bought, chosen.length, lost], least)) return;
    for (let index = from; index < order.length; index += 1) {
      const column = order[index];
      if (column) search([...chosen, column], index + 1);
    }
  };
  search([], 0);
  return best;
}

/** Further tips that are named. */
const NAMED = 3;

/**
 * Tips for a job: the smallest set with which every surface is within a loss of its best tip, ours before ones to buy, and of such sets
 * the one that loses least. With fewer tips than that, or ours alone, the set that leaves the fewest surfaces
 * without, then beyond.
 */
export function tipSetFor(surfaces: readonly SurfaceTips[], wish: TipWish): TipSet {
  const sprayed = surfaces.filter(({ tips }) => tips.length > 0);
  const columns = needed(columnsOf(sprayed, wish));
  const rows = sprayed.map((_one, row) => row);
  const reached = rows.filter((row) => columns.some(({ losses }) => losses[row] !== undefined));
  const allowed: Allowed = (row) => Math.max(wish.loss, leastOf(columns, row) ?? 1);
  const enough = smallest(columns, reached, allowed);
  const { most = Infinity } = wish;
  const chosen = enough.length > most ? ofAtMost(columns, reached, allowed, most) : enough;
  return described(sprayed, surfaces, chosen, wish);
}

function described(
  sprayed: readonly SurfaceTips[],
  surfaces: readonly SurfaceTips[],
  chosen: readonly Column[],
  { loss: allowed, rack }: TipWish,
): TipSet {
  const mine = ({ tips }: SurfaceTips) =>
    tips.filter(({ tip }) => chosen.some((column) => isSameTip(column.tip, tip)));
  const { uses, changes } = assigned(sprayed, mine, allowed);
  const atBest = assigned(sprayed, mine, 0);
  const tips = chosen
    .map(({ tip, ours }): TipOfSet => ({
      tip,
      code: writeTipCode(tip),
      ours,
      ids: uses.filter(({ used }) => isSameTip(used.tip, tip)).map(({ id }) => id),
    }))
    .filter(({ ids }) => ids.length > 0);
  const served = new Set(uses.map(({ id }) => id));
  return {
    tips,
    uses,
    changes,
    changesAtBest: atBest.changes,
    beyond: uses.filter(({ loss }) => loss > allowed + HAIR).map(({ id }) => id),
    without: surfaces.filter(({ id }) => !served.has(id)).map(({ id }) => id),
    more: oneMore(sprayed, uses, rack),
  };
}

/** What one further tip would save, where it does better than what is used. */
function oneMore(
  surfaces: readonly SurfaceTips[],
  uses: readonly TipUse[],
  rack: readonly Tip[],
): readonly OneMore[] {
  const byId = new Map(uses.map((use) => [use.id, use]));
  const found = new Map<string, { tip: Tip; time: number; paint: number; even: number; ids: string[] }>();
  for (const { id, tips } of surfaces) {
    const used = byId.get(id)?.used;
    if (!used) continue;
    for (const one of tips) {
      if (one.score <= used.score + HAIR) continue;
      const key = keyOf(one.tip);
      const more = found.get(key) ?? { tip: one.tip, time: 0, paint: 0, even: 0, ids: [] };
      found.set(key, more);
      more.time += used.time - one.time;
      more.paint += used.paint - one.paint;
      more.even += used.variation - one.variation;
      more.ids.push(id);
    }
  }
  return [...found.values()]
    .sort((a, b) => b.time - a.time)
    .slice(0, NAMED)
    .map(({ even, ...one }) => ({
      ...one,
      evenness: even / one.ids.length,
      code: writeTipCode(one.tip),
      ours: isIn(rack, one.tip),
    }));
}
