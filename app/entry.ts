import '@expo/metro-runtime';
import { App } from 'expo-router/build/qualified-entry';
import { renderRootComponent } from 'expo-router/build/renderRootComponent';
import { createRoot } from 'react-dom/client';
import { lists, scrolled, styles } from './parts';
import { opened } from './src/data/opening';
import { nameFonts } from './src/ui/fonts';

/** What the first picture takes, read part by part: a module is read when it is first named. */
const PARTS: readonly (() => unknown)[] = [
  () => nameFonts(),
  () => createRoot,
  () => styles(),
  () => scrolled(),
  () => lists(),
  () => renderRootComponent,
  () => App,
];

/** Lets what else the page has to do go first. */
const turn = () => new Promise<void>((resolve) => setTimeout(resolve));

/**
 * The first picture is drawn with the rows this device last saw: drawn without them first, and then again, it would come a third of a
 * second later on a slow phone. What it takes is read meanwhile, in turns: a thumb is never held up for long, and an error that a
 * package throws on purpose while it is read has no script of a megabyte on its stack, which the browser would read once more for it.
 */
async function begin(): Promise<void> {
  const ready = opened();
  for (const part of PARTS) {
    await turn();
    part();
  }
  await ready;
  renderRootComponent(App);
}
void begin();
