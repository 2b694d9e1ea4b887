import { SHEET, type SheetRange } from '@fine-spray/core';
import type { DisplayKind } from '@fine-spray/core/units';
import { useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { Button } from '@/ui/button';
import { FieldError, QuantityField, TextField } from '@/ui/field';
import { Words } from '@/ui/text';

/** A value of a data sheet with what it stands on below it, and the way back to the working default. */
export function SheetBox({
  given,
  says,
  onClear,
  children,
}: {
  readonly given: boolean;
  readonly says: string;
  readonly onClear?: (() => void) | undefined;
  readonly children: ReactNode;
}) {
  return (
    <View
      className={`gap-1 rounded-2xl border bg-sheet p-4 ${given ? 'border-identity' : 'border-dashed border-rule'}`}
    >
      {children}
      <View className="flex-row flex-wrap items-center justify-between">
        <Words
          size={14}
          weight={given ? 'semi' : 'regular'}
          colour={given ? 'identity' : 'ink2'}
          className="min-w-0 flex-1"
        >
          {says}
        </Words>
        {onClear ? <Button label="Back to the default" kind="quiet" onPress={onClear} /> : null}
      </View>
    </View>
  );
}

interface ValueProps {
  readonly label: string;
  readonly kind: DisplayKind;
  readonly bounds: { readonly min: number; readonly max: number };
  readonly error: string | undefined;
}

/** A value that the sheet gives or does not: empty where it does not. */
export function SheetValueField({
  value,
  missing,
  note,
  onChange,
  onInvalid,
  ...field
}: ValueProps & {
  readonly value: number | undefined;
  /** What is taken where the sheet gives none. */
  readonly missing: string;
  readonly note?: string | undefined;
  readonly onChange: (value: number | undefined) => void;
  readonly onInvalid: (message: string | undefined) => void;
}) {
  return (
    <SheetBox
      given={value !== undefined}
      says={value === undefined ? missing : SHEET}
      onClear={
        value === undefined
          ? undefined
          : () => {
              onInvalid(undefined);
              onChange(undefined);
            }
      }
    >
      <QuantityField {...field} value={value} onChange={onChange} onInvalid={onInvalid} />
      {note === undefined ? null : (
        <Words size={14} testID="sheet-note">
          {note}
        </Words>
      )}
    </SheetBox>
  );
}

/** What the sheet advises from and to: nothing until both are typed. */
export function SheetRangeField({
  label,
  noun,
  value,
  error,
  onChange,
  onInvalid,
  ...field
}: Omit<ValueProps, 'label'> & {
  readonly label: string;
  /** What goes from and to. */
  readonly noun: string;
  readonly value: SheetRange | undefined;
  readonly onChange: (value: SheetRange | undefined) => void;
  readonly onInvalid: (field: 'low' | 'high', message: string | undefined) => void;
}) {
  const [ends, setEnds] = useState<Partial<SheetRange>>(value ?? {});
  const [cleared, setCleared] = useState(0);
  const setEnd = (end: 'low' | 'high', next: number) => {
    const both = { ...ends, [end]: next };
    setEnds(both);
    const { low, high } = both;
    if (low !== undefined && high !== undefined) onChange({ low, high });
  };
  return (
    <SheetBox
      given={value !== undefined}
      says={value === undefined ? 'Not given: as this kind of coating is usually sprayed' : SHEET}
      onClear={
        value === undefined
          ? undefined
          : () => {
              onInvalid('low', undefined);
              onInvalid('high', undefined);
              setEnds({});
              setCleared(cleared + 1);
              onChange(undefined);
            }
      }
    >
      <Words colour="ink2">{label}</Words>
      <View className="flex-row gap-2">
        {(['low', 'high'] as const).map((end) => (
          <View key={`${end} ${cleared}`} className="min-w-0 flex-1">
            <QuantityField
              {...field}
              label={`${noun} ${end === 'low' ? 'from' : 'to'}`}
              error={undefined}
              value={ends[end]}
              onChange={(next) => setEnd(end, next)}
              onInvalid={(message) => onInvalid(end, message)}
            />
          </View>
        ))}
      </View>
      {error === undefined ? null : <FieldError message={error} />}
    </SheetBox>
  );
}

/** Words of the sheet. */
export function SheetTextField({
  label,
  value,
  missing,
  error,
  onChange,
}: {
  readonly label: string;
  readonly value: string | undefined;
  readonly missing: string;
  readonly error: string | undefined;
  readonly onChange: (value: string | undefined) => void;
}) {
  return (
    <SheetBox given={value !== undefined} says={value === undefined ? missing : SHEET}>
      <TextField
        label={label}
        value={value ?? ''}
        error={error}
        onChange={(text) => onChange(text.trim() === '' ? undefined : text)}
      />
    </SheetBox>
  );
}
