import { WATERFALL, showText, type Waterfall } from '@fine-spray/core';
import { View } from 'react-native';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';

/** Where the likely paint goes: each step a bar that begins where the one before ended. */
export function WaterfallChart({ waterfall: { steps, total } }: { waterfall: Waterfall }) {
  const { system } = useUnits();
  let before = 0;
  return (
    <View className="gap-2">
      {steps
        .filter(({ volume }) => volume > total * 1e-6)
        .map(({ step, volume }) => {
          const left = (before / total) * 100;
          before += volume;
          return (
            <View key={step} className="gap-0.5">
              <View className="flex-row justify-between gap-3">
                <Words size={14} className="min-w-0 flex-1">
                  {WATERFALL[step]}
                </Words>
                <Words size={14} weight="semi">
                  {showText(volume, 'volume', system)}
                </Words>
              </View>
              <View className="h-3 rounded-sm bg-identity-tint" aria-hidden>
                <View
                  className={`h-3 rounded-sm ${step === 'film' ? 'bg-dry' : 'bg-identity'}`}
                  style={{ marginLeft: `${left}%`, width: `${Math.max(0.5, (volume / total) * 100)}%` }}
                />
              </View>
            </View>
          );
        })}
    </View>
  );
}
