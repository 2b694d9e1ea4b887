import Mono500 from '@expo-google-fonts/atkinson-hyperlegible-mono/500Medium/AtkinsonHyperlegibleMono_500Medium.ttf';
import Mono700 from '@expo-google-fonts/atkinson-hyperlegible-mono/700Bold/AtkinsonHyperlegibleMono_700Bold.ttf';
import Next400 from '@expo-google-fonts/atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf';
import Next600 from '@expo-google-fonts/atkinson-hyperlegible-next/600SemiBold/AtkinsonHyperlegibleNext_600SemiBold.ttf';
import Next700 from '@expo-google-fonts/atkinson-hyperlegible-next/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf';

const FONTS = { Next400, Next600, Next700, Mono500, Mono700 };

/**
 * Names the fonts: each is read with the first text it sets, which stands in the system's font until it is there, and where it
 * cannot be had. Said to the browser itself: a package that does it takes a slow phone a tenth of a second before the first picture.
 */
export function nameFonts(): void {
  for (const [family, file] of Object.entries(FONTS))
    document.fonts.add(new FontFace(family, `url("${file}")`, { display: 'swap' }));
}

/** The same as rules of a style sheet, for a page that is drawn before the program is there. */
export const fontRules = (): string =>
  Object.entries(FONTS)
    .map(
      ([family, file]) => `@font-face { font-family: ${family}; src: url("${file}"); font-display: swap; }`,
    )
    .join('\n');
