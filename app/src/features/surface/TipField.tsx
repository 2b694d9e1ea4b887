import { TIP_FAMILIES, capital, readTip, type TipFamily } from '@fine-spray/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '@/ui/button';
import { Choice } from '@/ui/choice';
import { FieldBox } from '@/ui/field';
import { Words } from '@/ui/text';

type Chosen = { family: TipFamily; code: string };

export interface TipFieldProps {
  readonly chosen: Chosen | null;
  readonly best: Chosen;
  /** Why the chosen tip cannot be used here. */
  readonly error?: string | undefined;
  readonly onChange: (tip: Chosen | null) => void;
  readonly onInvalid: (message: string | undefined) => void;
}

const FAMILY_OPTIONS = TIP_FAMILIES.map((value) => ({
  value,
  label: capital(value),
}));

/** The tip: the best one, or another by code and family. A code that cannot be read keeps the tip as it was. */
export function TipField({ chosen, best, error, onChange, onInvalid }: TipFieldProps) {
  const [typed, setTyped] = useState<string>();
  if (!chosen) {
    return (
      <View className="flex-row flex-wrap items-center justify-between gap-2">
        <Words className="flex-1">{`The best one for this surface: ${best.code}, ${best.family}.`}</Words>
        <Button label="Use another tip" onPress={() => onChange(best)} />
      </View>
    );
  }
  const take = (code: string, family: TipFamily) => {
    const tip = readTip(code, family);
    onInvalid(tip.ok ? undefined : tip.message);
    if (tip.ok) onChange({ family, code: code.trim() });
  };
  const check = readTip(typed ?? chosen.code, chosen.family);
  return (
    <View className="gap-3">
      <FieldBox
        label="Tip code, three or four digits"
        text={typed ?? chosen.code}
        numeric
        error={check.ok ? error : check.message}
        onText={(text) => {
          setTyped(text);
          take(text, chosen.family);
        }}
      />
      <Choice
        label="Family"
        value={chosen.family}
        options={FAMILY_OPTIONS}
        onChange={(family) => {
          const code = typed ?? chosen.code;
          const fits = readTip(code, family);
          onChange({ family, code: fits.ok ? code.trim() : chosen.code });
          if (fits.ok) onInvalid(undefined);
        }}
      />
      <Button
        label="Back to the best tip"
        onPress={() => {
          setTyped(undefined);
          onInvalid(undefined);
          onChange(null);
        }}
      />
    </View>
  );
}
