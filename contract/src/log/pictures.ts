import { entriesOfKind, type Entry, type PayloadOf } from '../entry';

/** A picture of the log. */
export interface LoggedPicture {
  readonly entry: Entry;
  readonly payload: PayloadOf<'picture'>;
}

/** Pictures of an entry, and of those it stands in the place of: putting an entry right does not lose them. Oldest first. */
export function picturesOf(entries: readonly Entry[], entry: Entry): readonly LoggedPicture[] {
  const byId = new Map(entries.map((one) => [one.id, one]));
  const ids = new Set<string>();
  for (let one: Entry | undefined = entry; one && !ids.has(one.id);) {
    ids.add(one.id);
    one = one.replaces === null ? undefined : byId.get(one.replaces);
  }
  return entriesOfKind(entries, 'picture').filter(
    ({ entry: own, payload }) => own.id === entry.id || (payload.of !== null && ids.has(payload.of)),
  );
}
