import {
  NOMINAL_DISTANCE,
  counted,
  fanWidth,
  showRange,
  showText,
  type Explained,
  type TipRecord,
} from '@fine-spray/core';
import { WEAR } from '@fine-spray/core/tip';
import { format } from 'date-fns/format';
import { View } from 'react-native';
import { Button } from '@/ui/button';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import { FanChart } from './FanChart';

/** How worn a tip is by its log: the advice in words, its litres, its fans over them, and why. */
export function TipStanding({ record, onWhy }: { record: TipRecord; onWhy: (number: Explained) => void }) {
  const { system } = useUnits();
  const { code, words, volume, fans, left, wornAt, cost, wear } = record;
  const fresh = fanWidth(code.fan, NOMINAL_DISTANCE);
  const litres = (value: number) => showText(value, 'volume', system);
  return (
    <>
      <Words>{words}</Words>
      <Words colour="ink2">
        {[
          `${litres(volume)} through it`,
          wear ? `fan ${Math.round((1 - wear.widthRatio) * 100)} % narrower` : undefined,
          left ? `about ${showRange(left.low, left.high, 'volume', system)} left` : undefined,
          wornAt ? `worn out about ${format(wornAt.likely, 'd MMM yyyy')} at this rate` : undefined,
          fans.length > 0 ? `${counted(fans.length, 'fan')} measured` : 'no fan measured',
        ]
          .filter(Boolean)
          .join(' · ')}
      </Words>
      {fans.length > 0 ? (
        <FanChart fans={fans} fresh={fresh ?? 0} worn={(fresh ?? 0) * (1 - WEAR.narrowing)} />
      ) : null}
      <View className="flex-row flex-wrap gap-2">
        {cost ? (
          <Button label={`Wear has cost ${litres(cost.value)}`} kind="quiet" onPress={() => onWhy(cost)} />
        ) : null}
        {left ? <Button label="Why so much is left" kind="quiet" onPress={() => onWhy(left)} /> : null}
      </View>
    </>
  );
}
