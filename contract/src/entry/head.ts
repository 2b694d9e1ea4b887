import { SKEW_LIMIT, isTime } from './clock';
import type { Entry } from './entry';

const isText = (value: unknown): value is string => typeof value === 'string';
const isTextOrNull = (value: unknown) => value === null || isText(value);

/**
 * Whether something stored is an entry by its head: what every list of entries reads of each. Written out, since a schema
 * would take the time of ten thousand of them while somebody waits; what an entry says is looked at when it is read.
 */
export function isEntry(stored: unknown): stored is Entry {
  const one = (stored ?? {}) as Partial<Record<keyof Entry, unknown>>;
  return (
    isText(one.id) &&
    isText(one.kind) &&
    isText(one.author) &&
    isText(one.at) &&
    isTime(one.at) &&
    Number.isInteger(one.schema) &&
    [one.jobId, one.surfaceId, one.replaces].every(isTextOrNull) &&
    (one.clockSkew === null ||
      (Number.isFinite(one.clockSkew) && Math.abs(one.clockSkew as number) <= SKEW_LIMIT)) &&
    typeof one.payload === 'object' &&
    one.payload !== null
  );
}
