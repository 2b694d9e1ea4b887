import { useRouter, type Href } from 'expo-router';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import type { ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { IconButton } from './button';
import { InjuredButton } from './injured';
import { LIES_OPEN } from './printing';
import { Words } from './text';
import { useTitle } from './title';

export interface HeaderProps {
  readonly title: string;
  /** What it belongs to, small above the title. */
  readonly above?: string | undefined;
  /** Where back leads when there is no history. */
  readonly backTo?: Href | undefined;
}

export function Header({ title, above, backTo }: HeaderProps) {
  const router = useRouter();
  useTitle(above ? `${title} · ${above}` : title);
  return (
    <View
      className={`flex-row items-center justify-between gap-2 py-2 pr-4 low:py-0 max-[260px]:flex-wrap max-[260px]:gap-y-0 ${backTo === undefined ? 'pl-4' : 'pl-2'}`}
    >
      {backTo === undefined ? null : (
        <IconButton icon={ChevronLeft} name="Back" onPress={() => router.navigate(backTo)} />
      )}
      {/* Where everything is twice as large the title has a line of its own. */}
      <View className="min-w-0 flex-1 max-[260px]:order-last max-[260px]:basis-full max-[260px]:px-2">
        {above ? (
          <Words size={14} colour="ink2" numberOfLines={2} className="low:hidden">
            {above}
          </Words>
        ) : null}
        <Words size={22} weight="bold" heading={1} numberOfLines={2} className="low:text-16">
          {title}
        </Words>
      </View>
      <InjuredButton />
    </View>
  );
}

/** A screen that scrolls, with its header; broad where its parts stand side by side. */
export function Screen({
  children,
  broad = false,
  ...header
}: HeaderProps & { children: ReactNode; broad?: boolean }) {
  return (
    <View className="flex-1">
      <Header {...header} />
      <ScrollView
        tabIndex={0}
        className={LIES_OPEN}
        contentContainerClassName={`w-full gap-4 px-4 pb-10 ${broad ? 'max-w-[1080px]' : 'max-w-[760px]'}`}
      >
        {children}
      </ScrollView>
    </View>
  );
}
