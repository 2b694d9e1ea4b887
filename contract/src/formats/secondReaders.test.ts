import { parse } from 'csv-parse/sync';
import fc from 'fast-check';
import ICAL from 'ical.js';
import { writeCalendar, type CalendarEvent } from '../calendar';
import { jobFile, kitFile } from '..';
import { demoFile } from '../testing/demo';
import { CSV_STYLES, csvOf, takeoffSheet, type Cell, type Sheet } from '.';

/** A table as a program of others reads it. */
const read = (text: string, delimiter: string): string[][] =>
  parse(text, { bom: true, delimiter, relaxColumnCount: false });

/** What a cell says, whichever way its number is written. */
const said = (cell: Cell, decimal: string): string =>
  typeof cell === 'number' ? String(cell).replace('.', decimal) : (cell ?? '');

describe('CSV, by a second parser', () => {
  const kit = kitFile.parse(demoFile('millrace.kit.json'));

  it.each(['tern-boathouse', 'kiln-house', 'orchard-row-3'])(
    'the take-off of %s is the table it was',
    (name) => {
      const { surfaces } = jobFile.parse(demoFile(`${name}.job.json`));
      const sheet = takeoffSheet(surfaces, kit.coatings);
      for (const style of Object.values(CSV_STYLES)) {
        const [head, ...rows] = read(csvOf(sheet, style), style.separator);
        expect(head).toEqual(sheet.columns.map(({ title }) => title));
        expect(rows).toHaveLength(sheet.rows.length);
        rows.forEach((row, index) =>
          expect(row.map((cell) => cell.replace(/^'(?=[=+\-@])/, ''))).toEqual(
            sheet.rows[index]?.map((cell) => said(cell, style.decimal)),
          ),
        );
      }
    },
  );

  it('whatever stands in a cell comes back: separators, quotes, breaks of lines, other scripts', () => {
    const cell = fc.oneof(
      fc.string({ unit: 'grapheme', maxLength: 12 }),
      fc.constantFrom('a;b', 'a,b', 'say “"no"”', 'one\ntwo', ' edge ', 'Дом', '²°×'),
      fc.double({ noNaN: true, noDefaultInfinity: true, min: -1e9, max: 1e9 }),
      fc.constant(null),
    );
    fc.assert(
      fc.property(
        fc.array(fc.tuple(cell, cell, cell), { minLength: 1, maxLength: 8 }),
        fc.constantFrom(...Object.values(CSV_STYLES)),
        (rows, style) => {
          const sheet: Sheet = {
            title: 'T',
            columns: [{ title: 'a' }, { title: 'b' }, { title: 'c' }],
            rows,
          };
          const [, ...back] = read(csvOf(sheet, style), style.separator);
          expect(back.length).toBe(rows.length);
          back.forEach((row, at) =>
            row.forEach((text, column) => {
              const was = rows[at]?.[column] ?? null;
              if (typeof was === 'number') expect(Number(text.replace(',', '.'))).toBeCloseTo(was, 6);
              else expect(text.replace(/^'/, '')).toBe((was ?? '').replace(/^'/, ''));
            }),
          );
        },
      ),
    );
  });
});

describe('iCalendar, by a second parser', () => {
  const now = Date.parse('2026-11-25T08:00:00Z');
  const MINUTE = 60_000;
  const line = fc
    .array(
      fc.constantFrom('Hall', 'a, b; c', 'say: "no"', 'back\\slash', 'Дом', 'α · β', '12 m²', 'x'.repeat(70)),
      {
        minLength: 1,
        maxLength: 4,
      },
    )
    .map((words) => words.join(' '));
  const minutes = (least: number, most: number) =>
    fc.integer({ min: least, max: most }).map((count) => now + count * MINUTE);
  const event: fc.Arbitrary<CalendarEvent> = fc.record({
    uid: fc.uuid(),
    sequence: fc.nat(1000),
    title: line,
    description: fc.tuple(line, line).map((lines) => lines.join('\n')),
    location: line,
    url: fc.uuid().map((id) => `https://paint.example/jobs/${id}`),
    from: minutes(0, 100_000),
    until: minutes(100_001, 200_000),
    free: fc.boolean(),
  });

  it('every event comes back with its words, its times, its place and its address', () => {
    fc.assert(
      fc.property(fc.array(event, { maxLength: 6 }), (events) => {
        const calendar = ICAL.Component.fromString(writeCalendar('A name; with, signs', events, now));
        const found = calendar.getAllSubcomponents('vevent').map((one) => {
          const { uid, sequence, summary, description, location, startDate, endDate } = new ICAL.Event(one);
          return {
            ...{ uid: uid.replace('@fine-spray', ''), sequence, title: summary, description, location },
            url: String(one.getFirstPropertyValue('url')),
            ...{ from: startDate.toJSDate().getTime(), until: endDate.toJSDate().getTime() },
            free: one.getFirstPropertyValue('x-microsoft-cdo-busystatus') === 'FREE',
          };
        });
        expect(found).toEqual(events);
      }),
    );
  });

  it.each([-90, -1, 0, 1, 120])('an alarm %i minutes after the start of its event rings then', (after) => {
    const one = {
      uid: 'a',
      sequence: 0,
      title: 'T',
      description: 'D',
      location: '',
      url: 'https://p.example/',
    };
    const at = { from: now + 180 * MINUTE, until: now + 240 * MINUTE };
    const alarm = { at: at.from + after * MINUTE, words: 'It closes in an hour' };
    const [found] = ICAL.Component.fromString(
      writeCalendar('Windows', [{ ...one, ...at, alarm }], now),
    ).getAllSubcomponents('vevent');
    const bell = found?.getFirstSubcomponent('valarm');
    expect(String(bell?.getFirstPropertyValue('description'))).toBe(alarm.words);
    const trigger = bell?.getFirstPropertyValue('trigger');
    const told =
      trigger instanceof ICAL.Duration
        ? at.from + trigger.toSeconds() * 1000
        : (trigger as ICAL.Time).toJSDate().getTime();
    expect(told).toBe(alarm.at);
  });
});
