import { shareBelow } from '../film';
import { sheetBelow, sheetIntegral } from './fan';
import type { GunPoint } from './stroke';
import type { WallSimulation } from './wall';

/** Share of the paint of one axis that lies below a place on the wall, u from the foot of the gun. */
type Below = (u: number) => number;

/** One axis of the fan on the wall: how its paint is shared out, and where it ends. */
interface Axis {
  readonly below: Below;
  readonly reach: { readonly low: number; readonly high: number };
}

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

interface Span {
  readonly first: number;
  readonly count: number;
  readonly sum: number;
}

/** `weigh` for a gun square to the wall, across the fan: the table read straight, no calls between. */
function weighAcross(
  weights: Float64Array,
  cells: number,
  cell: number,
  origin: number,
  half: number,
  table: Float64Array,
): Span {
  const first = Math.max(0, Math.floor((origin - half) / cell)) | 0;
  const last = Math.min(cells - 1, Math.floor((origin + half) / cell)) | 0;
  const step = cell / half;
  let place = (first * cell - origin) / half;
  let sum = 0;
  let left = shareBelow(table, place);
  for (let index = first; index <= last; index = (index + 1) | 0) {
    place += step;
    const right = shareBelow(table, place);
    weights[index - first] = right - left;
    sum += right - left;
    left = right;
  }
  return { first, count: Math.max(0, last - first + 1), sum };
}

/** The same through the sheet of the fan. */
function weighThrough(
  weights: Float64Array,
  cells: number,
  cell: number,
  origin: number,
  half: number,
): Span {
  const first = Math.max(0, Math.floor((origin - half) / cell)) | 0;
  const last = Math.min(cells - 1, Math.floor((origin + half) / cell)) | 0;
  const step = cell / half;
  let place = (first * cell - origin) / half;
  let sum = 0;
  let left = sheetBelow(place);
  for (let index = first; index <= last; index = (index + 1) | 0) {
    place += step;
    const right = sheetBelow(place);
    weights[index - first] = right - left;
    sum += right - left;
    left = right;
  }
  return { first, count: Math.max(0, last - first + 1), sum };
}

/** Fills the weights of the cells of one axis between two places; returns the first cell, how many, and their sum. */
function weigh(
  weights: Float64Array,
  cells: number,
  cell: number,
  origin: number,
  { below, reach }: Axis,
): Span {
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

/**
 * film += height · rowWeights ⊗ columnWeights, from a cell on. Plain arguments, "| 0" (whole numbers, no check for
 * overflow at each step) and four cells a turn (a fifth less time) are what makes this loop as fast as it gets.
 */
function addProduct(
  film: Float64Array,
  stride: number,
  from: number,
  rowWeights: Float64Array,
  rowCount: number,
  columnWeights: Float64Array,
  columnCount: number,
  height: number,
): void {
  let start = from | 0;
  const fours = columnCount & ~3;
  for (let row = 0; row < rowCount; row = (row + 1) | 0) {
    const weight = height * (rowWeights[row] as number);
    let column = 0;
    for (; column < fours; column = (column + 4) | 0) {
      const at = (start + column) | 0;
      film[at] = (film[at] as number) + weight * (columnWeights[column] as number);
      film[at + 1] = (film[at + 1] as number) + weight * (columnWeights[column + 1] as number);
      film[at + 2] = (film[at + 2] as number) + weight * (columnWeights[column + 2] as number);
      film[at + 3] = (film[at + 3] as number) + weight * (columnWeights[column + 3] as number);
    }
    for (; column < columnCount; column = (column + 1) | 0) {
      const at = (start + column) | 0;
      film[at] = (film[at] as number) + weight * (columnWeights[column] as number);
    }
    start = (start + stride) | 0;
  }
}

/** Adds volume × row weight × column weight to the film, and books what fell past the edges of the grid. */
function add(simulation: WallSimulation, volume: number, columns: Span, rows: Span): void {
  const { grid, weights } = simulation;
  const from = rows.first * grid.columns + columns.first;
  const height = volume / (grid.cell * grid.cell);
  addProduct(grid.film, grid.columns, from, weights.rows, rows.count, weights.columns, columns.count, height);
  const landed = volume * columns.sum * rows.sum;
  simulation.landed += landed;
  simulation.outside += volume - landed;
}

const STRAIGHT = 1e-9;

/** Whether the long axis of the fan lies along the y axis, the x axis, or neither. */
export function axisOf(orientation: number): 'upright' | 'level' | 'slanted' {
  if (Math.abs(Math.cos(orientation)) < STRAIGHT) return 'upright';
  return Math.abs(Math.sin(orientation)) < STRAIGHT ? 'level' : 'slanted';
}

/** A fan turned half round is the same fan with its tilts the other way. */
function isTurnedRound({ orientation }: GunPoint, axis: 'upright' | 'level' | 'slanted'): boolean {
  return axis === 'upright' ? Math.sin(orientation) < 0 : Math.cos(orientation) < 0;
}

/** An axis of the fan seen the other way round, or as it is. */
function mirrored({ below, reach }: Axis, flip: boolean): Axis {
  if (!flip) return { below, reach };
  return { below: (u) => 1 - below(-u), reach: { low: -reach.high, high: -reach.low } };
}

/** Lays a volume from one place of the gun. */
export function stamp(simulation: WallSimulation, gun: GunPoint, volume: number): void {
  const axis = axisOf(gun.orientation);
  const square = gun.tiltAcross === 0 && gun.tiltThrough === 0;
  if (axis === 'slanted') {
    if (square) stampTurned(simulation, gun, volume);
    else stampSlanted(simulation, gun, volume);
    return;
  }
  if (square && (gun.orientation === Math.PI / 2 || gun.orientation === 0)) {
    stampSquare(simulation, gun, volume);
    return;
  }
  const { grid, fan, weights } = simulation;
  const acrossReach = reachOf(gun.distance / Math.cos(gun.tiltThrough), fan.spread, gun.tiltAcross);
  const throughReach = reachOf(gun.distance / Math.cos(gun.tiltAcross), fan.thickness, gun.tiltThrough);
  const flip = isTurnedRound(gun, axis);
  const across = mirrored({ below: acrossBelow(simulation, gun), reach: acrossReach }, flip);
  // Through the sheet the axis is a quarter turn on: −x for an upright fan.
  const turned = axis === 'upright' ? !flip : flip;
  const through = mirrored({ below: throughBelow(simulation, gun), reach: throughReach }, turned);
  const { cell } = grid;
  const [columns, rows] = axis === 'upright' ? [through, across] : [across, through];
  add(
    simulation,
    volume,
    weigh(weights.columns, grid.columns, cell, gun.x, columns),
    weigh(weights.rows, grid.rows, cell, gun.y, rows),
  );
}

/** The most common stamp, and the kernel of the bench: square to the wall, the fan upright or level. */
function stampSquare(
  simulation: WallSimulation,
  { x, y, distance, orientation }: GunPoint,
  volume: number,
): void {
  const { grid, fan, weights, across } = simulation;
  const { columns, rows, cell } = grid;
  const [wide, thick] = [distance * fan.spread, distance * fan.thickness];
  if (orientation === 0) {
    const level = weighAcross(weights.columns, columns, cell, x, wide, across);
    add(simulation, volume, level, weighThrough(weights.rows, rows, cell, y, thick));
  } else {
    const level = weighThrough(weights.columns, columns, cell, x, thick);
    add(simulation, volume, level, weighAcross(weights.rows, rows, cell, y, wide, across));
  }
}

/** Room for the shares of a box of cells, kept between stamps. */
function sharesFor(simulation: WallSimulation, size: number): Float64Array {
  if (simulation.shares.length < size) simulation.shares = new Float64Array(size);
  return simulation.shares;
}

/**
 * A fan square to the wall at any angle: the share of each cell is that of a cell turned with the fan. Cells beside
 * the sheet are skipped, which is most of the box round a slanting fan.
 */
function stampTurned(
  simulation: WallSimulation,
  { x, y, distance, orientation }: GunPoint,
  volume: number,
): void {
  const { grid, fan, across } = simulation;
  const { cell } = grid;
  const [cosine, sine] = [Math.cos(orientation), Math.sin(orientation)];
  const [wide, thick] = [distance * fan.spread, distance * fan.thickness];
  const half = cell / 2;
  const boxX = wide * Math.abs(cosine) + thick * Math.abs(sine) + cell;
  const boxY = wide * Math.abs(sine) + thick * Math.abs(cosine) + cell;
  const [left, right] = [Math.floor((x - boxX) / cell), Math.floor((x + boxX) / cell)];
  const [bottom, top] = [Math.floor((y - boxY) / cell), Math.floor((y + boxY) / cell)];
  const size = (right - left + 1) * (top - bottom + 1);
  const shares = sharesFor(simulation, size);
  let total = 0;
  let index = 0;
  for (let row = bottom; row <= top; row += 1) {
    const dy = (row + 0.5) * cell - y;
    for (let column = left; column <= right; column += 1) {
      const dx = (column + 0.5) * cell - x;
      const w = dy * cosine - dx * sine;
      const u = dx * cosine + dy * sine;
      let share = 0;
      if (w < thick + half && w > -thick - half && u < wide + half && u > -wide - half) {
        share =
          (shareBelow(across, (u + half) / wide) - shareBelow(across, (u - half) / wide)) *
          (sheetBelow((w + half) / thick) - sheetBelow((w - half) / thick));
      }
      shares[index] = share;
      total += share;
      index += 1;
    }
  }
  addShares(simulation, volume, total, { left, right, bottom, top });
}

/** Adds shares of a box of cells, scaled so that the whole box holds the volume; books what fell off the grid. */
function addShares(
  simulation: WallSimulation,
  volume: number,
  total: number,
  box: {
    left: number;
    right: number;
    bottom: number;
    top: number;
  },
): void {
  const { left, right, bottom, top } = box;
  if (!(total > 0)) {
    simulation.outside += volume;
    return;
  }
  const { shares, grid } = simulation;
  const { film, columns, rows, cell } = grid;
  const height = volume / total / (cell * cell);
  let inside = 0;
  let index = 0;
  for (let row = bottom; row <= top; row += 1) {
    for (let column = left; column <= right; column += 1) {
      const share = shares[index] as number;
      index += 1;
      if (share === 0 || row < 0 || row >= rows || column < 0 || column >= columns) continue;
      const at = row * columns + column;
      film[at] = (film[at] as number) + height * share;
      inside += share;
    }
  }
  const landed = (volume * inside) / total;
  simulation.landed += landed;
  simulation.outside += volume - landed;
}

/** Cells from the first to the last of a stretch of columns and rows; none where the last is before the first. */
export interface CellBox {
  readonly left: number;
  readonly right: number;
  readonly bottom: number;
  readonly top: number;
}

/** The cells of the grid that a fan reaches from one place of the gun, with one to spare on each side. */
export function boxOfFan({ grid, fan }: Pick<WallSimulation, 'grid' | 'fan'>, gun: GunPoint): CellBox {
  const { cell, columns, rows } = grid;
  const [cosine, sine] = [Math.cos(gun.orientation), Math.sin(gun.orientation)];
  const across = reachOf(gun.distance / Math.cos(gun.tiltThrough), fan.spread, gun.tiltAcross);
  const through = reachOf(gun.distance / Math.cos(gun.tiltAcross), fan.thickness, gun.tiltThrough);
  let [left, right, bottom, top] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const u of [across.low, across.high])
    for (const w of [through.low, through.high]) {
      const x = gun.x + u * cosine - w * sine;
      const y = gun.y + u * sine + w * cosine;
      [left, right] = [Math.min(left, x), Math.max(right, x)];
      [bottom, top] = [Math.min(bottom, y), Math.max(top, y)];
    }
  return {
    left: Math.max(0, Math.floor(left / cell) - 1),
    right: Math.min(columns - 1, Math.floor(right / cell) + 1),
    bottom: Math.max(0, Math.floor(bottom / cell) - 1),
    top: Math.min(rows - 1, Math.floor(top / cell) + 1),
  };
}

/** A tilted fan at any angle: as `stampTurned`, each ray by the ray law. */
function stampSlanted(simulation: WallSimulation, gun: GunPoint, volume: number): void {
  const { grid, fan } = simulation;
  const { cell } = grid;
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
  const size = (wide.last - wide.first + 1) * (high.last - high.first + 1);
  const shares = sharesFor(simulation, size);
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
  const [left, right, bottom, top] = [wide.first, wide.last, high.first, high.last];
  addShares(simulation, volume, total, { left, right, bottom, top });
}

/**
 * Lays a straight move square to the fan at once: through the sheet the stroke is an integral in closed form, so one
 * outer product stands for any number of stamps.
 */
export function layAlong(simulation: WallSimulation, from: GunPoint, to: GunPoint, volume: number): void {
  const { grid, fan, weights } = simulation;
  const axis = axisOf(from.orientation);
  const upright = axis === 'upright';
  const [a, b] = upright ? [from.x, to.x] : [from.y, to.y];
  const half = from.distance * fan.thickness;
  const way = Math.abs(b - a);
  const start = Math.min(a, b);
  const along: Axis = {
    below: (u) => (half / way) * (sheetIntegral(u / half) - sheetIntegral((u - way) / half)),
    reach: { low: -half, high: way + half },
  };
  const reach = reachOf(from.distance, fan.spread, from.tiltAcross);
  const across = mirrored({ below: acrossBelow(simulation, from), reach }, isTurnedRound(from, axis));
  const { cell, columns, rows } = grid;
  const wide = upright
    ? weigh(weights.columns, columns, cell, start, along)
    : weigh(weights.columns, columns, cell, from.x, across);
  const high = upright
    ? weigh(weights.rows, rows, cell, from.y, across)
    : weigh(weights.rows, rows, cell, start, along);
  add(simulation, volume, wide, high);
}
