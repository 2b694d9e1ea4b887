import { createRequire } from 'node:module';
import { makeCalendar } from '../calendars/task';
import { makePaper } from '../paper/task';
import type { PoolTask } from './pool';

/** The fonts of the application, from the packages that ship them. */
const { resolve } = createRequire(import.meta.url);
const NEXT = '@expo-google-fonts/atkinson-hyperlegible-next';
const MONO = '@expo-google-fonts/atkinson-hyperlegible-mono';
const FONTS = {
  regular: resolve(`${NEXT}/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf`),
  bold: resolve(`${NEXT}/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf`),
  digits: resolve(`${MONO}/700Bold/AtkinsonHyperlegibleMono_700Bold.ttf`),
};

/** What a worker of the pool does. */
export default async (task: PoolTask): Promise<Uint8Array> =>
  task.kind === 'windows-calendar' || task.kind === 'days-calendar'
    ? new TextEncoder().encode(makeCalendar(task))
    : makePaper(task, FONTS);
