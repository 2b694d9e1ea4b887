import { createRequire } from 'node:module';
import { makeCalendar } from '../calendars/task';
import { makePaper } from '../paper/task';
import type { PoolTask } from './pool';

/** The fonts of the application, from the packages that ship them; what they have no letters for is set in a wider one. */
const { resolve } = createRequire(import.meta.url);
const NEXT = '@expo-google-fonts/atkinson-hyperlegible-next';
const MONO = '@expo-google-fonts/atkinson-hyperlegible-mono';
const WIDER = '@expo-google-fonts/noto-sans';
const BOLD = resolve(`${WIDER}/700Bold/NotoSans_700Bold.ttf`);
const FONTS = {
  regular: {
    file: resolve(`${NEXT}/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf`),
    instead: resolve(`${WIDER}/400Regular/NotoSans_400Regular.ttf`),
  },
  bold: { file: resolve(`${NEXT}/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf`), instead: BOLD },
  digits: { file: resolve(`${MONO}/700Bold/AtkinsonHyperlegibleMono_700Bold.ttf`), instead: BOLD },
};

/** What a worker of the pool does. */
export default async (task: PoolTask): Promise<Uint8Array> =>
  task.kind === 'windows-calendar' || task.kind === 'days-calendar'
    ? new TextEncoder().encode(makeCalendar(task))
    : makePaper(task, FONTS);
