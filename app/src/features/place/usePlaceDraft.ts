import {
  place as placeSchema,
  placeFields,
  type Coating,
  type Place,
  type Surface,
} from '@fine-spray/contract';
import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useRef } from 'react';
import { Refused } from '@/data/api';
import { sentences, useDraft } from '@/data/draft';
import { contentOf, keys, useBatch } from '@/data/resources';
import { keyOfRow, surfaceWrites, surfacesOfPlace } from '@/data/takeoff';

type Content = Omit<Place, 'id' | 'version' | 'createdAt' | 'updatedAt'>;

const contentOfPlace = (row: Place): Content => {
  const { version: _version, ...content } = contentOf(row);
  return content as unknown as Content;
};

function check(content: Content): Record<string, string> {
  const checked = placeFields.safeParse(content);
  return checked.success ? {} : sentences(checked.error.issues);
}

function read(current: unknown) {
  const row = placeSchema.parse(current);
  return { content: contentOfPlace(row), version: row.version };
}

/** Whether a write met another version of a surface, not of the place: then the surfaces are read again. */
function metOtherSurface(error: unknown, placeId: string): boolean {
  return (
    error instanceof Refused &&
    error.problem.current !== undefined &&
    (error.problem.current as { readonly id?: unknown }).id !== placeId &&
    !placeSchema.safeParse(error.problem.current).success
  );
}

/** A place being measured: it and the surfaces that follow from it are stored together, by themselves. */
export function usePlaceDraft(row: Place, coatings: readonly Coating[]) {
  const client = useQueryClient();
  const send = useBatch();
  const remembered = useRef(new Map<string, Surface>());
  const save = useCallback(
    async (content: Content, version: number, leaving: boolean): Promise<number> => {
      const write = async () => {
        const all = client.getQueryData<Surface[]>(keys.ofJob('surfaces', row.jobId)) ?? [];
        const existing = surfacesOfPlace(all, row.id);
        for (const surface of existing) remembered.current.set(keyOfRow(surface), surface);
        const follow = surfaceWrites({
          placeId: row.id,
          place: content,
          existing,
          coatings,
          remembered: [...remembered.current.values()],
        });
        const [stored] = await send(
          [{ resource: 'places', id: row.id, content: { ...content, version } }, ...follow],
          leaving,
        );
        return stored?.version ?? version;
      };
      try {
        return await write();
      } catch (error) {
        if (!metOtherSurface(error, row.id)) throw error;
        await client.refetchQueries({ queryKey: keys.ofJob('surfaces', row.jobId) });
        return write();
      }
    },
    [client, send, row.id, row.jobId, coatings],
  );
  const gone = useCallback(() => {
    void client.invalidateQueries({ queryKey: keys.ofJob('places', row.jobId) });
    void client.invalidateQueries({ queryKey: keys.ofJob('surfaces', row.jobId) });
  }, [client, row.jobId]);
  return useDraft<Content>({
    rowId: row.id,
    first: contentOfPlace(row),
    version: row.version,
    check,
    save,
    read,
    capability: 'plans',
    gone,
  });
}
