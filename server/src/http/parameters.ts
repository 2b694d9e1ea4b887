import { id as idSchema } from '@fine-spray/contract';
import type { Request } from 'express';
import { ProblemError } from './problems';

/** "{id}" of the contract as Express writes it. */
export const expressPath = (path: string) => path.replace(/\{(\w+)\}/g, ':$1');

/** The address people reach the server under: as it was set, else as it was asked for. */
export const originOf = (request: Request, publicUrl: string | undefined): string =>
  publicUrl ?? `${request.protocol}://${request.get('host') ?? ''}`;

/** An id of the path; what is no id is not found. */
export function idOf(request: Request, name = 'id'): string {
  const parsed = idSchema.safeParse(request.params[name]);
  if (!parsed.success) throw new ProblemError('not-found', 'There is nothing with this id.');
  return parsed.data.toLowerCase();
}
