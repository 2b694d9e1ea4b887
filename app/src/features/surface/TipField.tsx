import { TIP_FAMILIES, capital } from '@fine-spray/core';
import { View } from 'react-native';
import { TipNumber, type TipChoice } from '@/features/tips';
import { Button } from '@/ui/button';
import { Choice } from '@/ui/choice';
import { Words } from '@/ui/text';

export interface TipFieldProps {
  readonly chosen: TipChoice | null;
  readonly best: TipChoice;
  /** Why the chosen tip cannot be used here. */
  readonly error?: string | undefined;
  readonly onChange: (tip: TipChoice | null) => void;
  readonly onInvalid: (message: string | undefined) => void;
}

const FAMILY_OPTIONS = TIP_FAMILIES.map((value) => ({ value, label: capital(value) }));

/** The tip: the best one, or another by code and family. */
export function TipField({ chosen, best, error, onChange, onInvalid }: TipFieldProps) {
  if (!chosen) {
    return (
      <View className="flex-row flex-wrap items-center justify-between gap-2">
        <Words className="flex-1">{`The best one for this surface: ${best.code}, ${best.family}.`}</Words>
        <Button label="Use another tip" onPress={() => onChange(best)} />
      </View>
    );
  }
  return (
    <View className="gap-3">
      <TipNumber tip={chosen} beside={best.code} error={error} onTip={onChange} onInvalid={onInvalid} />
      <Choice
        label="Family"
        value={chosen.family}
        options={FAMILY_OPTIONS}
        onChange={(family) => {
          onChange({ family, code: chosen.code });
          onInvalid(undefined);
        }}
      />
      <Button
        label="Back to the best tip"
        onPress={() => {
          onInvalid(undefined);
          onChange(null);
        }}
      />
    </View>
  );
}
