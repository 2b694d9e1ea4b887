import {
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
import { FieldBox } from '@/ui/field';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';

export interface TipChoice {
  readonly family: TipFamily;
  readonly code: string;
}

/**
 * A tip number as it stands on a tip, decoded while it is typed: "12 23", "0.517", "517 FF". What cannot be read keeps the tip as it
 * was; one that is not made in the family is taken as it is made.
 */
export function TipNumber({
  tip,
  beside,
  error,
  onTip,
  onInvalid,
}: {
  readonly tip: TipChoice;
  /** Another tip whose paint it is compared with. */
  readonly beside?: string | undefined;
  /** Why this tip cannot be used here. */
  readonly error?: string | undefined;
  readonly onTip: (tip: TipChoice) => void;
  readonly onInvalid: (message: string | undefined) => void;
}) {
  const { system } = useUnits();
  const [typed, setTyped] = useState<{ readonly text: string; readonly code: string }>();
  // Another tip came from elsewhere: what was typed is no longer about it.
  const text = typed && (typed.code === tip.code || !readTypedTip(typed.text).ok) ? typed.text : tip.code;
  const understood = readTypedTip(text);
  const other = beside === undefined ? undefined : readTypedTip(beside);
  const take = (next: string) => {
    const found = readTypedTip(next);
    onInvalid(found.ok ? undefined : found.message);
    setTyped({ text: next, code: found.ok ? writeTipCode(found.value.code) : tip.code });
    if (!found.ok) return;
    const { code, family = tip.family, madeAs } = found.value;
    const made = madeAs.includes(family) ? family : madeAs[0];
    if (made) onTip({ family: made, code: writeTipCode(code) });
  };
  return (
    <View className="gap-1">
      <FieldBox
        label="Tip number, as it stands on the tip"
        text={text}
        error={understood.ok ? error : understood.message}
        onText={take}
      />
      {understood.ok && readTip(tip.code, tip.family).ok ? (
        <View className="gap-1" testID="tip-decoded">
          <Words weight="semi">
            {`${tipWords(understood.value.code, system)}${understood.value.madeAs.length === 1 ? `; made as ${tip.family} alone: used so` : ''}.`}
          </Words>
          <Words size={14} colour="ink2">
            {otherSchoolWords(understood.value.code, system)}
          </Words>
          {other?.ok && beside !== tip.code ? (
            <Words size={14} colour="ink2">
              {flowWords(understood.value.code, other.value.code)}
            </Words>
          ) : null}
        </View>
      ) : null}
    </View>
  );
}
