import { z } from 'zod';
import { text } from '../../primitives';
import { entryKind, saysNothing } from '../kind';

/** Longest note, characters. */
export const NOTE_LIMIT = 20_000;

export const note = entryKind({
  name: 'Note',
  payload: () => z.object({ text: text('Note', NOTE_LIMIT, 1) }).strict(),
  words: (payload) => payload.text,
  core: saysNothing,
});
