import { explain, chosen, given, type Explained, type Input } from '../explain';
import { FAN_WIDTH_LIMITS } from '../tip';
import {
  accept,
  firstRefusal,
  of,
  quantity,
  refuse,
  within,
  type Fraction,
  type Length,
  type Result,
  type Speed,
  type UnitSystem,
} from '../units';
import {
  dryForWet,
  filmOfLaid,
  gunSpeedForFilm,
  laidPerArea,
  spreadingRate,
  wetFilmOfPass,
  wetForDry,
} from './film';

const FILM = { min: of(1, 'μm'), max: of(5, 'mm') } as const;
const SOLIDS = { min: 0.03, max: 1 } as const;
const THINNER = { min: 0, max: 0.5 } as const;

function checkPaint(
  film: number,
  solids: Input,
  thinner: number,
  system: UnitSystem,
  field: string,
  label: string,
) {
  return firstRefusal(
    within(film, FILM, 'wetFilm', system, field, label),
    within(solids.value, SOLIDS, 'percent', system, 'solids', 'Volume solids'),
    within(thinner, THINNER, 'percent', system, 'thinner', 'Thinner per paint'),
  );
}

/** Wet film for a dry film, as an answer. */
export function wetFilmFor(
  dry: Length,
  solids: Input,
  thinner: Fraction,
  system: UnitSystem = 'metric',
): Result<Explained> {
  const failed = checkPaint(dry, solids, thinner, system, 'dry', 'Dry film');
  if (failed) return failed;
  const inputs = {
    dry: chosen('Dry film wanted', 'dryFilm', dry, 'Asked for'),
    solids,
    r: chosen('Thinner per paint', 'percent', thinner, 'Chosen here'),
  };
  return accept(
    explain('wet film target', 'wetFilm', inputs, (v) =>
      wetForDry(quantity(v.dry), quantity(v.solids), quantity(v.r)),
    ),
  );
}

/** Dry film a wet film leaves, as an answer. */
export function dryFilmFrom(
  wet: Length,
  solids: Input,
  thinner: Fraction,
  system: UnitSystem = 'metric',
): Result<Explained> {
  const failed = checkPaint(wet, solids, thinner, system, 'wet', 'Wet film');
  if (failed) return failed;
  const inputs = {
    wet: given('Wet film', 'wetFilm', wet, 'Measured or aimed at'),
    solids,
    r: chosen('Thinner per paint', 'percent', thinner, 'Chosen here'),
  };
  return accept(
    explain('dry film left', 'dryFilm', inputs, (v) =>
      dryForWet(quantity(v.wet), quantity(v.solids), quantity(v.r)),
    ),
  );
}

/** Theoretical spreading rate, as an answer. */
export function spreadingOf(dry: Length, solids: Input, system: UnitSystem = 'metric'): Result<Explained> {
  const failed = checkPaint(dry, solids, 0, system, 'dry', 'Dry film');
  if (failed) return failed;
  const inputs = { dry: chosen('Dry film', 'dryFilm', dry, 'Asked for'), solids };
  return accept(
    explain('spreading rate', 'spreading', inputs, (v) => spreadingRate(quantity(v.solids), quantity(v.dry))),
  );
}

/** Passes on a piece, where a plan of them is known. */
export interface PassPlace {
  /** Share of the fan that is over the piece. */
  readonly over: Input;
  /** Width a pass covers over the fan less its overlap: passes are fitted to the piece. */
  readonly fit: Input;
  /** True area over flat, and what soaks in of the film, m as sprayed. */
  readonly texture: Input;
  readonly soaks: Input;
}

/** Everything a field of passes depends on, with ranges. */
export interface PassInputs {
  readonly flow: Input;
  /** Share of the paint that lands; where the place of the passes is known, of what is over it. */
  readonly transfer: Input;
  readonly fanWidth: Input;
  readonly overlap: Fraction;
  /** Missing: a plain field that goes on to all sides. */
  readonly place?: PassPlace | undefined;
}

function checkPass({ flow, transfer, fanWidth, overlap }: PassInputs, system: UnitSystem) {
  if (!(overlap >= 0 && overlap <= 0.95)) {
    return refuse(
      'overlap',
      'overlap',
      'The overlap is a share of the fan from 0 to 95 %: at 100 % every pass lies on the one before.',
    );
  }
  return firstRefusal(
    within(flow.value, { min: 1e-7, max: 1e-3 }, 'flow', system, 'flow', 'Flow'),
    within(transfer.value, { min: 0.05, max: 1 }, 'percent', system, 'transfer', 'Transfer efficiency'),
    within(fanWidth.value, FAN_WIDTH_LIMITS, 'fanWidth', system, 'fanWidth', 'Fan width'),
  );
}

type Values<Name extends string> = Readonly<Record<Name, number>>;

/** A plain field: all of the fan is over it, smooth, and nothing soaks in. */
const PLAIN: PassPlace = {
  over: given('Share of the fan over the piece', 'percent', 1, 'A plain field'),
  fit: given('Passes fitted to the piece', 'factor', 1, 'A plain field'),
  texture: given('True area over flat', 'factor', 1, 'A plain field'),
  soaks: given('Soaks in', 'wetFilm', 0, 'A plain field'),
};

const passOf = ({
  flow,
  te,
  width,
  overlap,
  over,
  fit,
}: Values<'flow' | 'te' | 'width' | 'overlap' | 'over' | 'fit'>) => ({
  flow: quantity<ReturnType<typeof of<'L/min'>>>(flow),
  transferEfficiency: quantity<Fraction>(te * over),
  fanWidth: quantity<Length>(width * fit),
  overlap: quantity<Fraction>(overlap),
});

const inputsOf = ({ flow, transfer, fanWidth, overlap, place = PLAIN }: PassInputs) => ({
  flow,
  te: transfer,
  width: fanWidth,
  overlap: chosen('Overlap', 'percent', overlap, 'Chosen here'),
  ...place,
});

/** Mean wet film a field of passes lays at a gun speed, as an answer. */
export function filmAtSpeed(
  pass: PassInputs,
  speed: Speed,
  system: UnitSystem = 'metric',
): Result<Explained> {
  const failed =
    checkPass(pass, system) ??
    firstRefusal(within(speed, { min: 0.02, max: 5 }, 'speed', system, 'speed', 'Gun speed'));
  if (failed) return failed;
  return accept(
    explain(
      'film of a pass',
      'wetFilm',
      { ...inputsOf(pass), speed: chosen('Gun speed', 'speed', speed, 'Chosen here') },
      (v) => filmOfLaid(v.texture, wetFilmOfPass(passOf(v), quantity(v.speed)), v.soaks),
    ),
  );
}

/** Gun speed that lays a wet film, as an answer. */
export function speedForFilm(
  pass: PassInputs,
  wet: Length,
  system: UnitSystem = 'metric',
): Result<Explained> {
  const failed =
    checkPass(pass, system) ?? firstRefusal(within(wet, FILM, 'wetFilm', system, 'wet', 'Wet film'));
  if (failed) return failed;
  return accept(gunSpeedFor(pass, chosen('Wet film', 'wetFilm', wet, 'Aimed at')));
}

/** Gun speed that lays a wet film, of what is checked already. */
export function gunSpeedFor(pass: PassInputs, wet: Input): Explained {
  return explain('gun speed', 'speed', { ...inputsOf(pass), wet }, (v) =>
    gunSpeedForFilm(passOf(v), quantity(laidPerArea(v.texture, v.wet, v.soaks))),
  );
}
