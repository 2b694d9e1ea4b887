import { PICTURE } from '@fine-spray/contract';
import { smallPicture, type Darkroom } from './smallPicture';

/** A darkroom whose pictures take so many bytes a pixel, at a quality of one. */
function darkroom(width: number, height: number, bytesPerPixel: number) {
  const written: { width: number; height: number; quality: number }[] = [];
  let closed = 0;
  const room: Darkroom = {
    open: () => Promise.resolve({ width, height, close: () => (closed += 1) }),
    write: (_picture, w, h, quality) => {
      written.push({ width: w, height: h, quality });
      return Promise.resolve(new Blob([new Uint8Array(Math.round(w * h * bytesPerPixel * quality))]));
    },
  };
  return { room, written, closed: () => closed };
}
const file = (bytes = 1000, type = 'image/jpeg') => new Blob([new Uint8Array(bytes)], { type });

describe('a picture made small', () => {
  it('has 1,600 px at most, in its own shape, and is never made larger', async () => {
    const wide = darkroom(4032, 3024, 0.1);
    expect(await smallPicture(file(), wide.room)).toMatchObject({ ok: true, width: 1600, height: 1200 });
    const tall = darkroom(3000, 9000, 0.1);
    expect(await smallPicture(file(), tall.room)).toMatchObject({ ok: true, width: 533, height: 1600 });
    const little = darkroom(640, 480, 0.1);
    expect(await smallPicture(file(), little.room)).toMatchObject({ ok: true, width: 640, height: 480 });
    expect([wide.closed(), tall.closed(), little.closed()]).toEqual([1, 1, 1]);
  });

  it('is written worse, then smaller, until it is small enough', async () => {
    const worse = darkroom(1600, 1200, 0.24);
    const made = await smallPicture(file(), worse.room);
    expect(made.ok && made.bytes.byteLength).toBeLessThanOrEqual(PICTURE.bytes);
    expect(worse.written.map(({ quality }) => quality)).toEqual([0.82, 0.7, 0.6]);
    const busy = darkroom(4000, 4000, 0.5);
    const smaller = await smallPicture(file(), busy.room);
    expect(smaller).toMatchObject({ ok: true });
    expect(smaller.ok && smaller.width).toBeLessThan(1600);
  });

  it.each([
    ['a file of 100 MB', file(0, 'image/jpeg'), /empty/],
    ['a film', file(10, 'video/mp4'), /no picture/],
    ['a text', file(10, 'text/plain'), /no picture/],
  ])('is refused with a sentence: %s', async (_what, given, sentence) => {
    const made = await smallPicture(given, darkroom(10, 10, 1).room);
    expect(made).toMatchObject({ ok: false, message: expect.stringMatching(sentence) as string });
  });

  it('is not even opened where it is too large, by its bytes or by the pixels it says it has', async () => {
    const { room } = darkroom(10, 10, 1);
    const open = jest.spyOn(room, 'open');
    const large = file();
    Object.defineProperty(large, 'size', { value: 100e6 });
    expect(await smallPicture(large, room)).toEqual({
      ok: false,
      message: expect.stringMatching(/^This file has 100 MB\. A picture has 63 MB at most/) as string,
    });
    const head = new DataView(new ArrayBuffer(33));
    head.setUint32(0, 0x89504e47);
    head.setUint32(16, 60_000);
    head.setUint32(20, 60_000);
    expect(await smallPicture(new Blob([head.buffer], { type: 'image/png' }), room)).toMatchObject({
      ok: false,
      message: expect.stringMatching(/more pixels/) as string,
    });
    expect(open).not.toHaveBeenCalled();
  });

  it('says where it cannot be opened, has no pixels, or does not get small', async () => {
    const broken: Darkroom = { ...darkroom(1, 1, 1).room, open: () => Promise.reject(new Error('broken')) };
    expect(await smallPicture(file(), broken)).toMatchObject({ ok: false });
    const none = darkroom(0, 100, 1);
    expect(await smallPicture(file(), none.room)).toEqual({
      ok: false,
      message: 'This picture has no pixels.',
    });
    expect(none.closed()).toBe(1);
    expect(await smallPicture(file(), darkroom(1600, 1600, 20).room)).toMatchObject({ ok: false });
  });
});
