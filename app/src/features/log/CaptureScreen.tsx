import { kindOf, isReadable, type Entry, type EntryKind, type PayloadOf } from '@fine-spray/contract';
import { journalLine } from '@fine-spray/contract/log';
import { useRouter } from 'expo-router';
import Check from 'lucide-react-native/icons/check';
import { memo, useDeferredValue, useMemo } from 'react';
import type { z } from 'zod';
import { ScrollView, View } from 'react-native';
import { whyFailed } from '@/data/api';
import { useForm } from '@/data/draft';
import { useJobHere } from '@/data/jobHere';
import type { NewEntry } from '@/data/log';
import { usePlanKit } from '@/data/planKit';
import { useSiteLog } from '@/data/record';
import { newId } from '@/data/newId';
import { pictures as onTheirWay } from '@/data/pictures';
import { useWriteTogether } from '@/data/writeDown';
import { KeptTyped } from '@/features/frame';
import { EntryRows, offsetAt } from '@/features/journal';
import { AddPictures, pictureEntries, usePictures } from '@/features/pictures';
import { LIES_OPEN } from '@/ui/printing';
import { Button } from '@/ui/button';
import { Header, Screen } from '@/ui/screen';
import { ErrorState, Skeleton } from '@/ui/states';
import { SiteTargets } from '@/ui/target';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import { CombScreen } from './CombScreen';
import { cardsOf } from './cards';
import { payloadToCorrect, type CaptureContext } from './defaults';
import { placeWords } from './place';
import { firstPayload, kindOfSlug, writtenKind, type Payload } from './kinds';
import { useStation } from './useStation';

export interface CaptureProps {
  /** With dashes for blanks, as an address has it. */
  readonly kind: string;
  readonly jobId?: string | undefined;
  readonly surfaceId?: string | undefined;
  /** The entry that is corrected. */
  readonly entryId?: string | undefined;
}

/** One thing to write down, or one to put right. */
export function CaptureScreen({ kind: address, jobId, surfaceId, entryId }: CaptureProps) {
  const { log: written, failed, retry } = useSiteLog();
  // A tap is answered first: what follows from what it wrote comes a moment later.
  const log = useDeferredValue(written);
  const { weather: station } = useStation();
  const { system } = useUnits();
  const kind = kindOfSlug(address);
  const corrected = log?.entries.find(({ id }) => id === entryId);
  const wanted = corrected ? corrected.surfaceId : surfaceId;
  const surface = log?.surfaces.find(({ id }) => id === wanted);
  const job = log?.jobs.find(({ id }) => id === (corrected?.jobId ?? surface?.jobId ?? jobId));
  const bringing = useJobHere(job?.id);
  // What cannot be had is not waited for: one can always write.
  const brought = bringing.here || bringing.failed !== undefined;
  const { kit } = usePlanKit();
  const cardOf = useMemo(() => cardsOf(surface, job, kit, system), [surface, job, kit, system]);
  const context = useMemo(
    (): CaptureContext | undefined => log && { log, job, surface, station, cardOf, system },
    [log, job, surface, station, cardOf, system],
  );
  if (!kind || (log && entryId !== undefined && !corrected)) {
    return (
      <Screen title="Not here" backTo="/log">
        <ErrorState title="There is no such page" text="Go back to the log and choose from there." />
      </Screen>
    );
  }
  // A form without its surface would be another one as soon as the surface comes, and what was typed gone.
  if (!log || !context || !kit || !brought || (wanted && !surface && !log.complete)) {
    return (
      <Screen title={kindOf(kind).name} backTo="/log">
        {failed ? (
          <ErrorState
            title="This cannot be written yet"
            text={`${whyFailed(failed)} This device has not seen the kit and the jobs yet.`}
            onRetry={retry}
          />
        ) : (
          <Skeleton rows={3} height={120} />
        )}
      </Screen>
    );
  }
  // A form opens once on what is known then: a reading that comes later must not move what the thumb is on.
  const key = `${kind} ${surface?.id ?? job?.id ?? ''} ${entryId ?? ''}`;
  return (
    <SiteTargets>
      {kind === 'comb' && !corrected ? (
        <CombScreen key={key} context={context} />
      ) : (
        <Form key={key} kind={kind} context={context} corrected={corrected} />
      )}
    </SiteTargets>
  );
}

const Form = memo(function Form({
  kind,
  context,
  corrected,
}: {
  kind: EntryKind;
  context: CaptureContext;
  corrected: Entry | undefined;
}) {
  const { log, job, surface } = context;
  const writeTogether = useWriteTogether();
  const { system } = useUnits();
  const router = useRouter();
  const written = writtenKind(kind);
  // Under the same name whatever comes: a reload in the middle of a form loses nothing of it.
  const about = `${kind} ${corrected?.id ?? surface?.id ?? job?.id ?? ''}`;
  const pictures = usePictures(about);
  const form = useForm<Payload>({
    schema: kindOf(kind).payload as z.ZodType<object>,
    first: corrected ? payloadToCorrect(corrected) : firstPayload(kind, context),
    keptAs: `log ${about}`,
    quiet: true,
  });
  const { content: payload, errors, sentence } = form;
  const Fields = written?.form;
  function write(said: Payload) {
    const jobId = corrected ? corrected.jobId : (job?.id ?? null);
    const surfaceId = corrected ? corrected.surfaceId : (surface?.id ?? null);
    const id = newId();
    const entry: NewEntry<EntryKind> = {
      ...{ id, kind, jobId, surfaceId },
      payload: said as PayloadOf<EntryKind>,
      ...(corrected ? { replaces: corrected.id, timeOf: corrected } : {}),
    };
    const { drafts } = pictures;
    const shots = drafts.map((one) => one.id);
    writeTogether(
      [entry, ...pictureEntries(drafts, id, { jobId, surfaceId })],
      `${kindOf(kind).name}: ${corrected ? 'put right; both stay in the log' : 'written down'}.`,
      () => void onTheirWay.drop(shots),
    );
    if (shots.length > 0) {
      void onTheirWay.written(shots);
      pictures.done();
    }
    router.navigate(corrected ? `/log/entry/${id}` : '/log');
  }
  return (
    <View className="min-h-0 flex-1">
      <Header
        title={corrected ? `Put right: ${kindOf(kind).name.toLowerCase()}` : kindOf(kind).name}
        above={placeWords({ job, surface })}
        backTo="/log"
      />
      <ScrollView
        tabIndex={0}
        className={LIES_OPEN}
        contentContainerClassName="w-full max-w-[760px] gap-4 px-4 pb-6"
      >
        <KeptTyped kept={form.kept} drop={form.drop} />
        {corrected && isReadable(corrected) ? (
          <View className="gap-1">
            <Words weight="semi" colour="ink2">
              As it was written; it stays in sight.
            </Words>
            <EntryRows lines={[journalLine(corrected, { names: log.names, system, offsetAt })]} />
          </View>
        ) : null}
        {Fields ? (
          <Fields
            kind={kind}
            payload={payload}
            context={context}
            errors={errors}
            onChange={form.change}
            onInvalid={form.onInvalid}
          />
        ) : null}
        <AddPictures pictures={pictures} />
      </ScrollView>
      <View className="gap-2 border-t border-rule bg-sheet px-4 py-3">
        {sentence ? (
          <Words colour="danger" role="alert">
            {sentence}
          </Words>
        ) : null}
        <Button
          label="Write it down"
          kind="primary"
          icon={Check}
          className="min-h-[64px] w-full max-w-[760px]"
          onPress={() => void form.submit(write)}
        />
      </View>
    </View>
  );
});
