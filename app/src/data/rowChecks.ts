import { RESOURCES, company, whatIsWrong } from '@fine-spray/contract';
import type { z } from 'zod';
import { checkRowsBy, fillRowsBy, type RowName } from './sound';

const schemaOf = (name: RowName): z.ZodType => (name === 'company' ? company : RESOURCES[name].row);

/** Rows are checked by the schemas of the contract from now on. Comes with the screens that show them. */
checkRowsBy((name, row) => {
  const checked = schemaOf(name).safeParse(row);
  if (checked.success) return undefined;
  const { id, name: called } = row as Readonly<Record<string, unknown>>;
  return {
    id: String(id),
    name: typeof called === 'string' && called !== '' ? called : `One of the ${name}`,
    why: whatIsWrong(checked.error),
  };
});

fillRowsBy((name, row) => schemaOf(name).parse(row) as object);
