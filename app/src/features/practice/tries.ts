import { readStrokes, strokesFile, writeStrokes } from '@fine-spray/contract/practice';
import type { Recording } from '@fine-spray/core/practice';
import { readKept, readTexts, writeKept } from '@/data/kept';

/** Ids of those whose strokes are here, the newest first. */
const KEY = 'practice.strokes';
const keyOf = (id: string) => `${KEY}.${id}`;
/** Strokes are large: of the last few alone they are kept. */
const KEPT = 5;

const there = (): readonly string[] => readKept(KEY, readTexts, []);

/** Keeps the strokes of something that was sprayed; whether this device had room for them. */
export function keepStrokes(id: string, recording: Recording, piece: string, at: string): boolean {
  const [now, gone] = [[id, ...there().filter((one) => one !== id)], there().slice(KEPT - 1)];
  for (const old of gone) if (old !== id) writeKept(keyOf(old), undefined);
  return writeKept(keyOf(id), writeStrokes(recording, piece, at)) && writeKept(KEY, now.slice(0, KEPT));
}

/** The strokes that were sprayed last on a piece, while they are kept. */
export function lastStrokes(piece: string): Recording | undefined {
  for (const id of there()) {
    const file = readKept(keyOf(id), (stored) => strokesFile.safeParse(stored).data, undefined);
    if (file?.piece !== piece) continue;
    const read = readStrokes(file);
    if (read.ok) return read.value.recording;
  }
  return undefined;
}
