import {
  RESOURCES,
  RESOURCE_NAMES,
  documentNaming,
  idsAt,
  type Reference,
  type ResourceName,
} from '@fine-spray/contract';
import type { Database } from '../db/database';
import { ProblemError } from '../http/problems';

/** What the checks of a write read of a definition. */
interface Checked {
  readonly table: string;
  readonly references?: readonly Reference[];
  readonly limit?: { readonly within: string; readonly most: number; readonly sentence: string };
}

const resourceOf = (name: string) => RESOURCES[name as ResourceName];

/** Refuses ids inside documents that name no row, at the place they stand. Those in columns are foreign keys. */
export async function checkReferences(
  db: Database,
  { references = [] }: Checked,
  companyId: string,
  content: object,
): Promise<void> {
  for (const { at, to } of references) {
    const named = idsAt(content, at);
    if (named.length === 0) continue;
    const { table, one } = resourceOf(to);
    const rows = await db(table)
      .where({ companyId })
      .whereIn(
        'id',
        named.map(({ id }) => id),
      )
      .select<{ id: string }[]>('id');
    const known = new Set(rows.map(({ id }) => id));
    const gone = named.find(({ id }) => !known.has(id.toLowerCase()));
    if (!gone) continue;
    const message = `This ${one} does not exist, or was deleted.`;
    throw new ProblemError('bad-body', message, [{ field: gone.field, message, code: 'reference' }]);
  }
}

/** Refuses a row over the number there may be. */
export async function checkRoom(
  db: Database,
  { table, limit }: Checked,
  companyId: string,
  id: string,
  content: object,
): Promise<void> {
  if (!limit) return;
  const { within, most, sentence } = limit;
  const value = (content as Readonly<Record<string, string>>)[within] ?? '';
  const [row] = await db(table)
    .where({ companyId, [within]: value })
    .whereNot({ id })
    .count<{ count: string }[]>('* as count');
  if (Number(row?.count ?? 0) < most) return;
  throw new ProblemError('bad-body', sentence, [{ field: within, message: sentence, code: 'job.full' }]);
}

/** Refuses to delete a row that a document of another still names. */
export async function checkUnused(
  db: Database,
  name: ResourceName,
  companyId: string,
  id: string,
): Promise<void> {
  for (const from of RESOURCE_NAMES) {
    const { table, references = [] } = RESOURCES[from];
    for (const { at, to, of } of references) {
      if (to !== name) continue;
      const { field, document } = documentNaming(at, id);
      const used = await db(table)
        .where({ companyId })
        .whereRaw('?? @> ?::jsonb', [field, JSON.stringify(document)])
        .first<{ id: string } | undefined>('id');
      if (!used) continue;
      const { one } = RESOURCES[name];
      throw new ProblemError('in-use', `This ${one} is still used by ${of}. Choose another one there first.`);
    }
  }
}
