import {
  FAMILY_DATA,
  showText,
  tipRecords,
  writeTipCode,
  type Explained,
  type TipRecord,
} from '@fine-spray/core';
import TriangleAlert from 'lucide-react-native/icons/triangle-alert';
import { useMemo } from 'react';
import { View } from 'react-native';
import { localDay } from '@/data/day';
import { coatingsOf, tipsOf, type SiteLog } from '@/data/record';
import { useWhy } from '@/features/setup';
import { LogFrame } from '@/features/frame';
import { Panel } from '@/ui/panel';
import { EmptyState } from '@/ui/states';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';
import { useUnits } from '@/ui/units';
import { TipStanding } from './TipStanding';

/** Litres by tip, fans over time, when they will be worn, what the wear has cost. */
export function WearScreen() {
  return (
    <LogFrame title="Tips" above="Log" backTo="/log">
      {(log) => <Loaded log={log} />}
    </LogFrame>
  );
}

const ORDER = ['replace', 'watch', 'unknown', 'good', 'retired'] as const;
const ADVICE: Readonly<Record<TipRecord['advice'], string>> = {
  replace: 'Replace',
  watch: 'Watch',
  good: 'Good',
  unknown: 'Not measured',
  retired: 'Retired',
};

function Loaded({ log }: { log: SiteLog }) {
  const { system } = useUnits();
  const why = useWhy();
  const tips = useMemo(
    () =>
      [...tipRecords(log.record, tipsOf(log.kit), coatingsOf(log.kit), localDay)].sort(
        (one, other) => ORDER.indexOf(one.advice) - ORDER.indexOf(other.advice) || other.volume - one.volume,
      ),
    [log],
  );
  if (tips.length === 0)
    return (
      <EmptyState title="The kit has no tips" text="Add them under Kit: their litres and fans stand here." />
    );
  const replace = tips.filter(({ advice }) => advice === 'replace');
  const cost = tips.reduce((sum, one) => sum + (one.cost?.value ?? 0), 0);
  return (
    <>
      <View className="gap-1" testID="wear-answer">
        <Words size={30} weight="bold">
          {replace.length > 0
            ? `Replace ${replace.map(({ code }) => writeTipCode(code)).join(' and ')}`
            : 'No tip has to be replaced, as far as fans were measured'}
        </Words>
        <Words colour="ink2">{`Wear has cost about ${showText(cost, 'volume', system)} of paint so far. A measured fan decides; litres only say when to measure.`}</Words>
      </View>
      {tips.map((one) => (
        <TipPanel key={one.tip} record={one} onWhy={why.ask} />
      ))}
      {why.sheet}
    </>
  );
}

function TipPanel({ record, onWhy }: { record: TipRecord; onWhy: (number: Explained) => void }) {
  const { palette } = useTheme();
  const { code, advice } = record;
  const warns = advice === 'replace' || advice === 'watch';
  return (
    <Panel testID="tip-record">
      <View className="flex-row flex-wrap items-baseline gap-x-3">
        <Words size={30} weight="digits-bold">
          {writeTipCode(code)}
        </Words>
        <Words>{FAMILY_DATA[code.family].name.toLowerCase()}</Words>
        <View className="flex-row items-center gap-1">
          {warns ? <TriangleAlert size={18} color={palette.caution} aria-hidden /> : null}
          <Words weight="bold" colour={warns ? 'caution' : 'ink'}>
            {ADVICE[advice]}
          </Words>
        </View>
      </View>
      <TipStanding record={record} onWhy={onWhy} />
    </Panel>
  );
}
