import { readRecord, recoatClocks, type LogEntry } from '@fine-spray/core/record';
import { of } from '@fine-spray/core/units';
import { windowEvents, writeCalendar } from '.';

const at = Date.parse('2026-11-25T08:00:00Z');
const finished = (coating: string, celsius: number): LogEntry => ({
  id: `entry-${coating}`,
  at,
  author: 'WR',
  kind: 'coat finished',
  surface: coating,
  coating,
  coat: 1,
  element: 'wall',
  side: 'inside',
  wind: 'calm',
  trueArea: 20,
  temperature: of(celsius, '°C'),
  humidity: of(50, '%'),
});
const coatings = {
  matt: { name: 'Matt', archetype: 'wall-matt', overrides: {} },
  primer: { name: 'Primer', archetype: 'exterior-wood-primer', overrides: {} },
} as const;
const ADDRESS = 'https://paint.example/log/clocks?job=1';
const calendarOf = (log: readonly LogEntry[], wantsMore = true, now = at) =>
  writeCalendar(
    'Tern: recoat windows',
    windowEvents(
      recoatClocks(readRecord(log), coatings, now),
      ({ coating }) => ({
        surface: 'Hall; north, wall',
        coating,
        location: 'Hall, Lakeside 4',
        url: ADDRESS,
        written: 3,
        wantsMore,
      }),
      now,
    ),
    now,
  );

/** Lines of a calendar with folded ones put together again (RFC 5545, 3.1). */
const linesOf = (text: string) => text.replace(/\r\n[ \t]/g, '').split('\r\n');

describe('the calendar of windows', () => {
  it('has a recoat and a masking event for each coat, in UTC, under an id that stays the same', () => {
    const lines = linesOf(calendarOf([finished('matt', 23)]));
    expect(lines.slice(0, 2)).toEqual(['BEGIN:VCALENDAR', 'VERSION:2.0']);
    expect(lines.filter((line) => line === 'BEGIN:VEVENT')).toHaveLength(2);
    // 4 h · (1 + 0.3·√2) after 8:00 is 13:42
    expect(lines).toContain('DTSTART:20261125T134200Z');
    expect(lines).toContain('UID:entry-matt-recoat@fine-spray');
    expect(lines).toContain('DTSTAMP:20261125T080000Z');
    expect(calendarOf([finished('matt', 23)])).toBe(calendarOf([finished('matt', 23)]));
  });

  it('has no recoat where all coats are on', () => {
    const lines = linesOf(calendarOf([finished('matt', 23)], false));
    expect(lines.filter((line) => line.startsWith('UID:'))).toEqual(['UID:entry-matt-mask@fine-spray']);
  });

  it('ends the window of a coating that closes, and escapes what a calendar would read as its own', () => {
    const lines = linesOf(calendarOf([finished('primer', 20)]));
    // From 7 days on it may be closed
    expect(lines).toContain('DTEND:20261202T080000Z');
    expect(lines.some((line) => line.startsWith('SUMMARY:Hall\\; north\\, wall'))).toBe(true);
  });

  it('keeps its lines to 75 octets, and leaves out what has no honest time', () => {
    const text = calendarOf([finished('matt', 23), finished('primer', 2)]);
    expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true);
    expect(text).not.toContain('entry-primer');
  });

  it('says where it is, where it stands in the application and how often it was changed', () => {
    const lines = linesOf(calendarOf([finished('matt', 23)]));
    expect(lines.filter((line) => line === 'LOCATION:Hall\\, Lakeside 4')).toHaveLength(2);
    expect(lines.filter((line) => line === `URL:${ADDRESS}`)).toHaveLength(2);
    expect(lines.filter((line) => line === 'SEQUENCE:3')).toHaveLength(2);
  });

  it('tells an hour before a window may close, and nothing where it does not', () => {
    const lines = linesOf(calendarOf([finished('primer', 20)]));
    const start = lines.find((line) => line.startsWith('DTSTART'));
    const trigger = /^TRIGGER:PT(\d+)M$/.exec(lines.find((line) => line.startsWith('TRIGGER')) ?? '')?.[1];
    const from = Date.parse(
      (start ?? '').replace(/^DTSTART:(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d)Z$/, '$1-$2-$3T$4:$5:$6Z'),
    );
    expect(new Date(from + Number(trigger) * 60_000).toISOString()).toBe('2026-12-02T07:00:00.000Z');
    expect(calendarOf([finished('matt', 23)])).not.toContain('VALARM');
  });

  it('leaves out windows that are over, and is a calendar still when none is left', () => {
    const later = at + 400 * 24 * 3600_000;
    expect(linesOf(calendarOf([finished('matt', 23), finished('primer', 20)], true, later))).toEqual([
      'BEGIN:VCALENDAR',
      'VERSION:2.0',
      'CALSCALE:GREGORIAN',
      'PRODID:fine-spray',
      'METHOD:PUBLISH',
      'X-WR-CALNAME:Tern: recoat windows',
      'END:VCALENDAR',
      '',
    ]);
  });
});
