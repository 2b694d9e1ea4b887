import { RESOURCES } from '@fine-spray/contract';
import { job } from '@fine-spray/contract/job';
import { company } from '@fine-spray/contract/kit';
import { whatIsWrong } from '@fine-spray/contract/problem';
import type { z } from 'zod';
import { checkRowsBy, fillRowsBy, type RowName } from './sound';

/** What a row of a list is checked by. Those of the first screen by themselves: to read all takes a slow phone half a second. */
export function schemaOf(name: RowName): z.ZodType {
  if (name === 'company') return company;
  return name === 'jobs' ? job : RESOURCES[name].row;
}

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
