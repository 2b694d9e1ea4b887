import { coatingInput, type Coating } from '../coating';
import { chosen, given, workingDefault, type Input } from '../explain';
import { hoseVolume, type HoseRun } from '../line';
import {
  SURFACE_KINDS,
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

/** How far a net area measured by tape may be off, relative. */
const MEASURED_TO = 0.02;

/** What the paint sprayed at one surface depends on, each with its range. */
export function surfaceInputs(surface: PaintedSurface, netArea: number) {
  const { coating, coats, condition } = surface;
  const kind = SURFACE_KINDS[surface.kind];
  const absorbed = condition === 'bare' ? kind.absorbed : 0;
  const excess = kind.texture - 1;
  return {
    area: {
      ...given('Net area', 'area', netArea, 'Sizes of this surface'),
      low: netArea * (1 - MEASURED_TO),
      high: netArea * (1 + MEASURED_TO),
    },
    texture: workingDefault(
      'True area over flat',
      'factor',
      kind.texture,
      1 + excess * 0.6,
      1 + excess * 1.4,
      `Working default for ${kind.name.toLowerCase()}`,
    ),
    coats: chosen('Coats', 'count', coats, 'Chosen here'),
    dry: coatingInput(coating, 'dryFilm'),
    solids: coatingInput(coating, 'volumeSolids'),
    te: transferInput(surface),
    absorbed: workingDefault(
      'Soaks into the bare surface',
      'wetFilm',
      absorbed,
      absorbed * 0.5,
      absorbed * 1.5,
      'First coat only; 1 mm is 1 L/m²',
    ),
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

/** Paint that fills hoses, pump and suction once. */
export function fillInputs(hoses: readonly HoseRun[]) {
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
  };
}

export type SurfaceInputName = keyof ReturnType<typeof surfaceInputs>;
export type KeptInputName = keyof ReturnType<typeof keptInputs>;
type Values<Name extends string> = Readonly<Record<Name, number>>;

/** Unthinned paint sprayed at a surface and soaked up by it, m³. Thinner cancels: what is bought is unthinned. */
export function sprayedVolume(v: Values<SurfaceInputName>): number {
  return v.area * sprayedPerArea(v.texture * v.coats, wetFilmOf(v.dry, v.hand, v.solids), v.te, v.absorbed);
}

/** Wet film of unthinned paint, m, for a dry one and a hand that lays so much more or less. */
export const wetFilmOf = (dry: number, hand: number, solids: number): number => (dry * hand) / solids;

/** Paint for a square metre, m: the film on its true area in all coats, over what arrives, and what soaks in. */
export const sprayedPerArea = (trueArea: number, wetFilm: number, te: number, absorbed: number): number =>
  (trueArea * wetFilm) / te + absorbed;

/** Paint to buy for what is sprayed: with what stays in containers and what is kept back. */
export function withKept(sprayed: number, v: Values<KeptInputName>): number {
  return keptOf(sprayed, v.residue, v.touchUp);
}

/** `withKept` of bare numbers. */
export const keptOf = (sprayed: number, residue: number, touchUp: number): number =>
  sprayed * (1 + residue + touchUp);
