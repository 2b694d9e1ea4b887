import type { Coating } from '../coating';
import { of, quantity, type Fraction } from '../units';
import type { CoatFinished, CombLogged, LogEntry, SetupConfirmed, Sprayed, ViscosityLogged } from './entries';

/** Entries of a made-up log, for tests. Litres, μm, °C; times in ms. */
export const HOUR = 3_600_000;

let nextId = 0;
const head = (at: number) => {
  nextId += 1;
  return { id: `e${String(nextId).padStart(6, '0')}`, at, author: 'Wren' };
};

export const COATINGS: Record<string, Coating> = {
  matt: { name: 'Interior wall matt', archetype: 'wall-matt', overrides: {} },
  masonry: { name: 'High-build masonry', archetype: 'high-build-masonry', overrides: {} },
  primer: { name: 'Exterior wood primer', archetype: 'exterior-wood-primer', overrides: {} },
};

interface Where {
  readonly at?: number;
  readonly surface?: string;
  readonly coat?: number;
  readonly coating?: string;
  readonly job?: string;
  readonly id?: string;
  readonly replaces?: string;
}

const where = ({ at = 0, surface = 'hall', coat = 1, coating = 'matt', ...rest }: Where) => ({
  ...head(at),
  surface,
  coating,
  coat,
  ...rest,
});

export const sprayed = (litres: number, extra: Where & { tip?: string } = {}): Sprayed => ({
  ...where(extra),
  kind: 'sprayed',
  tip: extra.tip ?? 't1',
  volume: of(litres, 'L'),
});

export const started = (at: number, extra: Where = {}): LogEntry => ({
  ...where({ ...extra, at }),
  kind: 'coat started',
});

export function finished(
  at: number,
  { celsius = 23, area = 20, ...extra }: Where & { celsius?: number; area?: number } = {},
): CoatFinished {
  return {
    ...where({ ...extra, at }),
    kind: 'coat finished',
    element: 'wall',
    side: 'inside',
    wind: 'calm',
    trueArea: area,
    temperature: of(celsius, '°C'),
    humidity: of(50, '%'),
  };
}

export const comb = (low: number, high: number, extra: Where & Partial<CombLogged> = {}): CombLogged => ({
  ...where(extra),
  ...extra,
  kind: 'comb',
  readings: [1, 2, 3].map(() => ({ low: of(low, 'μm'), high: of(high, 'μm') })),
  thinner: quantity<Fraction>(0),
});

export const confirmed = (
  bar: number,
  extra: Where & { tip?: string; sure?: boolean } = {},
): SetupConfirmed => ({
  ...head(extra.at ?? 0),
  ...(extra.job === undefined ? {} : { job: extra.job }),
  ...(extra.tip === undefined ? {} : { tip: extra.tip }),
  kind: 'set-up confirmed',
  surface: extra.surface ?? 'hall',
  coating: extra.coating ?? 'matt',
  family: 'standard',
  sure: extra.sure ?? true,
  pressure: of(bar, 'bar'),
  expected: of(125, 'bar'),
});

export const fan = (millimetres: number, at: number, tip = 't1'): LogEntry => ({
  ...head(at),
  kind: 'fan measured',
  tip,
  width: of(millimetres, 'mm'),
});

/** A cup that ran so many seconds. */
export const cup = (seconds: number, extra: Partial<ViscosityLogged> = {}): ViscosityLogged => ({
  ...head(extra.at ?? 0),
  kind: 'viscosity',
  coating: 'matt',
  cup: 'dip-5',
  seconds,
  thinner: quantity<Fraction>(0),
  ...extra,
});
