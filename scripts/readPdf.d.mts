import type { ReadPdf } from '../server/src/testing/pdf';

/** Reads a PDF as a viewer would. */
export declare function readPdf(bytes: Uint8Array): Promise<ReadPdf>;
