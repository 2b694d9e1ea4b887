import type { JobPlan, PlannedWork } from '@fine-spray/contract/planning';
import { priceFor } from '@fine-spray/contract/planning';
import { exactMoney, moneyRange, showText } from '@fine-spray/core';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';
import { PaperButton, type PaperButtonProps } from '@/features/paper';
import { Button } from '@/ui/button';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';

function Line({ name, text, strong = false }: { name: string; text: string; strong?: boolean }) {
  return (
    <View className="flex-row items-baseline gap-3">
      <Words weight={strong ? 'bold' : 'regular'} className="min-w-0 flex-1">
        {name}
      </Words>
      <Words weight={strong ? 'digits-bold' : 'digits'} size={18}>
        {text}
      </Words>
    </View>
  );
}

/** What is asked for a job: one figure, how it comes about from the cost, and what each room is of it. */
export function PriceCard({
  job,
  work,
  plan,
  risk,
  aim,
}: {
  job: PaperButtonProps['job'];
  work: PlannedWork;
  plan: JobPlan;
} & Pick<PaperButtonProps, 'risk' | 'aim'>) {
  const { system } = useUnits();
  const router = useRouter();
  const { price, rooms } = useMemo(() => priceFor(work, plan), [work, plan]);
  const { currency, terms } = plan.book;
  const money = (amount: number) => exactMoney(amount, currency);
  const percent = (share: number) => showText(share, 'percent', system);
  const nothing = terms.overhead === 0 && terms.profit === 0;
  return (
    <View className="gap-2 rounded-2xl border-2 border-identity bg-sheet p-4" testID="price">
      <Words weight="semi" colour="ink2" heading={2}>
        What you ask
      </Words>
      <Words size={44} weight="bold" testID="price-net">
        {money(price.net)}
      </Words>
      <Words colour="ink2">{`before tax; inside, between ${moneyRange(price.range, currency)}`}</Words>
      {nothing ? (
        <Words colour="caution" weight="semi">
          Overheads and profit are not put in yet: this is what the job costs you.
        </Words>
      ) : null}
      <Line name="Cost" text={money(Math.round(price.cost.likely))} />
      <Line name={`Overheads, ${percent(terms.overhead)}`} text={money(Math.round(price.overhead))} />
      <Line name={`Profit, ${percent(terms.profit)}`} text={money(Math.round(price.profit))} />
      <Line
        name={price.atMinimum ? 'Up to your least price' : 'Rounded up'}
        text={money(Math.round(price.ends))}
      />
      <Line name="Price" text={money(price.net)} strong />
      <Line name={`Tax, ${percent(terms.tax)}`} text={money(price.tax)} />
      <Line name="With tax" text={money(price.total)} strong />
      {rooms.length > 1 ? (
        <View className="gap-1 border-t border-rule pt-2" role="group" aria-label="By room, before tax">
          <Words size={14} colour="ink2">
            By room, before tax: together the price
          </Words>
          {rooms.map(({ room, net }) => (
            <Line key={room} name={room === '' ? 'Without a room' : room} text={money(net)} />
          ))}
        </View>
      ) : null}
      {plan.cost.missing.length > 0 ? (
        <Words colour="caution">{`Not in it, without a price: ${plan.cost.missing
          .map(({ name }) => name.toLowerCase())
          .join(', ')}.`}</Words>
      ) : null}
      <PaperButton job={job} kind="offer" risk={risk ?? 'P80'} aim={aim ?? 'cost'} />
      <Button
        label="Overheads, profit and tax"
        kind="quiet"
        className="self-start"
        onPress={() => router.navigate('/book')}
      />
    </View>
  );
}
