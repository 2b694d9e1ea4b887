import Mono500 from '@expo-google-fonts/atkinson-hyperlegible-mono/500Medium/AtkinsonHyperlegibleMono_500Medium.ttf';
import Mono700 from '@expo-google-fonts/atkinson-hyperlegible-mono/700Bold/AtkinsonHyperlegibleMono_700Bold.ttf';
import Next400 from '@expo-google-fonts/atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf';
import Next600 from '@expo-google-fonts/atkinson-hyperlegible-next/600SemiBold/AtkinsonHyperlegibleNext_600SemiBold.ttf';
import Next700 from '@expo-google-fonts/atkinson-hyperlegible-next/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf';
import { loadAsync } from 'expo-font';

/** Begins to read the fonts. Text is shown in the system's font until they are there, and where they cannot be had. */
export function readFonts(): void {
  void loadAsync({ Next400, Next600, Next700, Mono500, Mono700 }).catch(() => undefined);
}
