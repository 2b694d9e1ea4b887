/** Prints a drawing alone on its sheet, from a frame that goes away afterwards. */
export function printDrawing(svg: string): void {
  const frame = document.createElement('iframe');
  frame.setAttribute('aria-hidden', 'true');
  frame.title = 'Sheet to print';
  frame.style.position = 'fixed';
  frame.style.width = '0';
  frame.style.height = '0';
  frame.style.border = '0';
  document.body.append(frame);
  const page = frame.contentDocument;
  if (!page) return;
  // As nodes, not as markup: the drawing holds names that people typed.
  const drawing = new DOMParser().parseFromString(svg, 'image/svg+xml').documentElement;
  const style = page.createElement('style');
  style.textContent = '@page{size:landscape;margin:8mm}svg{width:100%;height:auto}';
  page.head.append(style);
  page.body.append(page.importNode(drawing, true));
  frame.contentWindow?.addEventListener('afterprint', () => frame.remove());
  frame.contentWindow?.print();
}
