import { nextCoats, recoatClocks, type RecoatClock, type SiteRecord } from '@fine-spray/core/record';
import type { Entry } from '../entry';
import type { Job, Surface } from '../job';
import { plannedCoats, type Kit } from '../planning';
import { coreCoatings } from '../setupRequest';
import type { CalendarEvent } from './calendar';

const HOUR = 3600_000;
/** Shortest a window is drawn where it never closes: long enough to be seen in a day. */
const OPEN_END = HOUR;
/** So long before a window closes somebody is told. */
const BEFORE_CLOSING = HOUR;

/** What a clock is of, and where that stands. */
export interface WindowPlace {
  readonly surface: string;
  readonly coating: string;
  readonly location: string;
  readonly url: string;
  /** Entries written for the surface so far: each of them may move its windows. */
  readonly written: number;
  /** Another coat is to come. */
  readonly wantsMore: boolean;
}

const BAND =
  'By the weather written down with it, give or take a third. Try it with a finger first; the data sheet comes before this.';

/**
 * The windows of some coats that are not over: may recoat, where another coat is to come, told an hour before it may close;
 * and may mask over.
 * @param now ms since 1970
 */
export function windowEvents(
  clocks: readonly RecoatClock[],
  placeOf: (clock: RecoatClock) => WindowPlace,
  now: number,
): readonly CalendarEvent[] {
  return clocks.flatMap((clock): CalendarEvent[] => {
    const { moments, entry, coat } = clock;
    if (!moments) return [];
    const { surface, coating, location, url, written, wantsMore } = placeOf(clock);
    const event = (kind: string, title: string, from: number, until: number): CalendarEvent => ({
      uid: `${entry}-${kind}`,
      sequence: written,
      title: `${surface}: ${title}`,
      description: `${BAND}\n${url}`,
      location,
      url,
      from,
      until: Math.max(until, from + OPEN_END),
      free: true,
    });
    const { recoat, closes } = moments;
    const mask = moments.mask();
    const found = [
      ...(wantsMore
        ? [
            {
              ...event(
                'recoat',
                `may recoat (${coating}, coat ${coat})`,
                recoat.surely,
                closes?.from ?? recoat.surely,
              ),
              ...(closes
                ? {
                    alarm: {
                      at: Math.max(recoat.surely, closes.from - BEFORE_CLOSING),
                      words: `${surface}: may close in an hour. After that it has to be abraded first.`,
                    },
                  }
                : {}),
            },
          ]
        : []),
      ...(mask ? [event('mask', `may mask over (${coating})`, mask.surely, mask.surely)] : []),
    ];
    return found.filter(({ until }) => until > now);
  });
}

/**
 * The windows of a job's coats as events.
 * @param entries of the job, those that were replaced too
 * @param address of the application, without a slash at its end
 * @param now ms since 1970
 */
export function jobWindowEvents(
  {
    job,
    surfaces,
    kit,
    record,
    entries,
  }: {
    readonly job: Job;
    readonly surfaces: readonly Surface[];
    readonly kit: Kit;
    readonly record: SiteRecord;
    readonly entries: readonly Entry[];
  },
  address: string,
  now: number,
): readonly CalendarEvent[] {
  const here = new Map(surfaces.map((surface) => [surface.id, surface]));
  const coatings = new Map(kit.coatings.map((coating) => [coating.id, coating]));
  const written = new Map<string, number>();
  for (const { surfaceId } of entries)
    if (surfaceId) written.set(surfaceId, (written.get(surfaceId) ?? 0) + 1);
  const toCome = new Set(nextCoats(plannedCoats(surfaces, job, kit), record).map(({ surface }) => surface));
  const clocks = recoatClocks(record, coreCoatings(kit.coatings), now, 'metric', new Set(here.keys()));
  return windowEvents(
    clocks,
    ({ surface, coating }) => {
      const row = here.get(surface);
      return {
        surface: row?.name ?? 'A surface that was deleted',
        coating: coatings.get(coating)?.name ?? 'a coating that was deleted',
        location: [row?.room, job.place].filter(Boolean).join(', '),
        url: `${address}/log/clocks?job=${job.id}`,
        written: written.get(surface) ?? 0,
        wantsMore: toCome.has(surface),
      };
    },
    now,
  );
}
