import type { JobTask, SitePlanned } from '@fine-spray/contract/planning';
import { Calendar, type Placed } from '@fine-spray/core/sequence';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { Button } from '@/ui/button';
import { Panel } from '@/ui/panel';
import { Words } from '@/ui/text';
import { letters } from './dayRows';
import { clockText, dayText } from './settings';

type Plan = Extract<SitePlanned, { ok: true }>;

/** Days in sight before the rest is asked for. */
const FIRST_DAYS = 3;
const DAY = 1440;

/** What is done each day, in the order it begins. */
export function DayList({ first, planned }: { first: Date; planned: Plan }) {
  const [all, setAll] = useState(false);
  const { tasks, plan, times } = planned;
  const byId = useMemo(() => new Map(tasks.map((task) => [task.id, task])), [tasks]);
  const calendar = useMemo(() => new Calendar(times), [times]);
  const days = useMemo(() => {
    const found = new Map<number, Placed[]>();
    for (const one of [...plan.placed].sort((a, b) => a.start - b.start || a.end - b.end)) {
      const day = Math.floor(one.start / DAY);
      found.set(day, [...(found.get(day) ?? []), one]);
    }
    return [...found];
  }, [plan]);
  const shown = all ? days : days.slice(0, FIRST_DAYS);
  return (
    <>
      {shown.map(([day, placed]) => (
        <Panel key={day} title={dayText(first, day)} testID="day">
          {placed.map((one) => {
            const task = byId.get(one.task);
            return task ? (
              <TaskLine
                key={one.task}
                first={first}
                one={one}
                task={task}
                people={one.people}
                setUpFrom={calendar.workFrom(one.start, one.setUp)}
              />
            ) : null;
          })}
        </Panel>
      ))}
      {days.length > shown.length ? (
        <Button
          label={`${days.length - shown.length} more days`}
          kind="quiet"
          className="self-start"
          onPress={() => setAll(true)}
        />
      ) : null}
    </>
  );
}

function TaskLine({
  first,
  one,
  task,
  people,
  setUpFrom,
}: {
  first: Date;
  one: Placed;
  setUpFrom: number;
  task: JobTask;
  people: readonly number[];
}) {
  const overNight = Math.floor((one.end - 1) / DAY) > Math.floor(one.start / DAY);
  const until = overNight
    ? `${dayText(first, Math.floor((one.end - 1) / DAY))}, ${clockText(first, one.end)}`
    : clockText(first, one.end);
  const setUp = one.setUp > 0 ? `set up from ${clockText(first, setUpFrom)}` : '';
  const details = [letters(people), setUp, overNight ? `goes on until ${until}` : '']
    .filter(Boolean)
    .join(' · ');
  return (
    <View className="flex-row gap-3 border-t border-rule pt-2" testID="day-task">
      <Words weight="digits" className="w-14">
        {clockText(first, one.start)}
      </Words>
      <View className="min-w-0 flex-1">
        <Words weight={task.kind === 'spray' ? 'semi' : 'regular'}>{task.name}</Words>
        <Words size={14} colour="ink2">
          {overNight ? details : `until ${until} · ${details}`}
        </Words>
      </View>
    </View>
  );
}
