import type { PaperKind, PaperOptions } from '@fine-spray/contract';
import { fileOf } from './api';

/** Options of a sheet with the day it is printed on. */
export type PrintedOptions = PaperOptions & { readonly date: string };

/** A sheet of a job as PDF, made by the server. */
export function paperOf(jobId: string, kind: PaperKind, options: PrintedOptions): Promise<Blob> {
  const query = new URLSearchParams({ ...options });
  return fileOf(`/api/jobs/${jobId}/${kind}.pdf?${query.toString()}`);
}
