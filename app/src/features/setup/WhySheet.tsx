import {
  COATING_PROPERTIES,
  FORMULAS,
  showRange,
  showText,
  type CoatingProperty,
  type Explained,
  type Input,
} from '@fine-spray/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '@/ui/button';
import { QuantityField, TextField } from '@/ui/field';
import { BigNumber } from '@/ui/number';
import { Sheet } from '@/ui/sheet';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import { BASIS_WORDS } from './words';

export interface WhySheetProps {
  readonly number: Explained;
  readonly onClose: () => void;
  /**
   * Stores a data sheet value for a property of the coating; undefined goes back to the working default. Missing where a
   * number only explains itself: no value is asked for then.
   */
  readonly onOverride?: (
    property: CoatingProperty,
    override: { value: number; source: string } | undefined,
  ) => void;
}

/** Low, likely and high on one line: the uncertainty drawn. */
function RangeBar({ number }: { number: Explained }) {
  const { system } = useUnits();
  const { value, low, high, kind } = number;
  if (high - low < 1e-12 * Math.max(1, Math.abs(value))) return null;
  const at = (value - low) / (high - low);
  return (
    <View className="gap-1" role="img" aria-label={`Likely range ${showRange(low, high, kind, system)}`}>
      <View className="h-3 rounded-full bg-identity-tint">
        <View className="absolute -top-1 h-5 w-1 rounded bg-identity" style={{ left: `${at * 100}%` }} />
      </View>
      <View className="flex-row justify-between">
        <Words size={14} colour="ink2">
          {showText(low, kind, system)}
        </Words>
        <Words size={14} colour="ink2">
          {showText(high, kind, system)}
        </Words>
      </View>
    </View>
  );
}

function InputLine({ input, onOverride }: { input: Input } & Pick<WhySheetProps, 'onOverride'>) {
  const { system } = useUnits();
  const [editing, setEditing] = useState(false);
  const property = onOverride && (input.property as CoatingProperty | undefined);
  return (
    <View className="gap-2 rounded-2xl border border-rule bg-sheet p-4">
      <View className="flex-row flex-wrap items-baseline justify-between gap-x-3">
        <Words weight="semi">{input.label}</Words>
        <Words weight="bold">{showText(input.value, input.kind, system)}</Words>
      </View>
      <Words size={14} colour="ink2">
        {input.source.startsWith(BASIS_WORDS[input.basis]) ? '' : `${BASIS_WORDS[input.basis]}. `}
        {`${input.source}.`}
        {input.low < input.high ? ` Range ${showRange(input.low, input.high, input.kind, system)}.` : ''}
      </Words>
      {property && !editing ? (
        <Button
          label="Use a data sheet value"
          kind="quiet"
          className="self-start"
          onPress={() => setEditing(true)}
        />
      ) : null}
      {property && editing ? (
        <OverrideForm
          input={input}
          property={property}
          onDone={(override) => {
            setEditing(false);
            if (override !== null) onOverride?.(property, override);
          }}
        />
      ) : null}
    </View>
  );
}

const USUAL_SOURCE = 'Data sheet';

/** Null closes without a change; undefined goes back to the working default. */
function OverrideForm({
  input,
  property,
  onDone,
}: {
  input: Input;
  property: CoatingProperty;
  onDone: (override: { value: number; source: string } | undefined | null) => void;
}) {
  const [value, setValue] = useState(input.value);
  const [invalid, setInvalid] = useState<string>();
  const [source, setSource] = useState(input.basis === 'data-sheet' ? input.source : USUAL_SOURCE);
  const { kind, label, bounds } = COATING_PROPERTIES[property];
  return (
    <View className="gap-3">
      <QuantityField
        label={`${label} from the data sheet`}
        kind={kind}
        value={value}
        bounds={bounds}
        onChange={setValue}
        onInvalid={setInvalid}
      />
      <TextField label="Where it says so" value={source} onChange={setSource} />
      <Words size={14} colour="ink2">
        It holds for this coating in every job.
      </Words>
      <View className="flex-row flex-wrap gap-2">
        <Button
          label="Use it"
          kind="primary"
          disabled={invalid !== undefined}
          onPress={() => onDone({ value, source: source.trim() || USUAL_SOURCE })}
        />
        {input.basis === 'data-sheet' ? (
          <Button label="Back to the default" onPress={() => onDone(undefined)} />
        ) : null}
        <Button label="Cancel" kind="quiet" onPress={() => onDone(null)} />
      </View>
    </View>
  );
}

/** Why this number: value and range, formula, source, every input with what it stands on, and overriding. */
export function WhySheet({ number, onClose, onOverride }: WhySheetProps) {
  const formula = FORMULAS[number.formula];
  return (
    <Sheet title={formula.name} onClose={onClose}>
      <BigNumber value={number.value} kind={number.kind} size={44} />
      <RangeBar number={number} />
      <Words>{`Stands on: ${BASIS_WORDS[number.basis].toLowerCase()} (the least certain input).`}</Words>
      <View className="gap-1 rounded-2xl bg-identity-tint p-4">
        <Words size={18} weight="semi">
          {formula.expression}
        </Words>
        <Words size={14}>{`Source: ${formula.source}.`}</Words>
        <Words size={14}>{`Holds: ${formula.range}.`}</Words>
      </View>
      <Words weight="bold" heading={3}>
        With these inputs
      </Words>
      {number.inputs.map((input) => (
        <InputLine key={input.label} input={input} {...(onOverride ? { onOverride } : {})} />
      ))}
    </Sheet>
  );
}
