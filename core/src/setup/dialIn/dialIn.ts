import type { Explained } from '../../explain';
import { given } from '../../explain';
import {
  accept,
  firstRefusal,
  of,
  quantity,
  refuse,
  within,
  type Pressure,
  type Result,
  type UnitSystem,
} from '../../units';
import { beliefAfter, gridOf, likeliest, placeOf, tellsMost, type Grid } from './belief';
import { MOVES, movesFor, type Move, type MoveContext } from './moves';
import type { Seen } from './pattern';

/** Gun pressures a dial-in works between, and its step: what a hand can set. */
export interface DialInRange {
  readonly start: Pressure;
  readonly floor: Pressure;
  readonly stop: Pressure;
  readonly step: Pressure;
}

export interface DialInSetup extends MoveContext {
  readonly range: DialInRange;
  /** Even-fan pressure expected, with its range. */
  readonly expected: { readonly value: number; readonly low: number; readonly high: number };
}

/** What the crew answers: what the card showed, or that a move was made, or cannot be made here. */
export type DialInEvent =
  { readonly kind: 'saw'; readonly seen: Seen } | { readonly kind: 'did' } | { readonly kind: 'cannot' };

/** A test card and what it showed. */
export interface SprayedCard {
  readonly pressure: Pressure;
  readonly seen: Seen;
}

/** Cards of one tip and paint. */
interface Sweep {
  /** Pressure to spray the next card at, or the last one was sprayed at. */
  readonly pressure: Pressure;
  readonly cards: readonly SprayedCard[];
}

export type DialInState = {
  readonly sweep: Sweep;
  readonly tried: readonly Move[];
  readonly cards: number;
} & (
  | {
      readonly phase: 'spray';
      /** How this pressure lies to the card before; 'again' when that card does not fit the others. */
      readonly step: 'first' | 'higher' | 'lower' | 'again';
    }
  | {
      readonly phase: 'move';
      readonly symptom: Exclude<Seen, 'even'>;
      readonly move: Move;
      readonly words: string;
    }
  | {
      readonly phase: 'even';
      readonly pressure: Explained;
      /** Belief, 0 to 1, that the lowest even pressure lies within a step of it. */
      readonly certainty: number;
      /** Whether the cards agree well enough to rely on it. */
      readonly sure: boolean;
    }
  | { readonly phase: 'stuck'; readonly symptom: Exclude<Seen, 'even'>; readonly words: string }
);

/** Steps a hand can set: 5 bar, or 50 psi. */
export function handStep(system: UnitSystem): Pressure {
  return system === 'metric' ? of(5, 'bar') : of(50, 'psi');
}

/** Rounds a range to what a hand can set: the start as the card says it, the floor up, the stop down. */
export function handRange(start: number, floor: number, stop: number, system: UnitSystem): DialInRange {
  const step = handStep(system);
  const up = (value: number) => quantity<Pressure>(Math.ceil(value / step - 1e-9) * step);
  const first = quantity<Pressure>(Math.round(start / step) * step);
  const last = quantity<Pressure>(Math.floor(stop / step + 1e-9) * step);
  const within = (value: Pressure) => (value > last ? last : value);
  const lowest = up(floor);
  return { start: within(first), floor: within(lowest > first ? first : lowest), stop: last, step };
}

/** Begins a dial-in at the lowest pressure to try. Refuses a range that is none. */
export function startDialIn(
  { range, expected }: DialInSetup,
  system: UnitSystem = 'metric',
): Result<DialInState> {
  const bounds = { min: of(5, 'bar'), max: of(600, 'bar') };
  const failed = firstRefusal(
    within(range.start, bounds, 'pressure', system, 'start', 'Pressure to start at'),
    within(range.floor, bounds, 'pressure', system, 'floor', 'Lowest pressure'),
    within(range.stop, bounds, 'pressure', system, 'stop', 'Highest pressure'),
    within(range.step, { min: of(0.5, 'bar'), max: of(50, 'bar') }, 'pressure', system, 'step', 'Step'),
    within(expected.value, bounds, 'pressure', system, 'expected', 'Expected pressure'),
  );
  if (failed) return failed;
  if (!(expected.low > 0 && expected.low <= expected.value && expected.value <= expected.high)) {
    return refuse(
      'dial.expected',
      'expected',
      'The expected pressure must lie within its own range, and the range above zero.',
    );
  }
  if (!(range.floor <= range.start && range.start <= range.stop)) {
    return refuse(
      'dial.range',
      'stop',
      'The highest pressure is below the one to start at. This tip and hose do not go together.',
    );
  }
  return accept({
    phase: 'spray',
    step: 'first',
    sweep: { pressure: range.start, cards: [] },
    tried: [],
    cards: 0,
  });
}

/** Belief from which the lowest even pressure counts as found; short of it another card is worth its paint. Judgement. */
const FOUND = 0.8;
/** Cards of one tip and paint after which belief ends where it stands. */
const MOST_CARDS = 12;
/** A raise goes no further than so many steps over the highest card: start low, raise until the fan is even. */
const STRIDE = 2;

const STUCK =
  'Nothing left to try here. Take another tip family or coating, or ask whoever services the sprayer.';

/** The next move for a symptom that has not been tried, or the end of what can be tried. */
function moveOn(state: DialInState, symptom: Exclude<Seen, 'even'>, setup: DialInSetup): DialInState {
  const { sweep, tried, cards } = state;
  const move = movesFor(symptom, setup).find((one) => !tried.includes(one));
  if (move === undefined) return { phase: 'stuck', sweep, tried, cards, symptom, words: STUCK };
  return { phase: 'move', sweep, tried, cards, symptom, move, words: MOVES[move].words };
}

function found(
  { sweep, tried, cards }: DialInState,
  pressure: Pressure,
  certainty: number,
  sure: boolean,
  { step }: DialInRange,
): DialInState {
  return {
    phase: 'even',
    sweep,
    tried,
    cards,
    certainty,
    sure,
    pressure: {
      value: pressure,
      low: sure ? pressure - step : pressure - STRIDE * step,
      high: sure ? pressure : pressure + STRIDE * step,
      kind: 'pressure',
      formula: 'dialled-in pressure',
      inputs: [given('Test cards sprayed', 'count', cards, 'This dial-in')],
      basis: 'measured',
    },
  };
}

/** Whether a card showed a fan that pressure has filled out. */
const isFull = (seen: Seen) => seen === 'even' || seen === 'fog';
/** Whether it showed one that wants more. */
const isShort = (seen: Seen) => seen === 'tails' || seen === 'heavy edges';

/** Cards that tell of pressure: the fan was full, or short of it. */
function tellingCards({ cards }: Sweep) {
  return cards
    .filter(({ seen }) => isFull(seen) || isShort(seen))
    .map(({ pressure, seen }) => ({ pressure, full: isFull(seen) }));
}

/** Whether the card at the lower end of a cell was sprayed and short, or there is no lower one. */
function bracketed(grid: Grid, { cards }: Sweep, cell: number): boolean {
  const shown = (place: number, wanted: (seen: Seen) => boolean) =>
    cards.some(({ pressure, seen }) => placeOf(grid, pressure) === place && wanted(seen));
  const last = grid.pressures.length;
  return (cell === last || shown(cell, isFull)) && (cell === 0 || shown(cell - 1, isShort));
}

/** Ends a sweep in the cell believed most: even there, fogging there, or not to be had in this range. */
function endIn(state: DialInState, grid: Grid, cell: number, share: number, setup: DialInSetup): DialInState {
  const pressure = grid.pressures[cell];
  if (pressure === undefined) return moveOn(state, 'tails', setup);
  const here = state.sweep.cards.filter((card) => placeOf(grid, card.pressure) === cell);
  const fogs = here.filter(({ seen }) => seen === 'fog').length;
  const evens = here.filter(({ seen }) => seen === 'even').length;
  if (fogs > evens) return moveOn(state, 'fog', setup);
  const sure = share >= FOUND && bracketed(grid, state.sweep, cell);
  return found(state, pressure, share, sure, setup.range);
}

/** What a card says at the pressure it was sprayed at. */
function saw(before: DialInState, seen: Seen, setup: DialInSetup): DialInState {
  const { pressure } = before.sweep;
  const sweep: Sweep = { pressure, cards: [...before.sweep.cards, { pressure, seen }] };
  const state: DialInState = { ...before, sweep, cards: before.cards + 1 };
  if (!isFull(seen) && !isShort(seen)) return moveOn(state, seen, setup);
  const grid = gridOf(setup.range, setup.expected);
  const belief = beliefAfter(grid, tellingCards(sweep));
  const { cell, share } = likeliest(belief);
  if (sweep.cards.length >= MOST_CARDS || (share >= FOUND && bracketed(grid, sweep, cell))) {
    return endIn(state, grid, cell, share, setup);
  }
  const highest = Math.max(...sweep.cards.map((card) => placeOf(grid, card.pressure)));
  const wanted = share >= FOUND ? unsprayedEnd(grid, sweep, cell) : tellsMost(belief);
  const place = Math.min(wanted, highest + STRIDE, grid.pressures.length - 1);
  const next = grid.pressures[place] ?? pressure;
  const here = placeOf(grid, pressure);
  const step = place === here ? 'again' : place > here ? 'higher' : 'lower';
  const { tried, cards } = state;
  return { phase: 'spray', step, sweep: { ...sweep, pressure: next }, tried, cards };
}

/** The end of a cell that no card has shown yet: above all its even end, then the pressure below it. */
function unsprayedEnd(grid: Grid, sweep: Sweep, cell: number): number {
  const sprayed = sweep.cards.some(({ pressure, seen }) => placeOf(grid, pressure) === cell && isFull(seen));
  return sprayed || cell >= grid.pressures.length ? cell - 1 : cell;
}

/**
 * The next state of a dial-in. Always ends: a sweep has so many cards at most, and each move is made once.
 * An event that does not belong to the phase leaves the state as it is.
 */
export function nextDialIn(state: DialInState, event: DialInEvent, setup: DialInSetup): DialInState {
  if (state.phase === 'spray' && event.kind === 'saw') return saw(state, event.seen, setup);
  if (state.phase === 'move' && event.kind !== 'saw') {
    const tried = [...state.tried, state.move];
    if (event.kind === 'cannot') return moveOn({ ...state, tried }, state.symptom, setup);
    // A new tip or another paint starts low again; cleaning sprays the same card again.
    const { fresh } = MOVES[state.move];
    const pressure = fresh ? setup.range.start : state.sweep.pressure;
    // Cards of a fan that wanted more or less than pressure tell nothing once that is mended; a fault of the tip
    // spoils the last card alone.
    const ofPressure = isFull(state.symptom) || isShort(state.symptom);
    const kept = fresh || ofPressure ? [] : state.sweep.cards.slice(0, -1);
    const step = fresh ? 'first' : 'again';
    return { phase: 'spray', step, sweep: { pressure, cards: kept }, tried, cards: state.cards };
  }
  return state;
}

/** Folds answers into a state: drop the last one and fold again to take it back. */
export function dialIn(
  setup: DialInSetup,
  events: readonly DialInEvent[],
  system: UnitSystem = 'metric',
): Result<DialInState> {
  const started = startDialIn(setup, system);
  if (!started.ok) return started;
  return accept(events.reduce((state, event) => nextDialIn(state, event, setup), started.value));
}
