import { addTo, byTime, ordered } from '../grouping';
import type { Fraction } from '../units';
import type { ViscosityLogged } from './entries';
import type { SiteRecord } from './sheet';

/** Paint is taken as it was measured for so long, ms: a working day. */
export const PAINT_HOLDS_FOR = 12 * 3600_000;

/** Paint that is in a gun at a moment. */
interface InGun {
  readonly job?: string | undefined;
  readonly coating: string;
  /** Milliseconds since 1970. */
  readonly at: number;
}

const keyOf = ({ job = '', coating }: Pick<InGun, 'job' | 'coating'>) => `${job} ${coating}`;
type Checks = Map<string, readonly ViscosityLogged[]>;
const CHECKS = new WeakMap<SiteRecord, Checks>();
const NONE: readonly ViscosityLogged[] = [];

/** The checks of a paint on a job, in the order of time. Each record is read once, and of one that is joined each part. */
function checksOf(record: SiteRecord, key: string): readonly ViscosityLogged[] {
  const known = CHECKS.get(record);
  const { parts } = record;
  if (!parts) return (known ?? readChecks(record)).get(key) ?? NONE;
  const kept = known ?? new Map<string, readonly ViscosityLogged[]>();
  CHECKS.set(record, kept);
  const found =
    kept.get(key) ??
    ordered(
      parts.flatMap((part) => checksOf(part, key)),
      byTime,
    );
  kept.set(key, found);
  return found;
}

function readChecks(record: SiteRecord): Checks {
  const found = new Map<string, ViscosityLogged[]>();
  for (const check of record.of('viscosity')) addTo(found, keyOf(check), check);
  CHECKS.set(record, found);
  return found;
}

/** Thinner per paint in the gun, by the last check of that paint on that job; nothing where there was none that day. */
export function thinnerInGun(record: SiteRecord, { at, ...paint }: InGun): Fraction | undefined {
  const last = checksOf(record, keyOf(paint)).findLast((check) => check.at <= at);
  return last && at - last.at < PAINT_HOLDS_FOR ? last.thinner : undefined;
}
