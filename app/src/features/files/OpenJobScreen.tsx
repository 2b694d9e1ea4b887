import type { BatchWrite, JobFile } from '@fine-spray/contract';
import { asCopy } from '@fine-spray/contract/formats';
import type { Kit } from '@fine-spray/contract/planning';
import { useRouter } from 'expo-router';
import Upload from 'lucide-react-native/icons/upload';
import { useState } from 'react';
import { View } from 'react-native';
import { whyFailed } from '@/data/api';
import type { ChosenFile } from '@/data/deviceFiles';
import { useKit } from '@/data/kit';
import { newId } from '@/data/newId';
import { useBatch, useList } from '@/data/resources';
import { Button } from '@/ui/button';
import { Screen } from '@/ui/screen';
import { ErrorState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { useToast } from '@/ui/toast';
import { isWholeJob, sendToJob } from './forJob';
import { Issues } from './Issues';
import { Reading } from './Reading';
import { useOpenedWith } from './useOpenedWith';
import { useFileReader } from './useFileReader';

const TITLE = 'Open a job file';

/** Takes a whole job in from its open file, as a copy of its own. */
export function OpenJobScreen() {
  const { kit, failed, retry } = useKit();
  return (
    <Screen title={TITLE} backTo="/">
      {kit ? (
        <Opening kit={kit} />
      ) : failed ? (
        <ErrorState title="The kit cannot be read now" text={whyFailed(failed)} onRetry={retry} />
      ) : (
        <Skeleton rows={2} />
      )}
    </Screen>
  );
}

function Opening({ kit }: { kit: Kit }) {
  const { chosen, choose, read, drop } = useFileReader('job');
  const [ofAJob, setOfAJob] = useState<ChosenFile>();
  useOpenedWith((file) => {
    setOfAJob(isWholeJob(file) ? undefined : file);
    if (isWholeJob(file)) read({ ...file, kit });
  });
  const [busy, setBusy] = useState(false);
  const router = useRouter();
  const toast = useToast();
  const send = useBatch();

  async function take(file: JobFile) {
    const copy = asCopy(file, newId);
    const row = (
      resource: 'jobs' | 'places' | 'surfaces',
      { id, ...content }: { id: string },
    ): BatchWrite => ({ resource, id, content: { ...content, version: 0 } });
    setBusy(true);
    try {
      await send([
        row('jobs', copy.job),
        ...copy.places.map((place) => row('places', place)),
        ...copy.surfaces.map((surface) => row('surfaces', surface)),
      ]);
      router.navigate(`/jobs/${copy.job.id}`);
    } catch (error) {
      toast({ text: `Nothing was taken in: ${whyFailed(error)}` });
    } finally {
      setBusy(false);
    }
  }
  const found = chosen?.result?.ok ? chosen.result : undefined;
  return (
    <View className="gap-4">
      <Words colour="ink2">
        A job that was written as JSON, here or by another company with Fine Spray. Its coatings become those
        of your kit.
      </Words>
      <Button
        label="Choose a file"
        icon={Upload}
        kind="primary"
        className="self-start"
        onPress={() => {
          setOfAJob(undefined);
          void choose('.json,application/json', { kit });
        }}
      />
      {ofAJob ? <WhichJob file={ofAJob} /> : null}
      {chosen && !chosen.result ? <Reading name={chosen.name} onCancel={drop} /> : null}
      {chosen?.result?.ok === false ? <Issues name={chosen.name} issues={chosen.result.issues} /> : null}
      {found ? (
        <View className="gap-2 rounded-2xl border border-rule bg-sheet p-4" testID="file-preview">
          <Words size={30} weight="bold">
            {found.value.job.name}
          </Words>
          <Words>{`${found.value.places.length} rooms and elevations, ${found.value.surfaces.length} surfaces.`}</Words>
          {found.notes.map((note) => (
            <Words key={note} colour="caution">
              {note}
            </Words>
          ))}
          <Button label="Take it in" kind="primary" disabled={busy} onPress={() => void take(found.value)} />
        </View>
      ) : null}
    </View>
  );
}

/** The jobs a take-off or a building model may be for, those that are not finished first. */
function WhichJob({ file }: { file: ChosenFile }) {
  const router = useRouter();
  const { data: jobs = [] } = useList('jobs');
  const inOrder = [...jobs].sort((a, b) => Number(a.status === 'finished') - Number(b.status === 'finished'));
  return (
    <View className="gap-3 rounded-2xl border border-rule bg-sheet p-4" testID="which-job">
      <Words weight="bold" size={18} heading={2}>
        Which job is it for?
      </Words>
      <Words>
        {`${file.name} is no whole job: a take-off or a building model goes into one. What it says is shown first there.`}
      </Words>
      {inOrder.map(({ id, name }) => (
        <Button
          key={id}
          label={name}
          onPress={() => {
            sendToJob(file);
            router.navigate(`/jobs/${id}/files`);
          }}
        />
      ))}
      {jobs.length === 0 ? (
        <Words>There is no job yet. Make one first, then open the file there.</Words>
      ) : null}
    </View>
  );
}
