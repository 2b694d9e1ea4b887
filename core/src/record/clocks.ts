import { recoatTime, type Coating } from '../coating';
import type { Explained } from '../explain';
import type { UnitSystem } from '../units';
import { entriesOf, type CoatFinished, type LogEntry } from './entries';

export type RecoatState = 'wait' | 'may be ready' | 'ready' | 'no number';

export interface RecoatClock {
  readonly surface: string;
  readonly coating: string;
  readonly coat: number;
  readonly finished: number;
  readonly state: RecoatState;
  /** Milliseconds since 1970 from which it may be, and surely is, dry enough; missing where there is no number. */
  readonly from?: number;
  readonly surely?: number;
  readonly wait?: Explained;
  readonly words: string;
}

const MILLISECONDS = 1000;

function clockOf(
  { surface, coating: id, coat, at, temperature, humidity }: CoatFinished,
  coating: Coating,
  now: number,
  system: UnitSystem,
): RecoatClock {
  const head = { surface, coating: id, coat, finished: at };
  const wait = recoatTime(coating, temperature, humidity, system);
  if (!wait.ok) return { ...head, state: 'no number', words: wait.message };
  const from = at + wait.value.low * MILLISECONDS;
  const surely = at + wait.value.high * MILLISECONDS;
  const state = now >= surely ? 'ready' : now >= from ? 'may be ready' : 'wait';
  const words = {
    ready: 'May be painted over.',
    'may be ready': 'May be ready: touch it where nobody looks before you go on.',
    wait: 'Wait. Painted over now it would wrinkle or lift.',
  } as const;
  return { ...head, state, from, surely, wait: wait.value, words: words[state] };
}

/**
 * For each surface the clock of its last finished coat, by the weather logged with it. Longest waiting first.
 * @param now milliseconds since 1970, passed in
 */
export function recoatClocks(
  log: readonly LogEntry[],
  coatings: Readonly<Record<string, Coating>>,
  now: number,
  system: UnitSystem = 'metric',
): readonly RecoatClock[] {
  const last = new Map<string, CoatFinished>();
  for (const entry of entriesOf(log, 'coat finished')) last.set(entry.surface, entry);
  return [...last.values()]
    .flatMap((entry) => {
      const coating = coatings[entry.coating];
      return coating ? [clockOf(entry, coating, now, system)] : [];
    })
    .sort((a, b) => (a.surely ?? Infinity) - (b.surely ?? Infinity));
}
