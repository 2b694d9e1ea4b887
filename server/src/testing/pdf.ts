import { spawn } from 'node:child_process';
import { text } from 'node:stream/consumers';
import path from 'node:path';

export interface ReadPdf {
  readonly title: string;
  /** Width and height of its pages, points. */
  readonly size: readonly number[];
  readonly pages: readonly string[];
}

const READER = path.resolve(__dirname, '../../../scripts/readPdf.mjs');

/**
 * Reads a PDF as a viewer would; in a program of its own, because the reader is a module that Jest cannot load. This process
 * goes on meanwhile: it is also the server, and must keep its connections.
 */
export async function readPdf(bytes: Uint8Array): Promise<ReadPdf> {
  const reader = spawn(process.execPath, [READER], { stdio: ['pipe', 'pipe', 'inherit'] });
  reader.stdin.end(bytes);
  return JSON.parse(await text(reader.stdout)) as ReadPdf;
}
