import { compareProducts, productsOn, trialsOf, triedOn, type ProductTrials } from '@fine-spray/contract/log';
import { ELEMENT_DATA, counted, showText, type DisplayKind, type Element } from '@fine-spray/core';
import { JUDGED, MEASURES, type Compared, type Judged, type Measure } from '@fine-spray/core/record';
import type { Result } from '@fine-spray/core/units';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { LogFrame } from '@/features/frame';
import { writePath } from '@/features/journal';
import type { SiteLog } from '@/data/record';
import { Beside } from '@/ui/beside';
import { Button } from '@/ui/button';
import { Choice } from '@/ui/choice';
import { Panel } from '@/ui/panel';
import { EmptyState } from '@/ui/states';
import { SiteTargets } from '@/ui/target';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';

/** Two products on one kind of surface, from the log, with how sure that is. */
export function ProductsScreen() {
  return (
    <SiteTargets>
      <LogFrame broad title="Products side by side" above="Log" backTo="/log">
        {(log) => <Loaded log={log} />}
      </LogFrame>
    </SiteTargets>
  );
}

function Loaded({ log }: { log: SiteLog }) {
  const router = useRouter();
  const elements = useMemo(() => triedOn(log.record, log.entries), [log]);
  const [asked, setAsked] = useState<Element>();
  const element = asked ?? elements[0];
  const products = useMemo(
    () => (element ? productsOn(log.record, log.entries, element) : []),
    [log, element],
  );
  const [pair, setPair] = useState<{ readonly first?: string; readonly second?: string }>({});
  const first = products.find((one) => one === pair.first) ?? products[0];
  const second =
    products.find((one) => one === pair.second && one !== first) ?? products.find((one) => one !== first);
  const trials = useMemo(
    () =>
      element && first !== undefined && second !== undefined
        ? ([first, second].map((one) => trialsOf(log.record, log.entries, one, element)) as [
            ProductTrials,
            ProductTrials,
          ])
        : undefined,
    [log, element, first, second],
  );
  const nameOf = (coating: string) => log.names.coating(coating) ?? 'A coating that was deleted';
  const judge = () => router.navigate(writePath('trial', ''));
  if (!element)
    return (
      <EmptyState
        title="No coat is finished yet"
        text="Finish coats of two products on the same kind of surface: what the log measured of both stands here side by side."
      />
    );
  return (
    <Beside
      left={
        <>
          <Choice
            label="On"
            value={element}
            options={elements.map((value) => ({ value, label: ELEMENT_DATA[value].name }))}
            onChange={(next) => {
              setAsked(next);
              setPair({});
            }}
          />
          {trials ? (
            <>
              {(['first', 'second'] as const).map((which, index) => (
                <Choice
                  key={which}
                  label={index === 0 ? 'This product' : 'Against'}
                  value={trials[index]?.coating ?? ''}
                  options={products
                    .filter((one) => one !== trials[1 - index]?.coating)
                    .map((value) => ({ value, label: nameOf(value) }))}
                  onChange={(chosen) => setPair({ first, second, [which]: chosen } as typeof pair)}
                />
              ))}
              <Verdict
                trials={trials}
                nameOf={nameOf}
                tipOf={(id) => log.names.tip(id) ?? 'a tip that was deleted'}
              />
            </>
          ) : (
            <EmptyState
              title="Only one product here"
              text={`${nameOf(first ?? '')} is all that was tried on this kind of surface. Spray another one on the same kind of surface, with the same tip and machine.`}
            />
          )}
        </>
      }
      right={
        <>
          {trials ? <Table trials={trials} nameOf={nameOf} /> : null}
          <Button label="Judge a product by hand" className="min-h-[56px]" onPress={judge} />
        </>
      }
    />
  );
}

/** How each thing is shown. */
const KINDS: Readonly<Record<Measure, DisplayKind>> = {
  litres: 'laid',
  coats: 'tips',
  pressure: 'pressure',
  film: 'wetFilm',
  time: 'perArea',
};

const stepOf = (of: Judged, mean: number): string =>
  JUDGED[of].steps[Math.min(5, Math.max(1, Math.round(mean))) - 1] ?? '';

/** What is sure of the two, in sentences; and where their trials were not alike. */
function Verdict({
  trials: [first, second],
  nameOf,
  tipOf,
}: {
  trials: readonly [ProductTrials, ProductTrials];
  nameOf: (coating: string) => string;
  tipOf: (id: string) => string;
}) {
  const { measured, judged } = compareProducts(first, second);
  const name = (which: 'first' | 'second') => nameOf((which === 'first' ? first : second).coating);
  const said = [
    ...measured.flatMap(({ of, compared }) =>
      compared.ok && compared.value.less && MEASURES[of].better
        ? [`${name(compared.value.less)}: less ${MEASURES[of].name.toLowerCase()}.`]
        : [],
    ),
    ...judged.flatMap(({ of, compared }) =>
      compared.ok && compared.value.less
        ? [`${name(compared.value.less)}: better, ${JUDGED[of].name.toLowerCase()}.`]
        : [],
    ),
  ];
  const tips = [first, second].map((one) => [...one.tips].map(tipOf).sort().join(', '));
  return (
    <Panel testID="products-answer">
      <Words size={22} weight="bold">
        {said.length > 0 ? 'What these trials can tell' : 'Too close to tell yet'}
      </Words>
      {said.map((sentence) => (
        <Words key={sentence}>{sentence}</Words>
      ))}
      <Words colour="ink2">
        {`${counted(first.coats, 'coat')} against ${counted(second.coats, 'coat')}. Said 9 times in 10 rightly, if trials differ as these did; one thing in ten is chance.`}
      </Words>
      {tips[0] !== tips[1] ? (
        <Words colour="caution" weight="semi">
          {`Not the same tips (${tips[0] || 'not said'} against ${tips[1] || 'not said'}): part of a difference may be theirs.`}
        </Words>
      ) : null}
    </Panel>
  );
}

/** Each thing with both means, and how sure it is. */
function Table({
  trials: [first, second],
  nameOf,
}: {
  trials: readonly [ProductTrials, ProductTrials];
  nameOf: (coating: string) => string;
}) {
  const { system } = useUnits();
  const { measured, judged } = compareProducts(first, second);
  return (
    <>
      <Panel title="Measured" testID="products-measured">
        {measured.map(({ of, compared }) => (
          <Row
            key={of}
            title={MEASURES[of].name}
            compared={compared}
            names={[nameOf(first.coating), nameOf(second.coating)]}
            shown={(value) => showText(value, KINDS[of], system)}
          />
        ))}
      </Panel>
      <Panel title="Judged by hand" testID="products-judged">
        {judged.map(({ of, compared }) => (
          <Row
            key={of}
            title={JUDGED[of].name}
            compared={compared}
            names={[nameOf(first.coating), nameOf(second.coating)]}
            shown={(value) => `${stepOf(of, value)} (${value.toFixed(1)})`}
            difference={(value) => `${Math.abs(value).toFixed(1)} steps`}
          />
        ))}
      </Panel>
    </>
  );
}

function Row({
  title,
  compared,
  names,
  shown,
  difference = (value) => shown(Math.abs(value)),
}: {
  title: string;
  compared: Result<Compared>;
  names: readonly [string, string];
  shown: (value: number) => string;
  difference?: (value: number) => string;
}) {
  return (
    <View className="gap-1 border-t border-rule pt-2">
      <Words weight="bold">{title}</Words>
      {compared.ok ? (
        <>
          {(['first', 'second'] as const).map((which, index) => (
            <View key={which} className="flex-row justify-between gap-3">
              <Words className="min-w-0 flex-1">{names[index]}</Words>
              <Words weight={compared.value.less === which ? 'digits-bold' : 'regular'}>
                {`${shown(compared.value[which].mean)} · ${compared.value[which].trials}×`}
              </Words>
            </View>
          ))}
          <Words size={14} colour="ink2">
            {apartWords(compared.value, shown, difference)}
          </Words>
        </>
      ) : (
        <Words colour="ink2">{compared.message}</Words>
      )}
    </View>
  );
}

/** How far apart two products are, as far as these trials tell. */
function apartWords(
  { less, low, high, toldByOneMore }: Compared,
  shown: (value: number) => string,
  difference: (value: number) => string,
): string {
  if (!less) return `Too close to tell. One more of each would tell ${difference(toldByOneMore)}.`;
  const least = Math.min(Math.abs(low), Math.abs(high));
  return shown(least) === shown(0)
    ? 'Apart, if only by a little, 9 times in 10.'
    : `Apart by ${difference(least)} at least, 9 times in 10.`;
}
