import { z } from 'zod';

/** Pictures that go with entries of the log: made small on the device, and only then kept and sent. */
export const PICTURE = {
  /** Longest side, px. */
  side: 1600,
  /** How large the file of one becomes, about, bytes. */
  bytes: 300_000,
  /** The largest the server takes: what does not get smaller still comes. */
  most: 512 * 1024,
  /** The largest file that is opened to be made small, bytes. */
  file: 60 * 1024 * 1024,
  /** Of an entry at most. */
  ofEntry: 8,
  type: 'image/jpeg',
} as const;

/** How large a picture is, px; or what is wrong with its file. */
export type ReadJpeg =
  | { readonly ok: true; readonly width: number; readonly height: number }
  | { readonly ok: false; readonly message: string };

const NO_JPEG = { ok: false, message: 'This is not a JPEG picture.' } as const;
const START = 0xd8;
const SCAN = 0xda;
/** Frames of pixels: of them the size is read. 0xC4, 0xC8 and 0xCC are tables. */
const isFrame = (marker: number) =>
  marker >= 0xc0 && marker <= 0xcf && marker !== 0xc4 && marker !== 0xc8 && marker !== 0xcc;
/** Segments in which cameras and programs say where a picture was taken, and by whom: EXIF and XMP, and IPTC. */
const TELLS_PLACE: ReadonlySet<number> = new Set([0xe1, 0xed]);

/**
 * Reads the head of a JPEG file (ITU-T T.81, annex B): its size, and that it tells nothing of where it was taken.
 * @param bytes the whole file
 */
export function readJpeg(bytes: Uint8Array): ReadJpeg {
  if (bytes[0] !== 0xff || bytes[1] !== START) return NO_JPEG;
  for (let at = 2; at + 9 < bytes.length;) {
    if (bytes[at] !== 0xff) return NO_JPEG;
    const marker = bytes[at + 1] ?? 0;
    if (marker === 0xff) {
      at += 1;
      continue;
    }
    if (TELLS_PLACE.has(marker))
      return {
        ok: false,
        message: 'This picture still says where it was taken: it is to be taken out first.',
      };
    if (isFrame(marker)) {
      const [height, width] = [at + 5, at + 7].map(
        (from) => ((bytes[from] ?? 0) << 8) + (bytes[from + 1] ?? 0),
      );
      return width && height
        ? { ok: true, width, height }
        : { ok: false, message: 'This picture has no pixels.' };
    }
    if (marker === SCAN) return NO_JPEG;
    at += 2 + ((bytes[at + 2] ?? 0) << 8) + (bytes[at + 3] ?? 0);
  }
  return NO_JPEG;
}

/** What the server says of a picture it has stored. */
export const pictureAnswer = z
  .object({ id: z.uuid(), bytes: z.int(), width: z.int(), height: z.int() })
  .meta({ id: 'StoredPicture' });
