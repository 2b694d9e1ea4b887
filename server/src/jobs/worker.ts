import { createRequire } from 'node:module';
import { makePaper, type PaperTask } from '../paper/task';

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
export default (task: PaperTask): Promise<Uint8Array> => makePaper(task, FONTS);
