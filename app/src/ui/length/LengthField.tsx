import { otherSystem, showText } from '@fine-spray/core/units';
import Minus from 'lucide-react-native/icons/minus';
import Plus from 'lucide-react-native/icons/plus';
import { useEffect, useId, useRef } from 'react';
import { TextInput, View } from 'react-native';
import { IconButton } from '../button';
import { FieldError, useTypedQuantity, type QuantityFieldProps } from '../field';
import { Words } from '../text';
import { useWide } from '../wide';
import { useLengthEntry } from './entry';

/** One press of a stepper, m: five centimetres, or one inch. */
const STEP = { metric: 0.05, us: 0.0254 } as const;

/**
 * A length of a house: typed, stepped, or put in by number pad or laser measure. Beside it the same length in the other
 * system.
 */
export function LengthField(
  props: Omit<QuantityFieldProps, 'kind' | 'hideLabel' | 'value'> & { readonly value: number },
) {
  const { label, value, bounds, error, onChange } = props;
  const { text, message, type, unit, system } = useTypedQuantity({ ...props, kind: 'size' });
  const entry = useLengthEntry();
  const wide = useWide();
  const id = useId();
  const errorId = useId();
  const input = useRef<TextInput>(null);
  const register = entry?.register;
  useEffect(() => {
    register?.({ id, label, text, type, focus: () => input.current?.focus() });
  });
  const forget = entry?.forget;
  useEffect(() => () => forget?.(id), [forget, id]);
  const step = (by: 1 | -1) => {
    const size = STEP[system];
    const stepped = (Math.round(value / size) + by) * size;
    onChange(Math.min(bounds.max, Math.max(bounds.min, Number(stepped.toFixed(6)))));
  };
  const wrong = message ?? error;
  const entering = entry?.active?.id === id;
  return (
    <View className="gap-1">
      <View className="flex-row items-baseline justify-between">
        <Words colour="ink2">{label}</Words>
        <Words colour="ink2" size={14}>
          {showText(value, 'size', otherSystem(system))}
        </Words>
      </View>
      <View
        className={`min-h-[56px] flex-row items-center rounded-xl border-2 bg-sheet ${wrong ? 'border-danger' : entering ? 'border-identity' : 'border-rule'}`}
      >
        <IconButton icon={Minus} name={`${label}: less`} onPress={() => step(-1)} />
        <TextInput
          ref={input}
          id={id}
          aria-label={`${label}, ${unit}`}
          aria-invalid={wrong !== undefined}
          aria-describedby={wrong ? errorId : undefined}
          value={text}
          onChangeText={type}
          onFocus={() => {
            entry?.enter(id);
            showAbovePad(id);
          }}
          onSubmitEditing={() => entry?.next()}
          selectTextOnFocus
          // The pad below is the keyboard of a phone; a real keyboard types as ever.
          inputMode={entry && !wide ? 'none' : 'decimal'}
          className="min-w-0 flex-1 py-2 text-center font-digits-bold text-22 text-ink"
        />
        <Words colour="ink2">{unit}</Words>
        <IconButton icon={Plus} name={`${label}: more`} onPress={() => step(1)} />
      </View>
      {wrong ? <FieldError id={errorId} message={wrong} /> : null}
    </View>
  );
}

/** Scrolls a field to where the pad does not hide it, once the pad has taken its room. */
function showAbovePad(id: string): void {
  if (typeof document === 'undefined' || typeof requestAnimationFrame === 'undefined') return;
  requestAnimationFrame(() => document.getElementById(id)?.scrollIntoView({ block: 'center' }));
}
