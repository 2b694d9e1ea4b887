import { PICTURE, type EntryKind } from '@fine-spray/contract';
import { useCallback, useState } from 'react';
import { chosenPicture } from '@/data/deviceFiles';
import { useKept } from '@/data/kept';
import type { NewEntry } from '@/data/log';
import { pictures } from '@/data/pictures';
import { runWorker, type StartWorker } from '@/data/worker';
import type { SmallPicture } from '@/workers/smallPicture';

const startWorker: StartWorker = () =>
  new Worker(new URL('../../workers/picture.worker', window.location.href));

/** A picture of a form: kept on the device, its entry not written yet. */
export interface DraftPicture {
  readonly id: string;
  readonly words: string;
  readonly width: number;
  readonly height: number;
  readonly bytes: number;
}

const isDraft = (value: unknown): value is DraftPicture => {
  const { id, words, width, height, bytes } = (value ?? {}) as Record<string, unknown>;
  return (
    typeof id === 'string' &&
    typeof words === 'string' &&
    [width, height, bytes].every((one) => typeof one === 'number')
  );
};
const readDrafts = (stored: unknown): readonly DraftPicture[] | undefined =>
  Array.isArray(stored) && stored.every(isDraft) ? stored : undefined;

const made = (file: File, start: StartWorker): Promise<SmallPicture> =>
  new Promise((resolve) => {
    const failed = () =>
      resolve({ ok: false, message: 'The picture could not be made small on this device.' });
    const end = runWorker<Blob, SmallPicture>(
      start,
      file,
      (report) => {
        end();
        resolve(report);
      },
      failed,
    );
  });

export interface FormPictures {
  readonly drafts: readonly DraftPicture[];
  /** One is being made small. */
  readonly busy: boolean;
  /** Why the last was not taken. */
  readonly failed: string | undefined;
  readonly add: (from: 'camera' | 'files') => Promise<void>;
  readonly say: (id: string, words: string) => void;
  readonly remove: (id: string) => void;
  /** Their entries are written: the form has none any more. */
  readonly done: () => void;
}

/**
 * Pictures of a form: made small in a worker, kept on this device at once, so that a reload loses none.
 * @param key of the form
 */
export function usePictures(key: string, start: StartWorker = startWorker): FormPictures {
  const [drafts, setDrafts] = useKept<readonly DraftPicture[]>(`pictures ${key}`, readDrafts, []);
  const [busy, setBusy] = useState(false);
  const [failed, setFailed] = useState<string>();
  const add = useCallback(
    async (from: 'camera' | 'files') => {
      setFailed(undefined);
      if (drafts.length >= PICTURE.ofEntry) {
        setFailed(`${PICTURE.ofEntry} pictures go with one entry: write it down, and go on with another.`);
        return;
      }
      const file = await chosenPicture(from);
      if (!file) return;
      setBusy(true);
      try {
        const small = await made(file, start);
        if (!small.ok) {
          setFailed(small.message);
          return;
        }
        const { bytes, width, height } = small;
        const size = bytes.byteLength;
        const id = await pictures.keepDraft(bytes);
        setDrafts([...drafts, { id, words: '', width, height, bytes: size }]);
      } finally {
        setBusy(false);
      }
    },
    [drafts, setDrafts, start],
  );
  return {
    ...{ drafts, busy, failed, add },
    say: (id, words) => setDrafts(drafts.map((one) => (one.id === id ? { ...one, words } : one))),
    remove: (id) => {
      setDrafts(drafts.filter((one) => one.id !== id));
      void pictures.drop([id]);
    },
    done: () => setDrafts([]),
  };
}

/** The entries of a form's pictures. */
export const pictureEntries = (
  drafts: readonly DraftPicture[],
  of: string | null,
  where: Pick<NewEntry<EntryKind>, 'jobId' | 'surfaceId'>,
): readonly NewEntry<'picture'>[] =>
  drafts.map(({ id, words, width, height, bytes }) => ({
    kind: 'picture',
    payload: { pictureId: id, of, words, width, height, bytes },
    ...where,
  }));
