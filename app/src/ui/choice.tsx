import Check from 'lucide-react-native/icons/check';
import ChevronDown from 'lucide-react-native/icons/chevron-down';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { FieldError } from './field';
import { Sheet } from './sheet';
import { Words } from './text';
import { useTarget } from './target';
import { useTheme } from './theme/theme';

export interface ChoiceOption<T extends string> {
  readonly value: T;
  readonly label: string;
  readonly note?: string;
}

export interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly ChoiceOption<T>[];
  readonly error?: string | undefined;
  readonly onChange: (value: T) => void;
}

/** One of many: shows what is chosen, opens the list over the screen. */
export function Choice<T extends string>({ label, value, options, error, onChange }: ChoiceProps<T>) {
  const [open, setOpen] = useState(false);
  const { palette } = useTheme();
  const target = useTarget();
  const chosen = options.find((option) => option.value === value);
  return (
    <View className="gap-1">
      <Words colour="ink2">{label}</Words>
      <Pressable
        role="button"
        aria-label={chosen ? `${label}: ${chosen.label}. Change` : `${label}: Choose`}
        onPress={() => setOpen(true)}
        style={target}
        className={`flex-row items-center gap-2 rounded-xl border-2 bg-sheet px-3 py-2 ${error ? 'border-danger' : 'border-rule'}`}
      >
        <Words weight="semi" className="flex-1">
          {chosen?.label ?? 'Choose'}
        </Words>
        <ChevronDown size={20} color={palette.ink2} aria-hidden />
      </Pressable>
      {error ? <FieldError message={error} /> : null}
      {open ? (
        <Sheet title={label} onClose={() => setOpen(false)}>
          <View role="radiogroup" aria-label={label} className="gap-1">
            {options.map((option) => (
              <Pressable
                key={option.value}
                role="radio"
                aria-checked={option.value === value}
                onPress={() => {
                  setOpen(false);
                  onChange(option.value);
                }}
                className={`min-h-[56px] flex-row items-center gap-3 rounded-xl px-4 py-2 ${option.value === value ? 'bg-identity-tint' : 'bg-sheet'}`}
              >
                <View className="flex-1">
                  <Words weight="semi">{option.label}</Words>
                  {option.note ? (
                    <Words colour="ink2" size={14}>
                      {option.note}
                    </Words>
                  ) : null}
                </View>
                {option.value === value ? <Check size={20} color={palette.identity} aria-hidden /> : null}
              </Pressable>
            ))}
          </View>
        </Sheet>
      ) : null}
    </View>
  );
}
