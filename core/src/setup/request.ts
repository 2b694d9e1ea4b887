import {
  REFERENCE_TEMPERATURE,
  archetypeOf,
  coatingInput,
  coatingValues,
  orificesOf,
  powerLaw,
  temperatureFactor,
  thinnedViscosity,
  type Coating,
  type CoatingValues,
  type PaintSlopes,
} from '../coating';
import type { HoseRun, LineFluid, Sprayer } from '../line';
import { sagLimitFor, wetForDry } from '../film';
import type { Input } from '../explain';
import { airInput, groundInputs } from '../quantities';
import type { SiteFacts } from '../safety';
import {
  ELEMENT_DATA,
  EMPTY_FANS,
  PATCH_FANS,
  SMALL_ORIFICES,
  extentOf,
  isSmallPiece,
  mainPiece,
  usualFans,
  type AreaBreakdown,
  type Condition,
  type Element,
  type PieceGeometry,
  type Side,
  type SurfaceGeometry,
  type SurfaceKind,
  type Wind,
} from '../takeoff';
import type { Tip, TipFamily } from '../tip';
import { of, quantity, type Fraction, type Length, type Temperature, type Viscosity } from '../units';
import type { DialledIn } from './dialledIn';
import { DEFAULT_SCHOOLS, type Schools } from './schools';

/** Everything the set-up of one surface depends on. */
export interface SetupRequest {
  readonly element: Element;
  readonly side: Side;
  readonly kind: SurfaceKind;
  readonly condition: Condition;
  readonly wind: Wind;
  readonly geometry: SurfaceGeometry;
  /** Nobody lives or works in the building, and nothing is in the way. */
  readonly empty?: boolean | undefined;
  readonly coating: Coating;
  readonly coats: number;
  /** Share of the surface that is touched in spots; all of it where missing. */
  readonly spots?: Fraction | undefined;
  /** Thinner per volume of paint. */
  readonly thinning: Fraction;
  readonly sprayer: Sprayer;
  readonly hoses: readonly HoseRun[];
  /** Gun above pump. */
  readonly lift: Length;
  /** Tips the company owns. */
  readonly rack: readonly Tip[];
  /** A tip picked by hand instead of the best one. */
  readonly chosenTip?: Tip | undefined;
  /** Container sizes the coating is sold in, m³. */
  readonly containerSizes: readonly number[];
  /** What the crew holds with; the defaults where missing. */
  readonly schools?: Partial<Schools> | undefined;
  /** Temperature of the paint; 23 °C where nobody has measured it. */
  readonly paintTemperature?: Temperature | undefined;
  /** The colder of air and surface when the weather was written down last; missing where nobody has. */
  readonly coldest?: Temperature | undefined;
  /** What is known of the site, for the cautions. */
  readonly site?: SiteFacts | undefined;
  /** Set-ups dialled in on this surface with this coating, the last one last. */
  readonly dialledIn?: readonly DialledIn[] | undefined;
  /** What the log has taught about this coating, tip family and kind of piece. */
  readonly history?: SetupHistory | undefined;
}

/** A patch as it is usually touched in. */
const PATCH: PieceGeometry = { shape: 'rectangle', width: 0.6, height: 0.6, count: 1, openings: [] };

/** Spots are sprayed one by one, whatever the surface they are on. */
export const isSpots = ({ spots }: Pick<SetupRequest, 'spots'>): boolean => spots !== undefined && spots < 1;

/** Walls and ceilings no larger than this are patches, m. */
const PATCH_SIZE = 0.8;

/** Patches, as spots of a surface or by themselves: what a small fan is for. */
export function isPatch(request: Pick<SetupRequest, 'element' | 'geometry' | 'spots'>): boolean {
  if (isSpots(request)) return true;
  const { width, height } = extentOf(mainPiece(request.geometry));
  const broad = request.element === 'wall' || request.element === 'ceiling';
  return broad && Math.max(width, height) <= PATCH_SIZE;
}

/** The piece that the passes are laid on: the largest of the surface, or a patch of it. */
export const sprayedPiece = (request: Pick<SetupRequest, 'spots' | 'geometry'>): PieceGeometry =>
  isSpots(request) ? PATCH : mainPiece(request.geometry);

/** Fan numbers that suit what is sprayed. */
export const fansFor = (
  request: Pick<SetupRequest, 'element' | 'side' | 'wind' | 'geometry' | 'spots' | 'empty' | 'condition'>,
): { readonly low: number; readonly high: number } => {
  if (isPatch(request)) return PATCH_FANS;
  return inEmptyRooms(request) ? EMPTY_FANS : usualFans(request.element, request.side, request.wind);
};

/** First coats on the bare walls and ceilings of an empty building: nothing is in the way of a wide fan. */
export const inEmptyRooms = ({
  empty,
  condition,
  element,
  side,
}: Pick<SetupRequest, 'empty' | 'condition' | 'element' | 'side'>): boolean =>
  empty === true &&
  condition === 'bare' &&
  side === 'inside' &&
  (element === 'wall' || element === 'ceiling');

/** Orifices that suit what is sprayed, thou: small pieces want little paint, whatever the paint is. */
export function orificesFor(request: Pick<SetupRequest, 'coating' | 'element' | 'geometry' | 'spots'>) {
  const orifices = orificesOf(request.coating);
  return isSmallPiece(request.element, request.geometry) && !isSpots(request)
    ? { low: Math.min(orifices.low, SMALL_ORIFICES.low), high: Math.min(orifices.high, SMALL_ORIFICES.high) }
    : orifices;
}

/** Values learned from the log that replace working defaults. */
export interface SetupHistory {
  readonly transfer?: Input | undefined;
  /** Even-fan pressure of this coating found over the one of the heuristic, by the family of the tip. */
  readonly evenFan?: Partial<Readonly<Record<TipFamily, Input>>> | undefined;
  /** This paint by the crew's cups. */
  readonly paint?: KnownPaint | undefined;
}

/** A paint by the cups of a crew: how thick it is beside its sheet, and how it goes with thinner and warmth. */
export interface KnownPaint {
  /** Viscosity at 23 °C, unthinned, over the sheet's or the working default's. */
  readonly thickness: Input;
  readonly slopes: PaintSlopes;
}

/** What the log has taught about the even fan of this coating with a family of tips. */
export const learnedEvenFan = (
  { history }: Pick<SetupRequest, 'history'>,
  family: TipFamily,
): Input | undefined => history?.evenFan?.[family];

/** The crew's schools with the defaults filled in. */
export function schoolsOf({ schools }: SetupRequest): Schools {
  return { ...DEFAULT_SCHOOLS, ...schools };
}

/** How the paint runs through the line: thinned, and at its temperature. */
export type PaintAsSprayed = Pick<SetupRequest, 'thinning' | 'paintTemperature' | 'history'>;

/** A viscosity of a paint at 23 °C, unthinned: by the sheet or its default, as much thicker or thinner as the crew's cups have it. */
export function viscosityInput(
  { coating, history }: Pick<SetupRequest, 'coating' | 'history'>,
  name: 'viscosityLowShear' | 'viscosityHighShear',
): Input {
  const sheet = coatingInput(coating, name);
  const thickness = history?.paint?.thickness;
  if (!thickness) return sheet;
  const { value, low, high, basis, source } = thickness;
  const { property: _sheets, ...rest } = sheet;
  return {
    ...rest,
    value: sheet.value * value,
    low: sheet.value * low,
    high: sheet.value * high,
    basis,
    source,
  };
}

/** Paint of two viscosity readings and a density, thinned and at its temperature. */
export function fluidFrom(
  lowShear: number,
  highShear: number,
  density: number,
  { thinning, paintTemperature, history }: PaintAsSprayed,
): LineFluid {
  const slopes = history?.paint?.slopes;
  const cold =
    paintTemperature === undefined
      ? 1
      : temperatureFactor(paintTemperature, REFERENCE_TEMPERATURE, slopes?.temperature.value);
  const thinned = (viscosity: number) =>
    slopes
      ? quantity<Viscosity>(viscosity * Math.exp((-slopes.thinning.value * thinning) / (1 + thinning)))
      : thinnedViscosity(quantity(viscosity), thinning);
  return {
    density: quantity(density),
    rheology: powerLaw(thinned(lowShear * cold), thinned(highShear * cold)),
  };
}

/** The paint as it runs through the line: thinned as asked, at its temperature. */
export function fluidOf(request: PaintAsSprayed & Pick<SetupRequest, 'coating'>): LineFluid {
  const value = (name: 'viscosityLowShear' | 'viscosityHighShear') => viscosityInput(request, name).value;
  const { density } = coatingValues(request.coating);
  return fluidFrom(value('viscosityLowShear'), value('viscosityHighShear'), density, request);
}

export interface SearchContext {
  readonly request: SetupRequest;
  readonly values: CoatingValues;
  readonly fluid: LineFluid;
  readonly schools: Schools;
  readonly area: AreaBreakdown;
  /** Share of the paint over the piece that is not lost in the air. */
  readonly air: number;
  /** True area over flat. */
  readonly texture: number;
  /** What soaks into a bare surface of the first film laid, m, as sprayed. */
  readonly soaks: number;
  /** Wet film laid at a time. */
  readonly wetPerPass: Length;
  /** Passes in which one coat is laid so that none is over the sag limit. */
  readonly passes: number;
  /** Coats in which the film is built: those asked for, or fewer full ones. */
  readonly coats: number;
  /** Film laid at a time over the film of one coat by the data sheet. */
  readonly filmShare: number;
}

/**
 * What a search stands on: the paint as sprayed and the film to lay at a time. Lighter coats: the coats asked for, each
 * in as many passes as the sag limit wants. Full coats: the same film in all, in as few coats as stay up. What goes into bare
 * wood does not stand on it: its coat is laid in one.
 */
export function searchContext(request: SetupRequest, area: AreaBreakdown): SearchContext {
  const values = coatingValues(request.coating);
  const schools = schoolsOf(request);
  const { texture, absorbed } = groundInputs(request);
  const wet = wetForDry(quantity(values.dryFilm), quantity(values.volumeSolids), request.thinning);
  const goesIn = archetypeOf(request.coating.archetype).goesIn && absorbed.value > 0;
  const sag = goesIn
    ? Infinity
    : sagLimitFor(quantity(values.sagLimit), ELEMENT_DATA[request.element].sagsSooner);
  const full = schools.build === 'full' && !goesIn;
  const needed = Math.max(1, Math.ceil((request.coats * wet) / sag - 1e-9));
  const coats = full ? Math.min(needed, request.coats) : request.coats;
  const perCoat = (request.coats * wet) / coats;
  const passes = Math.max(1, Math.ceil(perCoat / sag - 1e-9));
  const wetPerPass = quantity<Length>(perCoat / passes);
  return {
    request,
    values,
    schools,
    area,
    fluid: fluidOf(request),
    air: airInput(request).value,
    texture: texture.value,
    soaks: asSprayed(absorbed.value, request),
    wetPerPass,
    passes,
    coats,
    filmShare: wetPerPass / wet,
  };
}

/** Paint as it is sprayed, for so much of it unthinned. */
export const asSprayed = (unthinned: number, { thinning }: Pick<SetupRequest, 'thinning'>): number =>
  unthinned * (1 + thinning);

export function coatingMesh({ archetype }: Coating): 30 | 60 | 100 {
  return archetypeOf(archetype).mesh;
}

/** Orifices at or below this want the finest filter. */
const FINE_ORIFICE = of(0.011, 'in');

/** Gun filter mesh: the coating's, or 100 for an orifice of 11 thou or finer. */
export function meshFor(coatingsMesh: number, orifice: Length): number {
  return orifice <= FINE_ORIFICE * (1 + 1e-9) ? 100 : coatingsMesh;
}
