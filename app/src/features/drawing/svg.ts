const NAME_SPACE = 'http://www.w3.org/2000/svg';
/** Between drawings in one file, px. */
const APART = 16;

/** What our fonts are called outside of the application, and what stands in for them where they are not there. */
const FONTS: Readonly<Record<string, readonly [family: string, weight: string]>> = {
  Next400: ["'Atkinson Hyperlegible Next', sans-serif", '400'],
  Next600: ["'Atkinson Hyperlegible Next', sans-serif", '600'],
  Next700: ["'Atkinson Hyperlegible Next', sans-serif", '700'],
  Mono500: ["'Atkinson Hyperlegible Mono', monospace", '500'],
  Mono700: ["'Atkinson Hyperlegible Mono', monospace", '700'],
};

/** Sets texts in fonts that other programs have. */
function withFonts(copy: SVGElement): void {
  for (const text of copy.querySelectorAll<SVGTextElement>('text')) {
    const ours = text.style.fontFamily || text.getAttribute('font-family') || '';
    const [family, weight] = FONTS[ours.replace(/["']/g, '')] ?? ['sans-serif', '400'];
    text.style.removeProperty('font-family');
    text.setAttribute('font-family', family);
    text.setAttribute('font-weight', weight);
  }
}

/** Names a drawing for those who do not see it, and says what is written on it. */
function said(copy: SVGElement, name: string | null): void {
  const written = [...copy.querySelectorAll('text')].map(({ textContent }) => textContent.trim());
  const parts = { title: name, desc: `Drawn to scale. Written on it: ${written.join('; ') || 'nothing'}.` };
  const elements = Object.entries(parts).map(([kind, text]) => {
    const element = document.createElementNS(NAME_SPACE, kind);
    element.textContent = text;
    return element;
  });
  copy.prepend(...elements);
  copy.setAttribute('role', 'img');
}

/** A drawing as it may stand in a file: with its name, without what only takes the thumb. */
function copyOf(drawn: SVGElement): SVGElement {
  const copy = drawn.cloneNode(true) as SVGElement;
  for (const unseen of copy.querySelectorAll('[stroke="transparent"]')) unseen.remove();
  withFonts(copy);
  // A drawing is named itself, or by what it stands in.
  said(copy, drawn.closest('[aria-label]')?.getAttribute('aria-label') ?? null);
  return copy;
}

/** Drawings in one, side by side on one line. */
function together(copies: readonly SVGElement[]): SVGElement {
  const whole = document.createElementNS(NAME_SPACE, 'svg');
  const size = (copy: SVGElement, side: 'width' | 'height') => Number(copy.getAttribute(side)) || 0;
  const height = Math.max(...copies.map((copy) => size(copy, 'height')));
  let x = 0;
  for (const copy of copies) {
    copy.setAttribute('x', String(x));
    copy.setAttribute('y', String(height - size(copy, 'height')));
    x += size(copy, 'width') + APART;
    whole.append(copy);
  }
  const width = Math.max(0, x - APART);
  whole.setAttribute('viewBox', `0 0 ${width} ${height}`);
  whole.setAttribute('width', String(width));
  whole.setAttribute('height', String(height));
  return whole;
}

/** The drawings of a part of the screen as a file of its own: what the browser drew, with its name space. */
export function drawnSvg(testId: string): string | undefined {
  const drawn = [...document.querySelectorAll<SVGElement>(`[data-testid="${testId}"] svg`)];
  const copies = drawn.map(copyOf);
  const [first] = copies;
  if (!first) return undefined;
  const whole = copies.length === 1 ? first : together(copies);
  whole.setAttribute('xmlns', NAME_SPACE);
  return `<?xml version="1.0" encoding="UTF-8"?>\n${whole.outerHTML}\n`;
}
