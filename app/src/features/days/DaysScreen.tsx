import type { Schedule, ScheduleFields } from '@fine-spray/contract';
import { dayEvents, writeCalendar } from '@fine-spray/contract/calendar';
import { scheduleResult, type PlanMode, type SitePlanFound } from '@fine-spray/contract/planning';
import { daysSheet } from '@fine-spray/contract/formats';
import { counted } from '@fine-spray/core/units';
import { useRouter } from 'expo-router';
import CalendarPlus from 'lucide-react-native/icons/calendar-plus';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { whyFailed } from '@/data/api';
import { fileName, saveFile } from '@/data/deviceFiles';
import { SaveLine } from '@/data/draft';
import { useMay } from '@/data/may';
import type { StartWorker } from '@/data/worker';
import { FollowCalendar } from '@/features/follow';
import { JobFrame, type LoadedJob } from '@/features/frame';
import { offsetAt } from '@/features/journal';
import { SheetButton } from '@/features/paper';
import { TableOut } from '@/features/tables';
import { Button } from '@/ui/button';
import { Screen } from '@/ui/screen';
import { EmptyState, ErrorState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { useWide } from '@/ui/wide';
import { BoardView } from './BoardView';
import { Changes } from './Changes';
import { DayList } from './DayList';
import { Findings } from './Findings';
import { Kept } from './Kept';
import { OtherWays, fieldsOtherwise } from './OtherWays';
import { PlanAnswer } from './PlanAnswer';
import { PlanSettings } from './PlanSettings';
import { TaskSheet, withPin } from './TaskSheet';
import { dayRows } from './dayRows';
import { midnightOf, momentText } from './schedule';
import { DAYS_FAILED } from './useDays';
import { useFollowed } from './useFollowed';
import { useKnownSchedule, useSchedule } from './useSchedule';

const TITLE = 'Plan of the days';

/** Who does what when: the order of all the work of a job, searched. */
export function DaysScreen({ jobId }: { jobId: string }) {
  return (
    <JobFrame
      jobId={jobId}
      title={TITLE}
      backTo={`/jobs/${jobId}`}
      waiting={<Skeleton rows={4} height={120} />}
    >
      {(loaded) => (
        <Screen broad title={TITLE} above={loaded.job.name} backTo={`/jobs/${jobId}`}>
          {loaded.surfaces.length === 0 ? (
            <EmptyState title="Nothing to plan yet" text="Measure a room first: its work follows from it." />
          ) : (
            <Known {...loaded} />
          )}
        </Screen>
      )}
    </JobFrame>
  );
}

/** Waits until it is known how the job was planned before. */
function Known(loaded: LoadedJob) {
  // A plan moves with a new look at it, not under the eye.
  const [now] = useState(() => new Date());
  const { row, usual, known, failed } = useKnownSchedule(loaded.job, now);
  if (known && usual) return <Days {...loaded} {...{ row, usual, now }} />;
  return failed ? (
    <ErrorState title="The plan cannot be shown now" text={whyFailed(failed)} />
  ) : (
    <Skeleton rows={4} height={120} />
  );
}

export function Days({
  row,
  usual,
  now,
  startWorker,
  ...loaded
}: LoadedJob & {
  row: Schedule | undefined;
  usual: ScheduleFields;
  now: Date;
  startWorker?: StartWorker;
}) {
  const { job, surfaces } = loaded;
  const router = useRouter();
  const { draft: fields, errors, change, undo, canUndo, ...stand } = useSchedule(row, usual);
  const mayPlan = useMay('plans');
  const wide = useWide();
  const [mode, setMode] = useState<PlanMode>('follow');
  const [open, setOpen] = useState<string>();
  const sound = Object.keys(errors).length === 0;
  // What cannot be planned with is said at its place, and the plan stays as it was.
  const [good, setGood] = useState(fields);
  if (sound && good !== fields) setGood(fields);
  const { state, last, stop, again, asked } = useFollowed(loaded, good, now, {
    ...{ mode, others: true, startWorker },
  });
  const first = midnightOf(fields);
  const rooms = useMemo(() => [...new Set(surfaces.map(({ room }) => room))], [surfaces]);
  const shown = state.kind === 'done' ? state.planned : last;
  // What nobody stepped through by the plan is open for ever on a job that is over.
  const over = job.status === 'finished';
  const found = shown?.ok === true && !over ? shown : undefined;
  const kept = state.kind === 'done' ? state.kept : undefined;
  const isNew = found !== undefined && (fields.result === null || mode !== 'follow');
  const take = (planned: SitePlanFound) => {
    setMode('follow');
    change({ result: scheduleResult(planned) }, `take ${planned.plan.finish}`);
  };
  /** What is in sight is what is gone on from. */
  const put = (part: Partial<ScheduleFields>) => {
    setMode('follow');
    change(
      { ...(found ? { result: scheduleResult(found) } : {}), ...part },
      `put ${JSON.stringify(part).length}`,
    );
  };
  const onMove = (task: string, start: number | undefined, person: number | undefined) => {
    const before = fields.pins.find((pin) => pin.task === task);
    put({
      pins: withPin(fields.pins, {
        task,
        start: start ?? before?.start ?? null,
        who: person === undefined ? (before?.who ?? []) : [person],
      }),
    });
  };
  const one = found?.plan.placed.find(({ task }) => task === open);
  const task = found?.tasks.find(({ id }) => id === open);
  return (
    <>
      {state.kind === 'searching' ? (
        <View className="gap-2 rounded-2xl border border-rule bg-sheet p-4" role="status">
          <Words weight="semi">
            {state.finish === undefined
              ? 'Working out the tasks …'
              : `Looking for the best order, ${Math.round(state.share * 100)} %. So far done ${momentText(first, state.finish)}.`}
          </Words>
          <Button label="Stop" className="self-start" onPress={stop} />
        </View>
      ) : null}
      {state.kind === 'stopped' ? (
        <EmptyState title="Stopped" text="No plan is shown: the search was stopped.">
          <Button label="Look again" onPress={again} />
        </EmptyState>
      ) : null}
      {state.kind === 'failed' ? <ErrorState title="No plan yet" text={DAYS_FAILED} onRetry={again} /> : null}
      {over && state.kind === 'done' ? (
        <>
          {kept ? <Kept fields={fields} kept={kept} /> : null}
          <EmptyState
            title="This job is finished"
            text="There is nothing left to plan. Where there is, set its status back under Details."
          />
        </>
      ) : null}
      {shown && !shown.ok && !over ? (
        shown.done ? (
          <EmptyState title="All of it is done" text="By its log there is nothing left to do on this job." />
        ) : (
          <ErrorState title="There is no plan" text={shown.messages.join(' ')} />
        )
      ) : null}
      <Findings {...loaded} first={first} now={now} />
      {canUndo || stand.saveState.kind !== 'saved' ? (
        <SaveLine {...stand} canUndo={canUndo} undo={undo} />
      ) : null}
      {found && state.kind !== 'stopped' ? (
        <>
          <PlanAnswer
            fields={fields}
            planned={found}
            done={asked?.done?.length ?? 0}
            onTake={isNew && mayPlan ? () => take(found) : undefined}
          />
          {mode === 'follow' || mode === 'sooner' ? (
            <Changes
              fields={fields}
              planned={found}
              mayPlan={mayPlan}
              onTake={() => take(found)}
              onSooner={mode === 'follow' ? () => setMode('sooner') : undefined}
            />
          ) : null}
          {fields.result !== null && mayPlan ? (
            <View className="flex-row flex-wrap gap-2">
              {mode === 'follow' && found.moved.length === 0 && found.bound.finish < found.plan.finish ? (
                <Button label="Look for a sooner end" onPress={() => setMode('sooner')} />
              ) : null}
              {mode === 'anew' ? (
                <Button label="Back to the plan that is known" onPress={() => setMode('follow')} />
              ) : (
                <Button label="Plan it anew" kind="quiet" onPress={() => setMode('anew')} />
              )}
            </View>
          ) : null}
          {wide ? (
            <BoardView fields={fields} planned={found} mayPlan={mayPlan} onOpen={setOpen} onMove={onMove} />
          ) : null}
          <OtherWays
            first={first}
            finish={found.plan.finish}
            others={state.kind === 'done' ? state.others : undefined}
            onTake={(way) => {
              const next = fieldsOtherwise(fields, way);
              if (next) put(next);
              else router.navigate(`/jobs/${job.id}/${way === 'another hose' ? 'stands' : 'systems'}`);
            }}
          />
          <DayList fields={fields} planned={found} onOpen={setOpen} />
          {found.missing.length > 0 ? (
            <Words colour="ink2">{`Not in it: ${found.missing.join('; ')}.`}</Words>
          ) : null}
          <Files job={job} fields={fields} version={row?.version ?? 0} planned={found} />
        </>
      ) : null}
      {kept && !over ? <Kept fields={fields} kept={kept} /> : null}
      {over ? null : <PlanSettings fields={fields} rooms={rooms} errors={errors} onChange={change} />}
      {found && task && one ? (
        <TaskSheet
          key={task.id}
          {...{ fields, task, one, mayPlan }}
          planned={found}
          jobId={job.id}
          onChange={put}
          onClose={() => setOpen(undefined)}
        />
      ) : null}
    </>
  );
}

/** The plan as files: a table, and a calendar for all or for one person. */
function Files({
  job,
  fields,
  version,
  planned,
}: {
  job: LoadedJob['job'];
  fields: ScheduleFields;
  /** Of the plan as it is stored; 0 before it is. */
  version: number;
  planned: SitePlanFound;
}) {
  const calendar = (person?: { index: number; name: string }) =>
    saveFile(
      fileName(`${job.name} days${person ? ` ${person.name}` : ''}`, 'ics'),
      'text/calendar',
      writeCalendar(
        `${job.name}${person ? `, ${person.name}` : ''}`,
        dayEvents(
          job,
          { first: fields.first, version },
          planned.plan,
          new Map(planned.tasks.map((task) => [task.id, task])),
          offsetAt,
          `${window.location.origin}/jobs/${job.id}/days`,
          person?.index,
        ),
        Date.now(),
      ),
    );
  return (
    <View className="flex-row flex-wrap gap-2">
      {fields.result ? (
        <SheetButton name="A page a day" of={job.name} address={`/api/jobs/${job.id}/days.pdf`} />
      ) : null}
      <TableOut
        label="As a table"
        file={`${job.name} days`}
        make={() => daysSheet(dayRows(fields, planned))}
      />
      <Button label="As a calendar" icon={CalendarPlus} onPress={() => calendar()} />
      {fields.crew.length > 1
        ? fields.crew.map(({ name }, index) => (
            <Button
              key={index}
              label={`Calendar of ${name}`}
              icon={CalendarPlus}
              onPress={() => calendar({ index, name })}
            />
          ))
        : null}
      {version > 0 ? <FollowCalendar jobId={job.id} jobName={job.name} what="days" /> : null}
      <Words size={14} colour="ink2" className="w-full">
        {`${counted(planned.plan.placed.length, 'task')}. A task keeps its name in the calendar: a new file moves it there.`}
      </Words>
    </View>
  );
}
