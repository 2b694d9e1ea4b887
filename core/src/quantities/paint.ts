import { coatingInput, type Coating } from '../coating';
import { chosen, given, workingDefault, type Input } from '../explain';
import { laidPerArea } from '../film';
import { hoseVolume, type HoseRun } from '../line';
import {
  SURFACE_KINDS,
  USUAL_OVER,
  transferEfficiency,
  type Condition,
  type Element,
  type Side,
  type SurfaceKind,
  type Wind,
} from '../takeoff';
import { of } from '../units';
import { LOSSES } from './losses';

/** A surface as far as its paint goes: what it is, what is laid on it and what misses it. */
export interface PaintedSurface {
  readonly element: Element;
  readonly side: Side;
  readonly kind: SurfaceKind;
  readonly condition: Condition;
  readonly wind: Wind;
  readonly coating: Coating;
  readonly coats: number;
  /** What the log has taught about this coating and kind of piece. */
  readonly history?: { readonly transfer?: Input | undefined } | undefined;
}

/** Share of the paint that lands on this piece, as the formulas take it. */
export function transferInput({
  element,
  side,
  wind,
  history,
}: Pick<PaintedSurface, 'element' | 'side' | 'wind' | 'history'>): Input {
  if (history?.transfer) return history.transfer;
  const { likely, low, high } = transferEfficiency(element, side, wind);
  return workingDefault(
    'Transfer efficiency',
    'percent',
    likely,
    low,
    high,
    'Working default for this piece',
  );
}

/** Where the plan of passes says what misses a piece, so much of the table's range is left: the rest was the pieces' own. */
const RANGE_LEFT = 0.6;

/**
 * Share of the paint over the piece that stays on it: what lands without what the fan has beside the piece. The two together
 * are `transferInput` on the usual piece of its kind.
 */
export function airInput(surface: Parameters<typeof transferInput>[0]): Input {
  const lands = transferInput(surface);
  const { value, low, high, basis } = lands;
  const left = basis === 'default' ? RANGE_LEFT : 1;
  const over = USUAL_OVER[surface.element];
  const share = (lands: number) => Math.min(1, lands / over);
  return {
    ...lands,
    label: 'Not lost in the air',
    value: share(value),
    low: share(value - left * (value - low)),
    high: share(value + left * (high - value)),
  };
}

/** How far a net area measured by tape may be off, relative. */
const MEASURED_TO = 0.02;

/** True area over flat of a surface, and what of the first coat soaks into it, unthinned. */
export function groundInputs(surface: Pick<PaintedSurface, 'kind' | 'condition'>) {
  const kind = SURFACE_KINDS[surface.kind];
  const absorbed = surface.condition === 'bare' ? kind.absorbed : 0;
  const excess = kind.texture - 1;
  return {
    texture: workingDefault(
      'True area over flat',
      'factor',
      kind.texture,
      1 + excess * 0.6,
      1 + excess * 1.4,
      `Working default for ${kind.name.toLowerCase()}`,
    ),
    absorbed: workingDefault(
      'Soaks into the bare surface',
      'wetFilm',
      absorbed,
      absorbed * 0.5,
      absorbed * 1.5,
      'First coat only; 1 mm is 1 L/m²',
    ),
  };
}

/** Share of the fan that is over a piece, as an input. */
export const overInput = (over: number): Input =>
  given('Share of the fan over the piece', 'percent', over, 'Passes of this plan');

/**
 * What the paint sprayed at one surface depends on, each with its range.
 * @param over share of the fan over it, where a plan of passes knows it
 */
export function surfaceInputs(surface: PaintedSurface, netArea: number, over?: number) {
  const { coating, coats } = surface;
  const { texture, absorbed } = groundInputs(surface);
  return {
    area: {
      ...given('Net area', 'area', netArea, 'Sizes of this surface'),
      low: netArea * (1 - MEASURED_TO),
      high: netArea * (1 + MEASURED_TO),
    },
    texture,
    coats: chosen('Coats', 'count', coats, 'Chosen here'),
    dry: coatingInput(coating, 'dryFilm'),
    solids: coatingInput(coating, 'volumeSolids'),
    te: over === undefined ? transferInput(surface) : airInput(surface),
    over: overInput(over ?? 1),
    absorbed,
    hand: workingDefault(
      'Scatter of the gun hand',
      'factor',
      1,
      1 - LOSSES.gunSpeedScatter,
      1 + LOSSES.gunSpeedScatter,
      'Crew gun speed, 10 %',
    ),
  } satisfies Record<string, Input>;
}

/** What is bought and not sprayed. */
export function keptInputs() {
  const { containerResidue: left, touchUp } = LOSSES;
  return {
    residue: workingDefault('Left in containers', 'percent', left.likely, left.low, left.high),
    touchUp: workingDefault('Kept for touch-up', 'percent', touchUp.likely, touchUp.low, touchUp.high),
  };
}

/** Share of what fills the hoses that goes back into its container when they are flushed; it says nothing where they are filled once. */
function pumpedBack(fills: number): Input {
  const { likely, low, high } = LOSSES.pumpedBack;
  const range = fills > 1 ? { low, high } : { low: likely, high: likely };
  return workingDefault('Pumped back at a flush', 'percent', likely, range.low, range.high);
}

/**
 * Paint that fills hoses, pump and suction so many times over a job: all of it is bought once; of each later filling what is not pumped
 * back at the flush.
 */
export const filledWith = (fill: number, fills: number, back: number): number =>
  fills > 0 ? fill * (1 + (fills - 1) * (1 - back)) : 0;

/** Paint that fills hoses, pump and suction once, and what of it comes back. */
export function fillInputs(hoses: readonly HoseRun[], fills = 1) {
  const { pumpFillLitres: pump } = LOSSES;
  return {
    hoses: given('Inside the hoses', 'volume', hoseVolume(hoses), 'Length and bore of the hoses'),
    pump: workingDefault(
      'Pump, filter and suction',
      'volume',
      of(pump.likely, 'L'),
      of(pump.low, 'L'),
      of(pump.high, 'L'),
    ),
    back: pumpedBack(fills),
  };
}

export type SurfaceInputName = keyof ReturnType<typeof surfaceInputs>;
export type KeptInputName = keyof ReturnType<typeof keptInputs>;
type Values<Name extends string> = Readonly<Record<Name, number>>;

/** Unthinned paint sprayed at a surface, m³. Thinner cancels: what is bought is unthinned. */
export function sprayedVolume(v: Values<SurfaceInputName>): number {
  const film = wetFilmOf(v.dry, v.hand, v.solids);
  return (v.area * laidPerArea(v.texture * v.coats, film, v.absorbed)) / (v.te * v.over);
}

/** Wet film of unthinned paint, m, for a dry one and a hand that lays so much more or less. */
export const wetFilmOf = (dry: number, hand: number, solids: number): number => (dry * hand) / solids;

/** Paint to buy for what is sprayed: with what stays in containers and what is kept back. */
export function withKept(sprayed: number, v: Values<KeptInputName>): number {
  return keptOf(sprayed, v.residue, v.touchUp);
}

/** `withKept` of bare numbers. */
export const keptOf = (sprayed: number, residue: number, touchUp: number): number =>
  sprayed * (1 + residue + touchUp);
