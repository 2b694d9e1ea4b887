import type { Coating, Job } from '@fine-spray/contract';
import { archetypeOf } from '@fine-spray/core';
import { View } from 'react-native';
import { whyFailed } from '@/data/api';
import { useKept } from '@/data/kept';
import { contentOf, keys, useList, useWrites } from '@/data/resources';
import { Button } from '@/ui/button';
import { Panel } from '@/ui/panel';
import { Words } from '@/ui/text';
import { useToast } from '@/ui/toast';

const readAsked = (stored: unknown): readonly string[] | undefined =>
  Array.isArray(stored) && stored.every((one) => typeof one === 'string') ? stored : undefined;

/**
 * What the cautions stand on and nobody has said yet: asked once, where it matters, and kept with the job or the
 * coating. "Nobody knows" is an answer too: the careful side is taken.
 */
export function AskOnce({ jobId, coatingId }: { jobId?: string | undefined; coatingId: string }) {
  const job = useList('jobs').data?.find(({ id }) => id === jobId);
  const coating = useList('coatings').data?.find(({ id }) => id === coatingId);
  const [asked, setAsked] = useKept('asked once', readAsked, []);
  const done = (id: string) => setAsked([...asked, id]);
  return (
    <>
      {job?.paintAge === 'unknown' && !asked.includes(job.id) ? (
        <PaintAge job={job} onDone={() => done(job.id)} />
      ) : null}
      {coating?.hardener === 'unknown' &&
      archetypeOf(coating.archetype).base === 'solvent' &&
      !asked.includes(coating.id) ? (
        <SecondPart coating={coating} onDone={() => done(coating.id)} />
      ) : null}
    </>
  );
}

function Question({
  title,
  text,
  answers,
}: {
  title: string;
  text: string;
  answers: readonly { readonly label: string; readonly onPress: () => void }[];
}) {
  return (
    <Panel title={title} testID="ask-once">
      <Words colour="ink2">{text}</Words>
      <View className="flex-row flex-wrap gap-2">
        {answers.map(({ label, onPress }) => (
          <Button key={label} label={label} className="flex-grow" onPress={onPress} />
        ))}
      </View>
    </Panel>
  );
}

function PaintAge({ job, onDone }: { job: Job; onDone: () => void }) {
  const { put } = useWrites('jobs', keys.list('jobs'));
  const toast = useToast();
  async function answer(paintAge: Job['paintAge']) {
    try {
      await put({ id: job.id, content: { ...contentOf(job), paintAge } });
    } catch (error) {
      toast({ text: `Not stored: ${whyFailed(error)}` });
    }
  }
  return (
    <Question
      title="How old is the paint on this house?"
      text={`For the cautions of ${job.name}. Old paint may hold lead.`}
      answers={[
        { label: 'From after lead was banned', onPress: () => void answer('new') },
        { label: 'Older', onPress: () => void answer('old') },
        { label: 'Nobody knows', onPress: onDone },
      ]}
    />
  );
}

function SecondPart({ coating, onDone }: { coating: Coating; onDone: () => void }) {
  const { put } = useWrites('coatings', keys.list('coatings'));
  const toast = useToast();
  async function answer(hardener: Coating['hardener']) {
    try {
      await put({ id: coating.id, content: { ...contentOf(coating), hardener } });
    } catch (error) {
      toast({ text: `Not stored: ${whyFailed(error)}` });
    }
  }
  return (
    <Question
      title={`Does a second part go into ${coating.name}?`}
      text="Isocyanate is named on the label and in section 8 of the safety data sheet. It needs supplied air."
      answers={[
        { label: 'No second part', onPress: () => void answer('none') },
        { label: 'Yes, with isocyanate', onPress: () => void answer('isocyanate') },
        { label: 'Nobody knows', onPress: onDone },
      ]}
    />
  );
}
