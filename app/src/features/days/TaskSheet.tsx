import type { ScheduleFields } from '@fine-spray/contract';
import type { JobTask, SitePlanFound } from '@fine-spray/contract/planning';
import type { Placed } from '@fine-spray/core/sequence';
import { counted } from '@fine-spray/core/units';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '@/ui/button';
import { Choice } from '@/ui/choice';
import { Sheet } from '@/ui/sheet';
import { Words } from '@/ui/text';
import { TimeStepper } from './TimeStepper';
import { dayText, midnightOf, shortMoment } from './schedule';

type Pin = ScheduleFields['pins'][number];
const DAY = 1440;

/** Pins with one of a task put in, or taken out where it says nothing. */
export const withPin = (pins: readonly Pin[], pin: Pin): Pin[] => [
  ...pins.filter(({ task }) => task !== pin.task),
  ...(pin.start === null && pin.who.length === 0 ? [] : [pin]),
];

/** Wishes with one more; the same one is not wished twice. */
export const withWish = (
  wishes: ScheduleFields['wishes'],
  task: string,
  before: string,
): ScheduleFields['wishes'] => [
  ...wishes.filter((one) => one.task !== task || one.before !== before),
  { task, before },
];

/** A task of the plan: what it is, what it waits for, and where somebody puts it. */
export function TaskSheet({
  fields,
  planned,
  task,
  one,
  jobId,
  mayPlan,
  onChange,
  onClose,
}: {
  fields: ScheduleFields;
  planned: SitePlanFound;
  task: JobTask;
  one: Placed;
  jobId: string;
  mayPlan: boolean;
  onChange: (part: Partial<ScheduleFields>) => void;
  onClose: () => void;
}) {
  const router = useRouter();
  const first = midnightOf(fields);
  const pin = fields.pins.find((each) => each.task === task.id);
  const [start, setStart] = useState(one.start);
  const byId = new Map(planned.tasks.map((each) => [each.id, each]));
  const placed = new Map(planned.plan.placed.map((each) => [each.task, each]));
  const waits = task.after.flatMap(({ task: id, least }) => {
    const before = byId.get(id);
    const end = placed.get(id)?.end;
    if (!before || end === undefined) return [];
    return [
      least > 0
        ? `${before.name}, which is dry for it ${shortMoment(first, end + least)}`
        : `${before.name}, until ${shortMoment(first, end)}`,
    ];
  });
  const put = (part: Partial<Pin>) =>
    onChange({
      pins: withPin(fields.pins, { task: task.id, start: null, who: [], ...pin, ...part }),
    });
  const wishes = fields.wishes.filter(({ task: id, before }) => id === task.id || before === task.id);
  const others = [...planned.plan.placed]
    .sort((a, b) => a.start - b.start)
    .flatMap(({ task: id }) => {
      const other = byId.get(id);
      return other && id !== task.id ? [{ value: id, label: other.name }] : [];
    });
  const [surface] = task.surfaces;
  return (
    <Sheet title={task.name} onClose={onClose}>
      <Words
        size={18}
        weight="semi"
      >{`${shortMoment(first, one.start)} to ${shortMoment(first, one.end)}`}</Words>
      <Words>
        {[
          `${counted(task.minutes, 'minute')} of work`,
          counted(task.people, 'person', 'people'),
          ...(one.setUp > 0 ? [`${one.setUp} minutes of set-up before it`] : []),
        ].join(', ')}
      </Words>
      {waits.length > 0 ? (
        <View className="gap-1">
          <Words weight="semi">It comes after</Words>
          {waits.map((words) => (
            <Words key={words}>{words}</Words>
          ))}
        </View>
      ) : null}
      {task.kind === 'spray' && surface !== undefined ? (
        <Button
          label="Its set-up card"
          className="self-start"
          onPress={() => router.navigate(`/jobs/${jobId}/surfaces/${surface}`)}
        />
      ) : null}
      {task.what === 'protect' || task.what === 'prepare' || task.what === 'mask' ? (
        <Button
          label="What there is to prepare"
          className="self-start"
          onPress={() => router.navigate(`/jobs/${jobId}/prepare`)}
        />
      ) : null}
      {mayPlan && !task.running ? (
        <View className="gap-3 border-t border-rule pt-3" role="group" aria-label="Where it is to be">
          <Words weight="bold" size={18} heading={3}>
            Hold it somewhere
          </Words>
          <Choice
            label="Who does it"
            value={pin?.who[0] === undefined ? 'anybody' : String(pin.who[0])}
            options={[
              { value: 'anybody', label: 'Anybody' },
              ...fields.crew.map(({ name }, index) => ({ value: String(index), label: name })),
            ]}
            onChange={(value) => put({ who: value === 'anybody' ? [] : [Number(value)] })}
          />
          <View className="flex-row flex-wrap items-center gap-2">
            <Words weight="semi" className="min-w-[160px] flex-1" testID="pin-day">
              {dayText(first, Math.floor(start / DAY))}
            </Words>
            <Button label="A day earlier" onPress={() => setStart((now) => now - DAY)} />
            <Button label="A day later" onPress={() => setStart((now) => now + DAY)} />
          </View>
          <TimeStepper
            label="Begins at"
            value={start % DAY}
            step={5}
            onChange={(minute) => setStart(Math.floor(start / DAY) * DAY + minute)}
          />
          <View className="flex-row flex-wrap gap-2">
            <Button label="Hold it there" kind="primary" onPress={() => put({ start })} />
            {pin ? <Button label="Let it go" onPress={() => put({ start: null, who: [] })} /> : null}
          </View>
          <Choice
            label="Do it before"
            value=""
            options={[{ value: '', label: 'Nothing in particular' }, ...others]}
            onChange={(before) => {
              if (before !== '') onChange({ wishes: withWish(fields.wishes, task.id, before) });
            }}
          />
          {wishes.map((wish) => (
            <View key={`${wish.task} ${wish.before}`} className="flex-row flex-wrap items-center gap-2">
              <Words className="min-w-[200px] flex-1">
                {wish.task === task.id
                  ? `Before ${byId.get(wish.before)?.name ?? 'work that is done'}`
                  : `After ${byId.get(wish.task)?.name ?? 'work that is done'}`}
              </Words>
              <Button
                label="Take out"
                kind="quiet"
                onPress={() => onChange({ wishes: fields.wishes.filter((each) => each !== wish) })}
              />
            </View>
          ))}
        </View>
      ) : null}
    </Sheet>
  );
}
