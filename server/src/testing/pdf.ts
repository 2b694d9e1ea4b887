import { execFileSync } from 'node:child_process';
import path from 'node:path';

export interface ReadPdf {
  readonly title: string;
  /** Width and height of its pages, points. */
  readonly size: readonly number[];
  readonly pages: readonly string[];
}

const READER = path.resolve(__dirname, '../../../scripts/readPdf.mjs');

/** Reads a PDF as a viewer would; in a program of its own, because the reader is a module that Jest cannot load. */
export function readPdf(bytes: Uint8Array): ReadPdf {
  return JSON.parse(execFileSync(process.execPath, [READER], { input: bytes, encoding: 'utf8' })) as ReadPdf;
}
