import { coatWindows, type Coating, type CoatWindows } from '../coating';
import type { Explained } from '../explain';
import type { Result, UnitSystem } from '../units';
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
    readonly mask: () => Moment;
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

function clockOf(
  { id, job, surface, coating: of, coat, at }: CoatFinished,
  windows: Result<CoatWindows>,
  now: number,
): RecoatClock {
  const head = { surface, coating: of, coat, job, entry: id, finished: at };
  if (!windows.ok) return { ...head, state: 'no number', words: windows.message };
  const moment = (why: Explained): Moment => ({
    from: at + why.low * MILLISECONDS,
    likely: at + why.value * MILLISECONDS,
    surely: at + why.high * MILLISECONDS,
    why,
  });
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
      mask: () => moment(windows.value.mask()),
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
  const last = new Map<string, CoatFinished>();
  for (const entry of record.of('coat finished')) {
    if (!only || only.has(entry.surface)) last.set(entry.surface, entry);
  }
  // Coats of a day dry in the same weather: their windows are worked out once.
  const known = new Map<string, Result<CoatWindows>>();
  const windowsOf = ({ coating: id, temperature, humidity }: CoatFinished, coating: Coating) => {
    const key = `${id} ${temperature} ${humidity}`;
    const windows = known.get(key) ?? coatWindows(coating, temperature, humidity, system);
    known.set(key, windows);
    return windows;
  };
  return [...last.values()]
    .flatMap((entry) => {
      const coating = coatings[entry.coating];
      return coating ? [clockOf(entry, windowsOf(entry, coating), now)] : [];
    })
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
