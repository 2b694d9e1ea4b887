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

/** Where the service worker keeps what another application shares (`public/shared.js`). */
const SHARED = 'fine-spray-shared';

/** A file another application has shared, and no longer kept. */
async function sharedFile(): Promise<ChosenFile | undefined> {
  if (typeof caches === 'undefined') return undefined;
  const cache = await caches.open(SHARED);
  const [request] = await cache.keys();
  const response = request && (await cache.match(request));
  await caches.delete(SHARED);
  if (!request || !response) return undefined;
  const name = decodeURIComponent(new URL(request.url).pathname.split('/').at(-1) ?? '');
  return { name, bytes: new Uint8Array(await response.arrayBuffer()) };
}

/** Takes the file that somebody opened with the installed application, or shared with it, where a device does that. */
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
    void sharedFile()
      .then((file) => file && taken(file))
      .catch(() => undefined);
  }, [taken]);
}
