import '@expo/metro-runtime';
import { App } from 'expo-router/build/qualified-entry';
import { renderRootComponent } from 'expo-router/build/renderRootComponent';
import { opened } from './src/data/opening';
import { readFonts } from './src/ui/fonts';

// The first picture is drawn with the rows this device last saw: drawn without them first, and then again, it would come a
// third of a second later on a slow phone. What the picture takes is made ready while the device is asked.
const ready = opened();
readFonts();
const [render, Root] = [renderRootComponent, App];
// The router compares names by the rules of the language, which are read with the first comparison.
'a'.localeCompare('b');
void ready.then(() => render(Root));
