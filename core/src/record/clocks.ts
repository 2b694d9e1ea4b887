import { coatWindows, type Coating, type CoatWindows } from '../coating';
import type { Explained } from '../explain';
import { addTo } from '../grouping';
import { refuse, type Result, type UnitSystem } from '../units';
import type { CoatFinished } from './entries';
import type { SiteRecord } from './sheet';

/** Where the last coat of a surface stands. */
export type RecoatState = 'wait' | 'may be ready' | 'ready' | 'closing' | 'closed' | 'no number';

/** A moment with its range, milliseconds since 1970. */
export interface Moment {
  readonly from: number;
  readonly likely: number;
  readonly surely: number;
  readonly why: Explained;
}

export interface RecoatClock {
  readonly surface: string;
  readonly coating: string;
  readonly coat: number;
  readonly job: string | undefined;
  /** The entry that says it was finished. */
  readonly entry: string;
  readonly finished: number;
  readonly state: RecoatState;
  /** Missing where there is no honest number. */
  readonly moments?: {
    readonly recoat: Moment;
    readonly closes?: Moment;
    readonly touch: () => Moment;
    /** Every coat under it has to bear the tape, too; missing where one of them has no honest number. */
    readonly mask: () => Moment | undefined;
  };
  readonly words: string;
}

const MILLISECONDS = 1000;
/** A window that closes within this wants to be seen. */
const SOON = 24 * 3600 * MILLISECONDS;

const WORDS: Readonly<Record<Exclude<RecoatState, 'no number'>, string>> = {
  wait: 'Wait. Painted over now it would wrinkle or lift.',
  'may be ready': 'May be ready: touch it where nobody looks before you go on.',
  ready: 'May be painted over.',
  closing: 'Paint it over soon: later it has to be abraded first.',
  closed: 'Closed: abrade it before the next coat, and read the data sheet.',
};

function stateAt(now: number, recoat: Moment, closes: Moment | undefined): Exclude<RecoatState, 'no number'> {
  if (closes && now >= closes.likely) return 'closed';
  if (now < recoat.from) return 'wait';
  if (closes && now >= closes.from - SOON) return 'closing';
  return now >= recoat.surely ? 'ready' : 'may be ready';
}

/** When something is over that began at a moment. */
const momentAfter =
  (at: number) =>
  (why: Explained): Moment => ({
    from: at + why.low * MILLISECONDS,
    likely: at + why.value * MILLISECONDS,
    surely: at + why.high * MILLISECONDS,
    why,
  });

/** When all of several are over; nothing where one of them cannot be told. */
function lastOf(moments: readonly (Moment | undefined)[]): Moment | undefined {
  let found: Moment | undefined;
  for (const one of moments) {
    if (!one) return undefined;
    const slower = found === undefined || one.likely > found.likely ? one : found;
    found = {
      from: Math.max(found?.from ?? one.from, one.from),
      likely: slower.likely,
      surely: Math.max(found?.surely ?? one.surely, one.surely),
      why: slower.why,
    };
  }
  return found;
}

type WindowsOf = (entry: CoatFinished) => Result<CoatWindows>;

/** @param coats those finished on the surface, the last of them last */
function clockOf(coats: readonly CoatFinished[], windowsOf: WindowsOf, now: number): RecoatClock | undefined {
  const last = coats[coats.length - 1];
  if (!last) return undefined;
  const { id, job, surface, coating: of, coat, at } = last;
  const head = { surface, coating: of, coat, job, entry: id, finished: at };
  const windows = windowsOf(last);
  if (!windows.ok) return { ...head, state: 'no number', words: windows.message };
  const moment = momentAfter(at);
  const recoat = moment(windows.value.recoat);
  const closes = windows.value.closes && moment(windows.value.closes());
  const state = stateAt(now, recoat, closes);
  return {
    ...head,
    state,
    words: WORDS[state],
    moments: {
      recoat,
      touch: () => moment(windows.value.touch()),
      mask: () =>
        lastOf(
          coats.map((one) => {
            const own = windowsOf(one);
            return own.ok ? momentAfter(one.at)(own.value.mask()) : undefined;
          }),
        ),
      ...(closes ? { closes } : {}),
    },
  };
}

/**
 * For each surface the clock of its last finished coat, by the weather logged with it. What opens first comes first.
 * @param now milliseconds since 1970, passed in
 * @param only these surfaces; all where it is left out
 */
export function recoatClocks(
  record: SiteRecord,
  coatings: Readonly<Record<string, Coating>>,
  now: number,
  system: UnitSystem = 'metric',
  only?: ReadonlySet<string>,
): readonly RecoatClock[] {
  const coats = new Map<string, CoatFinished[]>();
  for (const entry of record.of('coat finished')) {
    if (!only || only.has(entry.surface)) addTo(coats, entry.surface, entry);
  }
  // Coats of a day dry in the same weather: their windows are worked out once.
  const known = new Map<string, Result<CoatWindows>>();
  const windowsOf = ({ coating: id, temperature, humidity }: CoatFinished): Result<CoatWindows> => {
    const coating = coatings[id];
    if (!coating)
      return refuse(
        'clock.coating',
        'coating',
        'Its coating was deleted: there is no honest time. Read the data sheet of what was sprayed.',
      );
    const key = `${id} ${temperature} ${humidity}`;
    const windows = known.get(key) ?? coatWindows(coating, temperature, humidity, system);
    known.set(key, windows);
    return windows;
  };
  return [...coats.values()]
    .flatMap((finished) => clockOf(finished, windowsOf, now) ?? [])
    .sort((a, b) => (a.moments?.recoat.surely ?? Infinity) - (b.moments?.recoat.surely ?? Infinity));
}

/** A coat that is still to be sprayed, in the order of its surface. */
export interface CoatToDo {
  readonly surface: string;
  readonly coating: string;
  readonly coat: number;
}

export interface NowAndNext<ToDo extends CoatToDo> {
  /** Nothing is in its way. */
  readonly now: readonly { readonly toDo: ToDo; readonly clock?: RecoatClock }[];
  /** What opens next comes first; what has no number last. */
  readonly next: readonly { readonly toDo: ToDo; readonly clock: RecoatClock }[];
  /** About to close, or closed already. */
  readonly closing: readonly { readonly toDo: ToDo; readonly clock: RecoatClock }[];
}

/** What can be sprayed now, what opens next and what is about to close: the next coat of each surface by the clock of its last. */
export function nowAndNext<ToDo extends CoatToDo>(
  nextCoats: readonly ToDo[],
  clocks: readonly RecoatClock[],
): NowAndNext<ToDo> {
  const clockOfSurface = new Map(clocks.map((clock) => [clock.surface, clock]));
  const all = nextCoats.map((toDo) => ({ toDo, clock: clockOfSurface.get(toDo.surface) }));
  const within = (states: readonly RecoatState[]) =>
    all.flatMap(({ toDo, clock }) => (clock && states.includes(clock.state) ? [{ toDo, clock }] : []));
  const opens = ({ clock }: { clock: RecoatClock }) => clock.moments?.recoat.likely ?? Infinity;
  const closes = ({ clock }: { clock: RecoatClock }) => clock.moments?.closes?.likely ?? Infinity;
  return {
    now: [
      ...within(['closing', 'ready', 'may be ready']),
      ...all.flatMap(({ toDo, clock }) => (clock ? [] : [{ toDo }])),
    ],
    next: within(['wait', 'no number']).sort((a, b) => opens(a) - opens(b)),
    closing: within(['closing', 'closed']).sort((a, b) => closes(a) - closes(b)),
  };
}
