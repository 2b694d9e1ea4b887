import { useEffect } from 'react';
import type { ChosenFile } from '@/data/deviceFiles';
import { useStable } from '@/ui/stable';

/** What a device hands over that opens a file with the installed application (WICG File Handling). */
interface Launched {
  readonly files?: readonly { readonly getFile: () => Promise<File> }[];
}
interface LaunchQueue {
  readonly setConsumer: (consumer: (launched: Launched) => void) => void;
}

/** Takes the file that somebody opened with the installed application, where a device does that. */
export function useOpenedWith(take: (file: ChosenFile) => void): void {
  const taken = useStable(take);
  useEffect(() => {
    const { launchQueue } = globalThis as { launchQueue?: LaunchQueue };
    launchQueue?.setConsumer(({ files = [] }) => {
      void (async () => {
        const file = await files[0]?.getFile();
        if (file) taken({ name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) });
      })();
    });
  }, [taken]);
}
