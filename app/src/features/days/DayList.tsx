import type { ScheduleFields } from '@fine-spray/contract';
import type { JobTask, SitePlanFound } from '@fine-spray/contract/planning';
import { Calendar, type Placed } from '@fine-spray/core/sequence';
import Pin from 'lucide-react-native/icons/pin';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { Button } from '@/ui/button';
import { Panel } from '@/ui/panel';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';
import { clockText, dayText, midnightOf, namesOf } from './schedule';

/** Days in sight before the rest is asked for. */
const FIRST_DAYS = 3;
const DAY = 1440;

/** Tasks of a plan by their day, in the order they begin. */
export function byDay(placed: readonly Placed[]): readonly (readonly [number, readonly Placed[]])[] {
  const found = new Map<number, Placed[]>();
  for (const one of [...placed].sort((a, b) => a.start - b.start || a.end - b.end)) {
    const day = Math.floor(one.start / DAY);
    found.set(day, [...(found.get(day) ?? []), one]);
  }
  return [...found];
}

/** What is done each day, in the order it begins; a tap opens a task. */
export function DayList({
  fields,
  planned,
  onOpen,
}: {
  fields: ScheduleFields;
  planned: SitePlanFound;
  onOpen: (task: string) => void;
}) {
  const [all, setAll] = useState(false);
  const { tasks, plan, times } = planned;
  const byId = useMemo(() => new Map(tasks.map((task) => [task.id, task])), [tasks]);
  const calendar = useMemo(() => new Calendar(times), [times]);
  const days = useMemo(() => byDay(plan.placed), [plan]);
  const shown = all ? days : days.slice(0, FIRST_DAYS);
  return (
    <>
      {shown.map(([day, placed]) => (
        <Panel key={day} title={dayText(midnightOf(fields), day)} testID="day">
          {placed.map((one) => {
            const task = byId.get(one.task);
            return task ? (
              <TaskLine
                key={one.task}
                fields={fields}
                one={one}
                task={task}
                setUpFrom={calendar.workFrom(one.start, one.setUp)}
                onOpen={() => onOpen(one.task)}
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
  fields,
  one,
  task,
  setUpFrom,
  onOpen,
}: {
  fields: ScheduleFields;
  one: Placed;
  setUpFrom: number;
  task: JobTask;
  onOpen: () => void;
}) {
  const { palette } = useTheme();
  const first = midnightOf(fields);
  const overNight = Math.floor((one.end - 1) / DAY) > Math.floor(one.start / DAY);
  const until = overNight
    ? `goes on until ${dayText(first, Math.floor((one.end - 1) / DAY))}, ${clockText(first, one.end)}`
    : `until ${clockText(first, one.end)}`;
  const setUp = one.setUp > 0 ? `set up from ${clockText(first, setUpFrom)}` : '';
  const isPinned = fields.pins.some(({ task: id }) => id === one.task);
  const details = [until, namesOf(fields, one.people), setUp, task.running ? 'begun' : '']
    .filter(Boolean)
    .join(' · ');
  return (
    <Pressable
      role="button"
      onPress={onOpen}
      className="min-h-[48px] flex-row gap-3 border-t border-rule pt-2"
      testID="day-task"
    >
      <Words weight="digits" className="w-14">
        {clockText(first, one.start)}
      </Words>
      <View className="min-w-0 flex-1">
        <Words weight={task.kind === 'spray' ? 'semi' : 'regular'}>{task.name}</Words>
        <Words size={14} colour="ink2">
          {details}
        </Words>
      </View>
      {isPinned ? (
        <View className="flex-row items-center gap-1 self-start">
          <Pin size={16} color={palette.identity} aria-hidden />
          <Words size={14} colour="identity">
            held
          </Words>
        </View>
      ) : null}
    </Pressable>
  );
}
