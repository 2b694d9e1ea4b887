import type { Sheet } from '@fine-spray/contract/formats';
import { xlsxOf } from './xlsx';

/** The workbook, or nothing where it could not be made. */
export type XlsxReport = { readonly file: Blob | undefined };

const worker = globalThis as unknown as {
  onmessage: ((event: { data: Sheet }) => void) | null;
  postMessage: (report: XlsxReport) => void;
};

worker.onmessage = ({ data }) => {
  void xlsxOf(data)
    .catch(() => undefined)
    .then((file) => worker.postMessage({ file }));
};
