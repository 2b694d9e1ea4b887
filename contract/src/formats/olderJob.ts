import { JOB_FILE_VERSION } from '../files';

/** A JSON object nobody has checked yet. */
type Members = Readonly<Record<string, unknown>>;

const isMembers = (value: unknown): value is Members =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** What files of version 1 left out before the program knew of it; what they say is kept. */
function fromVersion1(file: Members): Members {
  const surfaces: readonly unknown[] = Array.isArray(file['surfaces']) ? file['surfaces'] : [];
  return {
    coatings: [],
    places: [],
    ...file,
    surfaces: surfaces.map((surface) =>
      isMembers(surface) ? { placeId: null, under: [], ...surface } : surface,
    ),
  };
}

/** What brings a file of a version to the next, that of version 1 first. */
const STEPS: readonly ((file: Members) => Members)[] = [fromVersion1];

/** A job file of an older version as one of the newest; anything else as it is. */
export function newestJob(file: unknown): unknown {
  if (!isMembers(file)) return file;
  const { version } = file;
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1) return file;
  if (version >= JOB_FILE_VERSION) return file;
  const newest = STEPS.slice(version - 1).reduce<Members>((older, step) => step(older), file);
  return { ...newest, version: JOB_FILE_VERSION };
}
