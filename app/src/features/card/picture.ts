import { SHEET } from './cardSheet';

/** How many pixels a point of the drawing gets. */
const SCALE = 2;

/** A drawing as PNG, by the browser's own drawing of it. */
export async function pngOf(svg: string): Promise<Blob> {
  const image = new Image();
  image.src = addressOf(svg);
  await image.decode();
  const canvas = document.createElement('canvas');
  canvas.width = SHEET.width * SCALE;
  canvas.height = SHEET.height * SCALE;
  canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve, reject) => {
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('no picture'))), 'image/png');
  });
}

/** A drawing as an address an image can show. */
export const addressOf = (svg: string): string =>
  `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
