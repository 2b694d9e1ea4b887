import {
  ENTRIES_AT_ONCE,
  KIT_RESOURCES,
  type Contents,
  type JobFile,
  type KitFile,
  type LogFile,
  type ResourceName,
} from '@fine-spray/contract';
import type { Database } from '../db/database';
import { ProblemError } from '../http/problems';
import { storeOf } from '../resources/store';

/** Parts an imported item into its id and its content. */
function split<Item extends { id: string }>({
  id,
  ...fields
}: Item): { id: string; fields: Omit<Item, 'id'> } {
  return { id, fields };
}

/** Stores rows of a file in their order. */
export async function importRows<Name extends ResourceName>(
  db: Database,
  companyId: string,
  name: Name,
  items: readonly { readonly id: string }[],
): Promise<void> {
  const store = storeOf(db, name);
  for (const item of items) {
    const { id, fields } = split(item);
    await store.put(companyId, id, 0, fields as unknown as Contents[Name]);
  }
}

/** A company has an owner from its first person on. */
const ownersFirst = (people: KitFile['people']): KitFile['people'] => {
  const rank = ({ role, active }: KitFile['people'][number]) => (role === 'owner' && active ? 0 : 1);
  return [...people].sort((a, b) => rank(a) - rank(b));
};

/** Makes the company of a file with its kit. */
export async function importKit(db: Database, file: KitFile): Promise<string> {
  const { id: companyId, name, book } = file.company;
  await db('company').insert({
    id: companyId,
    name,
    book: book === null ? null : JSON.stringify(book),
    version: 1,
  });
  for (const resource of KIT_RESOURCES) {
    const rows = resource === 'people' ? ownersFirst(file.people) : file[resource];
    await importRows(db, companyId, resource, rows);
  }
  return companyId;
}

/** Stores a job with its places and surfaces. */
export async function importJob(
  db: Database,
  companyId: string,
  { job, places, surfaces }: JobFile,
): Promise<void> {
  await importRows(db, companyId, 'jobs', [job]);
  await importRows(db, companyId, 'places', places);
  await importRows(db, companyId, 'surfaces', surfaces);
}

/** Stores entries in their order; whose they are is told by the initials, where those are one person's. */
export async function importLog(db: Database, companyId: string, items: LogFile['entries']): Promise<void> {
  const { items: people } = await storeOf(db, 'people').list(companyId);
  const personOf = (author: string) => {
    const [one, ...others] = people.filter(({ initials }) => initials === author);
    return one && others.length === 0 ? one.id : null;
  };
  const store = storeOf(db, 'entries');
  for (let from = 0; from < items.length; from += ENTRIES_AT_ONCE) {
    const rows = items.slice(from, from + ENTRIES_AT_ONCE).map(({ clockSkew, ...rest }) => {
      const { id, fields } = split(rest);
      return { id, content: fields, beside: { clockSkew, personId: personOf(fields.author) } };
    });
    for (const stored of await store.append(companyId, rows))
      if (stored instanceof ProblemError) throw stored;
  }
}
