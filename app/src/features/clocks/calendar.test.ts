import { readRecord, recoatClocks, of, type LogEntry } from '@fine-spray/core';
import { writeCalendar } from './calendar';

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
const calendarOf = (log: readonly LogEntry[], wantsMore = true) =>
  writeCalendar(
    recoatClocks(readRecord(log), coatings, at),
    ({ coating }) => ({ surface: 'Hall; north, wall', coating }),
    at,
    () => wantsMore,
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
});
