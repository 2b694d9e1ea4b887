import { FINISH_FAULTS, FINISH_FAULT_IDS, type FinishFaultId } from '@fine-spray/core';
import { useRouter } from 'expo-router';
import Target from 'lucide-react-native/icons/target';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { SiteCautions } from '@/features/cautions';
import { toolHref, toolsUnder, type Site } from '@/features/site';
import { Button } from '@/ui/button';
import { Panel } from '@/ui/panel';
import { Segmented } from '@/ui/segmented';
import { Words } from '@/ui/text';
import { SiteFaultFinder } from './FaultFinder';
import { FinishPicture } from './FinishPicture';
import { useCured } from './useCured';

const WHERE = [
  { value: 'machine', label: 'Machine' },
  { value: 'fan', label: 'Fan' },
  { value: 'finish', label: 'Finish' },
] as const;

/** One door for whatever is wrong: the machine, the fan, or what is on the wall. */
export function WrongScreen({ site }: { site: Site }) {
  const [where, setWhere] = useState<(typeof WHERE)[number]['value']>('machine');
  const router = useRouter();
  return (
    <View className="max-w-[760px] gap-4">
      <Segmented label="Where it is" value={where} options={WHERE} onChange={setWhere} />
      {where === 'machine' ? <SiteFaultFinder site={site} title="What it does" /> : null}
      {where === 'fan' ? (
        <Panel title="The fan on a card" testID="wrong-fan">
          <Words>
            Spray a card and tap what it looks like: tails, heavy edges, split, one-sided, spitting. The
            dial-in says what to move next, and why.
          </Words>
          <Button
            label="Spray a card"
            icon={Target}
            kind="primary"
            className="min-h-[64px]"
            onPress={() => router.navigate(toolHref(toolsUnder(site), 'dial-in', undefined))}
          />
        </Panel>
      ) : null}
      {where === 'finish' ? <Finish site={site} /> : null}
      <SiteCautions request={site.request} screen="gun-down" />
    </View>
  );
}

/** What is on the wall: what it looks like, where it comes from, what mends it now and keeps it away. */
function Finish({ site }: { site: Site }) {
  const [shown, setShown] = useState<FinishFaultId>();
  const { curesOf, cured } = useCured(site);
  const fault = shown && FINISH_FAULTS[shown];
  if (!shown || !fault)
    return (
      <Panel title="What it looks like" testID="finish-faults">
        {FINISH_FAULT_IDS.map((id) => (
          <Pressable
            key={id}
            role="button"
            onPress={() => setShown(id)}
            className="min-h-[72px] flex-row items-center gap-3 border-b border-rule py-1"
          >
            <View className="overflow-hidden rounded-lg border border-rule">
              <FinishPicture fault={id} />
            </View>
            <View className="min-w-0 flex-1">
              <Words weight="semi">{FINISH_FAULTS[id].name}</Words>
              <Words size={14} colour="ink2">
                {FINISH_FAULTS[id].looks}
              </Words>
            </View>
          </Pressable>
        ))}
      </Panel>
    );
  const times = [...curesOf(fault.name).values()].reduce((sum, count) => sum + count, 0);
  return (
    <Panel title={fault.name} testID="finish-fault">
      <View className="self-start overflow-hidden rounded-lg border border-rule">
        <FinishPicture fault={shown} />
      </View>
      {times > 0 ? (
        <Words weight="semi">{`Written down ${times === 1 ? 'once' : `${times} times`} with ${site.sprayer.name}.`}</Words>
      ) : null}
      <Told label="Look at first" words={fault.first} />
      <Told label="Now" words={fault.now} large />
      <Told label="Next time" words={fault.next} />
      <View className="flex-row flex-wrap gap-2">
        <Button label="Another fault" className="flex-1" onPress={() => setShown(undefined)} />
        <Button
          label="That mended it"
          kind="primary"
          className="flex-1"
          onPress={() => {
            cured(fault.name, fault.now);
            setShown(undefined);
          }}
        />
      </View>
    </Panel>
  );
}

function Told({ label, words, large = false }: { label: string; words: string; large?: boolean }) {
  return (
    <View>
      <Words size={14} colour="ink2">
        {label}
      </Words>
      <Words {...(large ? { size: 22 as const, weight: 'bold' as const } : { weight: 'semi' as const })}>
        {words}
      </Words>
    </View>
  );
}
