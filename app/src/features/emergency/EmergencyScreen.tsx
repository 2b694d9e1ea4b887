import {
  EMERGENCY_CARDS,
  EMERGENCY_IDS,
  EMERGENCY_PRECEDENCE,
  type EmergencyId,
} from '@fine-spray/core/emergency';
import Phone from 'lucide-react-native/icons/phone';
import { useState, type ReactNode } from 'react';
import { Linking, Pressable, View } from 'react-native';
import { callable, toCall, useEmergencyNumbers, wrongNumber } from '@/data/emergencyNumbers';
import { TextField } from '@/ui/field';
import { Screen } from '@/ui/screen';
import { Segmented } from '@/ui/segmented';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';

/** The two that are looked for first stand on top; each fits a phone without scrolling. */
const FIRST = ['skin', 'eye'] as const satisfies readonly EmergencyId[];
const SHORT = { skin: 'Under the skin', eye: 'In the eye' } as const;
const OTHERS: readonly EmergencyId[] = EMERGENCY_IDS.filter((id) => !FIRST.some((one) => one === id));

/**
 * The emergency cards: part of the application itself, so they need no server and no signal.
 * @param material what stands in the sprayer by the log, where that is at hand
 */
export function EmergencyScreen({ material }: { material?: ReactNode }) {
  const [open, setOpen] = useState<EmergencyId>('skin');
  const card = EMERGENCY_CARDS[open];
  const set = useEmergencyNumbers();
  const { emergency, poison } = set;
  const numbers = [...toCall(emergency), ...(open === 'swallowed' ? callable(poison) : [])];
  return (
    <Screen title={OTHERS.includes(open) ? card.name : 'Emergency'} backTo="/">
      <View className="gap-2">
        <Segmented
          label="What happened"
          value={open}
          options={FIRST.map((value) => ({ value, label: SHORT[value] }))}
          onChange={setOpen}
        />
        <View className="gap-2 rounded-2xl border-4 border-danger bg-sheet p-3" testID="emergency-now">
          <Words size={22} weight="bold">
            {card.lead}
          </Words>
          <Words weight="semi">{card.under}</Words>
          <View className="flex-row gap-2">
            {numbers.map((number) => (
              <Call key={number} number={number} />
            ))}
          </View>
        </View>
        {card.say === undefined ? null : (
          <View className="rounded-2xl bg-danger-tint px-3 py-2">
            <Words weight="bold">{`Say: “${card.say}”`}</Words>
          </View>
        )}
        <View className="px-1">
          {card.steps.map((step, index) => (
            <View key={step} className="flex-row gap-3">
              <Words weight="digits-bold">{index + 1}</Words>
              <Words className="flex-1">{step}</Words>
            </View>
          ))}
          {card.never.map((line) => (
            <Words key={line} weight="bold">
              {line}
            </Words>
          ))}
        </View>
        <View testID="emergency-end" />
      </View>
      {card.material ? material : null}
      <View className="gap-2">
        <Words weight="bold" heading={2}>
          Something else
        </Words>
        <View className="flex-row flex-wrap gap-2">
          {OTHERS.filter((id) => id !== open).map((id) => (
            <Other key={id} label={EMERGENCY_CARDS[id].name} onPress={() => setOpen(id)} />
          ))}
        </View>
      </View>
      <Numbers {...set} />
      <Words size={14} colour="ink2">
        {EMERGENCY_PRECEDENCE}
      </Words>
    </Screen>
  );
}

function Call({ number }: { number: string }) {
  const { palette } = useTheme();
  const address = `tel:${number.replace(/[^+0-9]/g, '')}`;
  return (
    <Pressable
      role="link"
      aria-label={`Call ${number}`}
      onPress={() => void Linking.openURL(address)}
      {...{ href: address }}
      className="min-h-[56px] flex-1 flex-row items-center justify-center gap-2 rounded-xl border-2 border-danger bg-sheet px-3"
    >
      <Phone size={20} color={palette.danger} aria-hidden />
      <Words size={18} weight="bold" colour="danger">{`Call ${number}`}</Words>
    </Pressable>
  );
}

function Other({ label, onPress }: { label: string; onPress: () => void }) {
  return (
    <Pressable
      role="button"
      onPress={onPress}
      className="min-h-[56px] min-w-[45%] flex-1 items-center justify-center rounded-xl border-2 border-ink bg-sheet px-3"
    >
      <Words weight="semi" className="text-center">
        {label}
      </Words>
    </Pressable>
  );
}

/** The numbers of the place, kept on this device. */
function Numbers({ emergency, setEmergency, poison, setPoison }: ReturnType<typeof useEmergencyNumbers>) {
  return (
    <View className="gap-3 rounded-2xl border border-rule bg-sheet p-4">
      <Words weight="bold" heading={2}>
        Numbers of this place
      </Words>
      <TextField
        label="Emergency number"
        value={emergency}
        error={wrongNumber(emergency)}
        onChange={setEmergency}
      />
      <TextField label="Poison centre" value={poison} error={wrongNumber(poison)} onChange={setPoison} />
      <Words size={14} colour="ink2">
        Kept on this device. Left empty, the card offers 112 and 911.
      </Words>
    </View>
  );
}
