import { surface as surfaceSchema, surfaceFields, type Surface } from '@fine-spray/contract';
import { useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { sentences, useDraft } from '@/data/draft';
import { contentOf, keys, useWrites } from '@/data/resources';

type Content = Omit<Surface, 'id' | 'version' | 'createdAt' | 'updatedAt'>;

/** Content of a row in the shape the contract checks. */
const contentOfSurface = (row: Surface): Content => {
  const { version: _version, ...content } = contentOf(row);
  return content as unknown as Content;
};

function check(content: Content): Record<string, string> {
  const checked = surfaceFields.safeParse(content);
  return checked.success ? {} : sentences(checked.error.issues);
}

function read(current: unknown) {
  const row = surfaceSchema.parse(current);
  return { content: contentOfSurface(row), version: row.version };
}

/** A surface being edited, stored by itself. */
export function useSurfaceDraft(row: Surface) {
  const { put } = useWrites('surfaces');
  const save = useCallback(
    async (content: Content, version: number, leaving: boolean) =>
      (await put({ id: row.id, content: { ...content, version }, keepalive: leaving })).version,
    [put, row.id],
  );
  const client = useQueryClient();
  const gone = useCallback(
    () => void client.invalidateQueries({ queryKey: keys.ofJob('surfaces', row.jobId) }),
    [client, row.jobId],
  );
  return useDraft<Content>({
    rowId: row.id,
    first: contentOfSurface(row),
    version: row.version,
    check,
    save,
    read,
    capability: 'plans',
    gone,
  });
}
