import { spawn } from 'node:child_process';
import { text } from 'node:stream/consumers';
import path from 'node:path';

/** What a part of a page is to who reads it by ear. */
export interface PdfPart {
  readonly role: string;
  readonly alt?: string;
  readonly text: string;
  readonly parts: readonly PdfPart[];
}

export interface PdfBookmark {
  readonly title: string;
  readonly items: readonly PdfBookmark[];
}

export interface ReadPdf {
  readonly title: string;
  readonly language: string | null;
  readonly bookmarks: readonly PdfBookmark[];
  /** By page; null where a page says nothing. */
  readonly tree: readonly (PdfPart | null)[];
  /** Text that is marked neither as a part nor as decoration. */
  readonly unmarked: string;
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
