import {
  TIP_FAMILIES,
  capital,
  flowWords,
  otherSchoolWords,
  readTip,
  readTypedTip,
  tipWords,
  writeTipCode,
  type TipFamily,
} from '@fine-spray/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '@/ui/button';
import { Choice } from '@/ui/choice';
import { FieldBox } from '@/ui/field';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';

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
  const { system } = useUnits();
  if (!chosen) {
    return (
      <View className="flex-row flex-wrap items-center justify-between gap-2">
        <Words className="flex-1">{`The best one for this surface: ${best.code}, ${best.family}.`}</Words>
        <Button label="Use another tip" onPress={() => onChange(best)} />
      </View>
    );
  }
  const text = typed ?? chosen.code;
  const understood = readTypedTip(text);
  const take = (typedText: string) => {
    const found = readTypedTip(typedText);
    onInvalid(found.ok ? undefined : found.message);
    if (!found.ok) return;
    const { code, family = chosen.family, madeAs } = found.value;
    // One that is not made in the family is taken as it is made.
    const made = madeAs.includes(family) ? family : madeAs[0];
    if (made) onChange({ family: made, code: writeTipCode(code) });
  };
  const now = readTip(chosen.code, chosen.family);
  const beside = readTypedTip(best.code);
  return (
    <View className="gap-3">
      <FieldBox
        label="Tip number, as it stands on the tip"
        text={text}
        error={understood.ok ? error : understood.message}
        onText={(next) => {
          setTyped(next);
          take(next);
        }}
      />
      {understood.ok && now.ok ? (
        <View className="gap-1" testID="tip-decoded">
          <Words weight="semi">
            {`${tipWords(understood.value.code, system)}${understood.value.madeAs.length === 1 ? `; made as ${chosen.family} alone: used so` : ''}.`}
          </Words>
          <Words size={14} colour="ink2">
            {otherSchoolWords(understood.value.code, system)}
          </Words>
          {beside.ok && best.code !== chosen.code ? (
            <Words size={14} colour="ink2">
              {flowWords(understood.value.code, beside.value.code)}
            </Words>
          ) : null}
        </View>
      ) : null}
      <Choice
        label="Family"
        value={chosen.family}
        options={FAMILY_OPTIONS}
        onChange={(family) => {
          setTyped(undefined);
          onChange({ family, code: chosen.code });
          onInvalid(undefined);
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
