import { guarded, writeCsv } from '../formats/csv';
import type { JournalDay } from './journal';

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
