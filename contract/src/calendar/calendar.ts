import { createEvents, type DateArray, type EventAttributes } from 'ics';

const MINUTE = 60_000;

/** Something that happens at a time, for a calendar. Times in ms since 1970. */
export interface CalendarEvent {
  /** The same however often it is written, so that a file read again moves it. */
  readonly uid: string;
  /** How often it was changed, as far as its source counts that: never less than before. */
  readonly sequence: number;
  readonly title: string;
  readonly description: string;
  readonly location: string;
  /** Where it stands in the application. */
  readonly url: string;
  readonly from: number;
  readonly until: number;
  /** It takes nobody's time. */
  readonly free?: boolean;
  /** When somebody is to be told, and what. */
  readonly alarm?: { readonly at: number; readonly words: string };
}

/** The next whole minute: nothing is said to be open before it is. */
const wholeMinute = (time: number) => Math.ceil(time / MINUTE) * MINUTE;

const dateOf = (time: number): DateArray => {
  const at = new Date(wholeMinute(time));
  return [at.getUTCFullYear(), at.getUTCMonth() + 1, at.getUTCDate(), at.getUTCHours(), at.getUTCMinutes()];
};

/**
 * When an alarm rings, counted from the start of its event so that it moves with it; at the start itself by the clock, since the
 * package writes a duration of nothing as one that no program reads.
 */
function triggerOf(at: number, from: number) {
  const minutes = Math.floor((at - wholeMinute(from)) / MINUTE);
  return minutes === 0 ? wholeMinute(from) : { minutes: Math.abs(minutes), before: minutes < 0 };
}

function attributesOf(event: CalendarEvent, name: string, now: number): EventAttributes {
  const { alarm, free } = event;
  const attributes = {
    uid: `${event.uid}@fine-spray`,
    sequence: event.sequence,
    title: event.title,
    description: event.description,
    url: event.url,
    ...(event.location === '' ? {} : { location: event.location }),
    start: dateOf(event.from),
    startInputType: 'utc',
    startOutputType: 'utc',
    end: dateOf(event.until),
    endInputType: 'utc',
    endOutputType: 'utc',
    created: dateOf(now),
    lastModified: dateOf(now),
    // The package takes a stamp and its types do not say so; without one it reads the clock.
    timestamp: dateOf(now),
    productId: 'fine-spray',
    calName: name,
    ...(free ? { busyStatus: 'FREE' } : {}),
    ...(alarm
      ? {
          alarms: [
            {
              action: 'display',
              description: alarm.words,
              trigger: triggerOf(alarm.at, event.from),
            },
          ],
        }
      : {}),
  } as const;
  return attributes as unknown as EventAttributes;
}

/** A calendar without anything in it: the package has none (RFC 5545, 3.4 and 3.6, would have one component at least). */
const empty = (name: string) =>
  [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'CALSCALE:GREGORIAN',
    'PRODID:fine-spray',
    'METHOD:PUBLISH',
    `X-WR-CALNAME:${name}`,
  ]
    .concat('END:VCALENDAR', '')
    .join('\r\n');

/**
 * Events as a calendar (RFC 5545), in UTC.
 * @param name what the calendar is called
 * @param now when it is written, ms since 1970
 * @throws Error where the package refuses an event
 */
export function writeCalendar(name: string, events: readonly CalendarEvent[], now: number): string {
  if (events.length === 0) return empty(name);
  const { error, value } = createEvents(events.map((event) => attributesOf(event, name, now)));
  if (typeof value !== 'string') throw error ?? new Error('no calendar');
  return value;
}
