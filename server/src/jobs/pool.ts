import { availableParallelism } from 'node:os';
import type { Response } from 'express';
import { Piscina } from 'piscina';
import { ProblemError } from '../http/problems';
import type { CalendarTask } from '../calendars/task';
import type { PaperTask } from '../paper/task';

/** What is made in a worker. */
export type PoolTask = PaperTask | CalendarTask;

/** Heavy work of the server, in worker threads. */
export interface Pool {
  /** Makes a sheet or a calendar; the signal stops it. Refuses with a problem when too much waits already. */
  run(task: PoolTask, signal: AbortSignal): Promise<Uint8Array>;
  close(): Promise<void>;
}

/** Tasks that wait at most, for each worker: more would be given up on before their turn comes. */
const WAITING = 8;
/** How long an unused worker is kept, ms. */
const KEPT = 60_000;

/**
 * Starts workers from the built file of `jobs/worker.ts` when there is work, one core left to the requests.
 * @param ready workers that are started at once and kept, so that the first sheet does not wait for one
 */
export function createPool(workerFile: string, ready = 0): Pool {
  const maxThreads = Math.max(1, availableParallelism() - 1);
  const pool = new Piscina<PoolTask, Uint8Array>({
    filename: workerFile,
    minThreads: ready,
    maxThreads,
    maxQueue: WAITING * maxThreads,
    idleTimeout: KEPT,
  });
  return {
    run: async (task, signal) => {
      if (pool.queueSize >= WAITING * maxThreads) {
        throw new ProblemError('busy', 'Many sheets are being made at once. Try again in a moment.');
      }
      return pool.run(task, { signal });
    },
    close: () => pool.destroy(),
  };
}

/** Makes something for who waits for an answer; a client that leaves stops the work. */
export function madeFor(response: Response, pool: Pool, task: PoolTask): Promise<Uint8Array> {
  const left = new AbortController();
  response.once('close', () => left.abort());
  return pool.run(task, left.signal);
}
