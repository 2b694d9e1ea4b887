import type { RecoatClock } from '@fine-spray/core';
import { createEvents, type DateArray, type EventAttributes } from 'ics';

const MINUTE = 60_000;

/** To the next whole minute: a window must not open early. */
const dateOf = (time: number): DateArray => {
  const at = new Date(Math.ceil(time / MINUTE) * MINUTE);
  return [at.getUTCFullYear(), at.getUTCMonth() + 1, at.getUTCDate(), at.getUTCHours(), at.getUTCMinutes()];
};

export interface WindowName {
  readonly surface: string;
  readonly coating: string;
}

/** The package takes a stamp and its types do not say so; without one it reads the clock. */
const stamped = (event: EventAttributes, now: number): EventAttributes => {
  const withStamp = { ...event, timestamp: dateOf(now) };
  return withStamp;
};

/** Shortest a window is drawn where it never closes, ms: long enough to be seen in a day. */
const OPEN_END = 3600_000;

/**
 * The windows of some coats as a calendar (RFC 5545): may recoat, where another coat is to come, and may mask over.
 * @param wantsMore whether a surface has a coat to come
 */
export function writeCalendar(
  clocks: readonly RecoatClock[],
  nameOf: (clock: RecoatClock) => WindowName,
  now: number,
  wantsMore: (surface: string) => boolean,
): string {
  const events = clocks.flatMap((clock): EventAttributes[] => {
    const { moments, entry, coat } = clock;
    if (!moments) return [];
    const { surface, coating } = nameOf(clock);
    const event = (
      kind: string,
      title: string,
      from: number,
      until: number,
      description: string,
    ): EventAttributes => ({
      uid: `${entry}-${kind}@fine-spray`,
      title: `${surface}: ${title}`,
      description,
      start: dateOf(from),
      startInputType: 'utc',
      startOutputType: 'utc',
      end: dateOf(Math.max(until, from + OPEN_END)),
      endInputType: 'utc',
      endOutputType: 'utc',
      created: dateOf(now),
      lastModified: dateOf(now),
      productId: 'fine-spray',
      calName: 'Fine Spray: recoat windows',
      busyStatus: 'FREE',
    });
    const band =
      'By the weather written down with it, give or take a third. Try it with a finger first; the data sheet comes before this.';
    const mask = moments.mask();
    return [
      ...(wantsMore(clock.surface)
        ? [
            event(
              'recoat',
              `may recoat (${coating}, coat ${coat})`,
              moments.recoat.surely,
              moments.closes?.from ?? moments.recoat.surely,
              band,
            ),
          ]
        : []),
      ...(mask ? [event('mask', `may mask over (${coating})`, mask.surely, mask.surely, band)] : []),
    ];
  });
  const { error, value } = createEvents(events.map((event) => stamped(event, now)));
  if (typeof value !== 'string') throw error ?? new Error('no calendar');
  return value;
}
