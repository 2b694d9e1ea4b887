import { EMERGENCY_CARD } from '@fine-spray/core/safety';
import { View } from 'react-native';
import { Screen } from '@/ui/screen';
import { Words } from '@/ui/text';

/** The emergency card: part of the application itself, so it needs no server and no signal. */
export function EmergencyScreen() {
  const card = EMERGENCY_CARD;
  return (
    <Screen title={card.title} above="Emergency card" backTo="/">
      <View className="gap-2 rounded-2xl border-4 border-danger bg-sheet p-5">
        <Words size={30} weight="bold">
          {card.lead}
        </Words>
        <Words size={18} weight="semi">
          {card.numbers}
        </Words>
      </View>
      <View className="gap-1 rounded-2xl bg-danger-tint p-5">
        <Words weight="semi">{card.say}</Words>
        <Words size={22} weight="bold">{`“${card.sentence}”`}</Words>
      </View>
      <View className="gap-3 rounded-2xl border border-rule bg-sheet p-5">
        {card.steps.map((step, index) => (
          <View key={step} className="flex-row gap-3">
            <Words size={22} weight="digits-bold">
              {index + 1}
            </Words>
            <Words size={18} className="flex-1">
              {step}
            </Words>
          </View>
        ))}
      </View>
      <View className="gap-2 rounded-2xl border-2 border-danger bg-sheet p-5">
        <Words size={18} weight="bold" heading={2}>
          Never
        </Words>
        {card.never.map((line) => (
          <Words key={line} size={18}>{`× ${line}`}</Words>
        ))}
      </View>
      <View className="gap-2 p-1">
        <Words weight="bold" heading={2}>
          Not under the skin?
        </Words>
        {card.otherLines.map((line) => (
          <Words key={line}>{line}</Words>
        ))}
        <Words size={14} colour="ink2">
          {card.precedence}
        </Words>
      </View>
    </Screen>
  );
}
