import type { UnitSystem } from '@fine-spray/core/units';
import { inUnit, unitOf } from '@fine-spray/core/units';
import { entriesOfKind, isoTimeOf, meanOf, thinnerAfter, type Entry } from '../entry';
import { guarded, writeCsv } from '../formats/csv';
import type { JournalDay } from './journal';
import type { LogNames } from '../entry';

/**
 * A journal as CSV (RFC 4180), a line for each entry, oldest first; ids so that it can be traced, and beside the words what was
 * written as it is stored.
 */
export function writeJournal(days: readonly JournalDay[]): string {
  return writeCsv(
    ['Day', 'Time', 'Kind', 'Place', 'What', 'Who', 'Replaced by', 'Id', 'Replaces', 'Values (SI, JSON)'],
    [...days]
      .reverse()
      .flatMap(({ day, lines }) =>
        lines.map(({ clock, kind, place, words, entry, replacedBy }) => [
          day,
          clock,
          kind,
          guarded(place),
          guarded(words),
          guarded(entry.author),
          replacedBy?.id ?? '',
          entry.id,
          entry.replaces ?? '',
          JSON.stringify(entry.payload),
        ]),
      ),
  );
}

/** Free of what a change of units leaves in the last places of a number, and rounded no further. */
const exact = (value: number) => String(Number(value.toPrecision(9)));

/** Viscosity records as a sheet: before, what was added, after; thinner per paint as it was in the container then. */
export function writeViscositySheet(entries: readonly Entry[], names: LogNames, system: UnitSystem): string {
  const degrees = unitOf('temperature', system);
  return writeCsv(
    [
      'Time',
      'Who',
      'Coating',
      'Batch',
      'Shift',
      'Cup',
      `Paint (${degrees})`,
      'Before (s)',
      'Wanted (s)',
      `Container (${unitOf('volume', system)})`,
      'Thinner before (%)',
      'Added (mL)',
      'What',
      'After (s)',
      'Thinner after (%)',
    ],
    entriesOfKind(entries, 'viscosity').map(({ entry, payload }) => [
      isoTimeOf(entry),
      guarded(entry.author),
      guarded(names.coating(payload.coatingId) ?? ''),
      guarded(payload.batch),
      payload.shift,
      payload.cup,
      exact(inUnit(payload.temperature, 'temperature', system)),
      exact(meanOf(payload.before)),
      exact(payload.target),
      exact(inUnit(payload.container, 'volume', system)),
      exact(payload.thinnerBefore * 100),
      exact(payload.added * 1e6),
      guarded(payload.addedWhat),
      payload.after.length > 0 ? exact(meanOf(payload.after)) : '',
      exact(thinnerAfter(payload, payload.added) * 100),
    ]),
  );
}
