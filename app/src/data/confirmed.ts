import { entriesOfKind, type Entry } from '@fine-spray/contract';

/** What a confirmed set-up is looked for by; what is left out does not matter. */
export interface ConfirmedQuery {
  readonly coatingId: string;
  readonly code: string;
  readonly family: string;
  readonly sprayerId?: string;
}

/** The last set-up confirmed with a coating and a tip, with a sprayer where that is asked for. */
export function lastConfirmed(
  entries: readonly Entry[],
  { coatingId, code, family, sprayerId }: ConfirmedQuery,
) {
  return entriesOfKind(entries, 'set-up confirmed')
    .filter(
      ({ payload }) =>
        payload.coatingId === coatingId &&
        payload.tip.code === code &&
        payload.tip.family === family &&
        (sprayerId === undefined || payload.sprayerId === sprayerId),
    )
    .at(-1);
}
