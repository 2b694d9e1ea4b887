import { cumulative, shareBelow, sheetBelow, sheetIntegral, type SprayFan } from './fan';
import type { WallGrid } from './grid';
import { between, type GunPoint, type Stroke } from './stroke';

/** A wall being painted, with the account of where every drop went (m³). */
export interface WallSimulation {
  readonly grid: WallGrid;
  readonly fan: SprayFan;
  /** Through the gun; on the grid; past its edges; lost as mist and bounce. sprayed = landed + outside + overspray. */
  sprayed: number;
  landed: number;
  outside: number;
  overspray: number;
  readonly across: Float64Array;
  readonly weights: { columns: Float64Array; rows: Float64Array };
  /** How strokes are laid: along their way at once where that is exact, or stamp by stamp (the slow reference). */
  readonly method: DepositMethod;
}

export type DepositMethod = 'along' | 'stamps';

export function startSimulation(
  grid: WallGrid,
  fan: SprayFan,
  method: DepositMethod = 'along',
): WallSimulation {
  return {
    grid,
    fan,
    sprayed: 0,
    landed: 0,
    outside: 0,
    overspray: 0,
    across: cumulative(fan.profile),
    weights: { columns: new Float64Array(grid.columns), rows: new Float64Array(grid.rows) },
    method,
  };
}

/** Share of the paint of one axis that lies below a place on the wall, u from the foot of the gun. */
type Below = (u: number) => number;

/** Share below u across the fan, by the ray law: the ray to u leaves the gun at atan(u/d) off the perpendicular. */
function acrossBelow({ across, fan }: WallSimulation, gun: GunPoint): Below {
  const d = gun.distance / Math.cos(gun.tiltThrough);
  if (gun.tiltAcross === 0) return (u) => shareBelow(across, u / (d * fan.spread));
  return (u) => shareBelow(across, Math.tan(Math.atan(u / d) - gun.tiltAcross) / fan.spread);
}

/** Share below w through the sheet of the fan. */
function throughBelow({ fan }: WallSimulation, gun: GunPoint): Below {
  const d = gun.distance / Math.cos(gun.tiltAcross);
  if (gun.tiltThrough === 0) return (w) => sheetBelow(w / (d * fan.thickness));
  return (w) => sheetBelow(Math.tan(Math.atan(w / d) - gun.tiltThrough) / fan.thickness);
}

/** Where an axis of the fan ends on the wall, from the foot of the gun. */
function reachOf(distance: number, halfTangent: number, tilt: number): { low: number; high: number } {
  const half = Math.atan(halfTangent);
  const limit = Math.PI / 2 - 0.02;
  const end = (angle: number) => distance * Math.tan(Math.min(limit, Math.max(-limit, angle)));
  return { low: end(tilt - half), high: end(tilt + half) };
}

/** Fills the weights of the cells of one axis between two places; returns the first cell, how many, and their sum. */
function weigh(
  weights: Float64Array,
  cells: number,
  cell: number,
  origin: number,
  reach: { low: number; high: number },
  below: Below,
): { first: number; count: number; sum: number } {
  const first = Math.max(0, Math.floor((origin + reach.low) / cell));
  const last = Math.min(cells - 1, Math.floor((origin + reach.high) / cell));
  let sum = 0;
  let left = below(first * cell - origin);
  for (let index = first; index <= last; index += 1) {
    const right = below((index + 1) * cell - origin);
    const weight = right - left;
    weights[index - first] = weight;
    sum += weight;
    left = right;
  }
  return { first, count: Math.max(0, last - first + 1), sum };
}

/** Adds volume × row weight × column weight to the film, and books what fell past the edges of the grid. */
function add(
  simulation: WallSimulation,
  volume: number,
  columns: { first: number; count: number; sum: number },
  rows: { first: number; count: number; sum: number },
): void {
  const { grid, weights } = simulation;
  const height = volume / (grid.cell * grid.cell);
  const { film } = grid;
  const wide = weights.columns;
  const high = weights.rows;
  for (let r = 0; r < rows.count; r += 1) {
    const weight = height * (high[r] as number);
    let at = (rows.first + r) * grid.columns + columns.first;
    for (let c = 0; c < columns.count; c += 1) {
      film[at] = (film[at] as number) + weight * (wide[c] as number);
      at += 1;
    }
  }
  const landed = volume * columns.sum * rows.sum;
  simulation.landed += landed;
  simulation.outside += volume - landed;
}

const STRAIGHT = 1e-9;

/** Whether the long axis of the fan lies along the y axis, the x axis, or neither. */
function axisOf(orientation: number): 'upright' | 'level' | 'slanted' {
  if (Math.abs(Math.cos(orientation)) < STRAIGHT) return 'upright';
  return Math.abs(Math.sin(orientation)) < STRAIGHT ? 'level' : 'slanted';
}

/** Lays a volume from one place of the gun. */
export function stamp(simulation: WallSimulation, gun: GunPoint, volume: number): void {
  const axis = axisOf(gun.orientation);
  if (axis === 'slanted') {
    stampSlanted(simulation, gun, volume);
    return;
  }
  const { grid, fan, weights } = simulation;
  const acrossReach = reachOf(gun.distance / Math.cos(gun.tiltThrough), fan.spread, gun.tiltAcross);
  const throughReach = reachOf(gun.distance / Math.cos(gun.tiltAcross), fan.thickness, gun.tiltThrough);
  // A fan turned half round is the same fan with its tilts the other way.
  const flip = axis === 'upright' ? Math.sin(gun.orientation) < 0 : Math.cos(gun.orientation) < 0;
  const mirrored = (below: Below): Below => (flip ? (u) => 1 - below(-u) : below);
  const mirroredReach = ({ low, high }: { low: number; high: number }) =>
    flip ? { low: -high, high: -low } : { low, high };
  const across = mirrored(acrossBelow(simulation, gun));
  // Through the sheet the axis is a quarter turn on: −x for an upright fan.
  const through = throughBelow(simulation, gun);
  const turned = axis === 'upright' ? !flip : flip;
  const throughAxis: Below = turned ? (u) => 1 - through(-u) : through;
  const throughAxisReach = turned ? { low: -throughReach.high, high: -throughReach.low } : throughReach;
  const { cell } = grid;
  const [columnBelow, columnReach, rowBelow, rowReach] =
    axis === 'upright'
      ? [throughAxis, throughAxisReach, across, mirroredReach(acrossReach)]
      : [across, mirroredReach(acrossReach), throughAxis, throughAxisReach];
  add(
    simulation,
    volume,
    weigh(weights.columns, grid.columns, cell, gun.x, columnReach, columnBelow),
    weigh(weights.rows, grid.rows, cell, gun.y, rowReach, rowBelow),
  );
}

/** A fan at any angle: film density at the cell centres, scaled so that the whole footprint holds the volume. */
function stampSlanted(simulation: WallSimulation, gun: GunPoint, volume: number): void {
  const { grid, fan } = simulation;
  const { cell, columns, rows, film } = grid;
  const [cosine, sine] = [Math.cos(gun.orientation), Math.sin(gun.orientation)];
  const across = reachOf(gun.distance / Math.cos(gun.tiltThrough), fan.spread, gun.tiltAcross);
  const through = reachOf(gun.distance / Math.cos(gun.tiltAcross), fan.thickness, gun.tiltThrough);
  const belowAcross = acrossBelow(simulation, gun);
  const belowThrough = throughBelow(simulation, gun);
  const corners = [across.low, across.high].flatMap((u) =>
    [through.low, through.high].map((w) => ({
      x: gun.x + u * cosine - w * sine,
      y: gun.y + u * sine + w * cosine,
    })),
  );
  const bound = (values: number[]) => ({
    first: Math.floor(Math.min(...values) / cell),
    last: Math.floor(Math.max(...values) / cell),
  });
  const wide = bound(corners.map(({ x }) => x));
  const high = bound(corners.map(({ y }) => y));
  const span = wide.last - wide.first + 1;
  const shares = new Float64Array(span * (high.last - high.first + 1));
  const half = cell / 2;
  let total = 0;
  let index = 0;
  for (let row = high.first; row <= high.last; row += 1) {
    for (let column = wide.first; column <= wide.last; column += 1) {
      const dx = (column + 0.5) * cell - gun.x;
      const dy = (row + 0.5) * cell - gun.y;
      const u = dx * cosine + dy * sine;
      const w = dy * cosine - dx * sine;
      const share =
        (belowAcross(u + half) - belowAcross(u - half)) * (belowThrough(w + half) - belowThrough(w - half));
      shares[index] = share;
      total += share;
      index += 1;
    }
  }
  if (!(total > 0)) {
    simulation.outside += volume;
    return;
  }
  const height = volume / total / (cell * cell);
  let inside = 0;
  index = 0;
  for (let row = high.first; row <= high.last; row += 1) {
    for (let column = wide.first; column <= wide.last; column += 1) {
      const share = shares[index] ?? 0;
      index += 1;
      if (row < 0 || row >= rows || column < 0 || column >= columns) continue;
      const at = row * columns + column;
      film[at] = (film[at] ?? 0) + height * share;
      inside += share;
    }
  }
  const landed = (volume * inside) / total;
  simulation.landed += landed;
  simulation.outside += volume - landed;
}

/**
 * Lays a straight move square to the fan at once: through the sheet the stroke is an integral in closed form, so one
 * outer product stands for any number of stamps.
 */
function layAlong(simulation: WallSimulation, from: GunPoint, to: GunPoint, volume: number): void {
  const { grid, fan, weights } = simulation;
  const upright = axisOf(from.orientation) === 'upright';
  const [a, b] = upright ? [from.x, to.x] : [from.y, to.y];
  const half = from.distance * fan.thickness;
  const way = Math.abs(b - a);
  const start = Math.min(a, b);
  const below: Below = (u) => (half / way) * (sheetIntegral(u / half) - sheetIntegral((u - way) / half));
  const across = acrossBelow(simulation, from);
  const flip = upright ? Math.sin(from.orientation) < 0 : Math.cos(from.orientation) < 0;
  const acrossAxis: Below = flip ? (u) => 1 - across(-u) : across;
  const reach = reachOf(from.distance, fan.spread, from.tiltAcross);
  const acrossReach = flip ? { low: -reach.high, high: -reach.low } : reach;
  const alongReach = { low: -half, high: way + half };
  const { cell, columns, rows } = grid;
  const wide = upright
    ? weigh(weights.columns, columns, cell, start, alongReach, below)
    : weigh(weights.columns, columns, cell, from.x, acrossReach, acrossAxis);
  const high = upright
    ? weigh(weights.rows, rows, cell, from.y, acrossReach, acrossAxis)
    : weigh(weights.rows, rows, cell, start, alongReach, below);
  add(simulation, volume, wide, high);
}

/** Whether a move can be laid at once: straight, square to the fan, nothing else changing, the gun not tilted through. */
function squareMove(from: GunPoint, to: GunPoint): boolean {
  const axis = axisOf(from.orientation);
  if (axis === 'slanted' || from.tiltThrough !== 0 || to.tiltThrough !== 0) return false;
  if (from.distance !== to.distance || from.tiltAcross !== to.tiltAcross) return false;
  if (from.tiltAcross !== 0 || from.orientation !== to.orientation) return false;
  return axis === 'upright' ? from.y === to.y && from.x !== to.x : from.x === to.x && from.y !== to.y;
}

/** Stamps lie so close that the sheet of the fan covers several of them. */
const STAMP_SHARE = 0.25;

/** Lays what the gun sprays on its way between two places in a time, trigger open. One pointer move of a live stroke. */
export function layMove(simulation: WallSimulation, from: GunPoint, to: GunPoint, seconds: number): void {
  if (!(seconds > 0)) return;
  const { fan, grid } = simulation;
  const sprayed = fan.flow * seconds;
  const volume = sprayed * fan.transferEfficiency;
  simulation.sprayed += sprayed;
  simulation.overspray += sprayed - volume;
  if (simulation.method === 'along' && squareMove(from, to)) {
    layAlong(simulation, from, to, volume);
    return;
  }
  const way =
    Math.hypot(to.x - from.x, to.y - from.y) + Math.abs(to.tiltThrough - from.tiltThrough) * from.distance;
  const step = Math.max(grid.cell, fan.thickness * Math.min(from.distance, to.distance)) * STAMP_SHARE;
  const stamps = Math.max(1, Math.ceil(way / step));
  for (let index = 0; index < stamps; index += 1) {
    stamp(simulation, between(from, to, (index + 0.5) / stamps), volume / stamps);
  }
}

/** Lays a whole stroke: every stretch between its points in which the trigger is open. */
export function layStroke(simulation: WallSimulation, { points, triggers }: Stroke): void {
  const [first] = points;
  if (points.length === 1 && first) {
    for (const { open, close } of triggers) layMove(simulation, first, first, close - open);
    return;
  }
  for (let index = 1; index < points.length; index += 1) {
    const a = points[index - 1];
    const b = points[index];
    if (!a || !b || b.time <= a.time) continue;
    for (const { open, close } of triggers) {
      const from = Math.max(open, a.time);
      const to = Math.min(close, b.time);
      if (to <= from) continue;
      const share = (time: number) => (time - a.time) / (b.time - a.time);
      layMove(simulation, between(a, b, share(from)), between(a, b, share(to)), to - from);
    }
  }
}
