import TriangleAlert from 'lucide-react-native/icons/triangle-alert';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { Words } from './text';
import { useTheme } from './theme/theme';

/** A caution where it belongs: what, why, what to do. Icon and word, never colour alone. */
export function CautionBox({ what, why, instead }: { what: string; why: string; instead?: string }) {
  const { palette } = useTheme();
  return (
    <View className="flex-row gap-3 rounded-2xl bg-caution-tint p-4">
      <TriangleAlert size={22} color={palette.caution} aria-hidden />
      <View className="min-w-0 flex-1">
        <Words weight="bold" colour="caution">{`Caution: ${what}`}</Words>
        <Words size={14}>{[why, instead].filter(Boolean).join(' ')}</Words>
      </View>
    </View>
  );
}

interface Listed {
  readonly code: string;
  readonly what: string;
  readonly why: string;
}

/** The cautions of one step, one sentence each, what hurts most first; a tap says why. */
export function CautionList({ title, cautions }: { title: string; cautions: readonly Listed[] }) {
  const { palette } = useTheme();
  if (cautions.length === 0) return null;
  return (
    <View className="gap-1 rounded-2xl bg-caution-tint px-4 py-3" testID={`cautions ${title}`}>
      <View className="flex-row items-center gap-3">
        <TriangleAlert size={22} color={palette.caution} aria-hidden />
        <Words weight="bold" colour="caution" heading={2}>
          {`Caution: ${title}`}
        </Words>
      </View>
      {cautions.map((one) => (
        <OneCaution key={one.code} {...one} />
      ))}
    </View>
  );
}

function OneCaution({ what, why }: Listed) {
  const [open, setOpen] = useState(false);
  return (
    <Pressable
      role="button"
      aria-expanded={open}
      onPress={() => setOpen(!open)}
      className="min-h-[48px] justify-center border-t border-rule py-2"
    >
      <Words weight="semi">{what}</Words>
      {open ? <Words size={14}>{why}</Words> : null}
    </Pressable>
  );
}
