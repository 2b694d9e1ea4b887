import PDFDocument from 'pdfkit';
import type { PaperSize } from '@fine-spray/contract';
import { EMERGENCY_CARDS } from '@fine-spray/core/emergency';
import { PRECEDENCE_NOTE } from '@fine-spray/core/safety';

/** Font files of a sheet. */
export interface PaperFonts {
  readonly regular: string;
  readonly bold: string;
  /** Digits of one width, for tip codes. */
  readonly digits: string;
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

/**
 * A printed sheet: black on white, so that any printer does; texts flow from page to page, each with its number and
 * what to do when paint went under the skin; one for others than the crew has its number alone.
 */
export class Paper {
  readonly #doc: PDFKit.PDFDocument;
  readonly #head: PaperHead;
  /** By their files, not by names: after a cell in another font the table asks for the file, and would read it again. */
  readonly #fonts: PaperFonts;
  readonly #chunks: Buffer[] = [];

  constructor(size: PaperSize, fonts: PaperFonts, head: PaperHead) {
    this.#head = head;
    this.#doc = new PDFDocument({
      size: SIZES[size],
      margins: { top: MARGIN, left: MARGIN, right: MARGIN, bottom: MARGIN + FOOTER },
      bufferPages: true,
      lang: 'en',
      displayTitle: true,
      info: { Title: head.title, Author: head.author, CreationDate: new Date(`${head.date}T12:00:00Z`) },
    });
    this.#doc.on('data', (chunk: Buffer) => this.#chunks.push(chunk));
    this.#fonts = fonts;
    this.text('');
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
    this.#doc.font(this.#fonts.bold).fontSize(24).text(text, this.#left, this.#doc.y, { width: this.#width });
  }

  /** Title of a part, with a rule above it; it stays with what follows. */
  heading(text: string): void {
    this.room(90);
    this.space(12);
    this.rule(1.5);
    this.#doc.font(this.#fonts.bold).fontSize(15).text(text, this.#left, this.#doc.y, { width: this.#width });
    this.space(4);
  }

  /** Title of a group within a part. */
  subheading(text: string): void {
    this.room(110);
    this.space(6);
    this.#doc
      .font(this.#fonts.bold)
      .fontSize(STRONG)
      .text(text, this.#left, this.#doc.y, { width: this.#width });
    this.space(2);
  }

  text(text: string, { strong = false, small = false }: { strong?: boolean; small?: boolean } = {}): void {
    this.#doc.font(strong ? this.#fonts.bold : this.#fonts.regular).fontSize(small ? SMALL : BODY);
    if (text !== '') this.#doc.text(text, this.#left, this.#doc.y, { width: this.#width, lineGap: 1.5 });
  }

  rule(weight: number): void {
    const { y } = this.#doc;
    this.#doc
      .moveTo(this.#left, y)
      .lineTo(this.#left + this.#width, y)
      .lineWidth(weight)
      .stroke();
    this.space(weight + 4);
  }

  /** Pictures two in a row, each whole in its half and with its words below. */
  pictures(all: readonly { readonly file: Uint8Array; readonly words: string }[]): void {
    const gap = 14;
    const box = { width: (this.#width - gap) / 2, height: 170 };
    for (let first = 0; first < all.length; first += 2) {
      const row = all.slice(first, first + 2);
      const words = { width: box.width, lineGap: 1 };
      const font = () => this.#doc.font(this.#fonts.regular).fontSize(SMALL);
      const below = Math.max(...row.map((one) => font().heightOfString(one.words, words)));
      this.room(box.height + below + 16);
      const top = this.#doc.y;
      row.forEach(({ file, words: said }, index) => {
        const left = this.#left + index * (box.width + gap);
        this.#doc.image(Buffer.from(file), left, top, {
          fit: [box.width, box.height],
          align: 'center',
          valign: 'center',
        });
        font().text(said, left, top + box.height + 4, words);
      });
      this.#doc.y = top + box.height + below + 16;
    }
  }

  /** Lines in a frame: what must not be overlooked. The first is strong. */
  frame(lines: readonly string[]): void {
    const inside = { width: this.#width - 20, lineGap: 1.5 };
    const fontOf = (index: number) =>
      this.#doc.font(index === 0 ? this.#fonts.bold : this.#fonts.regular).fontSize(BODY);
    const height = lines.reduce((sum, line, index) => sum + fontOf(index).heightOfString(line, inside), 16);
    this.room(height + 8);
    const top = this.#doc.y;
    this.#doc.rect(this.#left, top, this.#width, height).lineWidth(1.5).stroke();
    this.#doc.y = top + 8;
    lines.forEach((line, index) => fontOf(index).text(line, this.#left + 10, this.#doc.y, inside));
    this.#doc.y = top + height + 8;
  }

  /** A huge word at the left with lines beside it, the first of them strong. */
  lead(word: string, lines: readonly string[]): void {
    const top = this.#doc.y;
    const beside = this.#left + 120;
    const width = this.#width - 120;
    this.#doc.font(this.#fonts.digits).fontSize(HUGE).text(word, this.#left, top, { lineBreak: false });
    this.#doc.y = top + 4;
    lines.forEach((line, index) => {
      this.#doc
        .font(index === 0 ? this.#fonts.bold : this.#fonts.regular)
        .fontSize(index === 0 ? STRONG : BODY)
        .text(line, beside, this.#doc.y, { width, lineGap: 1.5 });
    });
    this.#doc.y = Math.max(this.#doc.y, top + HUGE * 1.15) + 4;
  }

  /** Small names over strong values, side by side. */
  grid(cells: readonly Cell[], columns: number): void {
    const width = this.#width / columns;
    const inside = { width: width - 10 };
    for (let row = 0; row < cells.length; row += columns) {
      const shown = cells.slice(row, row + columns);
      const heights = shown.map(({ label, value, note }) => {
        const small = [label, ...(note === undefined ? [] : [note])];
        const strong = this.#doc.font(this.#fonts.bold).fontSize(STRONG).heightOfString(value, inside);
        this.#doc.font(this.#fonts.regular).fontSize(SMALL);
        return small.reduce((sum, text) => sum + this.#doc.heightOfString(text, inside), strong);
      });
      const height = Math.max(...heights) + 5;
      this.room(height);
      const top = this.#doc.y;
      shown.forEach(({ label, value, note }, index) => {
        const x = this.#left + index * width;
        this.#doc.font(this.#fonts.regular).fontSize(SMALL).text(label, x, top, inside);
        this.#doc.font(this.#fonts.bold).fontSize(STRONG).text(value, x, this.#doc.y, inside);
        if (note !== undefined)
          this.#doc.font(this.#fonts.regular).fontSize(SMALL).text(note, x, this.#doc.y, inside);
      });
      this.#doc.y = top + height;
    }
    this.#doc.x = this.#left;
  }

  /** A table with a line under each row; it goes on over pages. */
  table(columns: readonly PaperColumn[], rows: readonly (readonly string[])[]): void {
    if (rows.length === 0) return;
    this.room(50);
    this.#doc.x = this.#left;
    this.#doc.font(this.#fonts.regular).fontSize(BODY);
    const shares = columns.reduce((sum, { share }) => sum + share, 0);
    const right = columns.map(({ align }) => (align ? { align: { x: 'right' as const } } : {}));
    this.#doc.table({
      maxWidth: this.#width,
      columnStyles: columns.map(({ share }) => (share / shares) * this.#width),
      defaultStyle: { border: [0, 0, 0.5, 0], padding: [3, 4, 3, 0] },
      data: [
        columns.map(({ title }, index) => ({
          text: title,
          font: { src: this.#fonts.regular, size: SMALL },
          ...right[index],
        })),
        ...rows.map((cells) => cells.map((text, index) => ({ text, ...right[index] }))),
      ],
    });
    this.#doc.x = this.#left;
    this.space(6);
  }

  /** A box to tick, with how much beside it and of what. */
  tick(amount: string, what: string): void {
    const indent = 18;
    const beside = this.#left + indent + this.#width * 0.4;
    const left = { width: this.#width * 0.4 - 8 };
    const right = { width: this.#width * 0.6 - indent };
    const strong = () => this.#doc.font(this.#fonts.bold).fontSize(STRONG);
    const plain = () => this.#doc.font(this.#fonts.regular).fontSize(BODY);
    const height =
      Math.max(strong().heightOfString(amount, left), plain().heightOfString(what, right) + 2) + 5;
    this.room(height);
    const top = this.#doc.y;
    this.#doc
      .rect(this.#left, top + 1, 10, 10)
      .lineWidth(1)
      .stroke();
    strong().text(amount, this.#left + indent, top, left);
    plain().text(what, beside, top + 2, right);
    this.#doc.x = this.#left;
    this.#doc.y = top + height;
  }

  /** Names with a line to write on, side by side. */
  blanks(names: readonly string[]): void {
    this.room(30);
    this.space(12);
    const width = this.#width / names.length;
    const top = this.#doc.y;
    this.#doc.font(this.#fonts.regular).fontSize(SMALL);
    names.forEach((name, index) => {
      const x = this.#left + index * width;
      this.#doc.text(name, x, top, { lineBreak: false });
      const from = x + this.#doc.widthOfString(name) + 4;
      this.#doc
        .moveTo(from, top + SMALL)
        .lineTo(x + width - 8, top + SMALL)
        .lineWidth(0.5)
        .stroke();
    });
    this.#doc.x = this.#left;
    this.#doc.y = top + SMALL + 8;
  }

  /** The finished file. */
  async file(): Promise<Uint8Array> {
    const { start, count } = this.#doc.bufferedPageRange();
    for (let page = start; page < start + count; page += 1) {
      this.#doc.switchToPage(page);
      this.#footer(page - start + 1, count);
    }
    const ended = new Promise((resolve) => this.#doc.once('end', resolve));
    this.#doc.end();
    await ended;
    return new Uint8Array(Buffer.concat(this.#chunks));
  }

  #footer(page: number, pages: number): void {
    const doc = this.#doc;
    // Below the margin, where text would otherwise begin a new page
    doc.page.margins.bottom = 0;
    const top = this.#doc.page.height - MARGIN - FOOTER + 10;
    const inside = { width: this.#width, lineBreak: false };
    doc
      .moveTo(this.#left, top - 4)
      .lineTo(this.#left + this.#width, top - 4)
      .lineWidth(0.5)
      .stroke();
    const { title, date, forOthers = false } = this.#head;
    doc.font(this.#fonts.regular).fontSize(SMALL);
    if (forOthers) {
      doc.text(`${title} · page ${page} of ${pages}`, this.#left, top, inside);
      return;
    }
    doc
      .font(this.#fonts.bold)
      .text(`${EMERGENCY_CARDS.skin.name}: ${EMERGENCY_CARDS.skin.lead}`, this.#left, top, inside);
    doc.font(this.#fonts.regular);
    doc.text(PRECEDENCE_NOTE, this.#left, top + 12, { width: this.#width, lineBreak: true, height: 12 });
    doc.text(`${title} · ${date} · page ${page} of ${pages}`, this.#left, top + 24, inside);
  }
}
