import {
  GOOD_SHOT,
  drawCardPicture,
  seeded,
  typicalPattern,
  type GreyPicture,
  type Seen,
  type Shot,
} from '@fine-spray/core';

/** A made-up picture that ships with the product, to try the reading with. */
export interface MadeUp {
  readonly name: string;
  readonly seen: Seen;
  readonly shot: Partial<Shot>;
}

export const MADE_UP: readonly MadeUp[] = [
  { name: 'Even, good light', seen: 'even', shot: {} },
  { name: 'Tails, held askew', seen: 'tails', shot: { tilt: 0.1, noise: 0.02 } },
  { name: 'Heavy edges, lamp from the left', seen: 'heavy edges', shot: { across: -0.35, noise: 0.02 } },
  { name: 'Split, window above', seen: 'split', shot: { down: -0.3, noise: 0.02 } },
  { name: 'One-sided, grainy', seen: 'one-sided', shot: { noise: 0.03 } },
  { name: 'Too dark to read', seen: 'tails', shot: { light: 0.1 } },
];

export function drawMadeUp({ seen, shot }: MadeUp, exponent: number): GreyPicture {
  return drawCardPicture(typicalPattern(seen, exponent), { ...GOOD_SHOT, ...shot }, seeded(11));
}

/** Pixels across that are read; more tells nothing more. */
const MOST = 1200;

/** A picture the device took, as brightness by pixel. */
export async function decodePicture(bytes: Uint8Array): Promise<GreyPicture> {
  const bitmap = await createImageBitmap(new Blob([bytes as Uint8Array<ArrayBuffer>]));
  const scale = Math.min(1, MOST / Math.max(bitmap.width, bitmap.height));
  const [width, height] = [Math.round(bitmap.width * scale), Math.round(bitmap.height * scale)];
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  const pen = canvas.getContext('2d');
  if (!pen) throw new Error('no canvas');
  pen.drawImage(bitmap, 0, 0, width, height);
  const { data } = pen.getImageData(0, 0, width, height);
  const grey = new Uint8ClampedArray(width * height);
  // Luma of ITU-R BT.601.
  for (let index = 0; index < grey.length; index += 1) {
    const at = 4 * index;
    grey[index] = 0.299 * (data[at] ?? 0) + 0.587 * (data[at + 1] ?? 0) + 0.114 * (data[at + 2] ?? 0);
  }
  return { width, height, grey };
}

/** A picture as an address an image can show. */
export function addressOf({ width, height, grey }: GreyPicture): string {
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  const pen = canvas.getContext('2d');
  if (!pen) return '';
  const image = pen.createImageData(width, height);
  grey.forEach((value, index) => image.data.set([value, value, value, 255], 4 * index));
  pen.putImageData(image, 0, 0);
  return canvas.toDataURL('image/png');
}
