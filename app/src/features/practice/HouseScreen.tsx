import { PRECEDENCE_NOTE, showText } from '@fine-spray/core';
import { littleText, wrongShare, type HandFilm } from '@fine-spray/core/practice';
import { counted } from '@fine-spray/core/units';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import type { StartWorker } from '@/data/worker';
import { JobFrame, type LoadedJob } from '@/features/frame';
import { Panel } from '@/ui/panel';
import { Progress } from '@/ui/progress';
import { Screen } from '@/ui/screen';
import { EmptyState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import type { HouseReport } from '@/workers/house.worker';
import { PracticeRow } from './PracticeRow';
import { useHouse } from './useHouse';

const TITLE = 'What to practise first';

/** Surfaces of a job, those first on which a usual hand goes wrong most: each can be sprayed on the screen. */
export function HouseScreen({ jobId }: { jobId: string }) {
  return (
    <JobFrame jobId={jobId} title={TITLE} backTo="/practice" waiting={<Skeleton rows={3} height={160} />}>
      {(loaded) => (
        <Screen title={TITLE} above={loaded.job.name} backTo="/practice">
          <House {...loaded} />
        </Screen>
      )}
    </JobFrame>
  );
}

type Laid = Extract<HouseReport, { readonly film: HandFilm }>;

export function House({ start, ...loaded }: LoadedJob & { start?: StartWorker }) {
  const router = useRouter();
  const { system } = useUnits();
  const { films, ended, stop } = useHouse(loaded, system, start);
  const of = loaded.surfaces.length;
  const surfaces = useMemo(() => new Map(loaded.surfaces.map((one) => [one.id, one])), [loaded.surfaces]);
  const laid = films
    .filter((one): one is Laid => 'film' in one)
    .sort((a, b) => wrongShare(b.film) - wrongShare(a.film));
  const without = films.filter((one) => 'why' in one);
  if (of === 0)
    return (
      <EmptyState title="No surfaces yet" text="A job that has surfaces says here which of them are hard." />
    );
  return (
    <>
      <Words colour="ink2">
        What a hand that strays as usual lays with the card of each surface, worked out pass by pass: a plan,
        not a measurement.
      </Words>
      {ended === undefined && films.length < of ? (
        <Progress
          doing={`Laying ${counted(of, 'surface')}`}
          label="Surfaces laid"
          share={films.length / of}
          onStop={stop}
        />
      ) : null}
      {ended === 'failed' ? (
        <Words role="alert" colour="danger">
          Not all of it could be worked out on this device. Open this screen again to try once more.
        </Words>
      ) : null}
      {ended === 'stopped' ? <Words role="status">{`Stopped: ${films.length} of ${of} laid.`}</Words> : null}
      {laid.length > 0 ? (
        <Panel title="Hardest first" testID="house">
          {laid.map(({ id, film }, index) => (
            <PracticeRow
              key={id}
              name={[surfaces.get(id)?.room, surfaces.get(id)?.name].filter(Boolean).join(', ')}
              note={`${littleText(film.thin, system)} thin, ${littleText(film.over, system)} over the sag limit. Mean film ${showText(film.mean, 'wetFilm', system)} of ${showText(film.wanted, 'wetFilm', system)}, varying by ${littleText(film.variation, system)}.`}
              said={`${littleText(wrongShare(film), system)} wrong`}
              strong={index === 0}
              onPress={() => router.navigate(`/jobs/${loaded.job.id}/surfaces/${id}/practise`)}
            />
          ))}
        </Panel>
      ) : null}
      {without.length > 0 ? (
        <Words>{`${counted(without.length, 'surface')} without a film: ${without[0]?.why ?? ''}`}</Words>
      ) : null}
      <Words size={14} colour="ink2">
        {PRECEDENCE_NOTE}
      </Words>
    </>
  );
}
