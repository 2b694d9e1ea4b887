import * as fontkit from 'fontkit';

/** Files of a font and of the one that sets what the first has no letters for. */
export interface FontFile {
  readonly file: string;
  readonly instead: string;
}

/** Stands where a font has no letter, in the wider font, which has it. */
const MISSING = '\uFFFD';

type Covers = (codePoint: number) => boolean;

/** Fonts that were opened once, by their files: they are asked for their letters only. */
const OPENED = new Map<string, Covers>();

function coverOf(file: string): Covers {
  let known = OPENED.get(file);
  if (!known) {
    const font = fontkit.openSync(file);
    if (!('hasGlyphForCodePoint' in font)) throw new Error(`${file} holds several fonts`);
    known = (codePoint) => font.hasGlyphForCodePoint(codePoint);
    OPENED.set(file, known);
  }
  return known;
}

/** Breaks of lines, and what changes how another sign looks: no font needs a letter for them. */
const NO_LETTER: ReadonlySet<string> = new Set(['\n', '\r', '\t', '\u200C', '\u200D', '\uFE0E', '\uFE0F']);

const isPlain = (text: string) => /^[\x20-\x7e]*$/.test(text);

/** A text as it can be set, and the file of the font that sets it whole. */
export interface SetText {
  readonly text: string;
  readonly file: string;
}

/** Which letters of the texts of a sheet its fonts have. */
export class Letters {
  /** Whether some text has a letter that no font of the sheet has. */
  missing = false;

  /** A text in its font, or else in the wider one, with a sign for each letter that this has not either. */
  set(text: string, { file, instead }: FontFile): SetText {
    if (isPlain(text)) return { text, file };
    const signs = Array.from(text);
    const has = (covers: Covers) => (sign: string) => NO_LETTER.has(sign) || covers(sign.codePointAt(0) ?? 0);
    if (signs.every(has(coverOf(file)))) return { text, file };
    const wider = has(coverOf(instead));
    if (!signs.every(wider)) this.missing = true;
    return { text: signs.map((sign) => (wider(sign) ? sign : MISSING)).join(''), file: instead };
  }
}
