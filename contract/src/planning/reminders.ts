import {
  CARE,
  LONGEST_COAT,
  RELIEVE_AFTER,
  SAID_DRY_FOR,
  SAME_DAY,
  type Care,
  type RecoatClock,
} from '@fine-spray/core/record';
import { showText, type UnitSystem } from '@fine-spray/core/units';
import { entriesInForce, payloadOf, timeOf, type Entry, type EntryKind, type PayloadOf } from '../entry';
import type { Job, Surface } from '../job';
import type { Sprayer } from '../kit';
import { coatsOf } from './siteCoats';

/** Something to look after now. */
export interface Reminder {
  /** The same as long as it is the same thing: told once, put off by it. */
  readonly id: string;
  readonly about: Care | 'dry';
  /** What to do, or what has come. */
  readonly title: string;
  /** Why now. */
  readonly words: string;
  /** What is written down when it is done; a coat that is dry has nothing to be done. */
  readonly done?: PayloadOf<'care'>;
  readonly jobId: string | null;
  readonly surfaceId: string | null;
}

export interface RemindersAsked {
  readonly entries: readonly Entry[];
  readonly jobs: readonly Pick<Job, 'id' | 'sprayerId' | 'name'>[];
  readonly surfaces: readonly Surface[];
  readonly sprayers: readonly Pick<Sprayer, 'id' | 'name'>[];
  /** Whose mask it is, by the initials of who writes; all hours where nobody said. */
  readonly author: string;
  /** Clocks of coats that dry. */
  readonly clocks: readonly RecoatClock[];
  /** ms since 1970. */
  readonly now: number;
  /** It is a break of the day's plan. */
  readonly isBreak: boolean;
  readonly system: UnitSystem;
}

type Kinds = { readonly [Kind in EntryKind]: Entry & { readonly kind: Kind } };
const isKind = <Kind extends EntryKind>(entry: Entry, kind: Kind): entry is Kinds[Kind] =>
  entry.kind === kind;

/** Signs that a machine stands under pressure. */
const SPRAYS: ReadonlySet<EntryKind> = new Set([
  ...(['coat started', 'sprayed', 'comb', 'set-up confirmed', 'tip reversed'] as const),
]);

/** What a crew is reminded of now, what is dangerous first. Plain reading of the log: what nobody wrote down is not known. */
export function remindersOf(asked: RemindersAsked): readonly Reminder[] {
  const { entries, now } = asked;
  const past = entriesInForce(entries).filter((one) => timeOf(one) <= now);
  return [...relieve(past, asked), ...mask(past, asked), ...machines(past, asked), ...dry(past, asked)];
}

const sprayerOf = ({ jobs }: RemindersAsked, { jobId }: Entry): string | undefined =>
  jobs.find(({ id }) => id === jobId)?.sprayerId;

/** When something was last looked after: of a machine also by the lists that have it as a step. */
function lastCare(past: readonly Entry[], what: Care, sprayerId: string | null): Entry | undefined {
  return past.findLast((one) => {
    if (isKind(one, 'care')) {
      const said = payloadOf(one);
      return said.what === what && said.sprayerId === sprayerId;
    }
    return isKind(one, 'machine') && sprayerId !== null && payloadOf(one).sprayerId === sprayerId;
  });
}

/** Machines that were sprayed with, and then nothing was written of their pressure. */
function relieve(past: readonly Entry[], asked: RemindersAsked): readonly Reminder[] {
  return asked.sprayers.flatMap((sprayer): Reminder[] => {
    const last = past.findLast((one) => SPRAYS.has(one.kind) && sprayerOf(asked, one) === sprayer.id);
    if (!last) return [];
    const since = asked.now - timeOf(last);
    if (since > SAME_DAY || since < (asked.isBreak ? 0 : RELIEVE_AFTER)) return [];
    const off = lastCare(past, 'relieved', sprayer.id);
    if (off && timeOf(off) >= timeOf(last)) return [];
    return [
      {
        id: `relieved ${last.id}`,
        about: 'relieved',
        title: CARE.relieved.ask,
        words: `${sprayer.name} was sprayed with ${minutesAgo(since)} and nobody wrote since that the pressure is off. ${asked.isBreak ? 'It is a break.' : 'Before anybody leaves it: off.'}`,
        done: { what: 'relieved', sprayerId: sprayer.id },
        jobId: last.jobId,
        surfaceId: last.surfaceId,
      },
    ];
  });
}

const minutesAgo = (ms: number): string => {
  const minutes = Math.round(ms / 60_000);
  return minutes < 90 ? `${minutes} min ago` : `${Math.round(minutes / 60)} h ago`;
};

/** The hours a mask was worn while spraying, by coats that were begun and finished. */
function mask(past: readonly Entry[], { author, now }: RemindersAsked): readonly Reminder[] {
  const own = (one: Entry) => author === '' || one.author === author;
  const changed = past.findLast((one) => isKind(one, 'care') && payloadOf(one).what === 'filter' && own(one));
  const since = changed ? timeOf(changed) : -Infinity;
  const begun = new Map<string, number>();
  let worn = 0;
  for (const one of past) {
    if (timeOf(one) < since || !own(one)) continue;
    if (isKind(one, 'coat started')) {
      const { coatingId, coat } = payloadOf(one);
      begun.set(`${one.surfaceId} ${coatingId} ${coat}`, timeOf(one));
    } else if (isKind(one, 'coat finished')) {
      const { coatingId, coat } = payloadOf(one);
      const key = `${one.surfaceId} ${coatingId} ${coat}`;
      const from = begun.get(key);
      begun.delete(key);
      if (from !== undefined) worn += Math.min(LONGEST_COAT, Math.max(0, timeOf(one) - from)) / 1000;
    }
  }
  for (const from of begun.values()) if (now - from < LONGEST_COAT) worn += (now - from) / 1000;
  const { likely, low, high } = CARE.filter.seconds;
  if (worn < likely) return [];
  const hours = (seconds: number) => String(Math.round(seconds / 3600));
  return [
    {
      id: `filter ${changed?.id ?? 'never'}`,
      about: 'filter',
      title: CARE.filter.ask,
      words: `${hours(worn)} h sprayed ${changed ? 'since it was changed' : 'and no change written down'}; usual ${hours(low)} to ${hours(high)} h, at once where breathing is hard or something is smelled. The maker of the mask and the label of the coating take precedence.`,
      done: { what: 'filter', sprayerId: null },
      jobId: null,
      surfaceId: null,
    },
  ];
}

/** Pumps by the paint that went through them. */
function machines(past: readonly Entry[], asked: RemindersAsked): readonly Reminder[] {
  const due: Reminder[] = [];
  for (const sprayer of asked.sprayers) {
    const through = past.filter(
      (one): one is Kinds['sprayed'] => isKind(one, 'sprayed') && sprayerOf(asked, one) === sprayer.id,
    );
    const last = through.at(-1);
    // A machine that rests is looked after when it is taken up again: its list has it.
    if (!last || asked.now - timeOf(last) > SAME_DAY) continue;
    for (const what of ['strainer', 'lubricant'] as const) {
      const looked = lastCare(past, what, sprayer.id);
      const since = looked ? timeOf(looked) : -Infinity;
      const volume = through.reduce((sum, one) => sum + (timeOf(one) > since ? payloadOf(one).volume : 0), 0);
      const { likely, low, high } = CARE[what].litres;
      if (volume < likely) continue;
      const shown = (value: number) => showText(value, 'volume', asked.system);
      due.push({
        id: `${what} ${sprayer.id} ${looked?.id ?? 'never'}`,
        about: what,
        title: CARE[what].ask,
        words: `${shown(volume)} through ${sprayer.name} since; usual every ${shown(low)} to ${shown(high)}. Its manual takes precedence.`,
        done: { what, sprayerId: sprayer.id },
        jobId: last.jobId,
        surfaceId: null,
      });
    }
  }
  return due;
}

/** Coats that came dry a moment ago where another one is to follow. */
function dry(past: readonly Entry[], { clocks, surfaces, now }: RemindersAsked): readonly Reminder[] {
  const rows = new Map(surfaces.map((one) => [one.id, one]));
  return clocks.flatMap((clock): Reminder[] => {
    const row = rows.get(clock.surface);
    const opens = clock.moments?.recoat.from;
    if (!row || opens === undefined || now < opens || now - opens > SAID_DRY_FOR) return [];
    const coats = coatsOf(row);
    const at = coats.findIndex(
      ({ layer, counted }) => layer.coatingId === clock.coating && counted === clock.coat,
    );
    if (at < 0 || at === coats.length - 1) return [];
    const goesOn = past.some(
      (one) => isKind(one, 'coat started') && one.surfaceId === clock.surface && timeOf(one) > clock.finished,
    );
    if (goesOn) return [];
    const place = [row.room, row.name].filter(Boolean).join(', ');
    return [
      {
        id: `dry ${clock.entry}`,
        about: 'dry',
        title: `${place}: may be ready for the next coat`,
        words: 'Touch it where nobody looks before you go on. The data sheet takes precedence.',
        jobId: row.jobId,
        surfaceId: row.id,
      },
    ];
  });
}
