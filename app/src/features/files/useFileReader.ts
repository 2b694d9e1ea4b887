import { BYTES_LIMIT, refuseFile, type FileRead } from '@fine-spray/contract/formats';
import { useCallback, useEffect, useRef, useState } from 'react';
import { chooseFile } from '@/data/deviceFiles';
import { runWorker, type StartWorker } from '@/data/worker';
import type { FileContents, FileOrder, FileWanted } from '@/workers/fileOrders';

const startWorker: StartWorker = () => new Worker(new URL('../../workers/file.worker', window.location.href));

/** How long a file may take, ms: the largest that is of use takes a few seconds on a slow phone. */
const LONGEST = 30_000;

/** A file that was chosen: being read, or as it was read. */
export interface Chosen<Wanted extends FileWanted> {
  readonly name: string;
  /** Nothing while it is being read. */
  readonly result?: FileRead<FileContents[Wanted]>;
}

/**
 * Files that a person chooses, read in a worker so that the screen goes on whatever is in them: not larger than a limit, not
 * longer than a while, and ended when nobody waits any more.
 */
export function useFileReader<Wanted extends FileWanted>(
  wanted: Wanted,
  start: StartWorker = startWorker,
  longest = LONGEST,
) {
  const [chosen, setChosen] = useState<Chosen<Wanted>>();
  const end = useRef<() => void>(() => undefined);
  useEffect(() => () => end.current(), []);

  const read = useCallback(
    (order: Omit<FileOrder<Wanted>, 'wanted'>) => {
      end.current();
      const { name, bytes } = order;
      const done = (result: FileRead<FileContents[Wanted]>) => {
        end.current();
        setChosen({ name, result });
      };
      if (bytes.length > BYTES_LIMIT) {
        done(refuseFile('The file is larger than 8 MB. Split it.'));
        return;
      }
      setChosen({ name });
      const terminate = runWorker<FileOrder<Wanted>, FileRead<FileContents[Wanted]>>(
        start,
        { ...order, wanted },
        done,
        () => done(refuseFile('The file could not be read on this device.')),
      );
      const late = setTimeout(
        () => done(refuseFile('The file takes too long to read. Split it, or write it again.')),
        longest,
      );
      end.current = () => {
        clearTimeout(late);
        terminate();
      };
    },
    [wanted, start, longest],
  );
  /** Lets a person choose a file and reads it. */
  const choose = useCallback(
    async (accept: string, more: Omit<FileOrder<Wanted>, 'wanted' | 'name' | 'bytes'> = {}) => {
      const file = await chooseFile(accept);
      if (file) read({ ...file, ...more });
    },
    [read],
  );
  const drop = useCallback(() => {
    end.current();
    setChosen(undefined);
  }, []);
  return { chosen, read, choose, drop };
}
