import type { JobFile } from '@fine-spray/contract';
import {
  readGbxml,
  readJob,
  readTakeoff,
  type FileRead,
  type TakeoffSurface,
} from '@fine-spray/contract/formats';
import type { Kit } from '@fine-spray/contract/planning';
import type { ChosenFile } from '@/data/deviceFiles';
import { newId } from '@/data/newId';

/** Surfaces from a take-off or a building model, by the ending of the file. */
export function readSurfaces(
  { name, bytes }: ChosenFile,
  kit: Kit,
  placeIds: ReadonlySet<string>,
): FileRead<readonly TakeoffSurface[]> {
  const model = /\.(xml|gbxml)$/i.test(name);
  return model
    ? readGbxml(bytes, { coatings: kit.coatings, newId })
    : readTakeoff(bytes, { coatings: kit.coatings, newId, placeIds });
}

/** A job from its file, fitted to the kit. */
export function readJobFile({ bytes }: ChosenFile, kit: Kit): FileRead<JobFile> {
  return readJob(bytes, {
    coatings: kit.coatings,
    sprayerIds: kit.sprayers.map(({ id }) => id),
    hoseIds: kit.hoses.map(({ id }) => id),
  });
}
