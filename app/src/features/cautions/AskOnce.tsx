import type { Coating, Job } from '@fine-spray/contract';
import { archetypeOf } from '@fine-spray/core';
import { View } from 'react-native';
import { whyFailed } from '@/data/api';
import { readTexts, useKept } from '@/data/kept';
import { contentOf, useList, useWrites } from '@/data/resources';
import { Button } from '@/ui/button';
import { Panel } from '@/ui/panel';
import { Words } from '@/ui/text';
import { useToast } from '@/ui/toast';

/**
 * What the cautions stand on and nobody has said yet: asked once, where it matters, and kept with the job or the
 * coating. "Nobody knows" is an answer too: the careful side is taken.
 */
export function AskOnce({ jobId, coatingId }: { jobId?: string | undefined; coatingId: string }) {
  const job = useList('jobs').data?.find(({ id }) => id === jobId);
  const coating = useList('coatings').data?.find(({ id }) => id === coatingId);
  const [asked, setAsked] = useKept('asked once', readTexts, []);
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
  answers: readonly { readonly label: string; /** Keeps the answer. */ readonly store: () => unknown }[];
}) {
  const toast = useToast();
  async function keep(store: () => unknown) {
    try {
      await store();
    } catch (error) {
      toast({ text: `Not stored: ${whyFailed(error)}` });
    }
  }
  return (
    <Panel title={title} testID="ask-once">
      <Words colour="ink2">{text}</Words>
      <View className="flex-row flex-wrap gap-2">
        {answers.map(({ label, store }) => (
          <Button key={label} label={label} className="flex-grow" onPress={() => void keep(store)} />
        ))}
      </View>
    </Panel>
  );
}

function PaintAge({ job, onDone }: { job: Job; onDone: () => void }) {
  const { put } = useWrites('jobs');
  const answer = (paintAge: Job['paintAge']) => () =>
    put({ id: job.id, content: { ...contentOf(job), paintAge } });
  return (
    <Question
      title="How old is the paint on this house?"
      text={`For the cautions of ${job.name}. Old paint may hold lead.`}
      answers={[
        { label: 'From after lead was banned', store: answer('new') },
        { label: 'Older', store: answer('old') },
        { label: 'Nobody knows', store: onDone },
      ]}
    />
  );
}

function SecondPart({ coating, onDone }: { coating: Coating; onDone: () => void }) {
  const { put } = useWrites('coatings');
  const answer = (hardener: Coating['hardener']) => () =>
    put({ id: coating.id, content: { ...contentOf(coating), hardener } });
  return (
    <Question
      title={`Does a second part go into ${coating.name}?`}
      text="Isocyanate is named on the label and in section 8 of the safety data sheet. It needs supplied air."
      answers={[
        { label: 'No second part', store: answer('none') },
        { label: 'Yes, with isocyanate', store: answer('isocyanate') },
        { label: 'Nobody knows', store: onDone },
      ]}
    />
  );
}
