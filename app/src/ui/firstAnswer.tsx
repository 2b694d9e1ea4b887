import type { FirstAnswer } from '@fine-spray/contract/planning';
import { View } from 'react-native';
import { Fact } from './fact';
import { Words } from './text';

/** The answer that came with the page, where it is one for this device. Read before the application takes its place. */
function answerOfPage(): FirstAnswer | undefined {
  if (typeof document === 'undefined' || document.documentElement.dataset['own'] !== undefined)
    return undefined;
  const text = document.querySelector('.first-answer')?.getAttribute('data-answer');
  return text ? (JSON.parse(text) as FirstAnswer) : undefined;
}
let answer = answerOfPage();

/** The answer that came with the page; nothing where none did, or a card has taken its place. */
export const firstAnswerHere = (): FirstAnswer | undefined => answer;

/** A card has taken its place: what is waited for later is waited for as anywhere. */
export const forgetFirstAnswer = (): void => {
  answer = undefined;
};

/** The answer that came with the page, as it stood there, until the card has been worked out here. */
export function FirstAnswerView({ of: { parts, of, why, note, coming } }: { of: FirstAnswer }) {
  const [tip, ...rest] = parts;
  return (
    <View className="gap-3" testID="first-answer">
      <Words weight="bold">{of}</Words>
      <View className="flex-row flex-wrap gap-x-6">
        {tip ? <Fact {...tip} size={64} weight="digits-bold" /> : null}
        {rest.map((part) => (
          <Fact key={part.label} {...part} />
        ))}
      </View>
      <Words>{why}</Words>
      <Words size={14} colour="ink2">
        {note}
      </Words>
      <Words role="status">{coming}</Words>
    </View>
  );
}
