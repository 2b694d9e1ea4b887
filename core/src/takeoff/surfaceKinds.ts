import { of, type Length } from '../units';

export const ELEMENTS = [
  'wall',
  'ceiling',
  'door',
  'cabinet',
  'trim',
  'edge',
  'spindles',
  'lapped-fence',
  'open-fence',
] as const;
/** What is being painted, as far as spraying it differs. */
export type Element = (typeof ELEMENTS)[number];

export const SIDES = ['inside', 'outside'] as const;
export type Side = (typeof SIDES)[number];

export const WINDS = ['calm', 'breeze'] as const;
export type Wind = (typeof WINDS)[number];

export const CONDITIONS = ['sealed', 'bare', 'stained'] as const;
/** Sealed or painted before; bare, so that the first coat soaks in; or painted, with stains that come through paint. */
export type Condition = (typeof CONDITIONS)[number];

interface Spread {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
}

export type FinishClass = 'fine' | 'broad inside' | 'broad outside';

export interface ElementData {
  readonly name: string;
  readonly fans: { readonly low: number; readonly high: number };
  /** Details and ceilings sag sooner. */
  readonly sagsSooner: boolean;
  readonly fine: boolean;
  /** Bars are sprayed one by one from four sides: the usual side of one, where nothing but their area is known. */
  readonly bar?: Length;
}

/** Elements with the fans that suit them (method.md, "Fans by work"). */
export const ELEMENT_DATA: Readonly<Record<Element, ElementData>> = {
  wall: { name: 'Wall', fans: { low: 5, high: 6 }, sagsSooner: false, fine: false },
  ceiling: { name: 'Ceiling', fans: { low: 5, high: 6 }, sagsSooner: true, fine: false },
  door: { name: 'Door', fans: { low: 3, high: 5 }, sagsSooner: true, fine: true },
  cabinet: { name: 'Cabinet or shelf', fans: { low: 3, high: 5 }, sagsSooner: true, fine: true },
  trim: { name: 'Trim', fans: { low: 2, high: 3 }, sagsSooner: true, fine: true },
  edge: { name: 'Soffit, fascia, gutter', fans: { low: 2, high: 3 }, sagsSooner: true, fine: false },
  spindles: {
    name: 'Spindles and rails',
    fans: { low: 1, high: 2 },
    sagsSooner: true,
    fine: true,
    bar: of(35, 'mm'),
  },
  'lapped-fence': { name: 'Fence, closed', fans: { low: 5, high: 6 }, sagsSooner: false, fine: false },
  'open-fence': {
    name: 'Fence, open',
    fans: { low: 2, high: 3 },
    sagsSooner: false,
    fine: false,
    bar: of(55, 'mm'),
  },
};

const TRANSFER: Readonly<Record<Exclude<Element, 'wall'>, Spread>> = {
  ceiling: { low: 0.72, likely: 0.8, high: 0.87 },
  door: { low: 0.55, likely: 0.65, high: 0.75 },
  cabinet: { low: 0.5, likely: 0.6, high: 0.7 },
  edge: { low: 0.4, likely: 0.55, high: 0.65 },
  trim: { low: 0.4, likely: 0.5, high: 0.6 },
  spindles: { low: 0.25, likely: 0.35, high: 0.5 },
  'lapped-fence': { low: 0.55, likely: 0.65, high: 0.75 },
  'open-fence': { low: 0.25, likely: 0.4, high: 0.5 },
};
const WALL_TRANSFER: Readonly<Record<'inside' | Wind, Spread>> = {
  inside: { low: 0.75, likely: 0.82, high: 0.88 },
  calm: { low: 0.68, likely: 0.78, high: 0.85 },
  breeze: { low: 0.5, likely: 0.65, high: 0.75 },
};

/** Share of the paint sprayed that lands on the piece (method.md, "Transfer efficiency"). */
export function transferEfficiency(element: Element, side: Side, wind: Wind): Spread {
  if (element !== 'wall') return TRANSFER[element];
  return WALL_TRANSFER[side === 'inside' ? 'inside' : wind];
}

/**
 * Share of the fan that is over the usual pieces of each kind, by their plans of passes with usual fans, the middle of it: what the table of transfer
 * efficiency has of misses. What it has besides is lost in the air. (method.md, "What lands"; a test works them out again.)
 */
export const USUAL_OVER: Readonly<Record<Element, number>> = {
  wall: 0.92,
  ceiling: 0.94,
  door: 0.86,
  cabinet: 0.75,
  trim: 0.69,
  edge: 0.81,
  spindles: 0.72,
  'lapped-fence': 0.92,
  'open-fence': 0.77,
};

/** Fan numbers for patches that are touched in. */
export const PATCH_FANS = { low: 3, high: 4 } as const;

/** Fan numbers for first coats in empty buildings: the wall is bare, and nothing is in the way. */
export const EMPTY_FANS = { low: 8, high: 12 } as const;

/** Orifices for gutters, casings and other small work, thou: at any paint a pump pushes through them. */
export const SMALL_ORIFICES = { low: 9, high: 13 } as const;

/** Fan numbers that suit the piece; outside in a breeze one narrower. */
export function usualFans(element: Element, side: Side, wind: Wind): { low: number; high: number } {
  const { low, high } = ELEMENT_DATA[element].fans;
  const narrower = side === 'outside' && wind === 'breeze' && !ELEMENT_DATA[element].fine ? 1 : 0;
  return { low: Math.max(1, low - narrower), high: Math.max(1, high - narrower) };
}

export function finishClass(element: Element, side: Side): FinishClass {
  if (ELEMENT_DATA[element].fine) return 'fine';
  return side === 'inside' ? 'broad inside' : 'broad outside';
}

export interface SurfaceKindData {
  readonly name: string;
  /** True area over flat area. */
  readonly texture: number;
  /** What the first coat loses into the bare surface, as film (L/m² are mm). */
  readonly absorbed: Length;
}

const kind = (name: string, texture: number, absorbedLitresPerSquareMetre: number): SurfaceKindData => ({
  name,
  texture,
  absorbed: of(absorbedLitresPerSquareMetre, 'mm'),
});

/** Surfaces with true area and absorption when bare (method.md, "Surfaces"). */
export const SURFACE_KINDS = {
  'smooth-board': kind('Smooth board', 1, 0.02),
  'light-texture': kind('Board, light texture', 1.05, 0.02),
  'orange-peel': kind('Board, knockdown or orange peel', 1.12, 0.02),
  'heavy-stipple': kind('Board, heavy stipple', 1.25, 0.02),
  'fine-render': kind('Render, fine', 1.15, 0.05),
  'coarse-render': kind('Render, coarse', 1.3, 0.05),
  block: kind('Block', 1.2, 0.2),
  brick: kind('Brick', 1.2, 0.05),
  'planed-timber': kind('Timber, planed', 1, 0.03),
  'sawn-timber': kind('Timber, rough-sawn', 1.2, 0.06),
  'lapped-boards': kind('Lapped boards', 1.1, 0.03),
  'board-and-batten': kind('Board and batten', 1.2, 0.03),
  metal: kind('Metal, smooth', 1, 0),
  'corrugated-metal': kind('Metal, corrugated', 1.2, 0),
} as const satisfies Record<string, SurfaceKindData>;

export type SurfaceKind = keyof typeof SURFACE_KINDS;
export const SURFACE_KIND_IDS = Object.keys(SURFACE_KINDS) as [SurfaceKind, ...SurfaceKind[]];
