import { entriesOfKind, type Company, type DayPaperOptions, type Entry } from '@fine-spray/contract';
import { journal, logNames, weatherWords, type JournalDay, type NamedRows } from '@fine-spray/contract/log';
import { offsetIn } from '@fine-spray/contract/zone';
import { EMERGENCY_CARDS } from '@fine-spray/core/emergency';
import { writeCompany } from './head';
import { counted } from '@fine-spray/core/units';
import type { Paper } from './page';

/** The rows a day of the log is printed from. */
export interface LogRows extends NamedRows {
  readonly company: Company;
  readonly entries: readonly Entry[];
  /** Files of the pictures that are printed, by their ids; of those that did not come yet there is none. */
  readonly pictures: Readonly<Record<string, Uint8Array>>;
  /** Pictures of the day beyond what one sheet holds. */
  readonly morePictures: number;
}

/** Pictures on the sheet of a day at most: six pages of them. */
export const PICTURES_ON_PAPER = 24;

/** Pictures of some entries, those that hold. */
export const pictureEntries = (entries: readonly Entry[]) => entriesOfKind(entries, 'picture');

/** A day of the log on paper: weather, who, and what happened in its order; trouble stands out, what was replaced is said to be. */
export function writeLogDay(
  paper: Paper,
  rows: LogRows,
  { units, zone, date }: DayPaperOptions & { readonly date: string },
): void {
  const { company, entries } = rows;
  const names = logNames(rows);
  const days = journal(entries, { names, system: units, offsetAt: offsetIn(zone) });
  const day = days.find((one) => one.day === date);
  writeCompany(paper, company);
  paper.title(`Site log, ${date}`);
  paper.space(8);
  if (!day) {
    paper.text('Nothing was written down on this day.');
    return;
  }
  if (day.authors.length > 0) paper.text(`Written by ${day.authors.join(', ')}.`);
  const incidents = day.lines.filter(({ entry }) => entry.kind === 'incident');
  if (incidents.length > 0) {
    paper.frame([
      'Near misses and incidents',
      ...incidents.map(({ clock, place, words }) => `${clock} ${place}. ${words}`),
      `${EMERGENCY_CARDS.skin.name}: ${EMERGENCY_CARDS.skin.lead}`,
    ]);
  }
  if (day.weather.length > 0) {
    paper.heading('Weather as it was written down');
    for (const one of day.weather) paper.text(weatherWords(one, units));
  }
  paper.heading('What happened');
  paper.table(
    [
      { title: 'Time', share: 1 },
      { title: 'Who', share: 1 },
      { title: 'What', share: 2.2 },
      { title: 'Where', share: 2.6 },
      { title: '', share: 5 },
    ],
    day.lines.map(({ clock, entry, kind, place, words, trouble, replacedBy, skew }) => [
      clock,
      entry.author,
      trouble ? `! ${kind}` : kind,
      place,
      [replacedBy ? `(replaced) ${words}` : words, skew].filter(Boolean).join(' '),
    ]),
  );
  writePictures(paper, rows, day);
}

/** The pictures of a day, each with when, who, what it shows and where. */
function writePictures(
  paper: Paper,
  { pictures, morePictures, entries }: LogRows,
  { lines }: JournalDay,
): void {
  const files = new Map(pictureEntries(entries).map(({ entry, payload }) => [entry.id, payload.pictureId]));
  const shown = lines.flatMap(({ entry, clock, words, place }) => {
    const file = pictures[files.get(entry.id) ?? ''];
    return file
      ? [{ file, words: [`${clock} ${entry.author}`.trim(), words, place].filter(Boolean).join(', ') }]
      : [];
  });
  const missing = files.size - morePictures - shown.length;
  if (files.size === 0) return;
  paper.heading('Pictures');
  paper.pictures(shown);
  if (missing > 0)
    paper.text(
      `${counted(missing, 'picture')} of this day ${missing === 1 ? 'is' : 'are'} still on the device that took ${missing === 1 ? 'it' : 'them'}.`,
    );
  if (morePictures > 0) paper.text(`${counted(morePictures, 'more picture')} in the log.`);
}
