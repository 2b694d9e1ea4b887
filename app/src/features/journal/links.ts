import type { EntryKind } from '@fine-spray/contract';

/** A kind as an address has it: "coat-finished". */
export const slugOf = (kind: EntryKind): string => kind.replace(/ /g, '-');

/** Where an entry of a kind is written, or one of them put right. */
export const writePath = (kind: EntryKind, query: string) => `/log/write/${slugOf(kind)}?${query}` as const;
