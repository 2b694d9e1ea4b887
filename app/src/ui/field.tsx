import {
  accept,
  inUnit,
  parseQuantity,
  show,
  unitOf,
  within,
  type Bounds,
  type DisplayKind,
  type Result,
  type UnitSystem,
} from '@fine-spray/core/units';
import CircleAlert from 'lucide-react-native/icons/circle-alert';
import { useEffect, useId, useRef, useState, type ReactNode } from 'react';
import { TextInput, View } from 'react-native';
import { Words } from './text';
import { useTarget } from './target';
import { useTheme } from './theme/theme';
import { useUnits } from './units';

/** A sentence at the field, with a sign beside it. */
export function FieldError({ id, message }: { id?: string; message: string }) {
  const { palette } = useTheme();
  return (
    <View nativeID={id} role="alert" className="flex-row gap-2 pt-1">
      <View className="pt-1">
        <CircleAlert size={16} color={palette.danger} aria-hidden />
      </View>
      <Words colour="danger" className="flex-1">
        {message}
      </Words>
    </View>
  );
}

/** A label above whatever asks for something. */
export function Labelled({
  label,
  children,
  note,
}: {
  label: string;
  children: ReactNode;
  note?: string | undefined;
}) {
  return (
    <View className="gap-1">
      <Words colour="ink2">{label}</Words>
      {children}
      {note ? (
        <Words colour="ink2" size={14}>
          {note}
        </Words>
      ) : null}
    </View>
  );
}

/** What is typed unseen, and what a browser may keep of it. */
export type Secret = 'password' | 'new-password' | 'pin';
const KEPT_AS = { password: 'current-password', 'new-password': 'new-password', pin: 'off' } as const;

/** Width of the border of a field, px. */
const BORDER = 2;

interface BoxProps {
  readonly label: string;
  readonly hideLabel?: boolean;
  readonly text: string;
  readonly unit?: string | undefined;
  readonly error?: string | undefined;
  readonly numeric?: boolean;
  readonly multiline?: boolean;
  readonly secret?: Secret | undefined;
  readonly onText: (text: string) => void;
  readonly onDone?: () => void;
}

/** The box every field types into. */
export function FieldBox({
  label,
  hideLabel = false,
  text,
  unit,
  error,
  numeric = false,
  multiline = false,
  secret,
  onText,
  onDone,
}: BoxProps) {
  const errorId = useId();
  const target = useTarget();
  return (
    <View className="gap-1">
      {hideLabel ? null : <Words colour="ink2">{label}</Words>}
      <View
        style={target}
        className={`flex-row items-center rounded-xl border-2 bg-sheet px-3 ${error ? 'border-danger' : 'border-rule'}`}
      >
        <TextInput
          aria-label={unit ? `${label}, ${unit}` : label}
          aria-invalid={error !== undefined}
          aria-describedby={error ? errorId : undefined}
          value={text}
          onChangeText={onText}
          onBlur={onDone}
          onSubmitEditing={onDone}
          multiline={multiline}
          inputMode={numeric ? 'decimal' : secret === 'pin' ? 'numeric' : 'text'}
          secureTextEntry={secret !== undefined}
          autoComplete={secret === undefined ? undefined : KEPT_AS[secret]}
          // As large as its box, border and all: a thumb beside the words hits it too.
          style={{ ...target, marginVertical: -BORDER }}
          className={`min-w-0 flex-1 py-2 text-ink ${numeric ? 'font-digits text-22' : 'font-words text-18'} ${multiline ? 'min-h-[96px]' : ''}`}
        />
        {unit ? <Words colour="ink2">{unit}</Words> : null}
      </View>
      {error ? <FieldError id={errorId} message={error} /> : null}
    </View>
  );
}

export interface QuantityFieldProps {
  readonly label: string;
  readonly hideLabel?: boolean;
  readonly kind: DisplayKind;
  /** SI value as it stands; nothing before one was said. */
  readonly value: number | undefined;
  readonly bounds: Bounds;
  /** A refusal from elsewhere that belongs here. */
  readonly error?: string | undefined;
  readonly onChange: (value: number) => void;
  /** Told when what is typed cannot be taken, and when it can again. */
  readonly onInvalid?: (message: string | undefined) => void;
}

const same = (one: number | undefined, other: number | undefined): boolean =>
  one === other || Math.abs((one ?? NaN) - (other ?? NaN)) <= 1e-12;

/** Decimals somebody types: what has more was worked out, or comes from other units. */
const TYPED_DECIMALS = 3;

/** A value as it stands in a field: as it was typed, or, worked out, rounded as it is shown everywhere. */
function asTyped(value: number, kind: DisplayKind, system: UnitSystem): string {
  const exact = inUnit(value, kind, system);
  const short = Number(exact.toFixed(TYPED_DECIMALS));
  if (Math.abs(exact - short) <= 1e-9 * Math.max(1, Math.abs(exact))) return String(short);
  const settled = Number(show(value, kind, system).number.replace(/,/g, '').replace('−', '-'));
  return String(settled === 0 ? Number(exact.toPrecision(2)) : settled);
}

/** What is typed into a number with a unit: it stays as typed, and a value goes out only when it can be taken. */
export function useTypedQuantity({
  label,
  kind,
  value,
  bounds,
  onChange,
  onInvalid,
}: Omit<QuantityFieldProps, 'hideLabel' | 'error'>) {
  const { system } = useUnits();
  const [typed, setTyped] = useState<string>();
  const sent = useRef(value);
  useEffect(() => {
    // A new value from outside, or another unit system, replaces what was typed.
    if (!same(value, sent.current)) setTyped(undefined);
    sent.current = value;
  }, [value]);
  useEffect(() => setTyped(undefined), [system]);

  const read = (text: string): Result<number> => {
    const parsed = parseQuantity(text, kind, system, 'value', label);
    return parsed.ok ? within(parsed.value, bounds, kind, system, 'value', label) : parsed;
  };
  const check = typed === undefined ? accept(undefined) : read(typed);
  const message = check.ok ? undefined : check.message;
  const report = useRef(onInvalid);
  report.current = onInvalid;
  useEffect(() => {
    const tell = report.current;
    tell?.(message);
    // A field that goes away, or is set from outside, holds nothing up any more.
    return () => tell?.(undefined);
  }, [message]);
  const type = (text: string) => {
    setTyped(text);
    const result = read(text);
    if (!result.ok) return;
    sent.current = result.value;
    onChange(result.value);
  };
  const text = typed ?? (value === undefined ? '' : asTyped(value, kind, system));
  return { text, message, type, unit: unitOf(kind, system), system };
}

/**
 * A number with its unit. What is typed stays as typed; a value goes out only when it can be taken,
 * otherwise the sentence stands at the field and the last good value holds.
 */
export function QuantityField({ hideLabel = false, error, ...quantity }: QuantityFieldProps) {
  const { text, message, type, unit } = useTypedQuantity(quantity);
  return (
    <FieldBox
      label={quantity.label}
      hideLabel={hideLabel}
      text={text}
      unit={unit}
      error={message ?? error}
      numeric
      onText={type}
    />
  );
}

export interface TextFieldProps {
  readonly label: string;
  readonly value: string;
  readonly error?: string | undefined;
  readonly multiline?: boolean;
  readonly secret?: Secret | undefined;
  readonly onChange: (value: string) => void;
}

/** A line or a paragraph of text. */
export function TextField({ label, value, error, multiline = false, secret, onChange }: TextFieldProps) {
  return (
    <FieldBox
      label={label}
      text={value}
      error={error}
      multiline={multiline}
      secret={secret}
      onText={onChange}
    />
  );
}
