import { randomUUID } from 'node:crypto';
import { PDFDict, PDFDocument, PDFName, PDFRef } from 'pdf-lib';
import { readPdf, type PdfPart, type ReadPdf } from '../testing/pdf';
import { startTestServer, type TestServer } from '../testing/server';

let server: TestServer;
let tern: string;
let sheets: readonly string[];
beforeAll(async () => {
  server = await startTestServer();
  const { items: jobs = [] } = (await server.call('GET', '/api/jobs')).body;
  tern = String(jobs.find(({ name }) => name === 'Tern Boathouse')?.['id']);
  const { items: offers = [] } = (await server.call('GET', `/api/jobs/${tern}/offers`)).body;
  const { items: entries = [] } = (await server.call('GET', '/api/entries')).body;
  const day = String(entries[0]?.['at']).slice(0, 10);
  sheets = [
    ...['job-sheet', 'buy-list', 'days'].map((name) => `/api/jobs/${tern}/${name}.pdf`),
    `/api/offers/${String(offers[0]?.['id'])}/offer.pdf`,
    `/api/log/days/${day}?zone=UTC`,
    '/api/log/viscosity.pdf?zone=UTC',
  ];
});
afterAll(() => server.stop());

async function bytesOf(url: string): Promise<Uint8Array> {
  const response = await fetch(`${server.address}${url}`);
  expect([url, response.status]).toEqual([url, 200]);
  return new Uint8Array(await response.arrayBuffer());
}

/** The parts of a sheet in their order, whatever they stand in. */
const flat = ({ tree }: ReadPdf): PdfPart[] => {
  const all = (part: PdfPart): PdfPart[] => [part, ...part.parts.flatMap(all)];
  return tree.flatMap((page) => (page ? all(page) : []));
};
const said = (parts: readonly PdfPart[], role: string) =>
  parts.filter((part) => part.role === role).map(({ text }) => text.replace(/\s+/g, ' ').trim());

describe('every sheet, to who reads it by ear', () => {
  it('has its language, one title, headings that are bookmarks, and tables with titles', async () => {
    for (const url of sheets) {
      const read = await readPdf(await bytesOf(url));
      const parts = flat(read);
      expect([url, read.language]).toEqual([url, 'en']);
      expect([url, said(parts, 'H1').length]).toEqual([url, 1]);
      expect([url, read.bookmarks.map(({ title }) => title)]).toEqual([url, said(parts, 'H2')]);
      // What is no decoration is a part: nothing is left for the reader to guess.
      expect([url, read.unmarked]).toEqual([url, '']);
      for (const table of parts.filter(({ role }) => role === 'Table')) {
        const rows = table.parts.map((row) => row.parts.map(({ role }) => role));
        expect(table.parts.every(({ role }) => role === 'TR')).toBe(true);
        expect(new Set(rows.map((cells) => cells.length)).size).toBe(1);
      }
    }
  });

  it('says the same by a second reader: tagged, in a language, with every font in the file', async () => {
    for (const url of sheets) {
      const { catalog, context } = await PDFDocument.load(await bytesOf(url));
      const marks = catalog.lookup(PDFName.of('MarkInfo'), PDFDict);
      expect([url, String(marks.get(PDFName.of('Marked')))]).toEqual([url, 'true']);
      expect(catalog.lookup(PDFName.of('StructTreeRoot'), PDFDict).get(PDFName.of('K'))).toBeDefined();
      const named = (dict: PDFDict, name: string) => String(dict.get(PDFName.of(name)));
      const objects = context.enumerateIndirectObjects().map(([, object]) => object);
      const fonts = objects.filter(
        (one): one is PDFDict => one instanceof PDFDict && named(one, 'Type') === '/FontDescriptor',
      );
      expect(fonts.length).toBeGreaterThan(0);
      for (const font of fonts) expect(font.get(PDFName.of('FontFile2'))).toBeInstanceOf(PDFRef);
    }
  });

  it('says on each page after the first what it belongs to', async () => {
    const { pages } = await readPdf(await bytesOf(sheets[0] ?? ''));
    expect(pages.length).toBeGreaterThan(5);
    for (const page of pages.slice(1))
      expect(page).toMatch(/Tern Boathouse: job sheet (In short|Cautions|Set-up cards|Areas and how)/);
    expect(pages[0]).not.toMatch(/Tern Boathouse: job sheet (In short|Cautions)/);
  });
});

describe('names in any letters', () => {
  async function sheetOf(name: string, note = ''): Promise<ReadPdf> {
    const { body } = await server.call('GET', `/api/jobs/${tern}`);
    const { sprayerId, hoseIds } = body;
    const id = randomUUID();
    const put = await server.call('PUT', `/api/jobs/${id}`, {
      ...{ name, place: '', note, status: 'estimate', sprayerId, hoseIds, lift: 0, version: 0 },
    });
    expect(put.status).toBe(200);
    return readPdf(await bytesOf(`/api/jobs/${id}/job-sheet.pdf`));
  }

  it.each(['Дом у реки', 'Σπίτι στη λίμνη', 'Nhà trên đồi, tầng một', 'Łódź «½»'])(
    '“%s” is set as it is written',
    async (name) => {
      const { pages, title } = await sheetOf(name);
      expect(title).toBe(`${name}: job sheet`);
      expect(pages[0]).toContain(name);
      expect(pages.join(' ')).not.toContain('\uFFFD');
    },
  );

  it('what no font has is said on the sheet, and the rest of the name stands', async () => {
    const { pages } = await sheetOf('Haus 川の家 12');
    expect(pages[0]).toContain('Haus \uFFFD\uFFFD\uFFFD 12');
    expect(pages[0]).toContain('the fonts of this sheet have no such letter or sign');
  });

  it('nothing is said of it where all could be set', async () => {
    expect((await sheetOf('Plain', 'A note – with “signs”')).pages.join(' ')).not.toContain('no such letter');
  });
});

describe('a table', () => {
  it('goes on over pages with the titles of its columns, and cuts nothing off a cell longer than a page', async () => {
    const words = Array.from({ length: 600 }, (_, index) => `word${index}`).join(' ');
    const at = new Date().toISOString();
    const entry = { kind: 'note', schema: 1, at, author: 'AH', jobId: null, surfaceId: null, replaces: null };
    const put = await server.call('PUT', `/api/entries/${randomUUID()}`, {
      ...entry,
      payload: { text: words },
      version: 0,
    });
    expect([put.status, put.body['detail']]).toEqual([200, undefined]);
    const read = await readPdf(await bytesOf(`/api/log/days/${at.slice(0, 10)}?zone=UTC`));
    const text = read.pages.join(' ');
    for (const word of ['word0', 'word299', 'word599']) expect(text).toContain(word);
    const numbers = [...text.matchAll(/word(\d+)/g)].map(([, number]) => Number(number));
    expect(numbers).toEqual(Array.from({ length: 600 }, (_, index) => index));
    const withTable = read.pages.filter((page) => /word\d/.test(page));
    expect(withTable.length).toBeGreaterThan(1);
    for (const page of withTable) expect(page).toContain('Time Who What Where');
  });
});
