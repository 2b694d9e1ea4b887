import PDFDocument from 'pdfkit';
import type { PaperSize } from '@fine-spray/contract';
import { EMERGENCY_CARDS } from '@fine-spray/core/emergency';
import { PRECEDENCE_NOTE } from '@fine-spray/core/safety';
import { Letters, type FontFile } from './letters';

/** Fonts of a sheet, each with the one that sets what it has no letters for. */
export interface PaperFonts {
  readonly regular: FontFile;
  readonly bold: FontFile;
  /** Digits of one width, for tip codes. */
  readonly digits: FontFile;
}

/** How something is written: in which font, and how large, pt. */
interface Style {
  readonly font: keyof PaperFonts;
  readonly size: number;
}

/** What a part of a sheet is to who reads it by ear (ISO 32000-1, 14.8.4). */
type Role = 'H1' | 'H2' | 'H3' | 'P' | 'Figure';

type Structure = PDFKit.PDFStructureElement;

/** Options that the types of the package do not know yet. */
type Unknown<Options extends object> = Options & Record<string, unknown>;

/** Where the cells of a column stand. */
interface Place {
  readonly x: number;
  readonly options: PDFKit.Mixins.TextOptions;
}

export interface PaperHead {
  /** Stands in every footer and in the properties of the file. */
  readonly title: string;
  readonly author: string;
  readonly date: string;
  /** It goes to somebody who does not spray: nothing of the site stands at its foot. */
  readonly forOthers?: boolean;
}

/** A column of a table: its title, its share of the width, and the side its cells keep to. */
export interface PaperColumn {
  readonly title: string;
  readonly share: number;
  readonly align?: 'right';
}

export interface Cell {
  readonly label: string;
  readonly value: string;
  /** Small, below the value. */
  readonly note?: string;
}

/** Points. */
const MARGIN = 42;
const FOOTER = 40;
const SIZES = { a4: 'A4', letter: 'LETTER' } as const satisfies Record<PaperSize, string>;
/** Sizes of text: read at a table, and at arm's length from a sheet taped to the wall. */
const SMALL = 9;
const BODY = 10.5;
const STRONG = 13;
const HUGE = 40;
/** Above and below the text of a row. */
const ROW_PADDING = 3;
const COLUMN_TITLE: Unknown<PDFKit.Mixins.StructureElementOptions> = { scope: 'Column' };
const SMALL_TEXT: Style = { font: 'regular', size: SMALL };
const BODY_TEXT: Style = { font: 'regular', size: BODY };
const STRONG_BODY: Style = { font: 'bold', size: BODY };
const STRONG_TEXT: Style = { font: 'bold', size: STRONG };

/** Said where something could not be set. */
const MISSING_LETTERS =
  'Where \uFFFD stands, the fonts of this sheet have no such letter or sign: the screens show it.';

/**
 * A printed sheet: black on white, so that any printer does; texts flow from page to page, each with its number and
 * what to do when paint went under the skin; one for others than the crew has its number alone. What it shows is tagged for
 * who reads it by ear, with headings, tables and bookmarks.
 */
export class Paper {
  readonly #doc: PDFKit.PDFDocument;
  readonly #head: PaperHead;
  readonly #letters: Letters;
  readonly #fonts: PaperFonts;
  readonly #chunks: Buffer[] = [];
  readonly #root: Structure;
  #section: Structure;
  #bookmark: PDFKit.PDFOutline | undefined;
  /** Under which heading each page after the first begins. */
  readonly #begun: string[] = [''];
  #heading = '';

  constructor(size: PaperSize, fonts: PaperFonts, head: PaperHead) {
    this.#head = head;
    this.#doc = new PDFDocument({
      size: SIZES[size],
      margins: { top: MARGIN, left: MARGIN, right: MARGIN, bottom: MARGIN + FOOTER },
      bufferPages: true,
      pdfVersion: '1.7',
      tagged: true,
      lang: 'en',
      displayTitle: true,
      info: { Title: head.title, Author: head.author, CreationDate: new Date(`${head.date}T12:00:00Z`) },
    });
    this.#doc.on('data', (chunk: Buffer) => this.#chunks.push(chunk));
    this.#doc.on('pageAdded', () => this.#begun.push(this.#heading));
    this.#fonts = fonts;
    this.#letters = new Letters();
    this.#root = this.#doc.struct('Document');
    this.#doc.addStructure(this.#root);
    this.#section = this.#begin('Sect', this.#root);
    this.#font(BODY_TEXT, '');
  }

  get #left(): number {
    return MARGIN;
  }
  get #width(): number {
    return this.#doc.page.width - 2 * MARGIN;
  }
  get #bottom(): number {
    return this.#doc.page.height - MARGIN - FOOTER;
  }

  #begin(kind: string, inside: Structure): Structure {
    const structure = this.#doc.struct(kind);
    inside.add(structure);
    return structure;
  }

  /** Draws what belongs together, as what it is. */
  #as(role: Role, draw: () => void, alt?: string): void {
    const structure = this.#doc.struct(role, alt === undefined ? {} : { alt }, [draw]);
    this.#section.add(structure);
  }

  /** Draws what says nothing to who reads by ear: lines, frames, page numbers. */
  #decor(draw: () => void, type: 'Layout' | 'Pagination' = 'Layout'): void {
    this.#doc.markContent('Artifact', { type });
    draw();
    this.#doc.endMarkedContent();
  }

  /** Makes ready the font that sets a text; gives the text as it can be set. */
  #font({ font, size }: Style, text: string): string {
    const set = this.#letters.set(text, this.#fonts[font]);
    this.#doc.font(set.file).fontSize(size);
    return set.text;
  }

  #heightOf(text: string, style: Style, options: PDFKit.Mixins.TextOptions): number {
    return this.#doc.heightOfString(this.#font(style, text), options);
  }

  #write(text: string, style: Style, x: number, y: number, options: PDFKit.Mixins.TextOptions): void {
    this.#doc.text(this.#font(style, text), x, y, options);
  }

  /** Begins a new page when less than this is left of the one at hand, pt. */
  room(height: number): void {
    if (this.#doc.y + height > this.#bottom) this.#doc.addPage();
  }

  /** Begins a new page. */
  page(): void {
    this.#doc.addPage();
  }

  space(height: number): void {
    this.#doc.y += height;
  }

  /** Title of the sheet. */
  title(text: string): void {
    this.#as('H1', () =>
      this.#write(text, { font: 'bold', size: 24 }, this.#left, this.#doc.y, { width: this.#width }),
    );
  }

  /** Title of a part, with a rule above it; it stays with what follows. */
  heading(text: string): void {
    this.room(90);
    this.space(12);
    this.#section.end();
    this.#section = this.#begin('Sect', this.#root);
    this.#heading = text;
    this.#bookmark = this.#doc.outline.addItem(text, this.#here());
    this.rule(1.5);
    this.#as('H2', () =>
      this.#write(text, { font: 'bold', size: 15 }, this.#left, this.#doc.y, { width: this.#width }),
    );
    this.space(4);
  }

  /** Title of a group within a part. */
  subheading(text: string): void {
    this.room(110);
    this.space(6);
    this.#bookmark?.addItem(text, this.#here());
    this.#as('H3', () => this.#write(text, STRONG_TEXT, this.#left, this.#doc.y, { width: this.#width }));
    this.space(2);
  }

  /** Where a bookmark leads to: the left edge of the page at the height of what comes next. */
  #here(): { expanded: boolean } {
    // The package counts from the right edge.
    const where: Unknown<{ expanded: boolean }> = {
      expanded: true,
      top: Math.max(0, this.#doc.y - 8),
      left: this.#doc.page.width,
    };
    return where;
  }

  text(text: string, { strong = false, small = false }: { strong?: boolean; small?: boolean } = {}): void {
    if (text === '') return;
    const style: Style = { font: strong ? 'bold' : 'regular', size: small ? SMALL : BODY };
    this.#as('P', () =>
      this.#write(text, style, this.#left, this.#doc.y, { width: this.#width, lineGap: 1.5 }),
    );
  }

  rule(weight: number): void {
    const { y } = this.#doc;
    this.#decor(() => this.#line(this.#left, this.#left + this.#width, y, weight));
    this.space(weight + 4);
  }

  #line(from: number, to: number, y: number, weight: number): void {
    this.#doc.moveTo(from, y).lineTo(to, y).lineWidth(weight).stroke();
  }

  /** Pictures two in a row, each whole in its half and with its words below. */
  pictures(all: readonly { readonly file: Uint8Array; readonly words: string }[]): void {
    const gap = 14;
    const box = { width: (this.#width - gap) / 2, height: 170 };
    for (let first = 0; first < all.length; first += 2) {
      const row = all.slice(first, first + 2);
      const words = { width: box.width, lineGap: 1 };
      const below = Math.max(...row.map((one) => this.#heightOf(one.words, SMALL_TEXT, words)));
      this.room(box.height + below + 16);
      const top = this.#doc.y;
      row.forEach(({ file, words: said }, index) => {
        const left = this.#left + index * (box.width + gap);
        const fit: [number, number] = [box.width, box.height];
        this.#as(
          'Figure',
          () => this.#doc.image(Buffer.from(file), left, top, { fit, align: 'center', valign: 'center' }),
          said,
        );
        this.#as('P', () => this.#write(said, SMALL_TEXT, left, top + box.height + 4, words));
      });
      this.#doc.y = top + box.height + below + 16;
    }
  }

  /** Lines in a frame: what must not be overlooked. The first is strong. */
  frame(lines: readonly string[]): void {
    const inside = { width: this.#width - 20, lineGap: 1.5 };
    const styleOf = (index: number) => (index === 0 ? STRONG_BODY : BODY_TEXT);
    const height = lines.reduce((sum, line, index) => sum + this.#heightOf(line, styleOf(index), inside), 16);
    this.room(height + 8);
    const top = this.#doc.y;
    this.#decor(() => this.#doc.rect(this.#left, top, this.#width, height).lineWidth(1.5).stroke());
    this.#doc.y = top + 8;
    lines.forEach((line, index) =>
      this.#as('P', () => this.#write(line, styleOf(index), this.#left + 10, this.#doc.y, inside)),
    );
    this.#doc.y = top + height + 8;
  }

  /** A huge word at the left with lines beside it, the first of them strong: the title of a group. */
  lead(word: string, lines: readonly string[]): void {
    const top = this.#doc.y;
    const beside = this.#left + 120;
    const width = this.#width - 120;
    this.#bookmark?.addItem([word, lines[0]].filter(Boolean).join(', '), this.#here());
    this.#as('H3', () =>
      this.#write(word, { font: 'digits', size: HUGE }, this.#left, top, { lineBreak: false }),
    );
    this.#doc.y = top + 4;
    lines.forEach((line, index) =>
      this.#as('P', () =>
        this.#write(line, index === 0 ? STRONG_TEXT : BODY_TEXT, beside, this.#doc.y, {
          width,
          lineGap: 1.5,
        }),
      ),
    );
    this.#doc.y = Math.max(this.#doc.y, top + HUGE * 1.15) + 4;
  }

  /** Small names over strong values, side by side. */
  grid(cells: readonly Cell[], columns: number): void {
    const width = this.#width / columns;
    const inside = { width: width - 10 };
    const partsOf = ({ label, value, note }: Cell): readonly (readonly [string, Style])[] => [
      [label, SMALL_TEXT],
      [value, STRONG_TEXT],
      ...(note === undefined ? [] : [[note, SMALL_TEXT] as const]),
    ];
    for (let row = 0; row < cells.length; row += columns) {
      const shown = cells.slice(row, row + columns).map(partsOf);
      const heights = shown.map((parts) =>
        parts.reduce((sum, [text, style]) => sum + this.#heightOf(text, style, inside), 0),
      );
      const height = Math.max(...heights) + 5;
      this.room(height);
      const top = this.#doc.y;
      shown.forEach((parts, index) => {
        const x = this.#left + index * width;
        this.#doc.y = top;
        this.#as('P', () => {
          for (const [text, style] of parts) this.#write(text, style, x, this.#doc.y, inside);
        });
      });
      this.#doc.y = top + height;
    }
    this.#doc.x = this.#left;
  }

  /** A table with a line under each row; it goes on over pages, each with the titles of the columns. */
  table(columns: readonly PaperColumn[], rows: readonly (readonly string[])[]): void {
    if (rows.length === 0) return;
    this.room(50);
    const shares = columns.reduce((sum, { share }) => sum + share, 0);
    let x = this.#left;
    const places = columns.map(({ share, align }) => {
      const whole = (share / shares) * this.#width;
      const place = { x, options: { width: whole - 4, ...(align ? { align } : {}) } };
      x += whole;
      return place;
    });
    const titles = columns.map(({ title }) => title);
    const table = this.#begin('Table', this.#section);
    const heads = this.#row(titles, places, SMALL_TEXT, (column, draw) => {
      const named = titles[column] !== '';
      return this.#doc.struct(named ? 'TH' : 'TD', named ? COLUMN_TITLE : {}, [draw]);
    });
    const titled = titles.some((title) => title !== '');
    if (titled) heads(table);
    const again = () => {
      this.#doc.addPage();
      if (titled) this.#decor(() => heads(undefined), 'Pagination');
    };
    const cell = (_column: number, draw: () => void) => this.#doc.struct('TD', {}, [draw]);
    for (const cells of rows) {
      let rest = cells;
      while (rest.some((text) => text !== '')) {
        const whole = this.#rowHeight(rest, places, BODY_TEXT);
        if (this.#doc.y + whole > this.#bottom) again();
        const room = this.#bottom - this.#doc.y;
        const [now, later] = whole <= room ? [rest, []] : this.#cut(rest, places, BODY_TEXT, room);
        this.#row(now, places, BODY_TEXT, cell, whole <= room ? whole : undefined)(table);
        rest = later;
      }
    }
    table.end();
    this.#doc.x = this.#left;
    this.space(6);
  }

  #rowHeight(cells: readonly string[], places: readonly Place[], style: Style): number {
    const heights = cells.map((text, column) =>
      text === '' ? 0 : this.#heightOf(text, style, places[column]?.options ?? {}),
    );
    return Math.max(...heights) + 2 * ROW_PADDING;
  }

  /** What draws a row: in a table as its row, or by itself. */
  #row(
    cells: readonly string[],
    places: readonly Place[],
    style: Style,
    structured: (column: number, draw: () => void) => Structure,
    height = this.#rowHeight(cells, places, style),
  ): (table: Structure | undefined) => void {
    return (table) => {
      const top = this.#doc.y;
      const bottom = top + height;
      const row = table && this.#begin('TR', table);
      places.forEach(({ x, options }, column) => {
        const draw = () => this.#write(cells[column] ?? '', style, x, top + ROW_PADDING, options);
        if (row) row.add(structured(column, draw));
        else draw();
      });
      row?.end();
      const line = () => this.#line(this.#left, this.#left + this.#width, bottom, 0.5);
      if (row) this.#decor(line);
      else line();
      this.#doc.y = bottom;
    };
  }

  /** Cells as far as they fit into a height, and what is left of them: a row longer than a page goes on over the next. */
  #cut(
    cells: readonly string[],
    places: readonly Place[],
    style: Style,
    room: number,
  ): readonly [readonly string[], readonly string[]] {
    const parts = cells.map((text, column) => {
      const words = text.split(' ');
      const fits = (count: number) =>
        this.#heightOf(words.slice(0, count).join(' '), style, places[column]?.options ?? {}) <=
        room - 2 * ROW_PADDING;
      let [low, high] = [0, words.length];
      while (low < high) {
        const middle = Math.ceil((low + high) / 2);
        if (fits(middle)) low = middle;
        else high = middle - 1;
      }
      // A word longer than a page is set as far as the page goes.
      const taken = Math.max(1, low);
      return [words.slice(0, taken).join(' '), words.slice(taken).join(' ')] as const;
    });
    return [parts.map(([now]) => now), parts.map(([, later]) => later)];
  }

  /** A box to tick, with how much beside it and of what. */
  tick(amount: string, what: string): void {
    const indent = 18;
    const beside = this.#left + indent + this.#width * 0.4;
    const left = { width: this.#width * 0.4 - 8 };
    const right = { width: this.#width * 0.6 - indent };
    const height =
      Math.max(this.#heightOf(amount, STRONG_TEXT, left), this.#heightOf(what, BODY_TEXT, right) + 2) + 5;
    this.room(height);
    const top = this.#doc.y;
    this.#decor(() =>
      this.#doc
        .rect(this.#left, top + 1, 10, 10)
        .lineWidth(1)
        .stroke(),
    );
    this.#as('P', () => {
      this.#write(amount, STRONG_TEXT, this.#left + indent, top, left);
      this.#write(what, BODY_TEXT, beside, top + 2, right);
    });
    this.#doc.x = this.#left;
    this.#doc.y = top + height;
  }

  /** Names with a line to write on, side by side. */
  blanks(names: readonly string[]): void {
    this.room(30);
    this.space(12);
    const width = this.#width / names.length;
    const top = this.#doc.y;
    names.forEach((name, index) => {
      const x = this.#left + index * width;
      this.#as('P', () => this.#write(name, SMALL_TEXT, x, top, { lineBreak: false }));
      const from = x + this.#doc.widthOfString(name) + 4;
      this.#decor(() => this.#line(from, x + width - 8, top + SMALL, 0.5));
    });
    this.#doc.x = this.#left;
    this.#doc.y = top + SMALL + 8;
  }

  /** The finished file. */
  async file(): Promise<Uint8Array> {
    if (this.#letters.missing) {
      this.space(8);
      this.text(MISSING_LETTERS, { small: true });
    }
    this.#section.end();
    this.#root.end();
    const { start, count } = this.#doc.bufferedPageRange();
    for (let page = start; page < start + count; page += 1) {
      this.#doc.switchToPage(page);
      this.#decor(() => {
        this.#runningHead(page - start);
        this.#footer(page - start + 1, count);
      }, 'Pagination');
    }
    const ended = new Promise((resolve) => this.#doc.once('end', resolve));
    this.#doc.end();
    await ended;
    return new Uint8Array(Buffer.concat(this.#chunks));
  }

  /** What a page that lies by itself belongs to: the sheet, and the part it goes on with. */
  #runningHead(page: number): void {
    if (page === 0) return;
    const y = MARGIN - 20;
    const half = { width: this.#width / 2 - 6, height: SMALL, lineBreak: true, ellipsis: true };
    this.#write(this.#head.title, SMALL_TEXT, this.#left, y, half);
    const under = this.#begun[page] ?? '';
    this.#write(under, SMALL_TEXT, this.#left + this.#width / 2 + 6, y, { ...half, align: 'right' });
  }

  #footer(page: number, pages: number): void {
    const doc = this.#doc;
    // Below the margin, where text would otherwise begin a new page
    doc.page.margins.bottom = 0;
    const top = this.#doc.page.height - MARGIN - FOOTER + 10;
    const inside = { width: this.#width, lineBreak: false };
    this.#line(this.#left, this.#left + this.#width, top - 4, 0.5);
    const { title, date, forOthers = false } = this.#head;
    if (forOthers) {
      this.#write(`${title} · page ${page} of ${pages}`, SMALL_TEXT, this.#left, top, inside);
      return;
    }
    const { name, lead } = EMERGENCY_CARDS.skin;
    this.#write(`${name}: ${lead}`, { font: 'bold', size: SMALL }, this.#left, top, inside);
    const whole = { width: this.#width, lineBreak: true, height: 12 };
    this.#write(PRECEDENCE_NOTE, SMALL_TEXT, this.#left, top + 12, whole);
    this.#write(`${title} · ${date} · page ${page} of ${pages}`, SMALL_TEXT, this.#left, top + 24, inside);
  }
}
