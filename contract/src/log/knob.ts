import {
  knobCurve,
  knobReading,
  type KnobCurve,
  type KnobPlace,
  type KnobReading,
} from '@fine-spray/core/line';
import { entriesInForce, payloadOf, type Entry, type KnobAt } from '../entry';
import type { Sprayer } from '../kit';

/** One reading of a knob, and the entry it is from. */
export interface WrittenReading extends KnobReading {
  readonly entry: Entry;
}

/** What is known of the knob of a sprayer. */
export interface KnobKnown {
  /** Oldest first; those at marks that are called otherwise now are left out. */
  readonly readings: readonly WrittenReading[];
  readonly curve: KnobCurve | undefined;
  /** Readings at marks the knob has not any more. */
  readonly otherMarks: number;
}

/** Which place of a knob was written down; nothing where its marks are called otherwise now. */
export function placeOf({ mark, next }: KnobAt, marks: readonly string[]): KnobPlace | undefined {
  const at = marks.indexOf(mark);
  if (at < 0) return undefined;
  if (next === null) return at;
  return marks[at + 1] === next ? at + 0.5 : undefined;
}

/** A place of a knob as it is written down. */
export function knobAtPlace(place: KnobPlace, marks: readonly string[]): KnobAt {
  const [mark = '', next = null] = [marks[Math.floor(place)], marks[Math.ceil(place)]];
  return { mark, next: Number.isInteger(place) ? null : next };
}

/** What the log says of the knob of a sprayer: readings, and dial-ins whose pressure was read or follows from their cards. */
export function knobOf(
  entries: readonly Entry[],
  { id, knobMarks }: Pick<Sprayer, 'id' | 'knobMarks'>,
): KnobKnown {
  const readings: WrittenReading[] = [];
  let otherMarks = 0;
  const take = (entry: Entry, at: KnobAt, pump: number, by: KnobReading['by']) => {
    const place = placeOf(at, knobMarks);
    if (place === undefined) otherMarks += 1;
    else readings.push({ ...knobReading(place, pump, by), entry });
  };
  for (const entry of entriesInForce(entries)) {
    if (entry.kind === 'knob') {
      const { sprayerId, at, pump, by } = payloadOf({ ...entry, kind: 'knob' });
      if (sprayerId === id) take(entry, at, pump, by);
    } else if (entry.kind === 'set-up confirmed') {
      const { sprayerId, knob, pump, setBy, sure } = payloadOf({ ...entry, kind: 'set-up confirmed' });
      // A place that was found by what is known of the knob teaches nothing new of it.
      if (sprayerId !== id || knob === null || !sure || setBy === 'marks') continue;
      take(entry, knob, pump, setBy === 'guess' ? 'dial-in' : setBy);
    }
  }
  return { readings, curve: knobCurve(readings), otherMarks };
}
