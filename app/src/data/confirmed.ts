import { entriesOfKind, type Entry } from '@fine-spray/contract';

/** What a confirmed set-up is looked for by; what is left out does not matter. */
export interface ConfirmedQuery {
  readonly coatingId: string;
  readonly code: string;
  readonly family: string;
  readonly surfaceId?: string | null;
  readonly sprayerId?: string;
}

/** The last set-up confirmed with a coating and a tip, on a surface or with a sprayer where that is asked for. */
export function lastConfirmed(
  entries: readonly Entry[],
  { coatingId, code, family, surfaceId, sprayerId }: ConfirmedQuery,
) {
  return entriesOfKind(entries, 'set-up confirmed')
    .filter(
      ({ entry, payload }) =>
        payload.coatingId === coatingId &&
        payload.tip.code === code &&
        payload.tip.family === family &&
        (surfaceId === undefined || entry.surfaceId === surfaceId) &&
        (sprayerId === undefined || payload.sprayerId === sprayerId),
    )
    .at(-1);
}
