import { accept, firstRefusal, refuse, within, type Length, type Result, type UnitSystem } from '../units';
import { accountFor, type PassAccount, type PlannedPass } from './account';
import { fanAcross, lines, planPasses } from './plan';
import { ARM, checkSettings, type FanOnPiece, type PassSettings } from './settings';

/** One part of a composed piece, in the order to spray it. */
export interface PlannedPart {
  readonly name: string;
  readonly how: string;
  readonly passes: readonly PlannedPass[];
}

export interface ComposedPlan extends PassAccount {
  readonly parts: readonly PlannedPart[];
}

function composed(parts: readonly PlannedPart[], settings: PassSettings): ComposedPlan {
  return {
    parts,
    ...accountFor(
      parts.flatMap(({ passes }) => passes),
      settings,
    ),
  };
}

export interface Bars {
  /** Upright spindles, or level rails. */
  readonly kind: 'spindles' | 'rails';
  readonly count: number;
  readonly length: Length;
  /** Face of a bar as the fan sees it, and the clear gap to the next. */
  readonly face: Length;
  readonly gap: Length;
}

/** The four sides a bar is sprayed from, as seen along the row. */
const SIDES = [
  { name: 'front, from the left', how: 'Gun turned 45° to the left of square' },
  { name: 'front, from the right', how: 'Gun turned 45° to the right of square' },
  { name: 'back, from the left', how: 'Walk round; gun turned 45° to the left of square' },
  { name: 'back, from the right', how: 'Walk round; gun turned 45° to the right of square' },
] as const;

/** How many bars a fan held along them would cover at once never counts: each bar gets its own pass. */
const BAR_COUNT = 400;

/** A bar as the gun sees it from a corner. */
export interface SeenBar {
  readonly seen: number;
  readonly length: number;
  /** Upright spindles, or level rails; and where its middle is across that. */
  readonly upright: boolean;
  readonly place: number;
}

/**
 * The passes of one bar: from each of its four sides one along its middle, more where the fan is narrower than the bar; the trigger off
 * the ends.
 */
export function barPasses({ seen, length, upright, place }: SeenBar, fan: FanOnPiece): PlannedPass[] {
  const { support, below } = fanAcross(fan);
  const half = support / 2;
  const whole = length + 2 * ARM.lead;
  // What is thin at the edges of one side is filled from the next.
  const at = seen <= fan.fanWidth ? [0] : lines(-seen / 2, seen / 2, fan.fanWidth, fan.overlap).at;
  const passes: PlannedPass[] = [];
  for (const { name: part } of SIDES)
    for (const aside of at) {
      const over = below((seen / 2 - aside) / half) - below((-seen / 2 - aside) / half);
      const [start, end] = [whole - ARM.lead, -ARM.lead];
      const [from, to] = passes.length % 2 === 0 ? [start, end] : [end, start];
      const on = (way: number) => (upright ? { x: place + aside, y: way } : { x: way, y: place + aside });
      const open = [{ from: 0, to: whole }];
      passes.push({
        kind: 'field',
        from: on(from),
        to: on(to),
        open,
        overPiece: over * (length / whole),
        part,
      });
    }
  return passes;
}

/**
 * Spindles or rails from four sides: one pass for each bar and side, the trigger off the ends. Most of the fan passes
 * the bar by, which the overspray says.
 */
export function planBars(
  bars: Bars,
  settings: PassSettings,
  system: UnitSystem = 'metric',
): Result<ComposedPlan> {
  const checked = checkSettings(settings, system);
  if (!checked.ok) return checked;
  if (!(Number.isInteger(bars.count) && bars.count >= 1 && bars.count <= BAR_COUNT)) {
    return refuse(
      'bars.count',
      'count',
      `The number of ${bars.kind} is a whole number from 1 to ${BAR_COUNT}.`,
    );
  }
  const failed = firstRefusal(
    within(bars.length, { min: 0.05, max: 20 }, 'size', system, 'length', 'Length'),
    within(bars.face, { min: 0.005, max: 0.5 }, 'fanWidth', system, 'face', 'Face'),
    within(bars.gap, { min: 0, max: 3 }, 'fanWidth', system, 'gap', 'Gap'),
  );
  if (failed) return failed;
  const pitch = bars.face + bars.gap;
  // Seen at 45° a square bar shows its diagonal.
  const bar = { seen: bars.face * Math.SQRT2, length: bars.length, upright: bars.kind === 'spindles' };
  const each = Array.from({ length: bars.count }, (_, index) =>
    barPasses({ ...bar, place: (index + 0.5) * pitch }, settings),
  );
  const turnedRound = ({ from, to, ...pass }: PlannedPass) => ({ ...pass, from: to, to: from });
  const parts = SIDES.map(({ name, how }) => ({
    name,
    how,
    // Down one bar and up the next.
    passes: each.flatMap((passes, index) =>
      passes.filter(({ part }) => part === name).map((pass) => (index % 2 === 0 ? pass : turnedRound(pass))),
    ),
  }));
  return accept(composed(parts, settings));
}

export interface Door {
  readonly width: Length;
  readonly height: Length;
  /** Panels up the door and across it; none on a flush door. */
  readonly panels: { readonly rows: number; readonly columns: number };
  /** Width of stiles and rails round the panels. */
  readonly frame: Length;
  /** Width of the casing, sprayed with the door when it hangs; none for a door in the rack. */
  readonly casing?: Length;
  readonly thickness: Length;
}

const rectangle = (x: number, y: number, width: number, height: number) => [
  { x, y },
  { x: x + width, y },
  { x: x + width, y: y + height },
  { x, y: y + height },
];

interface PartShape {
  readonly name: string;
  readonly how: string;
  readonly outlines: readonly ReturnType<typeof rectangle>[];
  readonly upright: boolean;
}

/** Parts of a door in the order that leaves no lap to dry: casing, edges, panels, then the face in long passes. */
function doorParts({ width, height, panels, frame, casing, thickness }: Door): PartShape[] {
  const parts: PartShape[] = [];
  if (casing !== undefined) {
    parts.push({
      name: 'Casing',
      how: 'Head first, then the legs from the top down',
      upright: true,
      outlines: [
        rectangle(0 - casing, height, width + 2 * casing, casing),
        rectangle(0 - casing, 0, casing, height),
        rectangle(width, 0, casing, height),
      ],
    });
  }
  parts.push({
    name: 'Edges',
    how: 'Lock edge, hinge edge, top; wipe off what runs onto the face',
    upright: true,
    outlines: [
      rectangle(0, 0, thickness, height),
      rectangle(width - thickness, 0, thickness, height),
      rectangle(0, height - thickness, width, thickness),
    ],
  });
  const { rows, columns } = panels;
  if (rows > 0 && columns > 0) {
    const panelWidth = (width - (columns + 1) * frame) / columns;
    const panelHeight = (height - (rows + 1) * frame) / rows;
    parts.push({
      name: 'Panels and mouldings',
      how: 'Light, from two sides of each moulding; the face fills them up',
      upright: true,
      outlines: Array.from({ length: rows * columns }, (_, index) =>
        rectangle(
          frame + (index % columns) * (panelWidth + frame),
          frame + Math.floor(index / columns) * (panelHeight + frame),
          panelWidth,
          panelHeight,
        ),
      ),
    });
  }
  parts.push({
    name: 'Face',
    how: 'Long passes up and down, the whole face in one wet edge',
    upright: true,
    outlines: [rectangle(0, 0, width, height)],
  });
  return parts;
}

/** A door in parts and in order, each part planned as its own piece. */
export function planDoor(
  door: Door,
  settings: PassSettings,
  system: UnitSystem = 'metric',
): Result<ComposedPlan> {
  const { rows, columns } = door.panels;
  const failed = firstRefusal(
    within(door.width, { min: 0.2, max: 6 }, 'size', system, 'width', 'Width'),
    within(door.height, { min: 0.2, max: 6 }, 'size', system, 'height', 'Height'),
    within(door.thickness, { min: 0.01, max: 0.2 }, 'fanWidth', system, 'thickness', 'Thickness'),
    within(door.frame, { min: 0.02, max: 1 }, 'fanWidth', system, 'frame', 'Stiles and rails'),
    ...(door.casing === undefined
      ? []
      : [within(door.casing, { min: 0.01, max: 0.5 }, 'fanWidth', system, 'casing', 'Casing')]),
  );
  if (failed) return failed;
  const whole = [rows, columns].every((count) => Number.isInteger(count) && count >= 0 && count <= 20);
  if (!whole || (rows === 0) !== (columns === 0)) {
    return refuse(
      'door.panels',
      'panels',
      'Panels are counted up and across, both from 1 to 20, or none of either.',
    );
  }
  if (rows > 0 && ((columns + 1) * door.frame >= door.width || (rows + 1) * door.frame >= door.height)) {
    return refuse(
      'door.frame',
      'frame',
      'Stiles and rails leave no room for the panels. Make them narrower.',
    );
  }
  const parts: PlannedPart[] = [];
  for (const { name, how, outlines, upright } of doorParts(door)) {
    const passes: PlannedPass[] = [];
    for (const outline of outlines) {
      const first = outline[0] ?? { x: 0, y: 0 };
      const opposite = outline[2] ?? first;
      const tall = opposite.y - first.y >= opposite.x - first.x;
      const plan = planPasses(
        { outline, openings: [] },
        settings,
        { direction: { kind: tall && upright ? 'up and down' : 'across' }, edgesFirst: false },
        system,
      );
      if (!plan.ok) return plan;
      passes.push(...plan.value.passes.map((pass) => ({ ...pass, part: name })));
    }
    parts.push({ name, how, passes });
  }
  return accept(composed(parts, settings));
}
