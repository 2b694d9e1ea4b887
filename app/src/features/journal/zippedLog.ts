import { isReadable, payloadOf } from '@fine-spray/contract';
import type { JournalLine } from '@fine-spray/contract/log';
import { strToU8, zipSync } from 'fflate';
import { fileName } from '@/data/deviceFiles';
import { pictures } from '@/data/pictures';

/** What of a log goes into one file. */
export interface LogToZip {
  readonly csv: string;
  readonly json: string;
  readonly lines: readonly JournalLine[];
}

/**
 * A log with its pictures as one ZIP: the log as CSV and JSON, pictures named by when, who and what they show.
 * @returns the file, and how many pictures neither this device nor the server has
 */
export async function zippedLog(
  { csv, json, lines }: LogToZip,
  onProgress: (done: number, of: number) => void,
  blobOf: (id: string) => Promise<Blob> = (id) => pictures.blobOf(id),
): Promise<{ readonly file: Blob; readonly missing: number }> {
  const files: Record<string, Uint8Array> = { 'site-log.csv': strToU8(csv), 'site-log.json': strToU8(json) };
  const shots = lines.flatMap(({ entry, clock, words, replacedBy }) =>
    entry.kind === 'picture' && !replacedBy && isReadable(entry)
      ? [
          {
            id: payloadOf({ ...entry, kind: 'picture' }).pictureId,
            day: entry.at.slice(0, 10),
            clock,
            author: entry.author,
            words,
          },
        ]
      : [],
  );
  let missing = 0;
  for (const [index, { id, day, clock, author, words }] of shots.entries()) {
    onProgress(index + 1, shots.length);
    try {
      const name = fileName([day, clock.replace(':', ''), author, words, id.slice(-4)].join(' '), 'jpg');
      files[`pictures/${name}`] = new Uint8Array(await (await blobOf(id)).arrayBuffer());
    } catch {
      missing += 1;
    }
  }
  // Pictures are packed already: only stored.
  const zipped = zipSync(files, { level: 0 });
  return { file: new Blob([zipped], { type: 'application/zip' }), missing };
}
