import type { z } from 'zod';

/** One call of the API: what the server mounts, the client calls and the OpenAPI document lists. */
export interface Operation {
  readonly method: 'get' | 'put' | 'post' | 'delete';
  /** Express and OpenAPI path: parameters in braces. */
  readonly path: string;
  readonly summary: string;
  /** What may stand in the query. */
  readonly query?: z.ZodObject;
  readonly body?: z.ZodType;
  /** Media type of a body that is a file. */
  readonly takes?: string;
  readonly answer?: z.ZodType;
  /** Media type of an answer that is a file. */
  readonly file?: string;
}
