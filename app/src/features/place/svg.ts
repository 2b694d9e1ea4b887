/** A drawing on the screen as a file of its own: what the browser drew, with its name space. */
export function drawnSvg(testId: string): string | undefined {
  const drawn = document.querySelector(`[data-testid="${testId}"] svg`);
  if (!drawn) return undefined;
  const copy = drawn.cloneNode(true) as SVGElement;
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  // What only takes the thumb is no part of the drawing.
  for (const unseen of copy.querySelectorAll('[stroke="transparent"]')) unseen.remove();
  return `<?xml version="1.0" encoding="UTF-8"?>\n${copy.outerHTML}\n`;
}
