import { TROUBLES, TROUBLE_IDS, type Procedure, type TroubleId } from '@fine-spray/core';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { Button } from '@/ui/button';
import { Panel } from '@/ui/panel';
import { Words } from '@/ui/text';
import { WayList } from './WayList';

/** The two lists it leans on: how a clog is blown out, and how the gun is put down. */
export interface FaultLists {
  readonly clog: Procedure;
  readonly down: Procedure;
}

/** From what is seen at the machine to the first, second and third thing to try. */
export function FaultFinder({ clog, down }: FaultLists) {
  const [trouble, setTrouble] = useState<TroubleId>();
  const [tried, setTried] = useState(0);
  const open = trouble ? TROUBLES[trouble] : undefined;
  const remedy = open?.tries[tried];
  return (
    <Panel title="Something wrong?" testID="fault-finder">
      {open ? (
        <>
          <Words weight="bold">{open.name}</Words>
          {remedy ? (
            <>
              <Words colour="ink2">{`${['First', 'Second', 'Third'][tried] ?? 'Next'} thing to try`}</Words>
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
                  onPress={() => setTrouble(undefined)}
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
            }}
            className="min-h-[56px] justify-center border-b border-rule py-1"
          >
            <Words weight="semi">{TROUBLES[id].name}</Words>
            <Words size={14} colour="ink2">
              {TROUBLES[id].looks}
            </Words>
          </Pressable>
        ))
      )}
    </Panel>
  );
}
