import fc from 'fast-check';
import * as core from '.';
import { given, of, quantity, type Result } from '.';

/**
 * Whatever is typed, an answer is a refusal with a sentence and no number, or whole: nowhere in it a NaN or an infinity.
 */

const wild = fc.oneof(
  fc.constantFrom(NaN, Infinity, -Infinity, 0, -0, -1, 1e-300, 1e300, Number.MAX_VALUE, Number.MIN_VALUE),
  fc.double(),
  fc.double({ min: 0, max: 1, noNaN: true }),
  fc.double({ min: 0, max: 400, noNaN: true }),
);

/** Places of a value that is no finite number, by their path. */
function broken(value: unknown, path = ''): string[] {
  if (typeof value === 'number') return Number.isFinite(value) ? [] : [path];
  if (ArrayBuffer.isView(value))
    return Array.from(value as Float64Array).every(Number.isFinite) ? [] : [path];
  if (Array.isArray(value)) return value.flatMap((one, index) => broken(one, `${path}.${index}`));
  if (typeof value === 'object' && value !== null) {
    return Object.entries(value).flatMap(([key, one]) => broken(one, `${path}.${key}`));
  }
  return [];
}

function isHonest(result: Result<unknown>): void {
  if (result.ok) {
    expect(broken(result.value)).toEqual([]);
    return;
  }
  expect(Object.keys(result).sort()).toEqual(['code', 'field', 'message', 'ok']);
  expect(result.message).not.toMatch(/NaN|Infinity|undefined/);
  expect(result.message.length).toBeGreaterThan(15);
}

const q = (value: number) => quantity<never>(value);
const input = (value: number) => given('Input', 'factor', value, 'x');
const matt = { name: 'm', archetype: 'wall-matt', overrides: {} } as const;
const tip = { family: 'standard', fan: 5, orificeThou: 17 } as const;
const line = (a: number, b: number, c: number) => ({
  hoses: [{ length: q(a), bore: q(b) }],
  height: q(c),
  orifice: of(0.015, 'in'),
  maxFlow: of(2, 'L/min'),
  lowShear: input(1),
  highShear: input(0.1),
  density: input(1300),
});
const pass = (a: number, b: number, c: number) => ({
  flow: input(a),
  transfer: input(b),
  fanWidth: input(c),
  overlap: q(0.5),
});
const settings = (a: number, b: number, c: number) => ({
  fanWidth: q(a),
  distance: of(12, 'in'),
  overlap: q(b),
  gunSpeed: q(c),
  flow: input(1e-5),
  transfer: input(0.8),
});
const box = (x: number, y: number, width: number, height: number) => [
  { x, y },
  { x: x + width, y },
  { x: x + width, y: y + height },
  { x, y: y + height },
];
const across = { direction: { kind: 'across' }, edgesFirst: true } as const;
const request = (a: number, b: number, c: number): core.SetupRequest => ({
  element: 'wall',
  side: 'inside',
  kind: 'smooth-board',
  condition: 'bare',
  wind: 'calm',
  geometry: { shape: 'gable', width: 6, height: a, ridge: b, count: 1, openings: [] },
  coating: matt,
  coats: 2,
  thinning: q(0),
  sprayer: core.SPRAYER_CLASS_DATA.large,
  hoses: [{ length: q(c), bore: of(0.25, 'in') }],
  lift: q(0),
  rack: [],
  containerSizes: [0.005],
});

type Ask = (a: number, b: number, c: number) => Result<unknown>;

/** Every way into the core with numbers a user can type. */
const ASKS: Readonly<Record<string, Ask>> = {
  fanReadings: (a, b) => core.fanReadings(a, q(b)),
  checkWidthReading: (a) => core.checkWidthReading(5, q(a)),
  'wornTip by fan': (a, b) => core.wornTip(tip, { by: 'fan', width: q(a), distance: q(b) }),
  'wornTip by flow': (a, b) => core.wornTip(tip, { by: 'flow', flow: q(a), newFlow: q(b) }),
  litresLeft: (a, b, c) => core.litresLeft({ 1: a, 2: b, 3: c }, 2),
  litresLeftByFan: (a, b) => core.litresLeftByFan(tip, q(a), b),
  cupViscosity: (a) => core.cupViscosity('iso-4', a),
  cupSeconds: (a) => core.cupSeconds('dip-2', q(a)),
  compareOwnCup: (a, b) => core.compareOwnCup(q(a), q(b)),
  viscosityOf: (a, b) => core.viscosityOf(matt, { temperature: q(a), thinner: q(b) }),
  cupForPaint: (a, b) => core.cupForPaint(matt, { temperature: q(a), thinner: q(b) }),
  thinningAdvice: (a, b, c) =>
    core.thinningAdvice({
      viscosity: q(a),
      temperature: q(b),
      target: q(c),
      limit: q(0.05),
      already: q(0),
      container: q(0.01),
      room: q(293),
    }),
  'thinningAdvice, the rest': (a, b, c) =>
    core.thinningAdvice({
      viscosity: q(1),
      temperature: q(290),
      target: q(0.8),
      limit: q(a),
      already: q(b),
      container: q(c),
      room: q(293),
    }),
  warmingTime: (a, b, c) => core.warmingTime(q(a), q(b), q(c), q(293)),
  fitSlopes: (a, b, c) => core.fitSlopes(q(1), [{ viscosity: q(a), temperature: q(b), thinner: q(c) }]),
  recoatTime: (a, b) => core.recoatTime(matt, q(a), q(b)),
  lineAtPump: (a, b, c) => core.lineAtPump(line(a, b, 0), q(c)),
  lineForGun: (a, b, c) => core.lineForGun(line(15, a, b), q(c)),
  filmAtSpeed: (a, b, c) => core.filmAtSpeed(pass(a, b, 0.25), q(c)),
  speedForFilm: (a, b, c) => core.speedForFilm(pass(1e-5, a, b), q(c)),
  wetFilmFor: (a, b, c) => core.wetFilmFor(q(a), input(b), q(c)),
  dryFilmFrom: (a, b, c) => core.dryFilmFrom(q(a), input(b), q(c)),
  spreadingOf: (a, b) => core.spreadingOf(q(a), input(b)),
  yieldSagLimit: (a, b) => core.yieldSagLimit(a, input(b)),
  combReading: (a, b, c) => core.combReading(q(a), [q(b), q(c)]),
  combVerdict: (a, b, c) => core.combVerdict([{ low: q(a), high: q(b) }], { wetFilm: q(c) }),
  coatsNeeded: (a, b, c) =>
    core.coatsNeeded({
      dryTotal: q(a),
      dryPerCoat: q(b),
      sagLimit: q(c),
      solids: input(0.4),
      thinner: q(0),
      school: 'full',
    }),
  variationOf: (a) => core.variationOf(core.evenFanProfile(1), a),
  checkSurface: (a, b, c) =>
    core.checkSurface({ air: input(a), humidity: input(b), surface: input(c), minimum: of(10, '°C') }),
  driftReach: (a, b, c) => core.driftReach({ height: q(a), wind: q(b), density: c }),
  windLimit: (a, b, c) => core.windLimit({ fan: a, distance: q(b), wind: q(c), nearOthers: false }),
  setupCard: (a, b, c) => core.setupCard(request(a, b, c)),
  searchSetups: (a, b, c) => core.searchSetups(request(a, b, c), 'metric', [tip]),
  largestTip: (a, b, c) => core.largestTip(request(a, b, c), 'standard'),
  startDialIn: (a, b, c) =>
    core.startDialIn({
      range: { start: q(a), floor: q(b), stop: q(c), step: of(5, 'bar') },
      expected: { value: a, low: b, high: c },
      pumpAtLimit: false,
      coldPaint: false,
      mayThin: true,
      clogs: false,
      school: 'thin first',
    }),
  readWidth: (a, b) => core.readWidth(q(a), q(Math.abs(b) > 0 && Number.isFinite(b) ? Math.abs(b) : 1)),
  readPattern: (a, b, c) =>
    core.readPattern(
      Array.from({ length: 60 }, (_, index) => [a, b, c][index % 3] ?? 0),
      1,
    ),
  createGrid: (a, b) => core.createGrid(q(a), q(b), of(0.05, 'm')),
  'planPasses, settings': (a, b, c) =>
    core.planPasses({ outline: box(0, 0, 3, 2), openings: [] }, settings(a, b, c), across),
  'planPasses, piece': (a, b, c) =>
    core.planPasses(
      { outline: box(a, b, 3, 2), openings: [box(c, 0.5, 0.5, 0.5)] },
      settings(0.25, 0.5, 0.5),
      across,
    ),
  planBars: (a, b, c) =>
    core.planBars(
      { kind: 'spindles', count: a, length: q(b), face: q(c), gap: q(0.1) },
      settings(0.1, 0.5, 0.5),
    ),
  planDoor: (a, b, c) =>
    core.planDoor(
      { width: q(a), height: q(b), panels: { rows: 2, columns: 1 }, frame: q(c), thickness: q(0.04) },
      settings(0.2, 0.5, 0.5),
    ),
  netAreaOf: (a, b, c) => core.netAreaOf(request(a, b, c)),
  paintDistributions: (a, b, c) =>
    core.paintDistributions(
      core.jobModel([
        {
          id: 'm',
          coating: matt,
          hoses: [{ length: q(b), bore: q(0.006) }],
          fills: 1,
          surfaces: [{ id: 's', surface: request(3, 2.4, 2), netArea: a }],
        },
      ]),
      { draws: 100, seed: c },
    ),
  measure: (a, b, c) =>
    core.measure({ shape: 'gable', width: a, height: b, ridge: c, count: 1, openings: [] }),
};

describe('whatever is typed', () => {
  it.each(Object.entries(ASKS))('%s answers whole or refuses', (_name, ask) => {
    fc.assert(
      fc.property(wild, wild, wild, (a, b, c) => {
        // A plan for a fan of a hair over a huge wall is refused by its bounds; nothing here runs long.
        isHonest(ask(a, b, c));
      }),
      { numRuns: 60 },
    );
  });
});
