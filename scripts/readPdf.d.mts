/** Title, size of the pages in points, and the text of each page of a PDF. */
export declare function readPdf(bytes: Uint8Array): Promise<{
  readonly title: string;
  readonly size: readonly number[];
  readonly pages: readonly string[];
}>;
