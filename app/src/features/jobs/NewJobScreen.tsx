import { jobFields } from '@fine-spray/contract';
import { useRouter } from 'expo-router';
import { useForm } from '@/data/draft';
import { useKit } from '@/data/kit';
import { newId } from '@/data/newId';
import { useWrites } from '@/data/resources';
import { Button } from '@/ui/button';
import { FieldError, TextField } from '@/ui/field';
import { useOneTap } from '@/ui/oneTap';
import { Screen } from '@/ui/screen';
import { EmptyState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';

const asked = jobFields.pick({ name: true, place: true });

/** A new job asks what it is called and where it is; the rest begins as it usually is and is changed in its details. */
export function NewJobScreen() {
  const { kit, failed: noKit } = useKit();
  const { put } = useWrites('jobs');
  const router = useRouter();
  const { content, errors, failed, change, submit } = useForm({
    schema: asked,
    keptAs: 'new job',
    first: { name: '', place: '' },
    quiet: true,
  });
  const [sprayer] = kit?.sprayers ?? [];
  const make = useOneTap(() =>
    submit(async ({ name, place }) => {
      if (!kit || !sprayer) return;
      const id = newId();
      const fields = {
        ...{ name, place, note: '', status: 'estimate', paintAge: 'unknown', empty: false },
        ...{ sprayerId: sprayer.id, hoseIds: kit.hoses.slice(0, 1).map((hose) => hose.id), lift: 0 },
      };
      await put({ id, content: { ...fields, version: 0 } });
      router.replace(`/jobs/${id}`);
    }),
  );
  if (!kit && !noKit)
    return (
      <Screen title="New job" backTo="/">
        <Skeleton rows={2} height={80} />
      </Screen>
    );
  return (
    <Screen title="New job" backTo="/">
      {sprayer ? (
        <>
          <TextField
            label="What the job is called"
            value={content.name}
            error={errors['name']}
            onChange={(name) => change({ name })}
          />
          <TextField
            label="Where it is"
            value={content.place}
            error={errors['place']}
            onChange={(place) => change({ place })}
          />
          <Words colour="ink2" size={14}>
            {`It begins with ${sprayer.name}; machine, hoses and the age of the paint are changed in its details.`}
          </Words>
          {failed === undefined ? null : <FieldError message={failed} />}
          <Button label="Make the job" kind="primary" className="self-start" onPress={make} />
        </>
      ) : (
        <>
          <EmptyState
            title="A job needs a sprayer"
            text="The kit has none yet, or it cannot be read now. A usual kit is there in one tap."
          />
          <Button label="Begin" kind="primary" onPress={() => router.navigate('/begin')} />
        </>
      )}
    </Screen>
  );
}
