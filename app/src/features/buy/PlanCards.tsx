import type { JobPlan } from '@fine-spray/contract/planning';
import {
  CONSUMABLES,
  CONSUMABLE_IDS,
  TASKS,
  TASK_IDS,
  aboutText,
  counted,
  hoursText,
  moneyRange,
  showText,
} from '@fine-spray/core';
import { useRouter } from 'expo-router';
import type { ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { useWhy } from '@/features/setup';
import { Button } from '@/ui/button';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';

function Card({ title, children }: { title: string; children: ReactNode }) {
  return (
    <View className="min-w-[288px] flex-1 basis-[45%] gap-2 rounded-2xl border border-rule bg-sheet p-4">
      <Words weight="semi" colour="ink2" heading={2}>
        {title}
      </Words>
      {children}
    </View>
  );
}

function Row({ name, text, onOpen }: { name: string; text: string; onOpen?: () => void }) {
  const inside = (
    <>
      <Words className="min-w-0 flex-1">{name}</Words>
      <Words weight="digits-bold" size={18}>
        {text}
      </Words>
    </>
  );
  if (!onOpen) return <View className="flex-row items-baseline gap-3">{inside}</View>;
  return (
    <Pressable
      role="button"
      onPress={onOpen}
      className="min-h-[48px] flex-row items-center gap-3 border-b border-rule"
    >
      {inside}
    </Pressable>
  );
}

/** What a job costs, how long it takes and what it uses up; every number opens. */
export function PlanCards({ plan }: { plan: JobPlan }) {
  const { system } = useUnits();
  const router = useRouter();
  const why = useWhy();
  const { book, hours, consumables, cost, days, time, waiting, notCounted } = plan;
  const hoursOf = (seconds: number) => hoursText(seconds, system);
  const money = (amount: number) => aboutText(amount, book.currency);
  return (
    <>
      <View className="flex-row flex-wrap gap-4">
        <Card title="What it costs you">
          <Words size={44} weight="bold" testID="cost-total">
            {money(cost.total.likely)}
          </Words>
          <Words colour="ink2">{`likely between ${moneyRange(cost.total, book.currency)}, before overhead, profit and tax`}</Words>
          <Row name="Paint" text={money(cost.paint.likely)} />
          <Row name="Sundries" text={money(cost.consumables.likely)} />
          <Row name="Hours" text={money(cost.labour.likely)} />
          {cost.missing.length > 0 ? (
            <Words colour="caution">{`Without a price and not in it: ${cost.missing
              .map(({ name }) => name)
              .join(', ')
              .toLowerCase()}.`}</Words>
          ) : null}
          <Button
            label="Rates and prices"
            kind="quiet"
            className="self-start"
            onPress={() => router.navigate('/book')}
          />
        </Card>
        <Card title="How long it takes">
          <Words size={44} weight="bold" testID="hours-total">
            {hoursOf(time.likely)}
          </Words>
          <Words colour="ink2">
            {`of work (${hoursOf(time.low)} to ${hoursOf(time.high)}): ${counted(days, 'day')} with ${counted(book.people, 'person', 'people')}. Drying between coats comes on top; rooms dry side by side, so the longest counts.`}
          </Words>
          {TASK_IDS.flatMap((task) => {
            const one = hours[task];
            if (!one || one.value <= 0) return [];
            return [
              <Row key={task} name={TASKS[task]} text={hoursOf(one.value)} onOpen={() => why.ask(one)} />,
            ];
          })}
          {waiting && waiting.value > 0 ? (
            <Row
              name="Waiting between coats, 23 °C"
              text={hoursOf(waiting.value)}
              onOpen={() => why.ask(waiting)}
            />
          ) : null}
          <Words size={14} testID="not-counted">{`Not counted: ${notCounted.join(', ')}.`}</Words>
        </Card>
        <Card title="Sundries">
          {CONSUMABLE_IDS.filter((id) => consumables[id].value > 0).map((id) => (
            <Row
              key={id}
              name={CONSUMABLES[id].name}
              text={showText(consumables[id].value, consumables[id].kind, system)}
              onOpen={() => why.ask(consumables[id])}
            />
          ))}
        </Card>
      </View>
      {why.sheet}
    </>
  );
}
