import { numberText } from '@fine-spray/core/units';
import { PICTURE } from '@fine-spray/contract';

/** A picture made small, or a sentence about why it was not. */
export type SmallPicture =
  | { readonly ok: true; readonly bytes: ArrayBuffer; readonly width: number; readonly height: number }
  | { readonly ok: false; readonly message: string };

/** What opening and writing a picture takes of a browser; a test has its own. */
export interface Darkroom {
  /** Opens a file upright. It throws where it is no picture. */
  open(file: Blob): Promise<{ readonly width: number; readonly height: number; readonly close: () => void }>;
  /** Writes an opened picture in a size, as JPEG. */
  write(picture: unknown, width: number, height: number, quality: number): Promise<Blob>;
}

/** More pixels than any camera takes, of a file that may be small: opening them would take all the memory of a phone. */
const PIXELS = 120e6;
/** How well a picture is written: the first that is small enough. */
const QUALITIES = [0.82, 0.7, 0.6, 0.5];
/** Where all of them are too large the sides are made shorter. */
const SHORTER = 0.75;
const LEAST_SIDE = 400;

const refuse = (message: string): SmallPicture => ({ ok: false, message });
const megabytes = (bytes: number) => numberText(Math.round(bytes / 1e6));

/** The size a PNG says it has (its first chunk, IHDR), before it is opened. Nothing of another file. */
async function saidSize(file: Blob): Promise<number | undefined> {
  const head = new DataView(await file.slice(0, 24).arrayBuffer());
  if (head.byteLength < 24 || head.getUint32(0) !== 0x89504e47) return undefined;
  return head.getUint32(16) * head.getUint32(20);
}

/**
 * Makes a picture small: 1,600 px at most, about 300 kB, upright, and nothing of what its file said besides, such as where it was
 * taken: it is drawn anew.
 */
export async function smallPicture(file: Blob, darkroom: Darkroom): Promise<SmallPicture> {
  if (file.size === 0) return refuse('This file is empty: take the picture again.');
  if (file.size > PICTURE.file)
    return refuse(
      `This file has ${megabytes(file.size)} MB. A picture has ${megabytes(PICTURE.file)} MB at most: take it with the camera of the phone, or make it smaller first.`,
    );
  if (file.type !== '' && !file.type.startsWith('image/'))
    return refuse('This is no picture. Choose a photo: JPEG, PNG or WebP.');
  if (((await saidSize(file)) ?? 0) > PIXELS)
    return refuse(
      'This picture has more pixels than this device can open. Take it with the camera of the phone.',
    );
  let opened: Awaited<ReturnType<Darkroom['open']>>;
  try {
    opened = await darkroom.open(file);
  } catch {
    return refuse('This device cannot open this file as a picture. Take a photo, or choose a JPEG or PNG.');
  }
  try {
    if (opened.width * opened.height === 0) return refuse('This picture has no pixels.');
    const longest = Math.max(opened.width, opened.height);
    for (let side = Math.min(PICTURE.side, longest); ; side *= SHORTER) {
      const [width, height] = [opened.width, opened.height].map((length) =>
        Math.max(1, Math.round((length * side) / longest)),
      ) as [number, number];
      for (const quality of QUALITIES) {
        const written = await darkroom.write(opened, width, height, quality);
        const last = side * SHORTER < LEAST_SIDE && quality === QUALITIES.at(-1);
        if (written.size <= PICTURE.bytes || (last && written.size <= PICTURE.most))
          return { ok: true, bytes: await written.arrayBuffer(), width, height };
      }
      if (side * SHORTER < LEAST_SIDE) return refuse('This picture cannot be made small enough to be kept.');
    }
  } finally {
    opened.close();
  }
}
