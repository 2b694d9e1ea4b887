import '@expo/metro-runtime';
import { App } from 'expo-router/build/qualified-entry';
import { renderRootComponent } from 'expo-router/build/renderRootComponent';
import { opened } from './src/data/opening';
import { eachInTurn } from './src/data/turns';
import { nameFonts } from './src/ui/fonts';

/* eslint-disable @typescript-eslint/no-require-imports, @typescript-eslint/no-unsafe-return -- Each is to be read when its turn comes; what is imported is read at once. */
/** What the first picture takes, read part by part: the turns are cut where a slow phone takes long. */
const PARTS: readonly (() => unknown)[] = [
  nameFonts,
  () => require('react-dom/client'),
  () => require('react-native-web/dist/exports/StyleSheet'),
  () => require('react-native-web/dist/exports/View'),
  () => require('react-native-web/dist/exports/ScrollView'),
  () => require('react-native-web/dist/exports/Pressable'),
  () => renderRootComponent,
  () => require('nativewind'),
  () => require('expo-router/build/fork/NavigationContainer'),
  () => require('expo-router/build/ExpoRoot'),
  () => App,
];
/* eslint-enable @typescript-eslint/no-require-imports, @typescript-eslint/no-unsafe-return */

/** Lets what else the page has to do go first. */
const turn = () => new Promise<void>((resolve) => setTimeout(resolve));

/**
 * The first picture is drawn with the rows this device last saw: drawn without them first, and then again, it would come a third of a
 * second later on a slow phone. What it takes is read meanwhile, in turns: a thumb is never held up for long, and an error that a
 * package throws on purpose while it is read has no script of a megabyte on its stack, which the browser would read once more for it.
 */
async function begin(): Promise<void> {
  const ready = opened();
  await eachInTurn(PARTS, { pause: turn });
  await ready;
  // What is tapped in the picture of what was last seen changed the address up to now: public/last-seen.js.
  dispatchEvent(new Event('fine-spray-begins'));
  renderRootComponent(App);
}
void begin();
