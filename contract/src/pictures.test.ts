import { readJpeg } from './pictures';

/** The head of a JPEG: segments of a marker and so many bytes, then a frame of a size. */
function jpeg(
  width: number,
  height: number,
  segments: readonly (readonly [number, number])[] = [[0xe0, 14]],
) {
  const two = (value: number) => [value >> 8, value & 255];
  return Uint8Array.from([
    ...[0xff, 0xd8],
    ...segments.flatMap(([marker, length]) => [
      0xff,
      marker,
      ...two(length + 2),
      ...Array<number>(length).fill(7),
    ]),
    ...[0xff, 0xc0, ...two(17), 8, ...two(height), ...two(width), 3, 1, 0x22, 0, 2, 0x11, 1, 3, 0x11, 1],
    ...[0xff, 0xda, 0, 8, 1, 1, 0, 0, 63, 0, 0xff, 0xd9],
  ]);
}

describe('the head of a JPEG', () => {
  it('says how large the picture is', () => {
    expect(readJpeg(jpeg(1600, 900))).toEqual({ ok: true, width: 1600, height: 900 });
    expect(
      readJpeg(
        jpeg(300, 4000, [
          [0xe0, 14],
          [0xdb, 65],
          [0xc4, 29],
        ]),
      ),
    ).toEqual({ ok: true, width: 300, height: 4000 });
  });

  it('is refused where it can say where it was taken', () => {
    for (const marker of [0xe1, 0xed])
      expect(
        readJpeg(
          jpeg(100, 100, [
            [0xe0, 14],
            [marker, 40],
          ]),
        ),
      ).toMatchObject({
        ok: false,
        message: expect.stringMatching(/where it was taken/) as string,
      });
  });

  it('is refused where it is something else, cut off, or has no pixels', () => {
    const whole = jpeg(100, 100);
    expect(readJpeg(new Uint8Array())).toMatchObject({ ok: false });
    expect(readJpeg(new TextEncoder().encode('<svg xmlns="http://www.w3.org/2000/svg"/>'))).toMatchObject({
      ok: false,
    });
    expect(readJpeg(whole.slice(0, 20))).toMatchObject({ ok: false });
    expect(readJpeg(Uint8Array.from([0xff, 0xd8, 0xff, 0xda, ...Array<number>(40).fill(0)]))).toMatchObject({
      ok: false,
    });
    expect(readJpeg(jpeg(0, 100))).toEqual({ ok: false, message: 'This picture has no pixels.' });
    // A length that leads nowhere ends.
    expect(
      readJpeg(Uint8Array.from([0xff, 0xd8, 0xff, 0xe0, 0xff, 0xff, ...Array<number>(40).fill(0)])),
    ).toMatchObject({ ok: false });
  });
});
