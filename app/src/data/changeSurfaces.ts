import type { BatchWrite, Surface } from '@fine-spray/contract';
import { useOneTap } from '@/ui/oneTap';
import { useToast } from '@/ui/toast';
import { whyFailed } from './api';
import { contentOf, useBatch } from './resources';

/** What can be changed of several surfaces at once. */
export type SurfacePart = Partial<Pick<Surface, 'room' | 'name' | 'coats' | 'coatingId' | 'state'>>;

/** Writes that change surfaces, each over the version that is seen. */
export const surfaceWrites = (
  rows: readonly Surface[],
  part: (row: Surface) => SurfacePart,
  version: (row: Surface, index: number) => number = (row) => row.version,
): BatchWrite[] =>
  rows.map((row, index) => ({
    resource: 'surfaces',
    id: row.id,
    content: { ...(contentOf(row) as Surface), ...part(row), version: version(row, index) },
  }));

/** Changes several surfaces in one step and says so, with a way back to what each was; two taps do it once. */
export function useChangeSurfaces() {
  const send = useBatch();
  const toast = useToast();
  return useOneTap(async (rows: readonly Surface[], part: SurfacePart, said: string) => {
    const failed = (error: unknown) => toast({ text: `Not changed: ${whyFailed(error)}` });
    const before = (row: Surface): SurfacePart =>
      Object.fromEntries(Object.keys(part).map((field) => [field, row[field as keyof SurfacePart]]));
    try {
      const stored = await send(surfaceWrites(rows, () => part));
      const undo = () =>
        void send(surfaceWrites(rows, before, (_row, index) => stored[index]?.version ?? 0)).catch(failed);
      toast({ text: said, undo });
    } catch (error) {
      failed(error);
    }
  });
}
