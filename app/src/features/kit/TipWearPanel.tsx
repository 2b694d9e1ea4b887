import { FAN_WIDTH_LIMITS, NOMINAL_DISTANCE, fanWidth, showText, tipRecords } from '@fine-spray/core';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { whyFailed } from '@/data/api';
import { localDay } from '@/data/day';
import { coatingsOf, tipsOf, useSiteLog, type SiteLog } from '@/data/record';
import { useWriteDown } from '@/data/writeDown';
import { useWhy } from '@/features/setup';
import { TipStanding } from '@/features/wear';
import { Button } from '@/ui/button';
import { QuantityField } from '@/ui/field';
import { Panel } from '@/ui/panel';
import { Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';

/** What the log says of a tip of the kit, and a place for a fan measured now. */
export function TipWearPanel({ tipId }: { tipId: string }) {
  const { log, failed } = useSiteLog();
  return (
    <Panel title="How worn it is" testID="tip-stand">
      {log ? <Known tipId={tipId} log={log} /> : null}
      {!log && !failed ? <Skeleton rows={3} /> : null}
      {failed ? (
        <Words colour="ink2">
          {`The log cannot be read now, and this device has not seen it yet. ${whyFailed(failed)}`}
        </Words>
      ) : null}
    </Panel>
  );
}

function Known({ tipId, log }: { tipId: string; log: SiteLog }) {
  const { record, kit } = log;
  const why = useWhy();
  const owned = useMemo(() => tipsOf(kit).filter(({ tip }) => tip === tipId), [kit, tipId]);
  const [stand] = useMemo(() => tipRecords(record, owned, coatingsOf(kit), localDay), [record, owned, kit]);
  if (!stand) return null;
  return (
    <>
      <TipStanding record={stand} onWhy={why.ask} />
      <FanNow
        tipId={tipId}
        usual={stand.fans.at(-1)?.width ?? fanWidth(stand.code.fan, NOMINAL_DISTANCE) ?? 0.25}
      />
      {why.sheet}
    </>
  );
}

/** A fan measured now, at the usual distance, written into the log. */
function FanNow({ tipId, usual }: { tipId: string; usual: number }) {
  const { system } = useUnits();
  const writeDown = useWriteDown();
  const [width, setWidth] = useState(usual);
  const [invalid, setInvalid] = useState<string>();
  return (
    <View className="gap-2">
      <QuantityField
        label={`Fan now, at ${showText(NOMINAL_DISTANCE, 'distance', system)} from the wall`}
        kind="fanWidth"
        value={width}
        bounds={FAN_WIDTH_LIMITS}
        onChange={setWidth}
        onInvalid={setInvalid}
      />
      <Button
        label="Write this width down"
        className="min-h-[56px]"
        disabled={invalid !== undefined}
        onPress={() =>
          writeDown(
            {
              kind: 'fan measured',
              payload: { tipId, width, distance: NOMINAL_DISTANCE, gun: null },
              jobId: null,
              surfaceId: null,
            },
            `${showText(width, 'fanWidth', system)} is written down.`,
          )
        }
      />
    </View>
  );
}
