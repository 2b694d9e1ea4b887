import { z } from 'zod';
import { JOB_FILE_VERSION, fileRow, jobFile, type JobFile } from '../files';
import type { Job, Surface } from '../job';
import type { Coating } from '../kit';
import type { Place } from '../place';
import { textOf } from './csv';
import { ISSUES_SHOWN, readFile, refuseFile, type FileIssue, type FileRead } from './issue';
import { newestJob } from './olderJob';

/** A job with all that belongs to it as its open file. */
export function jobFileOf(
  job: Job,
  places: readonly Place[],
  surfaces: readonly Surface[],
  coatings: readonly Coating[],
): JobFile {
  const used = new Set(
    surfaces.flatMap(({ coatingId, under }) => [coatingId, ...under.map((one) => one.coatingId)]),
  );
  return jobFile.parse({
    format: 'fine-spray-job',
    version: JOB_FILE_VERSION,
    coatings: [...used].flatMap((id) => {
      const found = coatings.find((coating) => coating.id === id);
      return found ? [{ id, name: found.name, archetype: found.archetype }] : [];
    }),
    job: fileRow(job),
    places: places.map(fileRow),
    surfaces: surfaces.map(fileRow),
  });
}

/** The text of a job file. */
export const writeJob = (file: JobFile): string => `${JSON.stringify(file, null, 1)}\n`;

/** What of a kit a file is fitted to. */
export interface JobFileContext {
  readonly coatings: readonly Pick<Coating, 'id' | 'name' | 'archetype'>[];
  readonly sprayerIds: readonly string[];
  readonly hoseIds: readonly string[];
}

/** Reads a job file: all of it, fitted to the kit, or what is wrong and nothing. */
export function readJob(bytes: Uint8Array, context: JobFileContext): FileRead<JobFile> {
  const text = textOf(bytes);
  if (!text.ok) return text;
  if (nesting(text.value) > DEPTH) return refuseFile('The file is nested too deep for a job.');
  let raw: unknown;
  try {
    raw = JSON.parse(text.value.replace(/^\uFEFF/, ''));
  } catch {
    return refuseFile('The file is not readable as JSON.');
  }
  const head = z.object({ format: z.string(), version: z.number() }).safeParse(raw);
  if (!head.success || head.data.format !== 'fine-spray-job') {
    return refuseFile('This is no job of Fine Spray: its "format" must be "fine-spray-job".');
  }
  const { version } = head.data;
  if (!Number.isInteger(version) || version < 1)
    return refuseFile('There is no such version: its "version" must be a whole number from 1 on.');
  if (version > JOB_FILE_VERSION) {
    return refuseFile(
      `The file is of version ${version}; this program reads up to version ${JOB_FILE_VERSION}. Update this program to open it.`,
    );
  }
  const file = jobFile.safeParse(newestJob(raw));
  if (!file.success) {
    const issues = file.error.issues.map((issue): FileIssue => ({
      row: 0,
      column: issue.path.map(String).join('.'),
      message: issue.message,
    }));
    return { ok: false, issues: issues.slice(0, ISSUES_SHOWN) };
  }
  return fitted(file.data, context);
}

/** How deep lists and objects of a job are nested at most. */
const DEPTH = 40;

/** How deep the lists and objects of a JSON text are nested, read without a parser. */
function nesting(text: string): number {
  let [depth, most, quoted] = [0, 0, false];
  for (let at = 0; at < text.length; at += 1) {
    const sign = text[at];
    if (sign === '\\') at += 1;
    else if (sign === '"') quoted = !quoted;
    else if (!quoted && (sign === '{' || sign === '[')) most = Math.max(most, (depth += 1));
    else if (!quoted && (sign === '}' || sign === ']')) depth -= 1;
  }
  return most;
}

/** A file with the coatings, sprayer and hoses of a kit: by id, else by name, else by kind of coating. */
function fitted(file: JobFile, { coatings, sprayerIds, hoseIds }: JobFileContext): FileRead<JobFile> {
  const notes: string[] = [];
  const issues: FileIssue[] = [];
  const own = new Map<string, string>();
  for (const { id, name, archetype } of file.coatings) {
    const found =
      coatings.find((one) => one.id === id) ??
      coatings.find((one) => one.name === name) ??
      coatings.find((one) => one.archetype === archetype);
    if (!found) {
      issues.push({
        row: 0,
        column: 'coatings',
        message: `Your kit has nothing like "${name}". Add such a coating first.`,
      });
      continue;
    }
    if (found.id !== id && found.name !== name) notes.push(`"${name}" becomes your "${found.name}".`);
    own.set(id, found.id);
  }
  const mapped = (id: string, path: string): string => {
    const found = own.get(id) ?? coatings.find((one) => one.id === id)?.id;
    if (found === undefined && !issues.some(({ column }) => column === path)) {
      issues.push({
        row: 0,
        column: path,
        message: 'This names a coating that is neither in the file nor in your kit.',
      });
    }
    return found ?? id;
  };
  const surfaces = file.surfaces.map((surface, index) => ({
    ...surface,
    coatingId: mapped(surface.coatingId, `surfaces.${index}.coatingId`),
    under: surface.under.map((layer, at) => ({
      ...layer,
      coatingId: mapped(layer.coatingId, `surfaces.${index}.under.${at}.coatingId`),
    })),
  }));
  const [firstSprayer] = sprayerIds;
  const sprayerId = sprayerIds.includes(file.job.sprayerId) ? file.job.sprayerId : firstSprayer;
  if (sprayerId === undefined)
    issues.push({ row: 0, column: 'job.sprayerId', message: 'Your kit has no sprayer yet.' });
  if (sprayerId !== undefined && sprayerId !== file.job.sprayerId) {
    notes.push('Its sprayer is not in your kit: your first one takes its place.');
  }
  const hoses = file.job.hoseIds.filter((id) => hoseIds.includes(id));
  if (hoses.length < file.job.hoseIds.length) notes.push('A hose of it is not in your kit and is left out.');
  if (issues.length > 0) return { ok: false, issues };
  return readFile(
    { ...file, surfaces, job: { ...file.job, sprayerId: sprayerId ?? '', hoseIds: hoses } },
    notes,
  );
}

/** The same job under ids of its own, to stand beside the one it was copied from. */
export function asCopy(file: JobFile, newId: () => string): JobFile {
  const jobId = newId();
  const places = new Map(file.places.map(({ id }) => [id, newId()]));
  return {
    ...file,
    job: { ...file.job, id: jobId },
    places: file.places.map((place) => ({ ...place, id: places.get(place.id) ?? newId(), jobId })),
    surfaces: file.surfaces.map((surface) => ({
      ...surface,
      id: newId(),
      jobId,
      placeId: surface.placeId === null ? null : (places.get(surface.placeId) ?? null),
    })),
  };
}
