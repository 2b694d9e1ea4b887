import { FirstAnswerView, firstAnswerHere } from '@/ui/firstAnswer';
import { Screen } from '@/ui/screen';
import { Skeleton } from '@/ui/states';

export const [TITLE, ABOVE] = ['Set-up', 'Without a job'];

/** The set-up while its card is on its way: the answer that came with the page, or the shape of one. */
export function SetupComing() {
  const answer = firstAnswerHere();
  return (
    <Screen title={TITLE} above={ABOVE}>
      {answer ? <FirstAnswerView of={answer} /> : <Skeleton rows={3} height={220} />}
    </Screen>
  );
}
