import type { Job, Surface } from '@fine-spray/contract';
import {
  layersOf,
  lineStep,
  requestFor,
  type Kit,
  type LineDone,
  type RoomToPrepare,
} from '@fine-spray/contract/planning';
import {
  PRECEDENCE_NOTE,
  cautionsFor,
  hoursText,
  safetyOf,
  showText,
  type Caution,
  type SiteLine,
  type UnitSystem,
} from '@fine-spray/core';
import { useMemo } from 'react';
import { Pressable, View } from 'react-native';
import { STEP_TITLES } from '@/features/cautions';
import { JobFrame, type LoadedJob } from '@/features/frame';
import { CautionList } from '@/ui/caution';
import { Panel } from '@/ui/panel';
import { Screen } from '@/ui/screen';
import { EmptyState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { TickBox } from '@/ui/tickBox';
import { useUnits } from '@/ui/units';
import { useToPrepare } from './useToPrepare';
import { lineWords } from './words';

const TITLE = 'Prepare';

/** What is taken off, covered, washed, filled and masked, room by room, to be ticked on site. */
export function PrepareScreen({ jobId }: { jobId: string }) {
  return (
    <JobFrame
      jobId={jobId}
      title={TITLE}
      backTo={`/jobs/${jobId}`}
      waiting={<Skeleton rows={4} height={160} />}
    >
      {(loaded) => (
        <Screen title={TITLE} above={loaded.job.name} backTo={`/jobs/${jobId}`}>
          <Preparing {...loaded} />
        </Screen>
      )}
    </JobFrame>
  );
}

function Preparing({ job, surfaces, kit }: LoadedJob) {
  const { system } = useUnits();
  const { rooms, done, ready, tick } = useToPrepare({ job, surfaces, kit });
  if (!rooms) return <Skeleton rows={4} height={160} />;
  const all = rooms.flatMap(({ room, lines }) => lines.map((line) => ({ key: lineStep(room, line), line })));
  const left = all.filter(({ key }) => !done.has(key));
  if (all.length === 0)
    return (
      <EmptyState
        title="Nothing to prepare yet"
        text="Measure a room and count its plates, lights and doors: what is taken off, covered and masked follows."
      />
    );
  const time = left.reduce((sum, { line }) => sum + line.time, 0);
  return (
    <>
      <View className="gap-1 rounded-2xl border-2 border-identity bg-sheet p-4" testID="prepare-answer">
        <Words size={30} weight="bold">
          {left.length === 0 ? 'All of it is prepared' : `${hoursText(time, system)} left`}
        </Words>
        <Words colour="ink2">
          {`of one person; ${all.length - left.length} of ${all.length} lines done. Minutes are the company's, or its log's.`}
        </Words>
      </View>
      {rooms.map((one) => (
        <RoomLines
          key={one.room}
          one={one}
          job={job}
          kit={kit}
          done={done}
          onToggle={ready ? (line) => tick(one, line) : undefined}
        />
      ))}
      <Words size={14} colour="ink2">
        {PRECEDENCE_NOTE}
      </Words>
    </>
  );
}

/** How much it is; of one piece nothing is said. */
function amountOf({ amount, counted }: SiteLine, system: UnitSystem): readonly string[] {
  const shown = showText(amount, counted, system);
  if (counted !== 'count') return [shown];
  return amount > 1 ? [`${shown} of them`] : [];
}

/** Cautions of preparing some surfaces, each once. */
function cautionsOn(surfaces: readonly Surface[], job: Job, kit: Kit): readonly Caution[] {
  const found = new Map<string, Caution>();
  for (const surface of surfaces) {
    const [layer] = layersOf(surface);
    const request = layer && requestFor(surface, job, kit, layer);
    for (const one of request ? cautionsFor(safetyOf(request, 'prepare')) : []) found.set(one.code, one);
  }
  return [...found.values()];
}

function RoomLines({
  one: { room, surfaces, lines },
  job,
  kit,
  done,
  onToggle,
}: {
  one: RoomToPrepare;
  job: Job;
  kit: Kit;
  done: ReadonlyMap<string, LineDone>;
  /** Missing until the log is there. */
  onToggle: ((line: SiteLine) => void) | undefined;
}) {
  const { system } = useUnits();
  const cautions = useMemo(() => cautionsOn(surfaces, job, kit), [surfaces, job, kit]);
  if (lines.length === 0) return null;
  return (
    <Panel title={room === '' ? 'Without a room' : room} testID="room-to-prepare">
      <CautionList title={STEP_TITLES.prepare} cautions={cautions} />
      {lines.map((line) => {
        const key = lineStep(room, line);
        const said = lineWords(line);
        return (
          <Pressable
            key={key}
            role="checkbox"
            aria-checked={done.has(key)}
            aria-label={said.do}
            disabled={!onToggle || done.get(key) === 'with its task'}
            onPress={() => onToggle?.(line)}
            className="min-h-[56px] flex-row items-center gap-3"
          >
            <TickBox on={done.has(key)} />
            <View className="min-w-0 flex-1">
              <Words weight="semi">{said.do}</Words>
              <Words size={14} colour="ink2">
                {`${[...amountOf(line, system), hoursText(line.time, system)].join(', ')}. ${done.get(key) === 'with its task' ? 'Done with its task of the plan.' : said.why}`}
              </Words>
            </View>
          </Pressable>
        );
      })}
    </Panel>
  );
}
