import { JOB_STATUSES, jobFields, type Job } from '@fine-spray/contract';
import type { Kit } from '@fine-spray/contract/planning';
import { capital, of } from '@fine-spray/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { whyFailed } from '@/data/api';
import { useForm } from '@/data/draft';
import { whereKept } from '@/data/plans';
import { KeptTyped } from '@/features/frame';
import { contentOf, useWrites } from '@/data/resources';
import { LineChoice } from '@/features/kit';
import { Button } from '@/ui/button';
import { FieldError, Labelled, QuantityField, TextField } from '@/ui/field';
import { Segmented } from '@/ui/segmented';
import { Sheet } from '@/ui/sheet';
import { Words } from '@/ui/text';
import { useToast } from '@/ui/toast';

const STATUS_OPTIONS = JOB_STATUSES.map((value) => ({
  value,
  label: capital(value),
}));

/** Old: from before lead was taken out of house paint where the house stands. */
const PAINT_AGES = [
  { value: 'new', label: 'Lead-free' },
  { value: 'unknown', label: 'Not known' },
  { value: 'old', label: 'Old' },
] as const;

const BUILDINGS = [
  { value: 'in use', label: 'In use' },
  { value: 'empty', label: 'Empty' },
] as const;

/** Name, place, status, sprayer and the hoses in series: checked by the contract, stored with one button. */
export function JobDetails({ job, kit, onClose }: { job: Job; kit: Kit; onClose: () => void }) {
  const { content, errors, failed, ready, change, onInvalid, submit, kept, drop } = useForm({
    schema: jobFields,
    keptAs: `details ${job.id}`,
    first: {
      name: job.name,
      place: job.place,
      note: job.note,
      status: job.status,
      paintAge: job.paintAge,
      empty: job.empty,
      sprayerId: job.sprayerId,
      hoseIds: job.hoseIds,
      lift: job.lift,
      ways: job.ways,
    },
  });
  const [deleting, setDeleting] = useState(false);
  const { put, remove } = useWrites('jobs');
  const router = useRouter();
  const toast = useToast();

  const store = () =>
    submit(async (details) => {
      const before = contentOf(job);
      const stored = await put({ id: job.id, content: { ...details, version: job.version } });
      onClose();
      toast({
        text: `${stored.name} is ${whereKept(job.id)}.`,
        undo: () => void put({ id: job.id, content: { ...before, version: stored.version } }),
      });
    });
  async function deleteJob() {
    try {
      await remove(job);
      onClose();
      router.navigate('/');
      toast({ text: `${job.name} is deleted.` });
    } catch (error) {
      toast({ text: `Not deleted: ${whyFailed(error)}` });
    }
  }

  return (
    <Sheet title="Job details" onClose={onClose}>
      <KeptTyped kept={kept} drop={drop} />
      <TextField
        label="Name"
        value={content.name}
        error={errors['name']}
        onChange={(name) => change({ name })}
      />
      <TextField
        label="Place"
        value={content.place}
        error={errors['place']}
        onChange={(place) => change({ place })}
      />
      <TextField
        label="Note"
        value={content.note}
        error={errors['note']}
        multiline
        onChange={(note) => change({ note })}
      />
      <Labelled label="Status">
        <Segmented
          label="Status"
          value={content.status}
          options={STATUS_OPTIONS}
          onChange={(status) => change({ status })}
        />
      </Labelled>
      <Labelled label="Existing paint">
        <Segmented
          label="Existing paint"
          value={content.paintAge}
          options={PAINT_AGES}
          onChange={(paintAge) => change({ paintAge })}
        />
        <Words size={14} colour="ink2">
          Old paint may hold lead. Where nobody knows its age it is tested before it is sanded.
        </Words>
      </Labelled>
      <Labelled label="The building">
        <Segmented
          label="The building"
          value={content.empty ? 'empty' : 'in use'}
          options={BUILDINGS}
          onChange={(building) => change({ empty: building === 'empty' })}
        />
        <Words size={14} colour="ink2">
          In an empty building first coats on bare walls and ceilings go on with wide fans, 8 to 12.
        </Words>
      </Labelled>
      <LineChoice kit={kit} sprayerId={content.sprayerId} hoseIds={content.hoseIds} onChange={change} />
      <Words size={14} colour="ink2">
        In steady flow the order of hoses does not change the loss; the wider one goes to the pump for a light
        whip.
      </Words>
      <QuantityField
        label="Gun above pump"
        kind="size"
        value={content.lift}
        bounds={{ min: of(-30, 'm'), max: of(60, 'm') }}
        error={errors['lift']}
        onChange={(lift) => change({ lift })}
        onInvalid={(message) => onInvalid('lift', message)}
      />
      {failed ? <FieldError message={`Not stored: ${failed}`} /> : null}
      <Button label="Store" kind="primary" disabled={!ready} onPress={() => void store()} />
      {deleting ? (
        <View className="gap-3 rounded-2xl border-2 border-danger p-4">
          <Words weight="semi">{`Delete ${job.name} with its ${job.surfaceCount} surfaces? This cannot be undone.`}</Words>
          <Button label="Delete the job" kind="danger" onPress={() => void deleteJob()} />
          <Button label="Keep it" onPress={() => setDeleting(false)} />
        </View>
      ) : (
        <Button label="Delete this job …" kind="quiet" onPress={() => setDeleting(true)} />
      )}
    </Sheet>
  );
}
