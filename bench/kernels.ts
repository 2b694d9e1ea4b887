import {
  createGrid,
  given,
  layMove,
  layStroke,
  lineAtPump,
  of,
  planPasses,
  powerLaw,
  quantity,
  searchSetups,
  setupCard,
  sprayFan,
  stamp,
  startSimulation,
  steadyState,
  straightStroke,
  tipCatalogue,
  type DepositMethod,
  type FanSettings,
  type Fraction,
  type GunPoint,
  type Piece,
  surfacesOf,
  usualRoom,
} from '@fine-spray/core';
import { HOSES, timesOver } from './requests';

/** Best seconds of several runs, after one to warm up. */
function best(rounds: number, work: () => void): number {
  work();
  let least = Infinity;
  for (let round = 0; round < rounds; round += 1) {
    const started = performance.now();
    work();
    least = Math.min(least, (performance.now() - started) / 1000);
  }
  return least;
}

const FAN: FanSettings = {
  family: 'standard',
  fan: 5,
  flow: of(0.8, 'L/min'),
  transferEfficiency: quantity<Fraction>(0.8),
  pressureRatio: 1,
};
const gun = (x: number, y: number): GunPoint => ({
  x,
  y,
  distance: 0.3048,
  tiltAcross: 0,
  tiltThrough: 0,
  orientation: Math.PI / 2,
});

function wall(columns: number, rows: number, cell: number, method: DepositMethod = 'along') {
  const grid = createGrid(of(columns * cell, 'm'), of(rows * cell, 'm'), of(cell, 'm'));
  if (!grid.ok) throw new Error(grid.message);
  return startSimulation(grid.value, sprayFan(FAN), method);
}

/** The grid and footprint of the kernel bench, to be given to the C yardstick too. */
export const KERNEL = { columns: 600, rows: 480, stamps: 4000, cell: 0.0045 } as const;

/** Seconds for all stamps, the sum of the film, and the half-widths of the footprint. */
export function stamps(rounds: number) {
  const { columns, rows, cell, stamps: count } = KERNEL;
  const simulation = wall(columns, rows, cell);
  const { film } = simulation.grid;
  const seconds = best(rounds, () => {
    film.fill(0);
    for (let index = 0; index < count; index += 1) {
      const x = ((index * 0.6180339887498949) % 1) * columns * cell;
      const y = ((index * 0.7548776662466927) % 1) * rows * cell;
      stamp(simulation, gun(x, y), 1e-6);
    }
  });
  return {
    seconds,
    sum: film.reduce((total, one) => total + one, 0),
    across: 0.3048 * simulation.fan.spread,
    through: 0.3048 * simulation.fan.thickness,
  };
}

/** A wall of passes laid at once against the same laid stamp by stamp, and how far the films differ. */
export function strokes(rounds: number) {
  const lay = (method: DepositMethod) => {
    const simulation = wall(600, 480, 0.01, method);
    for (let y = 4.7; y > 0; y -= 0.127) {
      const way = { from: { x: -0.2, y }, to: { x: 6.2, y }, speed: 0.5, distance: 0.3048 };
      layStroke(simulation, straightStroke({ ...way, orientation: Math.PI / 2 }));
    }
    return simulation.grid.film;
  };
  const fast = best(rounds, () => lay('along'));
  const slow = best(Math.max(2, rounds / 4), () => lay('stamps'));
  const [one, other] = [lay('along'), lay('stamps')];
  const peak = other.reduce((most, film) => Math.max(most, film), 0);
  const apart = one.reduce((most, film, index) => Math.max(most, Math.abs(film - (other[index] ?? 0))), 0);
  return { fast, slow, apart: apart / peak };
}

/** Seconds of the costliest of 200 pointer moves, best of several times each, of a live stroke at phone grid size: 40 mm in any direction, 8 mm cells, 3 m by 2.4 m. */
export function liveMove(rounds: number): number {
  const simulation = wall(375, 300, 0.008);
  const moves = Array.from({ length: 200 }, (_, index) => {
    const angle = index * 0.7;
    const from = gun(1.5 + Math.cos(angle), 1.2 + 0.6 * Math.sin(angle));
    const turn = { orientation: angle };
    return [
      { ...from, ...turn },
      { ...from, ...turn, x: from.x + 0.04 * Math.cos(angle * 3), y: from.y + 0.04 * Math.sin(angle * 3) },
    ] as const;
  });
  const least = moves.map(() => Infinity);
  for (let round = 0; round < rounds; round += 1) {
    for (const [index, [from, to]] of moves.entries()) {
      const started = performance.now();
      layMove(simulation, from, to, 0.05);
      least[index] = Math.min(least[index] ?? Infinity, (performance.now() - started) / 1000);
    }
  }
  return Math.max(...least);
}

/** Seconds of one steady state of pump, two hoses, height and tip; and of the whole report with its ranges. */
export function lineSolve(rounds: number): { solve: number; report: number } {
  const fluid = { density: of(1.3, 'kg/L'), rheology: powerLaw(quantity(1), quantity(0.12)) };
  const line = { hoses: HOSES, height: of(2, 'm'), orifice: of(0.015, 'in'), maxFlow: of(2, 'L/min') };
  const pumps = Array.from({ length: 200 }, (_, index) => of(80 + index * 0.6, 'bar'));
  const solve = best(rounds, () => {
    for (const pump of pumps) steadyState({ ...line, fluid }, pump);
  });
  const request = {
    ...line,
    lowShear: { ...given('low', 'viscosity', 1, 'x'), low: 0.8, high: 1.2 },
    highShear: { ...given('high', 'viscosity', 0.12, 'x'), low: 0.1, high: 0.14 },
    density: given('density', 'density', 1300, 'x'),
  };
  const report = best(rounds, () => {
    for (const pump of pumps) lineAtPump(request, pump);
  });
  return { solve: solve / pumps.length, report: report / pumps.length };
}

/** Milliseconds of whole set-up cards, and of whole set-up searches over the full catalogue. */
export function setups(cardRounds: number, searchRounds: number) {
  return {
    tips: tipCatalogue().length,
    cards: timesOver(cardRounds, (request) => setupCard(request)),
    searches: timesOver(searchRounds, (request) => searchSetups(request)),
  };
}

const box = (x: number, y: number, width: number, height: number) => [
  { x, y },
  { x: x + width, y },
  { x: x + width, y: y + height },
  { x, y: y + height },
];

/** Seconds of the pass plans of a house of forty surfaces: walls with openings, gables, ceilings. */
export function housePlan(rounds: number): { seconds: number; passes: number } {
  const settings = {
    fanWidth: of(254, 'mm'),
    distance: of(12, 'in'),
    overlap: quantity<Fraction>(0.5),
    gunSpeed: of(0.5, 'm/s'),
    flow: given('Flow', 'flow', of(0.8, 'L/min'), 'x'),
    air: given('Not lost in the air', 'percent', 0.8, 'x'),
    family: 'standard' as const,
  };
  const surfaces = Array.from({ length: 40 }, (_, index): { piece: Piece; ceiling: boolean } => {
    const width = 3 + (index % 7);
    if (index % 4 === 3) return { piece: { outline: box(0, 0, width, 3.5), openings: [] }, ceiling: true };
    const outline =
      index % 4 === 2
        ? [...box(0, 0, width, 2.6).slice(0, 3), { x: width / 2, y: 4.2 }, { x: 0, y: 2.6 }]
        : box(0, 0, width, 2.6);
    return { piece: { outline, openings: [box(0.4, 0, 0.9, 2.1), box(1.6, 0.9, 1.1, 1.2)] }, ceiling: false };
  });
  let passes = 0;
  const seconds = best(rounds, () => {
    passes = 0;
    for (const { piece, ceiling } of surfaces) {
      const direction = ceiling
        ? ({ kind: 'across sight', viewpoint: { x: -1, y: 1.3 } } as const)
        : ({ kind: 'across' } as const);
      const plan = planPasses(piece, settings, { direction, edgesFirst: !ceiling });
      if (!plan.ok) throw new Error(plan.message);
      passes += plan.value.passes.length;
    }
  });
  return { seconds, passes };
}

/** Seconds of the take-off of a street of rooms: 1,000 surfaces with their areas, all recalculated. */
export function takeoff(rounds: number): { seconds: number; surfaces: number } {
  const features = (['door', 'window', 'baseboard'] as const).map((item, index) => ({
    id: item,
    item,
    count: 1 + index,
    sizes: {},
  }));
  const rooms = Array.from({ length: 250 }, (_unused, index) => ({
    ...usualRoom(4 + (index % 7), 3 + (index % 5), 2.5),
    features: features.map((feature) => (feature.item === 'baseboard' ? { ...feature, count: 1 } : feature)),
    ceiling:
      index % 3 === 0 ? ({ shape: 'vaulted', ridge: 4, rises: 'y' } as const) : ({ shape: 'flat' } as const),
  }));
  let surfaces = 0;
  const seconds = best(rounds, () => {
    surfaces = 0;
    for (const room of rooms) {
      const derived = surfacesOf(room);
      if (!derived.ok) throw new Error(derived.message);
      surfaces += derived.value.length;
    }
  });
  return { seconds, surfaces };
}
