import X from 'lucide-react-native/icons/x';
import type { ReactNode } from 'react';
import { Modal, Pressable, ScrollView, View } from 'react-native';
import { useBackCloses } from './backCloses';
import { IconButton } from './button';
import { InjuredButton } from './injured';
import { useWide } from './wide';
import { Words } from './text';

export interface SheetProps {
  readonly title: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** What opens over the screen: from below on a phone, at the side when wide. Escape, back and a tap beside it close it. */
export function Sheet({ title, onClose, children }: SheetProps) {
  const wide = useWide();
  useBackCloses(onClose);
  return (
    <Modal aria-label={title} transparent visible onRequestClose={onClose} animationType="none">
      <View className={`flex-1 ${wide ? 'flex-row justify-end' : 'justify-end'}`}>
        <Pressable aria-hidden tabIndex={-1} onPress={onClose} className="absolute inset-0 bg-ink/40" />
        <View
          className={`bg-ground ${wide ? 'h-full w-[480px] border-l' : 'max-h-[88%] rounded-t-3xl border-t'} border-rule`}
        >
          <View className="flex-row items-center gap-2 border-b border-rule py-2 pl-5 pr-2">
            <Words size={22} weight="bold" heading={2} className="flex-1">
              {title}
            </Words>
            <InjuredButton onPress={onClose} />
            <IconButton icon={X} name="Close" onPress={onClose} />
          </View>
          <ScrollView tabIndex={0} contentContainerClassName="gap-4 p-5 pb-10">
            {children}
          </ScrollView>
        </View>
      </View>
    </Modal>
  );
}
