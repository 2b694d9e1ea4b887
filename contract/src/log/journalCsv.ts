import type { UnitSystem } from '@fine-spray/core/units';
import { inUnit, unitOf } from '@fine-spray/core/units';
import { entriesOfKind, isoTimeOf, meanOf, type Entry } from '../entry';
import { guarded, writeCsv } from '../formats/csv';
import type { JournalDay } from './journal';
import type { LogNames } from '../entry';

/** A journal as CSV (RFC 4180), a line for each entry, oldest first; ids so that it can be traced. */
export function writeJournal(days: readonly JournalDay[]): string {
  return writeCsv(
    ['Day', 'Time', 'Kind', 'Place', 'What', 'Who', 'Replaced by', 'Id', 'Replaces'],
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
        ]),
      ),
  );
}

const rounded = (value: number, digits: number) => String(Number(value.toFixed(digits)));

/** Viscosity records as a sheet: before, what was added, after. */
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
      'Added (mL)',
      'What',
      'After (s)',
    ],
    entriesOfKind(entries, 'viscosity').map(({ entry, payload }) => [
      isoTimeOf(entry),
      guarded(entry.author),
      guarded(names.coating(payload.coatingId) ?? ''),
      guarded(payload.batch),
      payload.shift,
      payload.cup,
      rounded(inUnit(payload.temperature, 'temperature', system), 1),
      rounded(meanOf(payload.before), 1),
      rounded(payload.target, 1),
      rounded(payload.added * 1e6, 0),
      guarded(payload.addedWhat),
      payload.after.length > 0 ? rounded(meanOf(payload.after), 1) : '',
    ]),
  );
}
