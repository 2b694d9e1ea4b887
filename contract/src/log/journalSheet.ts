import { titled, type Sheet } from '../formats/sheet';
import type { JournalDay } from './journal';

/**
 * A journal as a table, a line for each entry, oldest first; ids so that it can be traced, and beside the words what was
 * written as it is stored.
 */
export function journalSheet(days: readonly JournalDay[]): Sheet {
  return {
    title: 'Site log',
    columns: [
      { title: 'Day', as: 'day' },
      { title: 'Time', as: 'time' },
      ...titled('Kind', 'Place', 'What', 'Who', 'Replaced by', 'Id', 'Replaces', 'Values (SI, JSON)'),
    ],
    rows: [...days]
      .reverse()
      .flatMap(({ day, lines }) =>
        lines.map(({ clock, kind, place, words, entry, replacedBy }) => [
          ...[day, clock, kind, place, words, entry.author, replacedBy?.id ?? null, entry.id],
          ...[entry.replaces ?? null, JSON.stringify(entry.payload)],
        ]),
      ),
  };
}
