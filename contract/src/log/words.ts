import type { UnitSystem } from '@fine-spray/core/units';
import { kindOf, sayIn, upgraded, type Entry, type LogNames } from '../entry';

/** What an entry says, without its kind, its time and its place. It must be readable (`isReadable`). */
export function entryWords(entry: Entry, names: LogNames, system: UnitSystem): string {
  return kindOf(entry.kind).words(upgraded(entry).payload, sayIn(names, system));
}

/** Where it was: "Boat hall, North wall"; what is gone is said to be. */
export function placeWords({ surfaceId, jobId }: Entry, names: LogNames): string {
  if (surfaceId !== null) return names.surface(surfaceId) ?? 'A surface that was deleted';
  if (jobId !== null) return names.job(jobId) ?? 'A job that was deleted';
  return 'Without a job';
}
