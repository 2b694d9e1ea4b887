import { TROUBLES, TROUBLE_IDS, curedFirst, type Procedure, type TroubleId } from '@fine-spray/core';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import type { Site } from '@/features/site';
import { Button } from '@/ui/button';
import { Panel } from '@/ui/panel';
import { Words } from '@/ui/text';
import { TroublePicture } from './TroublePicture';
import { WayList } from './WayList';
import { faultLists } from './lists';
import { useCured } from './useCured';

interface FaultFinderProps {
  /** The two lists it leans on: how a clog is blown out, and how the gun is put down. */
  readonly clog: Procedure;
  readonly down: Procedure;
  /** What the machine is called. */
  readonly machine: string;
  readonly title?: string | undefined;
  readonly curesOf: (what: string) => ReadonlyMap<string, number>;
  readonly onCured: (what: string, cure: string) => void;
}

/** The fault finder of a site: what cured the faults of its machine before comes first, and what does now is written down. */
export function SiteFaultFinder({ site, title }: { site: Site; title?: string }) {
  const { curesOf, cured } = useCured(site);
  return (
    <FaultFinder {...faultLists(site)} {...{ curesOf, title }} machine={site.sprayer.name} onCured={cured} />
  );
}

/** From what is seen at the machine to what to try: what has cured it before first, else in its order. */
export function FaultFinder({
  clog,
  down,
  machine,
  title = 'Something wrong?',
  curesOf,
  onCured,
}: FaultFinderProps) {
  const [trouble, setTrouble] = useState<TroubleId>();
  const [tried, setTried] = useState(0);
  const open = trouble ? TROUBLES[trouble] : undefined;
  // As it was when it was opened: what is written down meanwhile does not change the order under the thumb.
  const [counts, setCounts] = useState<ReadonlyMap<string, number>>(new Map());
  const remedy = open && curedFirst(open.tries, counts)[tried];
  const times = remedy ? (counts.get(remedy.what) ?? 0) : 0;
  return (
    <Panel title={title} testID="fault-finder">
      {open ? (
        <>
          <View className="flex-row items-center gap-3">
            <View className="overflow-hidden rounded-lg border border-rule">
              {trouble ? <TroublePicture trouble={trouble} /> : null}
            </View>
            <Words weight="bold" className="min-w-0 flex-1">
              {open.name}
            </Words>
          </View>
          {remedy ? (
            <>
              <Words colour="ink2">{`${['First', 'Second', 'Third'][tried] ?? 'Next'} thing to try`}</Words>
              {times > 0 ? (
                <Words weight="semi">{`It cured this ${times === 1 ? 'once' : `${times} times`} before with ${machine}.`}</Words>
              ) : null}
              {open.danger !== undefined ? (
                <Words weight="bold" colour="danger">
                  {open.danger}
                </Words>
              ) : null}
              {remedy.stand === 'down' ? <WayList title="First put the gun down" procedure={down} /> : null}
              <Words size={18} weight="semi">
                {remedy.what}
              </Words>
              {remedy.list === 'clog' ? <WayList procedure={clog} /> : null}
              <Words>{remedy.why}</Words>
              <View className="flex-row flex-wrap gap-2">
                <Button label="Still there: next" className="flex-1" onPress={() => setTried(tried + 1)} />
                <Button
                  label="That was it"
                  kind="primary"
                  className="flex-1"
                  onPress={() => {
                    onCured(open.name, remedy.what);
                    setTrouble(undefined);
                  }}
                />
              </View>
            </>
          ) : (
            <Words>
              That was all to try here. Put the gun down and have the machine looked at by whoever services
              it.
            </Words>
          )}
          <View className="flex-row gap-2">
            {tried > 0 ? <Button label="Back one" kind="quiet" onPress={() => setTried(tried - 1)} /> : null}
            <Button label="Another fault" kind="quiet" onPress={() => setTrouble(undefined)} />
          </View>
        </>
      ) : (
        TROUBLE_IDS.map((id) => (
          <Pressable
            key={id}
            role="button"
            onPress={() => {
              setTrouble(id);
              setTried(0);
              setCounts(curesOf(TROUBLES[id].name));
            }}
            className="min-h-[72px] flex-row items-center gap-3 border-b border-rule py-1"
          >
            <View className="overflow-hidden rounded-lg border border-rule">
              <TroublePicture trouble={id} />
            </View>
            <View className="min-w-0 flex-1">
              <Words weight="semi">{TROUBLES[id].name}</Words>
              <Words size={14} colour="ink2">
                {TROUBLES[id].looks}
              </Words>
            </View>
          </Pressable>
        ))
      )}
    </Panel>
  );
}
