import type { JobFile } from '@fine-spray/contract';
import {
  readBuyList,
  readGbxml,
  readJob,
  readTakeoff,
  type BuyLine,
  type FileRead,
  type TakeoffSurface,
} from '@fine-spray/contract/formats';
import type { Kit } from '@fine-spray/contract/planning';
import { newId } from '@/data/newId';

/** What can be read from a file, by what it is chosen for. */
export interface FileContents {
  /** Surfaces from a take-off or a building model, by the ending of the file. */
  readonly surfaces: readonly TakeoffSurface[];
  /** A job from its file, fitted to the kit. */
  readonly job: JobFile;
  /** A buy list as it came back from the shop. */
  readonly bought: readonly BuyLine[];
}
export type FileWanted = keyof FileContents;

/** A file to read, and what its reader has to know. Plain data: it goes to a worker. */
export interface FileOrder<Wanted extends FileWanted = FileWanted> {
  readonly wanted: Wanted;
  readonly name: string;
  readonly bytes: Uint8Array;
  /** What the coatings, sprayers and hoses of a file become. */
  readonly kit?: Pick<Kit, 'coatings' | 'sprayers' | 'hoses'>;
  /** Rooms and elevations of the job. */
  readonly placeIds?: readonly string[];
}

const READERS: { readonly [Wanted in FileWanted]: (order: FileOrder) => FileRead<FileContents[Wanted]> } = {
  surfaces: ({ name, bytes, kit, placeIds = [] }) => {
    const coatings = kit?.coatings ?? [];
    return /\.(xml|gbxml)$/i.test(name)
      ? readGbxml(bytes, { coatings, newId })
      : readTakeoff(bytes, { coatings, newId, placeIds: new Set(placeIds) });
  },
  job: ({ bytes, kit }) =>
    readJob(bytes, {
      coatings: kit?.coatings ?? [],
      sprayerIds: kit?.sprayers.map(({ id }) => id) ?? [],
      hoseIds: kit?.hoses.map(({ id }) => id) ?? [],
    }),
  bought: ({ bytes }) => readBuyList(bytes),
};

/** Reads a file: all of it, or what is wrong with it. */
export function readOrdered<Wanted extends FileWanted>(
  order: FileOrder<Wanted>,
): FileRead<FileContents[Wanted]> {
  return READERS[order.wanted](order);
}
