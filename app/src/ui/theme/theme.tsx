import { createContext, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';
import tokens from './tokens.json';
import { usePreference } from '../preference';
import { usePrinting } from '../printing';

export type ThemeChoice = 'system' | 'light' | 'dark';
export type Palette = typeof tokens.light;

interface Theme {
  readonly choice: ThemeChoice;
  readonly dark: boolean;
  /** Colours for drawings; classes use the same tokens through CSS variables. */
  readonly palette: Palette;
  readonly setChoice: (choice: ThemeChoice) => void;
}

const ThemeContext = createContext<Theme>({
  choice: 'system',
  dark: false,
  palette: tokens.light,
  setChoice: () => undefined,
});

const media = (query: string) =>
  typeof window !== 'undefined' && 'matchMedia' in window ? window.matchMedia(query) : undefined;

/** Whether the device asks for something. */
function useAsked(query: string): boolean {
  const [asked, setAsked] = useState(() => media(query)?.matches ?? false);
  useEffect(() => {
    const list = media(query);
    if (!list) return undefined;
    const follow = () => setAsked(list.matches);
    list.addEventListener('change', follow);
    return () => list.removeEventListener('change', follow);
  }, [query]);
  return asked;
}

/** The colours of a theme, stronger where the device asks for more contrast. */
const paletteOf = (theme: 'light' | 'dark', more: boolean): Palette =>
  more ? { ...tokens[theme], ...tokens.moreContrast[theme] } : tokens[theme];

const CHOICES: readonly ThemeChoice[] = ['system', 'light', 'dark'];

/** Light, dark or as the device says; remembered on the device. */
export function ThemeProvider({ children }: { children: ReactNode }) {
  const [choice, setChoice] = usePreference<ThemeChoice>('theme', 'system', CHOICES);
  const systemDark = useAsked('(prefers-color-scheme: dark)');
  const more = useAsked('(prefers-contrast: more)');
  const printing = usePrinting();
  const dark = !printing && (choice === 'dark' || (choice === 'system' && systemDark));
  useEffect(() => {
    if (typeof document === 'undefined') return;
    document.documentElement.dataset['theme'] = dark ? 'dark' : 'light';
    document.documentElement.style.colorScheme = dark ? 'dark' : 'light';
    document.body.style.backgroundColor = (dark ? tokens.dark : tokens.light).ground;
  }, [dark]);
  const theme = useMemo(
    () => ({ choice, dark, palette: paletteOf(dark ? 'dark' : 'light', more), setChoice }),
    [choice, dark, more, setChoice],
  );
  return <ThemeContext.Provider value={theme}>{children}</ThemeContext.Provider>;
}

export const useTheme = () => useContext(ThemeContext);
