import { z } from 'zod';
import { tipChoice } from '../../kit';
import { id, line } from '../../primitives';
import { coreTip } from '../../tip';
import { entryKind, saysNothing } from '../kind';
import { joined, tipWords } from '../say';

const payload = () => z.object({ tipId: id, tip: tipChoice, why: line('Why', 200, 0) }).strict();
const words = ({ tip, why }: z.infer<ReturnType<typeof payload>>) => joined([tipWords(tip), why]);

export const tipFitted = entryKind({
  name: 'Tip fitted',
  payload,
  words,
  core: ({ tipId, tip }) => {
    const code = coreTip(tip);
    return code && { kind: 'tip fitted', tip: tipId, code };
  },
});

export const tipReversed = entryKind({ name: 'Tip reversed', payload, words, core: saysNothing });
export const tipCleaned = entryKind({ name: 'Tip cleaned', payload, words, core: saysNothing });
export const tipRetired = entryKind({
  name: 'Tip retired',
  payload,
  words,
  core: ({ tipId }) => ({ kind: 'tip retired', tip: tipId }),
});
