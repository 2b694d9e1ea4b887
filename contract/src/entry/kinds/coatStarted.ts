import { z } from 'zod';
import { entryKind } from '../kind';
import { coatOf, weather } from '../parts';
import { coatName, joined, weatherWords } from '../say';

export const coatStarted = entryKind({
  name: 'Coat started',
  payload: () => z.object({ ...coatOf, weather: weather.nullable() }).strict(),
  words: ({ coatingId, coat, weather: now }, { coating, system }) =>
    joined([coatName(coat), coating(coatingId), now && weatherWords(now, system)]),
  core: ({ coatingId: coating, coat }, surface) =>
    surface === undefined ? undefined : { kind: 'coat started', surface, coating, coat },
});
