import { Link, usePathname, useRouter } from 'expo-router';
import Brush from 'lucide-react-native/icons/spray-can';
import House from 'lucide-react-native/icons/house';
import NotebookPen from 'lucide-react-native/icons/notebook-pen';
import Sun from 'lucide-react-native/icons/calendar-check';
import Toolbox from 'lucide-react-native/icons/briefcase';
import { useEffect, useState, type ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { Sheet } from './sheet';
import { Words } from './text';
import { useTheme } from './theme/theme';
import { useUnits } from './units';
import { useWide } from './wide';
import { otherSystem } from '@fine-spray/core/units';

const PLACES = [
  { href: '/today', label: 'Today', icon: Sun, under: /^\/today/ },
  { href: '/', label: 'Jobs', icon: House, under: /^\/($|jobs)/ },
  { href: '/set-up', label: 'Set-up', icon: Brush, under: /^\/set-up/ },
  { href: '/log', label: 'Log', icon: NotebookPen, under: /^\/log/ },
  { href: '/kit', label: 'Kit', icon: Toolbox, under: /^\/kit/ },
] as const;

function Places({ wide }: { wide: boolean }) {
  const path = usePathname();
  const { palette } = useTheme();
  return (
    <View
      role="navigation"
      aria-label="Main"
      className={
        wide
          ? 'w-[104px] items-stretch gap-1 border-r border-rule bg-sheet px-2 py-4 print:hidden'
          : 'flex-row border-t border-rule bg-sheet print:hidden'
      }
    >
      {PLACES.map(({ href, label, icon: Icon, under }) => {
        const here = under.test(path);
        return (
          <Link key={href} href={href} asChild>
            <Pressable
              role="link"
              aria-current={here ? 'page' : undefined}
              className={`min-h-[64px] low:min-h-[44px] items-center justify-center gap-1 ${wide ? 'rounded-xl' : 'flex-1'} ${here && wide ? 'bg-identity-tint' : ''}`}
            >
              <Icon size={24} color={here ? palette.identity : palette.ink2} aria-hidden />
              <Words
                size={14}
                weight={here ? 'bold' : 'regular'}
                colour={here ? 'identity' : 'ink2'}
                className={wide ? '' : 'low:sr-only'}
              >
                {label}
              </Words>
            </Pressable>
          </Link>
        );
      })}
    </View>
  );
}

const SHORTCUTS = [
  ['1 2 3 4 5', 'Today, jobs, set-up, log, kit'],
  ['e', 'Emergency card'],
  ['u', 'Metric or US units'],
  ['d', 'Dark or light'],
  ['?', 'This list'],
] as const;

/** Keys that work when nothing is being typed. */
function useShortcuts(openList: () => void): void {
  const router = useRouter();
  const { system, setSystem } = useUnits();
  const { dark, setChoice } = useTheme();
  useEffect(() => {
    if (typeof document === 'undefined') return undefined;
    const act = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement | null;
      if (
        event.metaKey ||
        event.ctrlKey ||
        event.altKey ||
        /^(INPUT|TEXTAREA|SELECT)$/.test(target?.tagName ?? '')
      )
        return;
      const place = PLACES[Number(event.key) - 1];
      if (place) router.navigate(place.href);
      else if (event.key === 'e') router.navigate('/emergency');
      else if (event.key === 'u') setSystem(otherSystem(system));
      else if (event.key === 'd') setChoice(dark ? 'light' : 'dark');
      else if (event.key === '?') openList();
    };
    document.addEventListener('keydown', act);
    return () => document.removeEventListener('keydown', act);
  }, [router, system, setSystem, dark, setChoice, openList]);
}

/** The frame of every screen: tabs below on a phone, a rail at the side when wide. */
export function Shell({ children, strip }: { children: ReactNode; strip?: ReactNode }) {
  const wide = useWide();
  const [list, setList] = useState(false);
  useShortcuts(() => setList(true));
  return (
    <View className={`flex-1 bg-ground ${wide ? 'flex-row-reverse' : ''}`}>
      <View className="min-h-0 min-w-0 flex-1">
        {strip}
        <View role="main" className="min-h-0 min-w-0 flex-1">
          {children}
        </View>
      </View>
      <Places wide={wide} />
      {list ? (
        <Sheet title="Keyboard shortcuts" onClose={() => setList(false)}>
          {SHORTCUTS.map(([keys, what]) => (
            <View key={keys} className="flex-row gap-4">
              <Words weight="digits-bold" className="w-24">
                {keys}
              </Words>
              <Words className="flex-1">{what}</Words>
            </View>
          ))}
        </Sheet>
      ) : null}
    </View>
  );
}
