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

/** Which letters of the texts of a sheet its fonts have. */
export class Letters {
  /** Whether some text has a letter that no font of the sheet has. */
  missing = false;

  /** The file that sets a text whole: the font itself, or the one in its place. */
  fileFor(text: string, { file, instead }: FontFile): string {
    if (isPlain(text)) return file;
    const covers = coverOf(file);
    const whole = Array.from(text).every((sign) => NO_LETTER.has(sign) || covers(sign.codePointAt(0) ?? 0));
    return whole ? file : instead;
  }

  /** A text with a sign for each letter that the wider font has not, where the narrower cannot set it whole. */
  settable(text: string, { file, instead }: FontFile): string {
    if (isPlain(text)) return text;
    const [first, second] = [coverOf(file), coverOf(instead)];
    const signs = Array.from(text);
    if (signs.every((sign) => NO_LETTER.has(sign) || first(sign.codePointAt(0) ?? 0))) return text;
    return signs
      .map((sign) => {
        if (NO_LETTER.has(sign) || second(sign.codePointAt(0) ?? 0)) return sign;
        this.missing = true;
        return MISSING;
      })
      .join('');
  }
}
