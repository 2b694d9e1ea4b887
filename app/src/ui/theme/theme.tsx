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

const DARK_QUERY = '(prefers-color-scheme: dark)';
const media = () =>
  typeof window !== 'undefined' && 'matchMedia' in window ? window.matchMedia(DARK_QUERY) : undefined;

function useSystemDark(): boolean {
  const [dark, setDark] = useState(() => media()?.matches ?? false);
  useEffect(() => {
    const query = media();
    if (!query) return undefined;
    const follow = () => setDark(query.matches);
    query.addEventListener('change', follow);
    return () => query.removeEventListener('change', follow);
  }, []);
  return dark;
}

const CHOICES: readonly ThemeChoice[] = ['system', 'light', 'dark'];

/** Light, dark or as the device says; remembered on the device. */
export function ThemeProvider({ children }: { children: ReactNode }) {
  const [choice, setChoice] = usePreference<ThemeChoice>('theme', 'system', CHOICES);
  const systemDark = useSystemDark();
  const printing = usePrinting();
  const dark = !printing && (choice === 'dark' || (choice === 'system' && systemDark));
  useEffect(() => {
    if (typeof document === 'undefined') return;
    document.documentElement.dataset['theme'] = dark ? 'dark' : 'light';
    document.documentElement.style.colorScheme = dark ? 'dark' : 'light';
    document.body.style.backgroundColor = (dark ? tokens.dark : tokens.light).ground;
  }, [dark]);
  const theme = useMemo(
    () => ({ choice, dark, palette: dark ? tokens.dark : tokens.light, setChoice }),
    [choice, dark, setChoice],
  );
  return <ThemeContext.Provider value={theme}>{children}</ThemeContext.Provider>;
}

export const useTheme = () => useContext(ThemeContext);
