const NAME_SPACE = 'http://www.w3.org/2000/svg';
/** Between drawings in one file, px. */
const APART = 16;

/** A drawing as it may stand in a file: named for those who do not see it, without what only takes the thumb. */
function copyOf(drawn: SVGElement): SVGElement {
  const copy = drawn.cloneNode(true) as SVGElement;
  for (const unseen of copy.querySelectorAll('[stroke="transparent"]')) unseen.remove();
  const title = document.createElementNS(NAME_SPACE, 'title');
  title.textContent = drawn.getAttribute('aria-label');
  copy.prepend(title);
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
