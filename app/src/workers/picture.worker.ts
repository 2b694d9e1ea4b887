import { PICTURE } from '@fine-spray/contract';
import { smallPicture, type Darkroom, type SmallPicture } from './smallPicture';

const darkroom: Darkroom = {
  open: (file) => createImageBitmap(file, { imageOrientation: 'from-image' }),
  write: (picture, width, height, quality) => {
    const sheet = new OffscreenCanvas(width, height);
    const pen = sheet.getContext('2d');
    if (!pen) throw new Error('no canvas');
    // What is seen through is white on paper.
    pen.fillStyle = '#fff';
    pen.fillRect(0, 0, width, height);
    pen.imageSmoothingQuality = 'high';
    pen.drawImage(picture as ImageBitmap, 0, 0, width, height);
    return sheet.convertToBlob({ type: PICTURE.type, quality });
  },
};

const worker = globalThis as unknown as {
  onmessage: ((event: { data: Blob }) => void) | null;
  postMessage: (report: SmallPicture, transfer?: Transferable[]) => void;
};

worker.onmessage = ({ data }) => {
  void smallPicture(data, darkroom)
    .catch((): SmallPicture => ({
      ok: false,
      message: 'The picture could not be made small on this device.',
    }))
    .then((made) => worker.postMessage(made, made.ok ? [made.bytes] : []));
};
