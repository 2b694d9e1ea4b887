import { showText, showWritten, type DisplayKind, type UnitSystem } from '@fine-spray/core/units';
import type { TipChoice } from '../kit';
import type { KnobAt, Weather } from './parts';

/** Names of what entries point at; what is gone has none. */
export interface LogNames {
  readonly job: (id: string) => string | undefined;
  readonly surface: (id: string) => string | undefined;
  readonly coating: (id: string) => string | undefined;
  readonly tip: (id: string) => string | undefined;
  readonly sprayer: (id: string) => string | undefined;
}

/** What an entry is put into words with: the names of what it points at, and the reader's units. */
export interface Say {
  readonly system: UnitSystem;
  /** As it was written: a record is not rounded a second time. */
  readonly show: (value: number, kind: DisplayKind) => string;
  /** As a plan has it, to the step of a hand. */
  readonly planned: (value: number, kind: DisplayKind) => string;
  readonly coating: (id: string) => string;
  /** Nothing where no tip is named. */
  readonly tip: (id: string | null) => string | undefined;
  readonly sprayer: (id: string) => string;
}

export function sayIn(names: LogNames, system: UnitSystem): Say {
  return {
    system,
    show: (value, kind) => showWritten(value, kind, system),
    planned: (value, kind) => showText(value, kind, system),
    coating: (id) => names.coating(id) ?? 'a coating that was deleted',
    tip: (id) => (id === null ? undefined : (names.tip(id) ?? 'a tip that was deleted')),
    sprayer: (id) => names.sprayer(id) ?? 'a sprayer that was deleted',
  };
}

/** Parts of a line, those that say nothing left out. */
export function joined(parts: readonly (string | undefined | false | null)[], between = ', '): string {
  const said = parts.filter((part): part is string => typeof part === 'string' && part !== '');
  // A part that ends its own sentence is not ended twice.
  const mark = between.trim();
  return said
    .map((part, index) => (index < said.length - 1 && mark !== '' ? part.replace(/[\s.,;]+$/, '') : part))
    .join(between);
}

const ORDINALS = ['', 'First', 'Second', 'Third', 'Fourth', 'Fifth', 'Sixth'] as const;

/** "Second coat". */
export const coatName = (coat: number): string => `${ORDINALS[coat] ?? `${coat}th`} coat`;

/** Where a knob stands: "between half and three quarters". */
export const knobWords = ({ mark, next }: KnobAt): string =>
  next === null ? mark : `between ${mark} and ${next}`;

export const tipWords = ({ code, family }: TipChoice) => `${code} ${family}`;

/** What weather is that nobody has measured now. */
const NOT_MEASURED: Readonly<Record<Weather['source'], string>> = {
  station: ' (made up by the simulated station)',
  'last entry': ' (as at the coat before)',
  assumed: ' (not measured)',
  'by hand': '',
};

/** Weather in a line, and where nobody has measured it that. */
export function weatherWords(
  { source, air, surface, humidity, wind, rain }: Weather,
  system: UnitSystem,
): string {
  const said = joined([
    showWritten(air, 'temperature', system),
    surface !== null && `surface ${showWritten(surface, 'temperature', system)}`,
    `${showWritten(humidity, 'percent', system)} humidity`,
    wind !== null && `wind ${showWritten(wind, 'wind', system)}`,
    rain !== null && rain > 0 && 'rain',
  ]);
  return `${said}${NOT_MEASURED[source]}`;
}
