import { readFileSync } from 'node:fs';
import path from 'node:path';
import {
  FORMULAS,
  USUAL_RATES,
  UNITS,
  coatWindows,
  coatsNeeded,
  comparePlan,
  combVerdict,
  consumablesFor,
  cordFor,
  tipWear,
  cupSeconds,
  cupViscosity,
  dialIn,
  driftReach,
  dryFilmFrom,
  evenFanProfile,
  filmAchieved,
  filmAtSpeed,
  fitSlopes,
  given,
  methodsFor,
  knobCurve,
  knobReading,
  largestTip,
  learnedValue,
  lineAtPump,
  litresLeft,
  litresLeftByFan,
  longestHose,
  of,
  overlapAdvice,
  planPasses,
  pressureAtPlace,
  quantity,
  readRecord,
  recoatTime,
  setupCard,
  speedForFilm,
  spreadingOf,
  sprayedVolume,
  surfaceInputs,
  likelyValues,
  tipRecords,
  systemFilm,
  systemWaiting,
  strokesFor,
  temperatureWhenSprayed,
  thinningAdvice,
  variationOf,
  visibleShare,
  viscosityOf,
  warmingTime,
  wetFilmFor,
  windLimit,
  workOf,
  workingDefault,
  wornTip,
  checkSurface,
  fanReadings,
  type Coating,
  type CoatingProperty,
  type Explained,
  type FormulaId,
  type Fraction,
  type Layer,
  type Length,
  type LogEntry,
  type Result,
  type SetupCard,
  type Unit,
  type Viscosity,
} from '@fine-spray/core';
import { simulateAll, wallRequest } from '@fine-spray/core/testing';

const protection = {
  ...{ maskingLine: 120, film: 20, floorCover: 90, fittings: 10, doors: 6, rooms: 3 },
  inTheWay: { plate: 0, light: 0, vent: 0, alarm: 0, curtain: 0 },
  powerOff: 0,
};
const onSurfaces = {
  ...{ area: 100, washed: 60, caulked: 12, backRolled: 50 },
  scraped: { good: 0, fair: 10, poor: 0 },
  filled: { good: 0, fair: 100, poor: 0 },
  sanded: { good: 0, fair: 100, poor: 0 },
  between: 20,
  highShare: 0.5,
};
const tipLife = workingDefault('Life of a tip', 'volume', of(300, 'L'), of(200, 'L'), of(400, 'L'));
const wornTips = tipWear([{ name: 'Matt', likely: of(50, 'L'), life: tipLife }]);
const used = () => consumablesFor({ protection, paint: of(50, 'L'), coatings: 3, days: 2, tips: wornTips });
const hours = () =>
  workOf(
    {
      ...{ trigger: of(66, 'min'), protection, surfaces: onSurfaces, moves: 6, flushes: 2, baseChanges: 1 },
      ...{ days: 2, inUse: true, people: 2 },
    },
    USUAL_RATES,
  );

const primedWall: readonly Layer[] = (['board-primer', 'wall-matt'] as const).map((archetype, index) => ({
  role: index === 0 ? 'prime' : 'finish',
  coats: index + 1,
  share: 1,
  coating: { name: archetype, archetype, overrides: {} },
}));

/** The worked examples of docs/method.md, worked again by the program. */

function right<T>(result: Result<T>): T {
  if (!result.ok) throw new Error(result.message);
  return result.value;
}
const fraction = (value: number) => quantity<Fraction>(value);
const eta = (value: number) => quantity<Viscosity>(value);
const matt: Coating = { name: 'Interior wall matt', archetype: 'wall-matt', overrides: {} };
const sheet = (values: Partial<Record<CoatingProperty, number>>): Coating => ({
  ...matt,
  overrides: Object.fromEntries(
    Object.entries(values).map(([name, value]) => [name, { value, basis: 'data-sheet', source: 'Sheet' }]),
  ),
});
const wall = wallRequest({
  coating: sheet({ viscosityLowShear: 1, viscosityHighShear: 0.12, density: 1300 }),
  lift: of(2, 'm'),
  chosenTip: { family: 'standard', fan: 5, orificeThou: 15 },
});
const card = (): SetupCard => right(setupCard(wall));
const line = {
  hoses: wall.hoses,
  height: wall.lift,
  orifice: of(0.015, 'in'),
  maxFlow: of(2, 'L/min'),
  lowShear: given('low', 'viscosity', 1, 'x'),
  highShear: given('high', 'viscosity', 0.12, 'x'),
  density: given('density', 'density', 1300, 'x'),
};
const sagging = {
  ...line,
  hoses: [],
  height: quantity<Length>(0),
  orifice: of(0.025, 'in'),
  maxFlow: of(1.5, 'L/min'),
  lowShear: given('low', 'viscosity', 0.001, 'x'),
  highShear: given('high', 'viscosity', 0.001, 'x'),
};
const solids = given('Solids', 'percent', 0.36, 'x');
const pass = {
  flow: given('Flow', 'flow', of(0.8, 'L/min'), 'x'),
  transfer: given('TE', 'percent', 0.8, 'x'),
  fanWidth: given('Fan', 'fanWidth', of(254, 'mm'), 'x'),
  overlap: fraction(0.5),
};
const tip = { family: 'standard', fan: 5, orificeThou: 17 } as const;
const worn = () => right(wornTip(tip, { by: 'fan', width: of(190.5, 'mm') }));
const cold = () =>
  right(
    thinningAdvice({
      viscosity: eta(1.2),
      temperature: of(23, '°C'),
      target: eta(0.8),
      limit: fraction(0.1),
      already: fraction(0),
      container: of(10, 'L'),
      room: of(23, '°C'),
    }),
  );
const readings = [0, 0.05, 0.1].flatMap((thinner) =>
  [8, 23].map((celsius) => ({
    temperature: of(celsius, '°C'),
    thinner: fraction(thinner),
    viscosity: eta(
      1.2 * Math.exp((-9 * thinner) / (1 + thinner) + 3200 * (1 / (celsius + 273.15) - 1 / 296.15)),
    ),
  })),
);
const slopes = () => right(fitSlopes(eta(1.2), [...readings, ...readings]));
const outline = [
  { x: 0, y: 0 },
  { x: 4, y: 0 },
  { x: 4, y: 2.4 },
  { x: 0, y: 2.4 },
];
const settings = {
  fanWidth: of(254, 'mm'),
  distance: of(12, 'in'),
  overlap: fraction(0.5),
  gunSpeed: of(0.5, 'm/s'),
  flow: pass.flow,
  air: pass.transfer,
  family: 'standard' as const,
};
const plan = () =>
  right(
    planPasses({ outline, openings: [] }, settings, { direction: { kind: 'across' }, edgesFirst: false }),
  );
const air = {
  air: given('Air', 'temperature', of(20, '°C'), 'x'),
  humidity: given('RH', 'percent', 0.5, 'x'),
};
const surface = () =>
  right(
    checkSurface({
      ...air,
      surface: given('Surface', 'temperature', of(14, '°C'), 'x'),
      minimum: of(10, '°C'),
    }),
  );
const comb = { low: of(100, 'μm'), high: of(125, 'μm') };
const head = { at: 0, author: 'Tobi' };
const where = { surface: 'hall', coating: 'matt', coat: 1 };
const log: readonly LogEntry[] = [
  { ...head, ...where, id: 'a', kind: 'sprayed', tip: 't', volume: of(4, 'L') },
  { ...head, ...where, id: 'b', kind: 'sprayed', tip: 't', volume: of(2.5, 'L') },
  { ...head, ...where, id: 'c', kind: 'comb', readings: [comb, comb, comb], thinner: fraction(0) },
];
/** Four coats of 3 L planned, some of them done at so many litres each, 8 L delivered. */
function jobSoFar(done: number, litres: number) {
  const volume = right(wetFilmFor(of(40, 'μm'), solids, fraction(0)));
  const planned = [1, 2, 3, 4].map((coat) => ({
    ...where,
    coat,
    trueArea: 20,
    wet: of(112.5, 'μm'),
    thinning: 0,
    volume: { ...volume, value: of(3, 'L'), low: of(3, 'L'), high: of(3, 'L') },
    time: 0,
  }));
  const site: LogEntry[] = [
    { ...head, id: 'd', job: 'j', kind: 'delivered', coating: where.coating, volume: of(8, 'L') },
  ];
  for (let coat = 1; coat <= done; coat += 1) {
    const at = { ...head, ...where, job: 'j', coat };
    site.push(
      { ...at, id: `s${coat}`, kind: 'sprayed', volume: of(litres, 'L') },
      {
        ...at,
        id: `f${coat}`,
        kind: 'coat finished',
        element: 'wall',
        side: 'inside',
        wind: 'calm',
        trueArea: 20,
        temperature: of(23, '°C'),
        humidity: fraction(0.5),
      },
    );
  }
  const [only] = comparePlan(planned, readRecord(site), [], 'j', {
    isJob: () => true,
    jobOfSurface: () => 'j',
  });
  if (!only) throw new Error('no plan');
  return only;
}
const overlapChoice = () =>
  100 * overlapAdvice(evenFanProfile(1), undefined, visibleShare(1)).verdict.variation;
const share = (explained: Explained) => explained.value;

const EXAMPLES: Readonly<Record<FormulaId, readonly [unit: Unit, work: () => number]>> = {
  'set-up search': ['%', () => card().tip.score],
  'fan width': ['mm', () => right(fanReadings(5, of(12, 'in')))[0]?.width?.value ?? NaN],
  'even-fan pressure': ['bar', () => card().gunPressure.value],
  'gun pressure at the limit': [
    'bar',
    () =>
      right(setupCard({ ...wall, sprayer: { ...wall.sprayer, maxPressure: of(150, 'bar') } })).gunPressure
        .value,
  ],
  'cord loss': ['%', () => share(right(cordFor(of(30, 'm'), 'mid electric')).lost)],
  'pressure by the knob': [
    'bar',
    () => {
      const at = (place: number, bar: number) => knobReading(place, of(bar, 'bar'), 'gauge');
      const curve = knobCurve([at(1, 60), at(2, 110), at(2, 114), at(3, 165)]);
      if (!curve) throw new Error('no curve');
      return right(pressureAtPlace(curve, 2.5)).value;
    },
  ],
  'measured setting': [
    'bar',
    () => {
      const { tip } = card().tip.candidate;
      const found = { tip, gun: of(135, 'bar'), pump: of(170, 'bar'), at: 0, sure: true, sameLine: true };
      return right(setupCard({ ...wall, dialledIn: [found] })).gunPressure.value;
    },
  ],
  'pump setting': ['bar', () => card().pumpPressure.value],
  'tip flow': ['L/min', () => card().flow.value],
  'wet film target': ['μm', () => share(right(wetFilmFor(of(40, 'μm'), solids, fraction(0.05))))],
  'dry film left': ['μm', () => share(right(dryFilmFrom(of(110, 'μm'), solids, fraction(0.05))))],
  'gun speed': ['m/s', () => share(right(speedForFilm(pass, of(110, 'μm'))))],
  'paint needed': ['L', () => card().paint.value],
  'overlap choice': ['%', () => overlapChoice() / 100],
  'sag limit': ['μm', () => right(setupCard({ ...wall, element: 'ceiling' })).sagLimit.value],
  'thinning limit': ['%', () => card().thinningLimit.value],
  'filter mesh': [
    'mesh',
    () => right(setupCard({ ...wall, chosenTip: { ...tip, orificeThou: 11 } })).mesh.value,
  ],
  'gun distance': ['mm', () => card().distance.value],
  'hose fill': ['L', () => card().hoseFill.value],
  'dialled-in pressure': [
    'bar',
    () => {
      const range = { start: of(100, 'bar'), floor: of(80, 'bar'), stop: of(150, 'bar'), step: of(5, 'bar') };
      const setup = {
        range,
        expected: { value: of(120, 'bar'), low: of(96, 'bar'), high: of(144, 'bar') },
        pumpAtLimit: false,
        coldPaint: false,
        mayThin: true,
        clogs: false,
        school: 'thin first',
      } as const;
      const seen = ['tails', 'tails', 'even', 'tails', 'even'] as const;
      const state = right(
        dialIn(
          setup,
          seen.map((one) => ({ kind: 'saw', seen: one })),
        ),
      );
      return state.phase === 'even' ? state.pressure.value : NaN;
    },
  ],
  'spray angle width': ['mm', () => right(fanReadings(5, of(12, 'in')))[2]?.width?.value ?? NaN],
  'equivalent orifice': ['mm', () => worn().orifice.value],
  'worn film': ['×', () => worn().filmRatio.value],
  'worn tip time': ['×', () => worn().timeRatio.value],
  'litres left by wear class': ['L', () => share(right(litresLeft({ 2: of(40, 'L') }, 2)))],
  'litres left by fan': ['L', () => share(right(litresLeftByFan(tip, of(222.25, 'mm'), of(60, 'L'))))],
  'cup to viscosity': ['mm²/s', () => right(cupViscosity('iso-4', 60)).value.value],
  'viscosity to cup': ['s', () => right(cupSeconds('dip-2', of(91, 'mm²/s'))).value.value],
  'viscosity at temperature': [
    'Pa·s',
    () => share(right(viscosityOf(matt, { temperature: of(8, '°C'), thinner: fraction(0) }))),
  ],
  'thinned viscosity': [
    'Pa·s',
    () => share(right(viscosityOf(matt, { temperature: of(23, '°C'), thinner: fraction(0.05) }))),
  ],
  'thinner to add': ['%', () => cold().now.value],
  'warm reading': [
    'Pa·s',
    () =>
      right(
        thinningAdvice({
          viscosity: eta(1.987),
          temperature: of(8, '°C'),
          target: eta(0.8),
          limit: fraction(0.1),
          already: fraction(0),
          container: of(10, 'L'),
          room: of(20, '°C'),
        }),
      ).readsWarmIfThinnedNow.value,
  ],
  'temperature when sprayed': [
    '°C',
    () => temperatureWhenSprayed(of(10, 'L'), of(8, '°C'), of(23, '°C'), of(4, 'h')).value,
  ],
  'warming time': [
    'h',
    () => share(right(warmingTime(of(5, 'gal'), of(5, '°C'), of(21, '°C'), of(23, '°C')))),
  ],
  'thinning slope learned': ['', () => slopes().thinning.value],
  'temperature slope learned': ['K', () => slopes().temperature.value],
  'recoat time': ['h', () => share(right(recoatTime(matt, of(13, '°C'), fraction(0.75))))],
  'gun pressure': ['bar', () => right(lineAtPump(line, of(165, 'bar'))).gun.value],
  'trigger duty': ['%', () => right(lineAtPump(sagging, of(19.3, 'MPa'))).triggerDuty.value],
  'part loss': ['bar', () => right(lineAtPump(line, of(165, 'bar'))).parts[1]?.drop.value ?? NaN],
  'longest hose': [
    'm',
    () => right(longestHose(line, of(1 / 4, 'in'), of(124, 'bar'), of(200, 'bar'))).length.value,
  ],
  'largest tip': ['mm', () => right(largestTip(wall, 'standard')).orifice.value],
  'spreading rate': ['m²/L', () => share(right(spreadingOf(of(40, 'μm'), solids)))],
  'film of a pass': ['μm', () => share(right(filmAtSpeed(pass, of(0.6, 'm/s'))))],
  'comb mean': [
    'μm',
    () =>
      right(
        combVerdict([comb, comb, { low: of(125, 'μm'), high: of(150, 'μm') }], { wetFilm: of(110, 'μm') }),
      ).mean.value,
  ],
  'speed after comb': [
    'm/s',
    () =>
      right(
        combVerdict(
          [1, 2, 3].map(() => ({ low: of(150, 'μm'), high: of(175, 'μm') })),
          {
            wetFilm: of(110, 'μm'),
            speed: of(0.5, 'm/s'),
          },
        ),
      ).speed?.value ?? NaN,
  ],
  'coats needed': [
    '',
    () =>
      right(
        coatsNeeded({
          dryTotal: of(120, 'μm'),
          dryPerCoat: of(40, 'μm'),
          sagLimit: of(200, 'μm'),
          solids,
          thinner: fraction(0),
          school: 'full',
        }),
      ).coats.value,
  ],
  'dry film of a system': ['μm', () => systemFilm(primedWall).value],
  'waiting of a system': ['h', () => systemWaiting(primedWall).value],
  'consumable by length': ['m', () => used().tape.value],
  'consumable by area': ['m²', () => used().cover.value],
  'consumable by paint': ['', () => used().strainer.value],
  'tip wear': ['', () => wornTips.value],
  'consumable by count': ['L', () => used().lubricant.value],
  'hours of spraying': ['h', () => hours().spraying?.value ?? NaN],
  'hours of masking': ['h', () => hours().masking?.value ?? NaN],
  'hours by count': ['h', () => hours().doors?.value ?? NaN],
  'hours by time each': ['h', () => hours().cleaning?.value ?? NaN],
  'hours of preparing': ['h', () => hours().preparing?.value ?? NaN],
  'hours by area': ['h', () => hours().dusting?.value ?? NaN],
  'hours by method': ['h', () => rolledFlat()[1]?.hours.value ?? NaN],
  'paint by method': ['L', () => rolledFlat()[1]?.paint.value ?? NaN],
  'hours by rate': ['h', () => hours().backRolling?.value ?? NaN],
  'hours by share': ['h', () => hours().unmasking?.value ?? NaN],
  'film variation': ['%', () => share(right(variationOf(evenFanProfile(1), 1 / 2)))],
  'best overlap': ['%', () => overlapAdvice(evenFanProfile(1)).best.value],
  'gun travel': ['m', () => plan().travel.value],
  'trigger time': ['s', () => plan().triggerTime.value],
  'paint out': ['L', () => plan().paintOut.value],
  overspray: ['L', () => plan().overspray.value],
  'film laid': [
    'μm',
    () =>
      right(
        simulateAll({
          width: of(4, 'm'),
          height: of(2.4, 'm'),
          cell: of(0.02, 'm'),
          fan: {
            family: 'standard',
            fan: 5,
            flow: of(0.8, 'L/min'),
            transferEfficiency: fraction(0.8),
            pressureRatio: 1,
          },
          strokes: strokesFor(plan().passes, settings),
          limits: { minimum: of(100, 'μm'), sagLimit: of(250, 'μm') },
        }),
      ).statistics.mean,
  ],
  'dew point': ['°C', () => surface().dewPoint.value],
  'surface margin': ['C°', () => surface().margin.value],
  'wind limit': [
    'm/s',
    () =>
      right(windLimit({ fan: 12, distance: of(12, 'in'), wind: of(2, 'm/s'), nearOthers: false })).stopAt
        .value,
  ],
  'drift reach': [
    'm',
    () => share(right(driftReach({ height: of(2, 'm'), wind: of(4, 'm/s'), density: 1300 }))),
  ],
  'learned value': [
    '%',
    () =>
      learnedValue(
        workingDefault('TE', 'percent', 0.82, 0.75, 0.88),
        [
          [0.7, 0.66],
          [0.72, 0.69],
        ],
        { reading: 0.12, job: 0.08 },
      ).value.value,
  ],
  'paint of a coat': [
    'L',
    () => sprayedVolume({ ...likelyValues(surfaceInputs(wallRequest({ coats: 1 }), 20)) }),
  ],
  'touch dry': ['h', () => right(coatWindows(matt, of(23, '°C'), fraction(0.5))).touch().value],
  'mask over': ['h', () => right(coatWindows(matt, of(13, '°C'), fraction(0.5))).mask().value],
  'recoat closes': [
    'h',
    () =>
      right(
        coatWindows(
          { name: 'Primer', archetype: 'exterior-wood-primer', overrides: {} },
          of(23, '°C'),
          fraction(0.5),
        ),
      ).closes?.().value ?? NaN,
  ],
  'job factor': ['×', () => jobSoFar(2, 4).factor.value],
  'litres still needed': ['L', () => jobSoFar(2, 4).needed.value],
  'litres at hand': ['L', () => jobSoFar(1, 3).atHand?.value ?? NaN],
  'tip wear cost': [
    'L',
    () => {
      const tip = { tip: 't', code: { family: 'standard', fan: 5, orificeThou: 17 }, before: 0 } as const;
      const used: LogEntry[] = [
        { ...head, ...where, id: 'a', kind: 'sprayed', tip: 't', volume: of(50, 'L') },
        { ...head, id: 'b', at: 1, kind: 'fan measured', tip: 't', width: of(254 * 0.875, 'mm') },
      ];
      return tipRecords(readRecord(used), [tip], { matt })[0]?.cost?.value ?? NaN;
    },
  ],
  'dry film logged': ['μm', () => filmAchieved(readRecord(log), 'hall', { matt })?.dry.value ?? NaN],
};

/** The ways to put two coats on 30 m². */
function rolledFlat() {
  const none = given('None', 'duration', 0, 'Example');
  return methodsFor({
    ...{ area: 60, run: 45, laid: of(9.7, 'L'), sprayed: of(12, 'L') },
    ...{ spraying: none, masking: none, covering: given('Floor', 'duration', 20 * 60, 'Example') },
  });
}

const METHOD = readFileSync(path.join(__dirname, 'method.md'), 'utf8');

/** The entry of a formula: from its heading to the next. */
function entry(name: string): string {
  const start = METHOD.indexOf(`### ${name}\n`);
  return start < 0 ? '' : (METHOD.slice(start).split(/\n##+ /)[0] ?? '');
}

describe('docs/method.md', () => {
  const ids = Object.keys(FORMULAS) as FormulaId[];

  it.each(ids.map((id) => [id] as const))(
    'has %s with its formula, source, range and a worked example',
    (id) => {
      const { name, expression, source, range } = FORMULAS[id];
      const text = entry(name).replace(/\s+/g, ' ');
      for (const part of [expression, source, range]) expect(text).toContain(part.replace(/\s+/g, ' '));
      expect(text).toContain('Cannot tell:');
      const [unit, work] = EXAMPLES[id];
      const example = /Example: .*?\*\*([\d.,]+)( [^*]+)?\*\*/.exec(text);
      expect(example?.[2]?.trim() ?? '').toBe(unit);
      const written = (example?.[1] ?? '').replace(/,/g, '');
      const { factor, offset } = UNITS[unit];
      const decimals = written.includes('.') ? written.length - written.indexOf('.') - 1 : 0;
      expect(((work() - offset) / factor).toFixed(decimals)).toBe(written);
    },
  );

  it('has no entry for a formula that is gone', () => {
    const names = new Set(ids.map((id) => FORMULAS[id].name as string));
    const headings = [...METHOD.matchAll(/^### (.+)$/gm)].map(([, heading]) => heading ?? '');
    expect(headings.filter((heading) => !names.has(heading))).toEqual([]);
  });
});
