import { createElement, type RefObject } from 'react';

/** A film and what is drawn over it: canvases one on the other, as wide as there is room. */
export function FilmCanvases({
  below,
  above,
  columns,
  rows,
}: {
  /** A pixel for each cell. */
  below: RefObject<HTMLCanvasElement | null>;
  /** As fine as the screen, the uppermost last: what is drawn anew for each picture is not to take along what stands still. */
  above: readonly RefObject<HTMLCanvasElement | null>[];
  columns: number;
  rows: number;
}) {
  return createElement(
    'div',
    { style: { position: 'relative', width: '100%', aspectRatio: `${columns} / ${rows}` } },
    [below, ...above].map((ref, index) =>
      createElement('canvas', {
        key: index,
        ref,
        'aria-hidden': true,
        style: {
          position: 'absolute',
          inset: 0,
          width: '100%',
          height: '100%',
          borderRadius: 8,
          ...(index === 0 ? { imageRendering: 'pixelated' } : {}),
        },
      }),
    ),
  );
}

/** No screen shows more than so many pixels for one of the page that a hand could tell. */
const DENSEST = 2;

/** Makes a canvas as fine as the screen at the size it has now; its width then, CSS px. */
export function fitted(canvas: HTMLCanvasElement): number {
  const dense = Math.min(DENSEST, globalThis.devicePixelRatio || 1);
  const { clientWidth, clientHeight } = canvas;
  canvas.width = Math.round(clientWidth * dense);
  canvas.height = Math.round(clientHeight * dense);
  return clientWidth;
}
