import { SCHOOLS, type ScheduleFields, type School } from '@fine-spray/contract';
import { roomName } from '@fine-spray/contract/planning';
import { of } from '@fine-spray/core/units';
import { SCRIPTED_DAY_IDS, scriptedDayName } from '@fine-spray/core/weather';
import { addDays } from 'date-fns/addDays';
import { format } from 'date-fns/format';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { useStandIns } from '@/data/standIns';
import { Button } from '@/ui/button';
import { Choice } from '@/ui/choice';
import { FieldError, Labelled, TextField } from '@/ui/field';
import { QuantityStepper } from '@/ui/quantityStepper';
import { Segmented } from '@/ui/segmented';
import { Sheet } from '@/ui/sheet';
import { StepperRow } from '@/ui/stepper';
import { Words } from '@/ui/text';
import { TickBox } from '@/ui/tickBox';
import { TimeStepper } from './TimeStepper';
import { dayText, hourText, midnightOf } from './schedule';

const SCHOOL_WORDS: Readonly<Record<School, string>> = {
  'trim first': 'Trim first',
  'walls first': 'Walls first',
};
export const WEEKDAYS = [
  'Monday',
  'Tuesday',
  'Wednesday',
  'Thursday',
  'Friday',
  'Saturday',
  'Sunday',
] as const;
const AIR = { min: 263.15, max: 323.15 } as const;
const HUMIDITY = { min: 0.05, max: 1 } as const;

type Change = (part: Partial<ScheduleFields>, step?: string) => void;

/** Who is there, when, with what, in which order, and which rooms are shut. */
export function PlanSettings({
  fields,
  rooms,
  errors,
  onChange,
}: {
  fields: ScheduleFields;
  rooms: readonly string[];
  errors: Readonly<Record<string, string>>;
  onChange: Change;
}) {
  const [open, setOpen] = useState<'crew' | 'hours' | 'rooms' | 'weather'>();
  const first = midnightOf(fields);
  const shut = fields.closed.filter(({ weekdays, dates }) => weekdays.length + dates.length > 0);
  const close = () => setOpen(undefined);
  const wrong = Object.values(errors)[0];
  return (
    <View className="gap-3" role="group" aria-label="How it is planned">
      <Words size={18} weight="bold" heading={2}>
        How it is planned
      </Words>
      {wrong === undefined ? null : <FieldError message={wrong} />}
      <Labelled label="Beginning">
        <View className="flex-row flex-wrap items-center gap-2">
          <Words weight="semi" className="min-w-[160px] flex-1" testID="first-day">
            {dayText(first, 0)}
          </Words>
          <Button label="A day earlier" onPress={() => onChange(beginning(fields, -1), 'first')} />
          <Button label="A day later" onPress={() => onChange(beginning(fields, 1), 'first')} />
        </View>
      </Labelled>
      <StepperRow
        label="Sprayers"
        value={fields.sprayers}
        min={1}
        max={4}
        onChange={(sprayers) => onChange({ sprayers })}
      />
      <Labelled label="In a room, after the ceiling">
        <Segmented
          label="In a room, after the ceiling"
          value={fields.school}
          options={SCHOOLS.map((value) => ({ value, label: SCHOOL_WORDS[value] }))}
          onChange={(school) => onChange({ school })}
        />
      </Labelled>
      <Row
        label={`Crew: ${fields.crew.map(({ name }) => name).join(', ')}`}
        onPress={() => setOpen('crew')}
      />
      <Row
        label={`Hours: ${hourText(fields.hours.from)} to ${hourText(fields.hours.to)}, ${weekdaysText(fields.workdays)}`}
        onPress={() => setOpen('hours')}
      />
      <Row
        label={
          shut.length === 0
            ? 'Rooms that are shut on some days'
            : `Shut on some days: ${shut.map(({ room }) => room).join(', ')}`
        }
        onPress={() => setOpen('rooms')}
      />
      <Row label={`Weather: ${weatherText(fields)}`} onPress={() => setOpen('weather')} />
      {open === 'crew' ? <Crew fields={fields} onChange={onChange} onClose={close} /> : null}
      {open === 'hours' ? <Hours fields={fields} onChange={onChange} onClose={close} /> : null}
      {open === 'rooms' ? (
        <Sheet title="Rooms that are shut" onClose={close}>
          {rooms.map((room) => (
            <Shut key={room} room={roomName(room)} fields={fields} onChange={onChange} />
          ))}
          <Button label="Done" kind="primary" onPress={close} />
        </Sheet>
      ) : null}
      {open === 'weather' ? <Weather fields={fields} onChange={onChange} onClose={close} /> : null}
    </View>
  );
}

const Row = ({ label, onPress }: { label: string; onPress: () => void }) => (
  <Button label={label} className="self-start" onPress={onPress} />
);

/** Another first day: what stands in minutes of the plan is of no use any more. */
export const beginning = (fields: ScheduleFields, by: number): Partial<ScheduleFields> => ({
  first: format(addDays(midnightOf(fields), by), 'yyyy-MM-dd'),
  pins: fields.pins.flatMap((pin) => (pin.who.length > 0 ? [{ ...pin, start: null }] : [])),
  result: null,
});

/** "Monday to Friday", "Monday, Wednesday". */
export function weekdaysText(days: readonly number[]): string {
  const sorted = [...days].sort((a, b) => a - b);
  const [from, to] = [sorted[0], sorted[sorted.length - 1]];
  if (from === undefined || to === undefined) return 'no day';
  const inRow = to - from === sorted.length - 1 && sorted.length > 2;
  return inRow ? `${WEEKDAYS[from]} to ${WEEKDAYS[to]}` : sorted.map((day) => WEEKDAYS[day]).join(', ');
}

const weatherText = ({ outside }: Pick<ScheduleFields, 'outside'>): string =>
  outside.length === 0 ? 'dry outside' : outside.map((day) => scriptedDayName(day).toLowerCase()).join(', ');

/** Days one can be away, or a room be shut: the working days of the next weeks. */
const SHOWN_DAYS = 28;

function DayTicks({
  label,
  fields,
  dates,
  onChange,
}: {
  label: string;
  fields: ScheduleFields;
  dates: readonly string[];
  onChange: (dates: string[]) => void;
}) {
  const first = midnightOf(fields);
  const weekday = (first.getDay() + 6) % 7;
  const days = Array.from({ length: SHOWN_DAYS }, (_unused, day) => day).filter((day) =>
    fields.workdays.includes((weekday + day) % 7),
  );
  return (
    <View role="group" aria-label={label} className="flex-row flex-wrap gap-1">
      {days.map((day) => {
        const date = format(addDays(first, day), 'yyyy-MM-dd');
        const on = dates.includes(date);
        return (
          <Pressable
            key={date}
            role="checkbox"
            aria-checked={on}
            aria-label={`${label}, ${dayText(first, day)}`}
            onPress={() => onChange(on ? dates.filter((one) => one !== date) : [...dates, date])}
            className={`min-h-[48px] min-w-[76px] items-center justify-center rounded-lg border px-2 ${on ? 'border-identity bg-identity-tint' : 'border-rule bg-sheet'}`}
          >
            <Words size={14} weight={on ? 'bold' : 'regular'} colour={on ? 'identity' : 'ink'}>
              {format(addDays(first, day), 'EEE d MMM')}
            </Words>
          </Pressable>
        );
      })}
    </View>
  );
}

interface Part {
  fields: ScheduleFields;
  onChange: Change;
  onClose: () => void;
}

function Crew({ fields, onChange, onClose }: Part) {
  const { crew } = fields;
  const [away, setAway] = useState<number>();
  const person = (index: number, part: Partial<ScheduleFields['crew'][number]>) =>
    onChange(
      { crew: crew.map((one, at) => (at === index ? { ...one, ...part } : one)) },
      `crew ${index} ${Object.keys(part).join(' ')}`,
    );
  return (
    <Sheet title="Crew" onClose={onClose}>
      {crew.map(({ name, away: dates }, index) => (
        <View key={index} className="gap-2 border-b border-rule pb-3">
          <TextField
            label={`Person ${index + 1}`}
            value={name}
            error={name.trim() === '' ? 'Name is missing.' : undefined}
            onChange={(next) => person(index, { name: next })}
          />
          <View className="flex-row flex-wrap gap-2">
            <Button
              label={dates.length === 0 ? 'Days off' : `Days off: ${dates.length}`}
              aria-expanded={away === index}
              onPress={() => setAway(away === index ? undefined : index)}
            />
            {crew.length > 1 ? (
              <Button
                label="Take off the crew"
                kind="quiet"
                onPress={() => onChange(withoutPerson(fields, index), 'crew')}
              />
            ) : null}
          </View>
          {away === index ? (
            <DayTicks
              label={`${name} is away`}
              fields={fields}
              dates={dates}
              onChange={(next) => person(index, { away: next })}
            />
          ) : null}
        </View>
      ))}
      <Button
        label="One person more"
        className="self-start"
        onPress={() =>
          onChange({ crew: [...crew, { name: `Painter ${crew.length + 1}`, away: [] }] }, 'crew')
        }
      />
      <Button label="Done" kind="primary" onPress={onClose} />
    </Sheet>
  );
}

/** A crew without somebody: what was put on that person is free again, and people after it count one less. */
export function withoutPerson(fields: ScheduleFields, index: number): Partial<ScheduleFields> {
  const less = (people: readonly number[]) =>
    people.filter((one) => one !== index).map((one) => (one > index ? one - 1 : one));
  const { result } = fields;
  return {
    crew: fields.crew.filter((_one, at) => at !== index),
    pins: fields.pins
      .map((pin) => ({ ...pin, who: less(pin.who) }))
      .filter(({ start, who }) => start !== null || who.length > 0),
    result: result && {
      ...result,
      placed: result.placed.map((one) => ({ ...one, people: less(one.people) })),
    },
  };
}

function Hours({ fields, onChange, onClose }: Part) {
  const { hours, breaks, workdays } = fields;
  const change = (index: number, part: Partial<(typeof breaks)[number]>) =>
    onChange(
      { breaks: breaks.map((one, at) => (at === index ? { ...one, ...part } : one)) },
      `break ${index}`,
    );
  return (
    <Sheet title="Hours" onClose={onClose}>
      <TimeStepper
        label="Work begins"
        value={hours.from}
        max={hours.to - 60}
        onChange={(from) => onChange({ hours: { ...hours, from } }, 'hours from')}
      />
      <TimeStepper
        label="Work ends"
        value={hours.to}
        min={hours.from + 60}
        onChange={(to) => onChange({ hours: { ...hours, to } }, 'hours to')}
      />
      {breaks.map(({ from, to }, index) => (
        <View key={index} className="gap-2 border-t border-rule pt-2">
          <TimeStepper
            label={`Break ${index + 1} begins`}
            value={from}
            max={to - 15}
            onChange={(next) => change(index, { from: next })}
          />
          <TimeStepper
            label={`Break ${index + 1} ends`}
            value={to}
            min={from + 15}
            onChange={(next) => change(index, { to: next })}
          />
          <Button
            label={`Without break ${index + 1}`}
            kind="quiet"
            className="self-start"
            onPress={() => onChange({ breaks: breaks.filter((_one, at) => at !== index) }, 'breaks')}
          />
        </View>
      ))}
      {breaks.length < 6 ? (
        <Button
          label="A break more"
          className="self-start"
          onPress={() => onChange({ breaks: [...breaks, { from: 9 * 60, to: 9 * 60 + 15 }] }, 'breaks')}
        />
      ) : null}
      <View role="group" aria-label="Days of work" className="flex-row flex-wrap gap-1">
        {WEEKDAYS.map((name, day) => (
          <Tick
            key={name}
            label={name}
            on={workdays.includes(day)}
            onPress={() =>
              onChange({
                workdays: workdays.includes(day)
                  ? workdays.filter((one) => one !== day)
                  : [...workdays, day].sort((a, b) => a - b),
              })
            }
          />
        ))}
      </View>
      {workdays.length === 0 ? (
        <FieldError message="There is no working day: choose at least one weekday." />
      ) : null}
      <Button label="Done" kind="primary" onPress={onClose} />
    </Sheet>
  );
}

const Tick = ({
  label,
  name,
  on,
  onPress,
}: {
  label: string;
  name?: string;
  on: boolean;
  onPress: () => void;
}) => (
  <Pressable
    role="checkbox"
    aria-checked={on}
    aria-label={name ?? label}
    className="min-h-[48px] flex-row items-center gap-3 pr-3"
    onPress={onPress}
  >
    <TickBox on={on} />
    <Words>{label}</Words>
  </Pressable>
);

function Shut({ room, fields, onChange }: { room: string; fields: ScheduleFields; onChange: Change }) {
  const [dates, setDates] = useState(false);
  const now = fields.closed.find((one) => one.room === room) ?? { room, weekdays: [], dates: [] };
  const put = (part: Partial<typeof now>) =>
    onChange(
      { closed: [...fields.closed.filter((one) => one.room !== room), { ...now, ...part }] },
      `closed ${room}`,
    );
  return (
    <View role="group" aria-label={room} className="gap-1 border-b border-rule pb-2">
      <Words weight="semi">{room}</Words>
      <View className="flex-row flex-wrap">
        {WEEKDAYS.map((name, day) =>
          fields.workdays.includes(day) ? (
            <Tick
              key={name}
              label={name}
              name={`${room}, ${name}`}
              on={now.weekdays.includes(day)}
              onPress={() =>
                put({
                  weekdays: now.weekdays.includes(day)
                    ? now.weekdays.filter((one) => one !== day)
                    : [...now.weekdays, day],
                })
              }
            />
          ) : null,
        )}
      </View>
      <Button
        label={now.dates.length === 0 ? 'On single days' : `On single days: ${now.dates.length}`}
        kind="quiet"
        className="self-start"
        aria-expanded={dates}
        onPress={() => setDates(!dates)}
      />
      {dates ? (
        <DayTicks
          label={`${room} is shut`}
          fields={fields}
          dates={now.dates}
          onChange={(next) => put({ dates: next })}
        />
      ) : null}
    </View>
  );
}

const OUTSIDE = [
  { value: 'dry', label: 'It stays dry' },
  ...SCRIPTED_DAY_IDS.map((day) => ({ value: day, label: scriptedDayName(day) })),
] as const;

function Weather({ fields, onChange, onClose }: Part) {
  const { drying, outside } = fields;
  const standIns = useStandIns();
  const forecast = standIns || outside.length > 0;
  return (
    <Sheet title="Weather" onClose={onClose}>
      <QuantityStepper
        label="Air in which coats dry"
        kind="temperature"
        value={drying.air}
        step={{ metric: 1, us: 2 }}
        bounds={AIR}
        onChange={(air) => onChange({ drying: { ...drying, air } }, 'drying air')}
      />
      <QuantityStepper
        label="Humidity in which coats dry"
        kind="percent"
        value={drying.humidity}
        step={{ metric: 5, us: 5 }}
        bounds={HUMIDITY}
        onChange={(humidity) => onChange({ drying: { ...drying, humidity } }, 'drying humidity')}
      />
      <Button
        label="As is usual inside: 20 °C and 50 %"
        kind="quiet"
        className="self-start"
        onPress={() => onChange({ drying: { air: of(20, '°C'), humidity: 0.5 } }, 'drying')}
      />
      {forecast ? (
        <Choice
          label="Outside, day after day"
          value={outside[0] ?? 'dry'}
          options={OUTSIDE.map((one) => ({ value: one.value, label: one.label }))}
          onChange={(day) => onChange({ outside: day === 'dry' ? [] : [day] })}
        />
      ) : null}
      <Words size={14} colour="ink2">
        {forecast
          ? 'The forecast is that of the simulated station: a stand-in, no weather of any place. Paint outside waits for hours without rain, above its lowest temperature, 3 °C above the dew point and not too windy, until it is rain-fast.'
          : 'No forecast is asked for: outside counts as dry. Look at yours, and hold work outside where it is fit.'}
      </Words>
      <Button label="Done" kind="primary" onPress={onClose} />
    </Sheet>
  );
}
