import { USUAL_BOOK } from '@fine-spray/contract';
import { PRICED_AT, USUAL_WEATHER, type JobToWorkOut, type SiteAsked } from '@fine-spray/contract/planning';
import { writeDays } from '@fine-spray/contract/formats';
import { counted } from '@fine-spray/core';
import type { SitePlan } from '@fine-spray/core/sequence';
import { addDays } from 'date-fns/addDays';
import { format } from 'date-fns/format';
import Download from 'lucide-react-native/icons/download';
import CalendarPlus from 'lucide-react-native/icons/calendar-plus';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { fileName, saveFile } from '@/data/deviceFiles';
import { useKept } from '@/data/kept';
import { useCompany, usePlaces } from '@/data/resources';
import type { StartWorker } from '@/data/worker';
import { JobFrame, type LoadedJob } from '@/features/frame';
import { Button } from '@/ui/button';
import { Screen } from '@/ui/screen';
import { EmptyState, ErrorState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { DayList } from './DayList';
import { dayRows } from './dayRows';
import { OtherWays, settingsOtherwise } from './OtherWays';
import { useDone } from './useDone';
import { PlanSettings } from './PlanSettings';
import { writePlanCalendar } from './planCalendar';
import { clockText, firstDay, momentText, readSettings, timesOf, type DaySettings } from './settings';
import { useDays } from './useDays';

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
        <Screen title={TITLE} above={loaded.job.name} backTo={`/jobs/${jobId}`}>
          {loaded.surfaces.length === 0 ? (
            <EmptyState title="Nothing to plan yet" text="Measure a room first: its work follows from it." />
          ) : (
            <Days {...loaded} />
          )}
        </Screen>
      )}
    </JobFrame>
  );
}

/** Orders tried: a second or two on a phone. */
const TRIES = 600;

const BINDS = {
  'drying and order': 'what has to dry, and what comes before what',
  sprayer: 'the sprayer',
  people: 'the people',
} as const;

export function Days({ job, surfaces, kit, startWorker }: LoadedJob & { startWorker?: StartWorker }) {
  const { data: company } = useCompany();
  const { data: places } = usePlaces(job.id);
  const book = company?.book ?? USUAL_BOOK;
  // A plan moves with a new look at it, not under the eye.
  const [now] = useState(() => new Date());
  const usual = useMemo(
    (): DaySettings => ({
      first: format(addDays(now, 1), 'yyyy-MM-dd'),
      ...{ people: book.people, sprayers: 1, school: 'trim first', closed: {} },
    }),
    [now, book.people],
  );
  const [settings, setSettings] = useKept(`days ${job.id}`, readSettings, usual);
  const first = firstDay(settings.first, now);
  const done = useDone(job, surfaces, first);
  const whole = useMemo(
    (): JobToWorkOut | undefined =>
      company && places && done ? { ...{ job, surfaces, kit, places, book }, ...PRICED_AT } : undefined,
    [company, places, done, job, surfaces, kit, book],
  );
  const asked = useMemo(
    (): SiteAsked => ({
      ...{ school: settings.school, weather: USUAL_WEATHER, times: timesOf(settings, now) },
      ...{ sprayers: settings.sprayers, seed: 1, tries: TRIES, done: done ?? [] },
    }),
    [settings, now, done],
  );
  const { state, stop, again } = useDays(whole, asked, startWorker);
  const rooms = useMemo(() => [...new Set(surfaces.map(({ room }) => room))], [surfaces]);
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
      {state.kind === 'done' && !state.planned.ok ? (
        <ErrorState title="There is no plan" text={state.planned.messages.join(' ')} />
      ) : null}
      {state.kind === 'done' && state.planned.ok ? (
        <>
          <View className="gap-1 rounded-2xl border-2 border-identity bg-sheet p-4" testID="days-answer">
            <Words colour="ink2" weight="semi">
              Done
            </Words>
            <Words size={30} weight="bold">
              {momentText(first, state.planned.plan.finish)}
            </Words>
            <Words colour="ink2">
              {state.planned.bound.finish >= state.planned.plan.finish
                ? `No plan can be done before: ${BINDS[state.planned.bound.binds]} make it so.`
                : `No plan can be done before ${momentText(first, state.planned.bound.finish)}: ${BINDS[state.planned.bound.binds]} make it so.`}
            </Words>
            <Words>{summary(state.planned.plan)}</Words>
            <Words size={14} colour="ink2">
              {notes(asked.done?.length ?? 0)}
            </Words>
          </View>
          <OtherWays
            first={first}
            finish={state.planned.plan.finish}
            others={state.others}
            onTake={(way) => setSettings(settingsOtherwise(settings, way))}
          />
          <DayList first={first} planned={state.planned} />
          {state.planned.missing.length > 0 ? (
            <Words colour="ink2">{`Not in it: ${state.planned.missing.join('; ')}.`}</Words>
          ) : null}
          <Button
            label="As a table, CSV"
            icon={Download}
            className="self-start"
            onPress={() => {
              if (state.planned.ok)
                saveFile(
                  fileName(`${job.name} days`, 'csv'),
                  'text/csv',
                  writeDays(dayRows(first, state.planned)),
                );
            }}
          />
          <Button
            label="As a calendar"
            icon={CalendarPlus}
            className="self-start"
            onPress={() => {
              if (state.planned.ok)
                saveFile(
                  fileName(`${job.name} days`, 'ics'),
                  'text/calendar',
                  writePlanCalendar(job, first, state.planned, Date.now()),
                );
            }}
          />
        </>
      ) : null}
      <PlanSettings settings={settings} rooms={rooms} first={first} onChange={setSettings} />
      <Words size={14} colour="ink2">
        {`Work from ${clockText(first, asked.times.day.from)} to ${clockText(first, asked.times.day.to)}, Monday to Friday, half an hour at noon.`}
      </Words>
    </>
  );
}

/** What a plan stands on. */
const notes = (done: number): string =>
  [
    'Every rule was checked again, apart from the search: none is broken.',
    'Times are likely ones; coats dry as at 20 °C and 50 %.',
    ...(done > 0
      ? [`${counted(done, 'coat')} that the log has as done ${done === 1 ? 'is' : 'are'} taken off.`]
      : []),
    'A, B and so on are the people. Data sheets, labels and local rules take precedence.',
  ].join(' ');

/** "97 person-hours, 24 flushes, 33 moves of the machine, 7 days with the sprayer". */
function summary({ personMinutes, flushes, moves, sprayedDays }: SitePlan): string {
  return [
    counted(Math.round(personMinutes / 60), 'person-hour'),
    counted(flushes, 'flush', 'flushes'),
    counted(moves, 'move of the machine', 'moves of the machine'),
    counted(sprayedDays, 'day with the sprayer', 'days with the sprayer'),
  ].join(', ');
}
