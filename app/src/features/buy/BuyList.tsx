import { numberText } from '@fine-spray/core/units';
import { USUAL_BOOK, type Job, type Place, type Surface } from '@fine-spray/contract';
import { buyListSheet } from '@fine-spray/contract/formats';
import {
  PRICED_AT,
  buyingsFor,
  jobPlan,
  triggerTimeOf,
  type Buying,
  type CoatingOrder,
  type Kit,
} from '@fine-spray/contract/planning';
import {
  BOXING_VESSEL,
  FACTOR_GROUPS,
  RISKS,
  boxingPlan,
  chanceText,
  containerText,
  counted,
  moneyText,
  saferFor,
  type SaferFor,
  sparesText,
  showText,
  staysShut,
  waterfall,
  type ContainerAim,
  type ContainerCount,
  type Risk,
  type UnitSystem,
} from '@fine-spray/core';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { useMay } from '@/data/may';
import { useCompany } from '@/data/resources';
import type { StartWorker } from '@/data/worker';
import { PaperButton } from '@/features/paper';
import { TableOut } from '@/features/tables';
import { Segmented } from '@/ui/segmented';
import { Sheet } from '@/ui/sheet';
import { ErrorState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import { BoughtFile } from './BoughtFile';
import { Curve } from './Curve';
import { PlanCards } from './PlanCards';
import { PriceCard } from './PriceCard';
import { WaterfallChart } from './WaterfallChart';
import { usePurchase } from './usePurchase';

const RISK_WORDS: Readonly<Record<Risk, string>> = {
  P50: '1 time in 2',
  P80: '4 in 5',
  P95: '19 in 20',
};
const RISK_OPTIONS = (Object.keys(RISKS) as Risk[]).map((value) => ({ value, label: RISK_WORDS[value] }));

const AIM_OPTIONS = [
  { value: 'cost', label: 'Least money' },
  { value: 'left over', label: 'Little left over' },
] as const;

/** "9 lids. Likely 12 L stay: 1 × 10 L shut, to give back." */
function leftText(containers: readonly ContainerCount[], left: number, system: UnitSystem): string {
  const lids = counted(
    containers.reduce((sum, { count }) => sum + count, 0),
    'lid',
  );
  if (left <= 0) return `${lids}. Likely all of it is used.`;
  const shut = staysShut(containers, left);
  const back = shut.length > 0 ? `: ${containerText(shut, system)} shut, to give back` : '';
  return `${lids}. Likely ${showText(left, 'volume', system)} stay${back}.`;
}

/** "70 L cost €10 more, and are enough 95 times in 100." */
function saferText({ purchase, more }: SaferFor, currency: string, system: UnitSystem): string {
  const volume = showText(purchase.bought, 'volume', system);
  const price =
    more > 0
      ? `cost ${moneyText(more, currency)} more`
      : more < 0
        ? `cost ${moneyText(-more, currency)} less`
        : 'cost the same';
  return `${volume} ${price}, and are enough ${chanceText(purchase.enough)}.`;
}

/** One coating: what to buy, largest, and how sure it is. */
function CoatingLine({
  line,
  aim,
  currency,
  onOpen,
}: {
  line: Buying;
  aim: ContainerAim;
  currency: string;
  onOpen: () => void;
}) {
  const { system } = useUnits();
  const { order, purchase, distribution, likely } = line;
  const { bought, enough, containers, volume, spares, cost } = purchase;
  const safer = useMemo(
    () => saferFor(order, distribution, purchase, order.onSale, aim),
    [order, distribution, purchase, aim],
  );
  return (
    <Pressable
      role="button"
      onPress={onOpen}
      className="min-w-[288px] flex-1 basis-[45%] gap-1 rounded-2xl border border-rule bg-sheet p-4 hover:bg-identity-tint"
      testID="coating-to-buy"
    >
      <Words weight="semi" colour="ink2" heading={2}>
        {order.name}
      </Words>
      <Words size={30} weight="bold">
        {containerText(containers, system)}
      </Words>
      <Words>{`${showText(bought, 'volume', system)}${cost === null ? '' : ` for ${moneyText(cost, currency)}`}, enough ${chanceText(enough)}. ${sparesText(spares)}`}</Words>
      <Words size={14} colour="ink2">
        {leftText(containers, bought - likely, system)}
      </Words>
      {safer ? (
        <Words size={14} weight="semi" testID="safer">
          {saferText(safer, currency, system)}
        </Words>
      ) : null}
      <Curve distribution={distribution} wanted={volume} bought={bought} />
      <Words className="sr-only">Where it goes</Words>
    </Pressable>
  );
}

/** Where the paint of a coating goes, and what would make the number surer. */
function CoatingSheet({
  line: { order, distribution, purchase },
  onClose,
}: {
  line: Buying;
  onClose: () => void;
}) {
  const { system } = useUnits();
  const going = useMemo(() => waterfall(order), [order]);
  const text = (volume: number) => showText(volume, 'volume', system);
  const unsure = distribution.shares.filter(({ share }) => share >= 0.05).slice(0, 3);
  return (
    <Sheet title={order.name} onClose={onClose}>
      <View className="gap-1">
        <Words size={44} weight="bold">
          {text(going.total)}
        </Words>
        <Words>{`likely, for ${counted(order.surfaces.length, 'surface')}. ${text(purchase.volume)} is what was asked for.`}</Words>
      </View>
      <Curve distribution={distribution} wanted={purchase.volume} bought={purchase.bought} />
      <View className="gap-3 rounded-2xl border border-rule bg-sheet p-4">
        <Words weight="bold" heading={2}>
          Where it goes
        </Words>
        <WaterfallChart waterfall={going} />
      </View>
      <Boxing containers={purchase.containers} />
      {unsure.length > 0 ? (
        <View className="gap-3 rounded-2xl border border-rule bg-sheet p-4">
          <Words weight="bold" heading={2}>
            What makes it unsure
          </Words>
          {unsure.map(({ group, share }) => (
            <View key={group}>
              <Words weight="semi">{`${FACTOR_GROUPS[group].name}: ${Math.round(share * 20) * 5} % of it`}</Words>
              <Words colour="ink2">{FACTOR_GROUPS[group].better}</Words>
            </View>
          ))}
        </View>
      ) : null}
      <Words size={14} colour="ink2">
        {`From ${numberText(distribution.sorted.length)} draws of everything uncertain. The label and data sheet of the coating take precedence.`}
      </Words>
    </Sheet>
  );
}

/** How to intermix the containers of one coating, so that no wall changes its colour half-way. */
function Boxing({ containers }: { containers: readonly ContainerCount[] }) {
  const { system } = useUnits();
  const steps = boxingPlan(containers, BOXING_VESSEL);
  if (steps.length === 0) return null;
  const text = (volume: number) => showText(volume, 'volume', system);
  return (
    <View className="gap-2 rounded-2xl border border-rule bg-sheet p-4">
      <Words weight="bold" heading={2}>
        {`Box it in a ${text(BOXING_VESSEL)} vessel`}
      </Words>
      {steps.map(({ pour, keep }, index) => (
        <Words key={index}>
          {`${steps.length > 1 ? `${index + 1}. ` : ''}Pour together ${pour.map(text).join(', ')} and stir.${keep > 0 ? ` Keep ${text(keep)} of it for the next mix.` : ''}`}
        </Words>
      ))}
      <Words size={14} colour="ink2">
        Same colour, different batches: boxed before the first wall, the wall has one colour.
      </Words>
    </View>
  );
}

/** The buy list as its open file. */
function sheetOf(lines: readonly Buying[], risk: Risk, currency: string = USUAL_BOOK.currency) {
  const litres = (volume: number) => Number((volume * 1000).toFixed(2));
  return buyListSheet(
    lines.map(({ order, likely, purchase }) => ({
      coating: order.name,
      likely: litres(likely),
      wanted: litres(purchase.volume),
      chance: RISKS[risk] * 100,
      containers: purchase.containers.map(({ size, count }) => ({ size: litres(size), count })),
      bought: litres(purchase.bought),
      cost: purchase.cost === null ? null : Number(purchase.cost.toFixed(2)),
      tips: purchase.spares,
    })),
    currency,
  );
}

/** What to buy of each coating, at the risk chosen. */
export function BuyList({
  job,
  orders,
  surfaces,
  kit,
  places,
  startWorker,
}: {
  job: Pick<Job, 'id' | 'name' | 'empty'>;
  orders: readonly CoatingOrder[];
  surfaces: readonly Surface[];
  /** Nothing until they are there: the plan waits for them. */
  places: readonly Place[] | undefined;
  kit: Pick<Kit, 'coatings' | 'history'>;
  startWorker?: StartWorker | undefined;
}) {
  const { state, again } = usePurchase(orders, startWorker);
  const [risk, setRisk] = useState<Risk>('P80');
  const [aim, setAim] = useState<ContainerAim>('cost');
  const [openId, setOpenId] = useState<string>();
  const { data: company } = useCompany();
  const lines = useMemo(
    () => (state.kind === 'done' ? buyingsFor(state.orders, state.distributions, risk, aim) : []),
    [state, risk, aim],
  );
  const work = useMemo(() => {
    if (state.kind !== 'done' || !places) return undefined;
    const trigger = triggerTimeOf(state.orders);
    const book = company?.book ?? USUAL_BOOK;
    const { coatings, history } = kit;
    return { surfaces, places, job, coatings, buyings: lines, trigger, book, times: history?.times };
  }, [surfaces, places, job, kit, lines, state, company]);
  const plan = useMemo(() => work && jobPlan(work), [work]);
  // However it is tried to buy above, a job has one price.
  const priced = useMemo(() => {
    if (!work || state.kind !== 'done') return undefined;
    const buyings = buyingsFor(state.orders, state.distributions, PRICED_AT.risk, PRICED_AT.aim);
    const asPriced = { ...work, buyings };
    return { work: asPriced, plan: jobPlan(asPriced) };
  }, [work, state]);
  const mayPrice = useMay('money');
  const open = lines.find(({ order }) => order.id === openId);
  return (
    <>
      <View className="gap-2">
        <Words weight="semi">Buy so that it is enough</Words>
        <Segmented label="Enough how often" value={risk} options={RISK_OPTIONS} onChange={setRisk} />
      </View>
      <View className="gap-2">
        <Words weight="semi">Choose containers for</Words>
        <Segmented label="Choose containers for" value={aim} options={AIM_OPTIONS} onChange={setAim} />
      </View>
      {state.kind === 'refused' ? (
        <ErrorState title="No quantities to show" text={state.message} onRetry={again} />
      ) : null}
      {state.kind === 'working' ? <Skeleton rows={orders.length} height={190} /> : null}
      <View className="flex-row flex-wrap gap-4">
        {lines.map((line) => (
          <CoatingLine
            key={line.order.id}
            line={line}
            aim={aim}
            currency={plan?.book.currency ?? USUAL_BOOK.currency}
            onOpen={() => setOpenId(line.order.id)}
          />
        ))}
      </View>
      {lines.length > 0 ? (
        <View className="flex-row flex-wrap gap-2">
          <PaperButton job={job} kind="buy-list" risk={risk} aim={aim} />
          <BoughtFile lines={lines} risk={risk} />
          <TableOut label="Buy list" file="buy list" make={() => sheetOf(lines, risk, plan?.book.currency)} />
        </View>
      ) : null}
      {priced && mayPrice ? <PriceCard job={job} {...priced} /> : null}
      {plan ? <PlanCards plan={plan} /> : null}
      {open ? <CoatingSheet line={open} onClose={() => setOpenId(undefined)} /> : null}
    </>
  );
}
