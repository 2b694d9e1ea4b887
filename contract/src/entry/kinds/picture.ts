import { z } from 'zod';
import { PICTURE } from '../../pictures';
import { id, line } from '../../primitives';
import { entryKind, saysNothing } from '../kind';

const pixels = () =>
  z
    .int({ error: 'The size of the picture is missing.' })
    .min(1, { error: 'A picture has one pixel at least.' })
    .max(20_000, { error: 'A picture has 20,000 pixels a side at most.' });

/** A picture, by itself or with an entry. The picture is stored apart: its entry says what it shows. */
export const picture = entryKind({
  name: 'Picture',
  byTool: true,
  payload: () =>
    z
      .object({
        pictureId: id,
        /** The entry it goes with; null where it stands by itself. */
        of: id.nullable(),
        words: line('What it shows', 200, 0),
        width: pixels(),
        height: pixels(),
        bytes: z
          .int({ error: 'The size of the file is missing.' })
          .min(1, { error: 'A picture is no empty file.' })
          .max(PICTURE.most, { error: 'A picture has 512 kB at most.' }),
      })
      .strict(),
  words: ({ words, of, width, height }) =>
    words || `${of === null ? 'No words' : 'With the entry before it'}, ${width} × ${height}`,
  core: saysNothing,
});
