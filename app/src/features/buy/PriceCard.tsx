import type { Job } from '@fine-spray/contract';
import type { JobPlan, PlannedWork } from '@fine-spray/contract/planning';
import { priceFor } from '@fine-spray/contract/planning';
import { exactMoney, moneyRange, showText } from '@fine-spray/core';
import { useRouter } from 'expo-router';
import ChevronDown from 'lucide-react-native/icons/chevron-down';
import ChevronUp from 'lucide-react-native/icons/chevron-up';
import Signature from 'lucide-react-native/icons/signature';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { AmountLine } from '@/ui/amountLine';
import { Button } from '@/ui/button';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';
import { useUnits } from '@/ui/units';

/** The price of a room, with its range and its surfaces behind a tap. */
function RoomPrice({
  name,
  text,
  range,
  surfaces,
}: {
  name: string;
  text: string;
  range: string;
  surfaces: readonly { readonly id: string; readonly name: string; readonly text: string }[];
}) {
  const [open, setOpen] = useState(false);
  const { palette } = useTheme();
  return (
    <View>
      <Pressable
        role="button"
        aria-expanded={open}
        aria-label={`${name}, ${text}. ${open ? 'Hide' : 'Show'} its surfaces`}
        onPress={() => setOpen(!open)}
        className="min-h-[48px] flex-row items-center gap-2"
      >
        <View className="min-w-0 flex-1">
          <AmountLine name={name} amount={text} />
        </View>
        {open ? (
          <ChevronUp size={20} color={palette.ink2} aria-hidden />
        ) : (
          <ChevronDown size={20} color={palette.ink2} aria-hidden />
        )}
      </Pressable>
      {open ? (
        <View className="gap-1 border-l-2 border-rule pb-2 pl-3">
          <Words size={14} colour="ink2">{`Inside, between ${range}`}</Words>
          {surfaces.map((one) => (
            <AmountLine key={one.id} name={one.name} amount={one.text} />
          ))}
        </View>
      ) : null}
    </View>
  );
}

/** What is asked for a job: one figure, how it comes about from the cost, and what each room is of it. */
export function PriceCard({ job, work, plan }: { job: Pick<Job, 'id'>; work: PlannedWork; plan: JobPlan }) {
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
      <AmountLine name="Cost" amount={money(Math.round(price.cost.likely))} />
      <AmountLine name={`Overheads, ${percent(terms.overhead)}`} amount={money(Math.round(price.overhead))} />
      <AmountLine name={`Profit, ${percent(terms.profit)}`} amount={money(Math.round(price.profit))} />
      <AmountLine
        name={price.atMinimum ? 'Up to your least price' : 'Rounded up'}
        amount={money(Math.round(price.ends))}
      />
      <AmountLine name="Price" amount={money(price.net)} strong />
      <AmountLine name={`Tax, ${percent(terms.tax)}`} amount={money(price.tax)} />
      <AmountLine name="With tax" amount={money(price.total)} strong />
      {rooms.length > 1 ? (
        <View className="gap-1 border-t border-rule pt-2" role="group" aria-label="By room, before tax">
          <Words size={14} colour="ink2">
            By room, before tax: together the price
          </Words>
          {rooms.map(({ room, net, range, surfaces }) => (
            <RoomPrice
              key={room}
              name={room === '' ? 'Without a room' : room}
              text={money(net)}
              range={moneyRange(range, currency)}
              surfaces={surfaces.map((one) => ({ ...one, text: money(one.net) }))}
            />
          ))}
        </View>
      ) : null}
      {plan.cost.missing.length > 0 ? (
        <Words colour="caution">{`Not in it, without a price: ${plan.cost.missing
          .map(({ name }) => name.toLowerCase())
          .join(', ')}.`}</Words>
      ) : null}
      <Button
        label="Make an offer of it"
        kind="primary"
        icon={Signature}
        onPress={() => router.navigate(`/jobs/${job.id}/offers`)}
      />
      <Button
        label="Overheads, profit and tax"
        kind="quiet"
        className="self-start"
        onPress={() => router.navigate('/book')}
      />
    </View>
  );
}
