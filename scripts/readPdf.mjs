// A PDF as a viewer reads it, for the tests: from a module, or as a program with the file on its input and JSON on its output.
import { buffer } from 'node:stream/consumers';
import { pathToFileURL } from 'node:url';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

/** What a part of a page is to who reads it by ear: its role with what it holds, text by its marks. */
const partOf = (node, textOf) => ({
  role: node.role,
  ...(node.alt === undefined ? {} : { alt: node.alt }),
  text: (node.children ?? [])
    .flatMap((one) => (one.type === 'content' ? [textOf.get(one.id) ?? ''] : []))
    .join(' '),
  parts: (node.children ?? []).filter((one) => one.role).map((one) => partOf(one, textOf)),
});

/** The text of a page by its marks, and what stands in none. */
async function marked(page) {
  const { items } = await page.getTextContent({ includeMarkedContent: true });
  const textOf = new Map();
  const open = [];
  let unmarked = '';
  for (const { type, id, tag, str } of items) {
    if (type === 'beginMarkedContentProps' || type === 'beginMarkedContent') open.push(id ?? tag);
    else if (type === 'endMarkedContent') open.pop();
    else if (str !== undefined && str.trim() !== '') {
      const mark = open.at(-1);
      if (mark === undefined) unmarked += str;
      else textOf.set(mark, `${textOf.get(mark) ?? ''}${str} `);
    }
  }
  return { textOf, unmarked };
}

const titlesOf = (outline) => outline.map(({ title, items }) => ({ title, items: titlesOf(items) }));

/**
 * Title, language and bookmarks, size of the pages in points, the text of each page, and what each holds for who reads by ear, with the
 * text that is marked as nothing.
 */
export async function readPdf(bytes) {
  const document = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise;
  const pages = [];
  const tree = [];
  let unmarked = '';
  let size = [];
  for (let number = 1; number <= document.numPages; number += 1) {
    const page = await document.getPage(number);
    size = page.view.slice(2);
    const { items } = await page.getTextContent();
    const text = items.map(({ str }) => str).join(' ');
    pages.push(text.replace(/\s+/g, ' '));
    const found = await marked(page);
    unmarked += found.unmarked;
    const structure = await page.getStructTree();
    tree.push(structure ? partOf(structure, found.textOf) : null);
  }
  const { info } = await document.getMetadata();
  const bookmarks = titlesOf((await document.getOutline()) ?? []);
  await document.destroy();
  return { title: info.Title, language: info.Language ?? null, bookmarks, size, pages, tree, unmarked };
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) {
  process.stdout.write(JSON.stringify(await readPdf(await buffer(process.stdin))));
}
