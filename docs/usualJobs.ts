import type { ArchetypeId } from '@fine-spray/core/coating';
import { SPRAYER_CLASS_DATA } from '@fine-spray/core/line';
import { setupCard, type SetupRequest } from '@fine-spray/core/setup';
import type { Condition, Element, Side, SurfaceKind, Wind } from '@fine-spray/core/takeoff';
import { FAMILY_DATA } from '@fine-spray/core/tip';
import {
  of,
  quantity,
  showText,
  to,
  type Pressure,
  type UnitSystem,
  type Volume,
} from '@fine-spray/core/units';
import { wallRequest } from '@fine-spray/core/testing';

type Range = readonly [low: number, high: number];

/** A job as it comes every week, and what somebody who does it would expect. */
export interface UsualJob {
  readonly name: string;
  readonly element: Element;
  readonly side?: Side;
  readonly wind?: Wind;
  readonly kind: SurfaceKind;
  readonly condition?: Condition;
  readonly size: readonly [width: number, height: number];
  readonly paint: ArchetypeId;
  readonly coats?: number;
  readonly spots?: number;
  readonly machine?: 'mid electric' | 'large';
  /** Wide hose for heavy paint, in. */
  readonly bore?: number;
  readonly expected: {
    readonly orifice: Range;
    readonly fan: Range;
    /** At the gun, bar. */
    readonly pressure: Range;
    /** Of the first coat, m/s. */
    readonly speed: Range;
    /** Paint for 10 m² of surface and one coat, the mean of all coats, L. */
    readonly litres: Range;
  };
}

const expected = (
  orifice: Range,
  fan: Range,
  pressure: Range,
  litres: Range,
  speed: Range = [0.3, 0.9],
): UsualJob['expected'] => ({ orifice, fan, pressure, litres, speed });

const WALL = [5, 2.5] as const;
const CEILING = [5, 4] as const;
const GABLE_END = [8, 5] as const;
/** Gun pressures a crew tries first: wall paint, soft tips, fine finish, heavy paint. */
const USUAL: Range = [90, 170];
const SOFT: Range = [40, 90];
const ANY: Range = [40, 170];
const HEAVY: Range = [120, 200];

/** Forty jobs. What is expected is what crews of this trade reckon with, from the ranges of the working defaults. */
export const USUAL_JOBS: readonly UsualJob[] = [
  {
    name: 'Bedroom walls, matt',
    element: 'wall',
    kind: 'smooth-board',
    size: WALL,
    paint: 'wall-matt',
    expected: expected([15, 19], [5, 6], ANY, [1.2, 1.6]),
  },
  {
    name: 'Living room walls, orange peel, matt',
    element: 'wall',
    kind: 'orange-peel',
    size: WALL,
    paint: 'wall-matt',
    expected: expected([15, 19], [5, 6], ANY, [1.3, 1.8]),
  },
  {
    name: 'Hall walls, heavy stipple, matt',
    element: 'wall',
    kind: 'heavy-stipple',
    size: WALL,
    paint: 'wall-matt',
    expected: expected([15, 19], [5, 6], ANY, [1.4, 2]),
  },
  {
    name: 'Kitchen walls, satin',
    element: 'wall',
    kind: 'smooth-board',
    size: WALL,
    paint: 'wall-satin',
    expected: expected([13, 17], [5, 6], ANY, [1.2, 1.6]),
  },
  {
    name: 'New board walls, primer',
    element: 'wall',
    kind: 'smooth-board',
    condition: 'bare',
    size: WALL,
    paint: 'board-primer',
    coats: 1,
    expected: expected([13, 17], [5, 6], ANY, [1.4, 1.9]),
  },
  {
    name: 'Smoke-stained walls, blocking primer',
    element: 'wall',
    kind: 'smooth-board',
    size: WALL,
    paint: 'stain-block',
    coats: 1,
    expected: expected([13, 17], [5, 6], ANY, [1.2, 1.6]),
  },
  {
    name: 'Ceiling, flat',
    element: 'ceiling',
    kind: 'smooth-board',
    size: CEILING,
    paint: 'ceiling-flat',
    coats: 1,
    expected: expected([17, 21], [5, 6], ANY, [1.5, 2]),
  },
  {
    name: 'Ceiling, light texture, flat',
    element: 'ceiling',
    kind: 'light-texture',
    size: CEILING,
    paint: 'ceiling-flat',
    expected: expected([17, 21], [5, 6], ANY, [1.6, 2.1]),
  },
  {
    name: 'New board ceiling, flat',
    element: 'ceiling',
    kind: 'smooth-board',
    condition: 'bare',
    size: CEILING,
    paint: 'ceiling-flat',
    expected: expected([17, 21], [5, 6], ANY, [1.6, 2.2]),
  },
  {
    name: 'Stained spots on a ceiling, a tenth of it',
    element: 'ceiling',
    kind: 'smooth-board',
    size: [5, 3],
    paint: 'stain-block',
    coats: 1,
    spots: 0.1,
    expected: expected([13, 17], [3, 4], ANY, [1.2, 1.8]),
  },
  {
    name: 'Block walls, filler',
    element: 'wall',
    kind: 'block',
    condition: 'bare',
    size: WALL,
    paint: 'block-filler',
    coats: 1,
    machine: 'large',
    bore: 1 / 2,
    expected: expected([25, 35], [4, 8], HEAVY, [7, 10], [0.2, 0.9]),
  },
  {
    name: 'Block walls, filled, matt',
    element: 'wall',
    kind: 'block',
    size: WALL,
    paint: 'wall-matt',
    expected: expected([15, 19], [5, 6], ANY, [1.4, 2]),
  },
  {
    name: 'Doors in a rack, enamel',
    element: 'door',
    kind: 'planed-timber',
    size: [0.86, 2.04],
    paint: 'trim-enamel',
    expected: expected([10, 14], [3, 5], SOFT, [1.2, 1.9]),
  },
  {
    name: 'Doors in a rack, solvent enamel',
    element: 'door',
    kind: 'planed-timber',
    size: [0.86, 2.04],
    paint: 'trim-enamel-solvent',
    machine: 'large',
    expected: expected([9, 12], [3, 5], [40, 110], [1, 1.6]),
  },
  {
    name: 'Kitchen fronts, enamel',
    element: 'cabinet',
    kind: 'planed-timber',
    size: [0.5, 0.7],
    paint: 'trim-enamel',
    expected: expected([10, 14], [3, 5], SOFT, [1.3, 2.1]),
  },
  {
    name: 'Kitchen fronts, clear lacquer',
    element: 'cabinet',
    kind: 'planed-timber',
    size: [0.5, 0.7],
    paint: 'clear-lacquer-solvent',
    machine: 'large',
    expected: expected([8, 11], [3, 5], SOFT, [1.2, 2.1]),
  },
  {
    name: 'Shelves, clear varnish',
    element: 'cabinet',
    kind: 'planed-timber',
    condition: 'bare',
    size: [1.8, 0.3],
    paint: 'clear-varnish',
    expected: expected([8, 11], [3, 5], SOFT, [1.4, 2.4], [0.2, 0.9]),
  },
  {
    name: 'Skirting 120 mm, enamel',
    element: 'trim',
    kind: 'planed-timber',
    size: [14, 0.12],
    paint: 'trim-enamel',
    expected: expected([9, 13], [2, 3], SOFT, [1.5, 2.6]),
  },
  {
    name: 'Casings 70 mm, enamel',
    element: 'trim',
    kind: 'planed-timber',
    size: [5.2, 0.07],
    paint: 'trim-enamel',
    expected: expected([9, 13], [2, 3], SOFT, [1.6, 2.8]),
  },
  {
    name: 'Cornice 90 mm, matt',
    element: 'trim',
    kind: 'smooth-board',
    size: [16, 0.09],
    paint: 'wall-matt',
    expected: expected([9, 13], [2, 3], ANY, [1.8, 3.2]),
  },
  {
    name: 'Stringers, satin',
    element: 'trim',
    kind: 'planed-timber',
    size: [4, 0.28],
    paint: 'wall-satin',
    expected: expected([9, 13], [2, 3], ANY, [1.5, 2.8]),
  },
  {
    name: 'Spindles, enamel',
    element: 'spindles',
    kind: 'planed-timber',
    size: [0.14, 0.9],
    paint: 'trim-enamel',
    expected: expected([9, 13], [1, 2], SOFT, [2, 4.2]),
  },
  {
    name: 'Handrail, varnish',
    element: 'spindles',
    kind: 'planed-timber',
    size: [3.6, 0.2],
    paint: 'clear-varnish',
    expected: expected([8, 13], [1, 2], SOFT, [1.7, 3.8]),
  },
  {
    name: 'Steel posts, primer',
    element: 'trim',
    kind: 'metal',
    condition: 'bare',
    size: [0.48, 3.2],
    paint: 'metal-primer',
    coats: 1,
    expected: expected([11, 13], [2, 4], ANY, [1.9, 3.2]),
  },
  {
    name: 'Timber ceiling, clear varnish',
    element: 'ceiling',
    kind: 'planed-timber',
    condition: 'bare',
    size: CEILING,
    paint: 'clear-varnish',
    expected: expected([8, 11], [4, 6], ANY, [1.1, 1.7], [0.2, 0.9]),
  },
  {
    name: 'Lapped boards, exterior acrylic',
    element: 'wall',
    side: 'outside',
    kind: 'lapped-boards',
    size: GABLE_END,
    paint: 'exterior-acrylic',
    expected: expected([15, 19], [5, 6], USUAL, [1.6, 2.4]),
  },
  {
    name: 'The same in a breeze',
    element: 'wall',
    side: 'outside',
    wind: 'breeze',
    kind: 'lapped-boards',
    size: GABLE_END,
    paint: 'exterior-acrylic',
    expected: expected([15, 19], [4, 5], ANY, [1.9, 2.9]),
  },
  {
    name: 'Bare boards, wood primer',
    element: 'wall',
    side: 'outside',
    kind: 'board-and-batten',
    condition: 'bare',
    size: GABLE_END,
    paint: 'exterior-wood-primer',
    coats: 1,
    expected: expected([15, 17], [5, 6], ANY, [1.9, 2.8]),
  },
  {
    name: 'Fine render, exterior acrylic',
    element: 'wall',
    side: 'outside',
    kind: 'fine-render',
    size: GABLE_END,
    paint: 'exterior-acrylic',
    expected: expected([15, 19], [5, 6], USUAL, [1.7, 2.5]),
  },
  {
    name: 'Coarse bare render, exterior acrylic',
    element: 'wall',
    side: 'outside',
    kind: 'coarse-render',
    condition: 'bare',
    size: GABLE_END,
    paint: 'exterior-acrylic',
    expected: expected([15, 19], [5, 6], USUAL, [2.1, 3.1]),
  },
  {
    name: 'Brick, exterior acrylic',
    element: 'wall',
    side: 'outside',
    kind: 'brick',
    size: GABLE_END,
    paint: 'exterior-acrylic',
    expected: expected([15, 19], [5, 6], USUAL, [1.8, 2.6]),
  },
  {
    name: 'Coarse render, high-build',
    element: 'wall',
    side: 'outside',
    kind: 'coarse-render',
    size: GABLE_END,
    paint: 'high-build-masonry',
    machine: 'large',
    bore: 1 / 2,
    expected: expected([21, 27], [5, 6], HEAVY, [4, 6.2]),
  },
  {
    name: 'Fascia 180 mm, exterior acrylic',
    element: 'edge',
    side: 'outside',
    kind: 'planed-timber',
    size: [6, 0.18],
    paint: 'exterior-acrylic',
    expected: expected([9, 13], [2, 3], ANY, [2, 3.6]),
  },
  {
    name: 'Soffit 450 mm, exterior acrylic',
    element: 'edge',
    side: 'outside',
    kind: 'planed-timber',
    size: [10, 0.45],
    paint: 'exterior-acrylic',
    expected: expected([15, 19], [2, 4], ANY, [1.9, 3.3]),
  },
  {
    name: 'Gutters, solvent enamel',
    element: 'edge',
    side: 'outside',
    kind: 'metal',
    size: [10, 0.3],
    paint: 'trim-enamel-solvent',
    machine: 'large',
    expected: expected([9, 13], [2, 3], ANY, [1.2, 2.2]),
  },
  {
    name: 'Garage door, exterior acrylic',
    element: 'door',
    side: 'outside',
    kind: 'planed-timber',
    size: [2.5, 2.1],
    paint: 'exterior-acrylic',
    expected: expected([15, 19], [3, 5], ANY, [1.7, 2.6]),
  },
  {
    name: 'Corrugated shed wall, metal primer',
    element: 'wall',
    side: 'outside',
    kind: 'corrugated-metal',
    condition: 'bare',
    size: GABLE_END,
    paint: 'metal-primer',
    coats: 1,
    expected: expected([11, 13], [5, 6], ANY, [1.6, 2.4], [0.2, 0.9]),
  },
  {
    name: 'Closed fence, solid stain',
    element: 'lapped-fence',
    side: 'outside',
    kind: 'sawn-timber',
    condition: 'bare',
    size: [10, 1.8],
    paint: 'solid-stain',
    expected: expected([9, 13], [5, 6], ANY, [2, 3.4], [0.2, 0.9]),
  },
  {
    name: 'Closed fence, penetrating stain',
    element: 'lapped-fence',
    side: 'outside',
    kind: 'sawn-timber',
    condition: 'bare',
    size: [10, 1.8],
    paint: 'penetrating-stain',
    coats: 1,
    expected: expected([7, 11], [4, 6], ANY, [2.2, 3.6], [0.1, 0.9]),
  },
  {
    name: 'Pickets, solid stain',
    element: 'open-fence',
    side: 'outside',
    kind: 'sawn-timber',
    condition: 'bare',
    size: [0.22, 1.2],
    paint: 'solid-stain',
    expected: expected([9, 13], [2, 3], ANY, [3.5, 7]),
  },
];

export const requestOf = (job: UsualJob): SetupRequest =>
  wallRequest({
    element: job.element,
    side: job.side ?? 'inside',
    wind: job.wind ?? 'calm',
    kind: job.kind,
    condition: job.condition ?? 'sealed',
    geometry: { shape: 'rectangle', width: job.size[0], height: job.size[1], count: 1, openings: [] },
    coating: { name: job.paint, archetype: job.paint, overrides: {} },
    coats: job.coats ?? 2,
    ...(job.spots === undefined ? {} : { spots: quantity(job.spots) }),
    sprayer: SPRAYER_CLASS_DATA[job.machine ?? 'mid electric'],
    hoses: [{ length: of(15, 'm'), bore: of(job.bore ?? 1 / 4, 'in') }],
  });

/** The answer of the program to a job, in the units its ranges are in. */
export function answerTo(job: UsualJob) {
  const card = setupCard(requestOf(job));
  if (!card.ok) throw new Error(`${job.name}: ${card.message}`);
  const { tip, gunPressure, gunSpeed, paint, area, coats } = card.value;
  return {
    code: tip.code,
    family: FAMILY_DATA[tip.candidate.tip.family].name.toLowerCase(),
    orifice: tip.candidate.tip.orificeThou,
    fan: tip.candidate.tip.fan,
    pressure: to(quantity<Pressure>(gunPressure.value), 'bar'),
    speed: gunSpeed.value,
    litres: (to(quantity<Volume>(paint.value), 'L') / area.net / coats) * 10,
  };
}

const span = ([low, high]: Range): string => (low === high ? String(low) : `${low} to ${high}`);

/** A row of the table in method.md. */
export function rowOf(job: UsualJob, system: UnitSystem = 'metric'): string {
  const { code, family, pressure, speed, litres } = answerTo(job);
  const { expected: wanted } = job;
  const answer = [
    `${code} ${family}`,
    showText(of(pressure, 'bar'), 'pressure', system),
    `${speed.toFixed(2)} m/s`,
    `${litres.toFixed(1)} L`,
  ];
  const range = [
    `${span(wanted.orifice)} thou, fan ${span(wanted.fan)}`,
    `${span(wanted.pressure)} bar`,
    `${span(wanted.speed)} m/s`,
    `${span(wanted.litres)} L`,
  ];
  return `| ${job.name} | ${answer.join(', ')} | ${range.join(', ')} |`;
}
