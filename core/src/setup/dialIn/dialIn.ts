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
}

/** What the crew answers: what the card showed, or that a move was made, or cannot be made here. */
export type DialInEvent =
  { readonly kind: 'saw'; readonly seen: Seen } | { readonly kind: 'did' } | { readonly kind: 'cannot' };

interface Sweep {
  readonly pressure: Pressure;
  /** Highest pressure that showed tails, lowest that was even, lowest that fogged, in this sweep. */
  readonly tails?: Pressure;
  readonly even?: Pressure;
  readonly fog?: Pressure;
}

export type DialInState = {
  readonly sweep: Sweep;
  readonly tried: readonly Move[];
  readonly cards: number;
} & (
  | { readonly phase: 'spray' }
  | {
      readonly phase: 'move';
      readonly symptom: Exclude<Seen, 'even'>;
      readonly move: Move;
      readonly words: string;
    }
  | { readonly phase: 'even'; readonly pressure: Explained }
  | { readonly phase: 'stuck'; readonly symptom: Exclude<Seen, 'even'>; readonly words: string }
);

/** Steps a hand can set: 5 bar, or 50 psi. */
export function handStep(system: UnitSystem): Pressure {
  return system === 'metric' ? of(5, 'bar') : of(50, 'psi');
}

/** Rounds a range to what a hand can set: start and floor up, the stop down. */
export function handRange(start: number, floor: number, stop: number, system: UnitSystem): DialInRange {
  const step = handStep(system);
  const up = (value: number) => quantity<Pressure>(Math.ceil(value / step - 1e-9) * step);
  const last = quantity<Pressure>(Math.floor(stop / step + 1e-9) * step);
  const within = (value: Pressure) => (value > last ? last : value);
  return { start: within(up(start)), floor: within(up(floor)), stop: last, step };
}

/** Begins a dial-in at the lowest pressure to try. Refuses a range that is none. */
export function startDialIn({ range }: DialInSetup, system: UnitSystem = 'metric'): Result<DialInState> {
  const bounds = { min: of(5, 'bar'), max: of(600, 'bar') };
  const failed = firstRefusal(
    within(range.start, bounds, 'pressure', system, 'start', 'Pressure to start at'),
    within(range.floor, bounds, 'pressure', system, 'floor', 'Lowest pressure'),
    within(range.stop, bounds, 'pressure', system, 'stop', 'Highest pressure'),
    within(range.step, { min: of(0.5, 'bar'), max: of(50, 'bar') }, 'pressure', system, 'step', 'Step'),
  );
  if (failed) return failed;
  if (!(range.floor <= range.start && range.start <= range.stop)) {
    return refuse(
      'dial.range',
      'stop',
      'The highest pressure is below the one to start at. This tip and hose do not go together.',
    );
  }
  return accept({ phase: 'spray', sweep: { pressure: range.start }, tried: [], cards: 0 });
}

/** Half a hair, so that steps compare as equal after sums. */
const HAIR = 1;

/** Whether a pressure is worth a card: inside the range, above what showed tails, below what fogged. */
function open(pressure: number, { tails, fog }: Sweep, { floor, stop }: DialInRange): boolean {
  return (
    pressure >= floor - HAIR &&
    pressure <= stop + HAIR &&
    (tails === undefined || pressure > tails + HAIR) &&
    (fog === undefined || pressure < fog - HAIR)
  );
}

function found(state: DialInState, pressure: Pressure, { step }: DialInRange): DialInState {
  const { sweep, tried, cards } = state;
  return {
    phase: 'even',
    sweep,
    tried,
    cards,
    pressure: {
      value: pressure,
      low: pressure - step,
      high: pressure,
      kind: 'pressure',
      formula: 'dialled-in pressure',
      inputs: [given('Test cards sprayed', 'count', cards, 'This dial-in')],
      basis: 'measured',
    },
  };
}

const STUCK =
  'Nothing left to try here. Take another tip family or coating, or ask whoever services the sprayer.';

/** The next move for a symptom that has not been tried, or the end of what can be tried. */
function moveOn(state: DialInState, symptom: Exclude<Seen, 'even'>, setup: DialInSetup): DialInState {
  const { sweep, tried, cards } = state;
  const move = movesFor(symptom, setup).find((one) => !tried.includes(one));
  if (move === undefined) return { phase: 'stuck', sweep, tried, cards, symptom, words: STUCK };
  return { phase: 'move', sweep, tried, cards, symptom, move, words: MOVES[move].words };
}

function at(state: DialInState, sweep: Sweep, pressure: number): DialInState {
  const { tried, cards } = state;
  return { phase: 'spray', sweep: { ...sweep, pressure: quantity(pressure) }, tried, cards };
}

/** What a card says at the pressure it was sprayed at. */
function saw(before: DialInState, seen: Seen, setup: DialInSetup): DialInState {
  const { range } = setup;
  const state: DialInState = { ...before, cards: before.cards + 1 };
  const { pressure } = state.sweep;
  if (seen === 'even') {
    const sweep: Sweep = { ...state.sweep, even: pressure };
    const lower = pressure - range.step;
    return open(lower, sweep, range) ? at(state, sweep, lower) : found({ ...state, sweep }, pressure, range);
  }
  const { even } = state.sweep;
  // An even fan was seen a step above or below: whatever shows here, that is the answer.
  if (even !== undefined && seen !== 'fog') return found(state, even, range);
  if (seen === 'tails' || seen === 'heavy edges') {
    const sweep: Sweep = { ...state.sweep, tails: pressure };
    const higher = pressure + range.step;
    return open(higher, sweep, range) ? at(state, sweep, higher) : moveOn({ ...state, sweep }, seen, setup);
  }
  if (seen === 'fog') {
    const sweep: Sweep = { ...state.sweep, fog: pressure };
    const lower = pressure - range.step;
    if (open(lower, sweep, range)) return at(state, sweep, lower);
    return even === undefined
      ? moveOn({ ...state, sweep }, seen, setup)
      : found({ ...state, sweep }, even, range);
  }
  return moveOn(state, seen, setup);
}

/**
 * The next state of a dial-in. Never loops: each card narrows the pressures still open, and each move is made once.
 * An event that does not belong to the phase leaves the state as it is.
 */
export function nextDialIn(state: DialInState, event: DialInEvent, setup: DialInSetup): DialInState {
  if (state.phase === 'spray' && event.kind === 'saw') return saw(state, event.seen, setup);
  if (state.phase === 'move' && event.kind !== 'saw') {
    const tried = [...state.tried, state.move];
    if (event.kind === 'cannot') return moveOn({ ...state, tried }, state.symptom, setup);
    // A new tip or another paint starts low again; cleaning sprays the same card again.
    const pressure = MOVES[state.move].fresh ? setup.range.start : state.sweep.pressure;
    return { phase: 'spray', sweep: { pressure }, tried, cards: state.cards };
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
