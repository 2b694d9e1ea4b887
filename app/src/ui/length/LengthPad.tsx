import type { ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { Button } from '../button';
import { Words } from '../text';
import { useUnits } from '../units';
import { useWide } from '../wide';
import { useLengthEntry } from './entry';
import { PAD_KEYS, pressKey } from './pad';

const NAMES: Readonly<Record<string, string>> = {
  '⌫': 'Delete the last',
  ft: 'Feet',
  in: 'Inches',
  '½': 'Half an inch',
  '¼': 'Quarter of an inch',
};

/** The pad below a screen while one of its lengths has the focus: keys on a phone, tools such as a laser measure on both. */
export function LengthPad({ tools }: { tools?: ReactNode }) {
  const entry = useLengthEntry();
  const { system } = useUnits();
  const wide = useWide();
  if (!entry?.active) return null;
  const { active, fresh, typeInto, next, end } = entry;
  const press = (key: string) => {
    if (key === 'next') next();
    else typeInto(pressKey(fresh && key !== '⌫' ? '' : active.text, key));
  };
  return (
    <View
      role="group"
      aria-label={`Number pad for ${active.label}`}
      className="gap-2 border-t border-rule bg-sheet px-3 py-2"
    >
      <View className="flex-row items-center gap-2">
        <View className="min-w-0 flex-1">
          <Words size={14} colour="ink2" numberOfLines={1}>
            {active.label}
          </Words>
          <Words size={30} weight="digits-bold" numberOfLines={1} testID="pad-text">
            {active.text === '' ? '–' : active.text}
          </Words>
        </View>
        {wide ? <Button label="Next" onPress={next} /> : null}
        <Button label="Done" kind="quiet" onPress={end} />
      </View>
      {tools}
      {wide ? null : (
        <View className="gap-1">
          {PAD_KEYS[system].map((row) => (
            <View key={row.join(' ')} className="flex-row gap-1">
              {row.map((key) => (
                <Pressable
                  key={key}
                  role="button"
                  aria-label={NAMES[key] ?? key}
                  onPress={() => press(key)}
                  className={`min-h-[52px] flex-1 items-center justify-center rounded-lg border ${key === 'next' ? 'border-identity bg-identity' : 'border-rule bg-ground'}`}
                >
                  <Words
                    size={/^\d$/.test(key) ? 22 : 18}
                    weight={/^[\d.]$/.test(key) ? 'digits-bold' : 'semi'}
                    colour={key === 'next' ? 'on-identity' : 'ink'}
                  >
                    {key === 'next' ? 'Next' : key}
                  </Words>
                </Pressable>
              ))}
            </View>
          ))}
        </View>
      )}
    </View>
  );
}
