import { answerParts } from '@fine-spray/contract/planning';
import type { SetupCard } from '@fine-spray/core';
import { Pressable, View } from 'react-native';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';

/** The card in one line, for a phone while the inputs are in sight: the answer keeps moving under the thumb. */
export function AnswerStrip({
  card,
  refused,
  onPress,
}: {
  card: SetupCard;
  /** Why the last change is refused. */
  refused: string | undefined;
  onPress: () => void;
}) {
  const { system } = useUnits();
  return (
    <Pressable
      role="button"
      testID="answer-strip"
      onPress={onPress}
      className={`min-h-[56px] flex-row items-center justify-between gap-2 border-t-2 bg-sheet px-4 ${refused ? 'border-danger' : 'border-identity'}`}
    >
      {refused ? (
        <Words size={14} weight="semi" colour="danger" numberOfLines={3} className="min-w-0 flex-1">
          {refused}
        </Words>
      ) : (
        answerParts(card, system).map(({ label, value }) => (
          <View key={label}>
            <Words size={14} colour="ink2">
              {label}
            </Words>
            <Words weight="bold">{value}</Words>
          </View>
        ))
      )}
      <Words className="sr-only">Back to the card</Words>
    </Pressable>
  );
}
