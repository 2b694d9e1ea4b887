// A PDF as a viewer reads it, for the tests: from a module, or as a program with the file on its input and JSON on its output.
import { buffer } from 'node:stream/consumers';
import { pathToFileURL } from 'node:url';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

/** Title, size of the pages in points, and the text of each page. */
export async function readPdf(bytes) {
  const document = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise;
  const pages = [];
  let size = [];
  for (let number = 1; number <= document.numPages; number += 1) {
    const page = await document.getPage(number);
    size = page.view.slice(2);
    const { items } = await page.getTextContent();
    const text = items.map(({ str }) => str).join(' ');
    pages.push(text.replace(/\s+/g, ' '));
  }
  const { info } = await document.getMetadata();
  await document.destroy();
  return { title: info.Title, size, pages };
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) {
  process.stdout.write(JSON.stringify(await readPdf(await buffer(process.stdin))));
}
