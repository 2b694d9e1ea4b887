import { simulate, type Refusal, type SimulationJob } from '@fine-spray/core';
import { filmBands, type FilmPictureData } from './filmBands';

/** What the screen sends, and what comes back. Stopping is ending the worker. */
export interface FilmRequest {
  readonly job: SimulationJob;
  readonly wanted: number;
}
export type FilmReport =
  | { readonly kind: 'progress'; readonly share: number }
  | { readonly kind: 'done'; readonly film: FilmPictureData }
  | { readonly kind: 'refused'; readonly refusal: Refusal };

const worker = globalThis as unknown as {
  onmessage: ((event: { data: FilmRequest }) => void) | null;
  postMessage: (report: FilmReport) => void;
};

worker.onmessage = ({ data: { job, wanted } }) => {
  const run = simulate(job);
  let step = run.next();
  while (!step.done) {
    worker.postMessage({ kind: 'progress', share: step.value });
    step = run.next();
  }
  const result = step.value;
  if (!result.ok) worker.postMessage({ kind: 'refused', refusal: result });
  else {
    const { minimum, sagLimit } = job.limits;
    worker.postMessage({ kind: 'done', film: filmBands(result.value, { minimum, sagLimit, wanted }) });
  }
};
