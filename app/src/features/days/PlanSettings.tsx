import { SCHOOLS, type School } from '@fine-spray/contract/planning';
import { addDays } from 'date-fns/addDays';
import { format } from 'date-fns/format';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { Button } from '@/ui/button';
import { Labelled } from '@/ui/field';
import { Segmented } from '@/ui/segmented';
import { Sheet } from '@/ui/sheet';
import { StepperRow } from '@/ui/stepper';
import { Words } from '@/ui/text';
import { TickBox } from '@/ui/tickBox';
import { dayText, type DaySettings } from './settings';

const SCHOOL_WORDS: Readonly<Record<School, string>> = {
  'trim first': 'Trim first',
  'walls first': 'Walls first',
};
const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday'] as const;

/** Who is there, from when, in which order, and which rooms are shut. */
export function PlanSettings({
  settings,
  rooms,
  first,
  onChange,
}: {
  settings: DaySettings;
  rooms: readonly string[];
  first: Date;
  onChange: (settings: DaySettings) => void;
}) {
  const [closing, setClosing] = useState(false);
  const change = (part: Partial<DaySettings>) => onChange({ ...settings, ...part });
  const shut = Object.entries(settings.closed).filter(([, days]) => days.length > 0);
  return (
    <View className="gap-3" role="group" aria-label="How it is planned">
      <Words size={18} weight="bold" heading={2}>
        How it is planned
      </Words>
      <Labelled label="Beginning">
        <View className="flex-row flex-wrap items-center gap-2">
          <Words weight="semi" className="min-w-[160px] flex-1" testID="first-day">
            {dayText(first, 0)}
          </Words>
          <Button
            label="A day earlier"
            onPress={() => change({ first: format(addDays(first, -1), 'yyyy-MM-dd') })}
          />
          <Button
            label="A day later"
            onPress={() => change({ first: format(addDays(first, 1), 'yyyy-MM-dd') })}
          />
        </View>
      </Labelled>
      <StepperRow
        label="People"
        value={settings.people}
        min={1}
        max={20}
        onChange={(people) => change({ people })}
      />
      <StepperRow
        label="Sprayers"
        value={settings.sprayers}
        min={1}
        max={4}
        onChange={(sprayers) => change({ sprayers })}
      />
      <Labelled label="In a room, after the ceiling">
        <Segmented
          label="In a room, after the ceiling"
          value={settings.school}
          options={SCHOOLS.map((value) => ({ value, label: SCHOOL_WORDS[value] }))}
          onChange={(school) => change({ school })}
        />
      </Labelled>
      <Button
        label={
          shut.length === 0
            ? 'Rooms that are shut on some days'
            : `Shut on some days: ${shut.map(([room]) => room).join(', ')}`
        }
        className="self-start"
        onPress={() => setClosing(true)}
      />
      {closing ? (
        <Sheet title="Rooms that are shut" onClose={() => setClosing(false)}>
          {rooms.map((room) => (
            <Weekdays
              key={room}
              room={room === '' ? 'Without a room' : room}
              days={settings.closed[room === '' ? 'Without a room' : room] ?? []}
              onChange={(days) =>
                change({ closed: { ...settings.closed, [room === '' ? 'Without a room' : room]: days } })
              }
            />
          ))}
          <Button label="Done" kind="primary" onPress={() => setClosing(false)} />
        </Sheet>
      ) : null}
    </View>
  );
}

function Weekdays({
  room,
  days,
  onChange,
}: {
  room: string;
  days: readonly number[];
  onChange: (days: readonly number[]) => void;
}) {
  return (
    <View role="group" aria-label={room}>
      <Words weight="semi">{room}</Words>
      {WEEKDAYS.map((name, day) => (
        <Pressable
          key={name}
          role="checkbox"
          aria-checked={days.includes(day)}
          aria-label={`${room}, ${name}`}
          className="min-h-[48px] flex-row items-center gap-3"
          onPress={() => onChange(days.includes(day) ? days.filter((one) => one !== day) : [...days, day])}
        >
          <TickBox on={days.includes(day)} />
          <Words>{name}</Words>
        </Pressable>
      ))}
    </View>
  );
}
