import { Link, useRouter } from 'expo-router';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import Plus from 'lucide-react-native/icons/plus';
import type { ReactNode } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { IconButton } from './button';
import { Words } from './text';
import { useTheme } from './theme/theme';
import { useTitle } from './title';

/** One tap to the emergency card, on every screen, at the same place. */
export function InjuredButton() {
  const { palette } = useTheme();
  return (
    <Link href="/emergency" asChild>
      <Pressable
        role="link"
        aria-label="Injured: emergency card"
        className="min-h-[48px] flex-row items-center gap-2 rounded-xl border-2 border-ink bg-sheet px-3"
      >
        <Plus size={20} strokeWidth={3} color={palette.ink} aria-hidden />
        <Words weight="bold">Injured</Words>
      </Pressable>
    </Link>
  );
}

export interface HeaderProps {
  readonly title: string;
  /** What it belongs to, small above the title. */
  readonly above?: string | undefined;
  /** Where back leads when there is no history. */
  readonly backTo?: string | undefined;
}

export function Header({ title, above, backTo }: HeaderProps) {
  const router = useRouter();
  useTitle(above ? `${title} · ${above}` : title);
  return (
    <View className={`flex-row items-center gap-2 py-2 pr-4 ${backTo === undefined ? 'pl-4' : 'pl-2'}`}>
      {backTo === undefined ? null : (
        <IconButton icon={ChevronLeft} name="Back" onPress={() => router.navigate(backTo)} />
      )}
      <View className="min-w-0 flex-1">
        {above ? (
          <Words size={14} colour="ink2" numberOfLines={1}>
            {above}
          </Words>
        ) : null}
        <Words size={22} weight="bold" heading={1} numberOfLines={2}>
          {title}
        </Words>
      </View>
      <InjuredButton />
    </View>
  );
}

/** A screen that scrolls, with its header. */
export function Screen({ children, ...header }: HeaderProps & { children: ReactNode }) {
  return (
    <View className="flex-1">
      <Header {...header} />
      <ScrollView tabIndex={0} contentContainerClassName="w-full max-w-[760px] gap-4 px-4 pb-10">
        {children}
      </ScrollView>
    </View>
  );
}
