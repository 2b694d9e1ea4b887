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

/** What a painter would type there, SI. */
type Usual = fc.Arbitrary<number>;
const between = (min: number, max: number): Usual => fc.double({ min, max, noNaN: true });
const whole = (min: number, max: number): Usual => fc.integer({ min, max });
const oneOf = (...values: readonly number[]): Usual => fc.constantFrom(...values);

/** Three numbers as people type them: mostly as one would, and now and then one, or all, as nobody should. */
function typed(usual: readonly Usual[]): fc.Arbitrary<readonly number[]> {
  const sound = fc.tuple(...usual);
  const slip = fc
    .tuple(sound, fc.nat({ max: usual.length - 1 }), wild)
    .map(([numbers, at, odd]) => numbers.map((one, index) => (index === at ? odd : one)));
  const all = fc.tuple(...usual.map(() => wild));
  return fc.oneof(sound, slip, all);
}

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
  air: input(0.8),
  family: 'standard' as const,
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

/** What a painter would type into each. */
const USUAL: Readonly<Record<string, readonly Usual[]>> = {
  fanReadings: [whole(1, 12), between(0.15, 0.5)],
  checkWidthReading: [between(0.248, 0.26)],
  'wornTip by fan': [between(0.1, 0.3), between(0.2, 0.5)],
  'wornTip by flow': [between(1e-5, 4e-5), between(1e-5, 4e-5)],
  litresLeft: [between(0, 200), between(0, 200), between(0, 200)],
  litresLeftByFan: [between(0.17, 0.24), between(0.01, 0.3)],
  cupViscosity: [between(15, 120)],
  cupSeconds: [between(2e-5, 1.6e-4)],
  compareOwnCup: [between(10, 100), between(10, 100)],
  viscosityOf: [between(278, 308), between(0, 0.1)],
  cupForPaint: [between(278, 308), between(0, 0.1)],
  thinningAdvice: [between(0.2, 3), between(278, 308), between(0.1, 2)],
  'thinningAdvice, the rest': [between(0, 0.2), between(0, 0.1), between(0.001, 0.02)],
  warmingTime: [between(0.001, 0.02), between(275, 290), between(280, 293)],
  fitSlopes: [between(0.2, 3), between(278, 308), between(0, 0.1)],
  recoatTime: [between(278, 308), between(0.2, 0.9)],
  lineAtPump: [between(5, 60), between(0.004, 0.01), between(5e6, 2e7)],
  lineForGun: [between(0.004, 0.01), between(-3, 8), between(5e6, 1.5e7)],
  filmAtSpeed: [between(5e-6, 3e-5), between(0.4, 0.95), between(0.2, 1.5)],
  speedForFilm: [between(0.4, 0.95), between(0.1, 0.4), between(5e-5, 2e-4)],
  wetFilmFor: [between(2e-5, 1e-4), between(0.3, 0.7), between(0, 0.1)],
  dryFilmFrom: [between(5e-5, 2e-4), between(0.3, 0.7), between(0, 0.1)],
  spreadingOf: [between(2e-5, 1e-4), between(0.3, 0.7)],
  combReading: [oneOf(5e-5, 1e-4), oneOf(5e-5), oneOf(1e-4)],
  combVerdict: [between(5e-5, 1e-4), between(1e-4, 2e-4), between(5e-5, 2e-4)],
  coatsNeeded: [between(5e-5, 2e-4), between(2e-5, 6e-5), between(1e-4, 3e-4)],
  variationOf: [between(0.05, 0.9)],
  checkSurface: [between(275, 305), between(0.2, 0.95), between(275, 305)],
  driftReach: [between(0.5, 8), between(0, 10), between(1000, 1600)],
  windLimit: [between(1, 12), between(0.15, 0.5), between(0, 10)],
  setupCard: [between(2, 4), between(2, 6), between(5, 60)],
  searchSetups: [between(2, 4), between(2, 6), between(5, 60)],
  largestTip: [between(2, 4), between(2, 6), between(5, 60)],
  startDialIn: [between(5e6, 8e6), between(3e6, 5e6), between(8e6, 2e7)],
  readWidth: [between(0.1, 0.4), between(0.1, 0.4)],
  readPattern: [between(0, 1), between(0, 1), between(0, 1)],
  createGrid: [between(0.5, 10), between(0.5, 4)],
  'planPasses, settings': [between(0.1, 0.4), between(0.2, 0.6), between(0.3, 1)],
  'planPasses, piece': [between(-2, 2), between(-2, 2), between(0, 2)],
  planBars: [whole(1, 60), between(0.5, 2), between(0.01, 0.06)],
  planDoor: [between(0.6, 1.2), between(1.8, 2.4), between(0.08, 0.15)],
  netAreaOf: [between(2, 4), between(2, 6), between(5, 60)],
  paintDistributions: [between(1, 200), between(5, 60), between(0, 1000)],
  measure: [between(0.5, 20), between(0.5, 6), between(0.5, 8)],
};

describe('whatever is typed', () => {
  it('is asked of each with what is usual there', () => {
    expect(Object.keys(USUAL).sort()).toEqual(Object.keys(ASKS).sort());
  });

  it.each(Object.entries(ASKS))('%s answers whole or refuses, and does both', (name, ask) => {
    let accepted = 0;
    let refused = 0;
    fc.assert(
      fc.property(typed(USUAL[name] ?? []), ([a = 0, b = 0, c = 0]) => {
        // A plan for a fan of a hair over a huge wall is refused by its bounds; nothing here runs long.
        const result = ask(a, b, c);
        if (result.ok) accepted += 1;
        else refused += 1;
        isHonest(result);
      }),
      { numRuns: 90 },
    );
    expect(accepted).toBeGreaterThan(10);
    expect(refused).toBeGreaterThan(10);
  });
});
