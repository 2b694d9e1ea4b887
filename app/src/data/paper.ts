import type { PaperOptions } from '@fine-spray/contract';
import { fileOf } from './api';

/** Options of a sheet with the day it is printed on. */
export type PrintedOptions = PaperOptions & { readonly date: string };

/** A sheet as PDF, made by the server at an address of its own. */
export function paperAt(address: string, options: PrintedOptions): Promise<Blob> {
  const query = new URLSearchParams({ ...options });
  return fileOf(`${address}?${query.toString()}`);
}
