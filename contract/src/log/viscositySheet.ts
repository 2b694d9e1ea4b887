import { UTCDateMini } from '@date-fns/utc/date/mini';
import { inUnit, unitOf, type UnitSystem } from '@fine-spray/core/units';
import { format } from 'date-fns/format';
import {
  entriesOfKind,
  meanOf,
  thinnerAfter,
  timeOf,
  type Entry,
  type LogNames,
  type PayloadOf,
} from '../entry';
import { titled, type Sheet } from '../formats/sheet';
import type { JournalOptions } from './journal';

const MINUTE = 60_000;

/** A check of the paint as people keep it on paper, in their order. */
export interface ViscosityLine {
  readonly coating: string;
  /** Initials of who checked; empty where an old entry does not say. */
  readonly who: string;
  /** "2026-11-25" and "14:05", where it happened. */
  readonly date: string;
  readonly time: string;
  /** Mean cup times, s; after: nothing where it was not measured again. */
  readonly before: number;
  readonly after: number | undefined;
  /** Thinner per paint after what was added. */
  readonly thinnerAfter: number;
  readonly payload: PayloadOf<'viscosity'>;
}

/** The checks of the paint that hold, coating by coating, each oldest first. */
export function viscosityLines(
  entries: readonly Entry[],
  names: Pick<LogNames, 'coating'>,
  offsetAt: JournalOptions['offsetAt'],
): readonly ViscosityLine[] {
  return entriesOfKind(entries, 'viscosity')
    .map(({ entry, payload }): ViscosityLine => {
      const at = timeOf(entry);
      const local = new UTCDateMini(at + offsetAt(at) * MINUTE);
      return {
        coating: names.coating(payload.coatingId) ?? 'A coating that was deleted',
        who: entry.author,
        date: format(local, 'yyyy-MM-dd'),
        time: format(local, 'HH:mm'),
        before: meanOf(payload.before),
        after: payload.after.length > 0 ? meanOf(payload.after) : undefined,
        thinnerAfter: thinnerAfter(payload, payload.added),
        payload,
      };
    })
    .sort((a, b) => a.coating.localeCompare(b.coating));
}

/** Free of what a change of units leaves in the last places of a number, and rounded no further. */
const exact = (value: number) => Number(value.toPrecision(9));

/** The same as a table. */
export function viscositySheet(lines: readonly ViscosityLine[], system: UnitSystem): Sheet {
  return {
    title: 'Viscosity',
    columns: [
      ...titled('Coating', 'Batch', 'New container', 'Shift', 'Who'),
      { title: 'Date', as: 'day' },
      { title: 'Time', as: 'time' },
      ...titled(`Paint (${unitOf('temperature', system)})`, 'Cup', 'Before (s)', 'Wanted (s)'),
      ...titled(`Container (${unitOf('volume', system)})`, 'Thinner before (%)', 'Added (mL)', 'What'),
      ...titled('After (s)', 'Thinner after (%)'),
    ],
    rows: lines.map(({ coating, who, date, time, before, after, thinnerAfter: mixed, payload }) => [
      coating,
      payload.batch,
      payload.newContainer ? 'yes' : 'no',
      payload.shift,
      who,
      date,
      time,
      exact(inUnit(payload.temperature, 'temperature', system)),
      payload.cup,
      exact(before),
      exact(payload.target),
      exact(inUnit(payload.container, 'volume', system)),
      exact(payload.thinnerBefore * 100),
      exact(payload.added * 1e6),
      payload.addedWhat,
      after === undefined ? null : exact(after),
      exact(mixed * 100),
    ]),
  };
}
