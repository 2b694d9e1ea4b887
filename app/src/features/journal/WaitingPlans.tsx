import { RESOURCES, tombstone } from '@fine-spray/contract';
import { useMemo } from 'react';
import { View } from 'react-native';
import { whyFailed } from '@/data/api';
import { plans, type PlanRow, type PlanUnit } from '@/data/plans';
import { useList } from '@/data/resources';
import { Button } from '@/ui/button';
import { Panel } from '@/ui/panel';
import { Words } from '@/ui/text';
import { useToast } from '@/ui/toast';
import { useUnits } from '@/ui/units';
import { aboutUnit, differences, type Names } from './planWords';

/** What rows of the kit and jobs are called. */
function useNames(): Names {
  const coatings = useList('coatings').data;
  const sprayers = useList('sprayers').data;
  const hoses = useList('hoses').data;
  const jobs = useList('jobs').data;
  return useMemo(
    () =>
      new Map(
        [coatings, sprayers, hoses, jobs].flatMap((rows) =>
          (rows ?? []).map(({ id, name }): [string, string] => [id, name]),
        ),
      ),
    [coatings, sprayers, hoses, jobs],
  );
}

/** Changes to plans that wait on this device, and those the server did not take: with both sides where they clashed. */
export function WaitingPlans({ units }: { units: readonly PlanUnit[] }) {
  const stuck = units.filter(({ refused }) => refused !== undefined);
  const going = units.filter(({ refused }) => refused === undefined);
  return (
    <>
      {stuck.map((unit) => (
        <Stuck key={unit.key} unit={unit} />
      ))}
      {going.length > 0 ? (
        <Panel title="Changed plans">
          <Words colour="ink2">
            They go up by themselves, in this order. What stands on one that was not taken waits with it.
          </Words>
          {going.map(({ key, writes }) => (
            <Words key={key}>{aboutUnit(writes)}</Words>
          ))}
          <Button label="Try now" onPress={() => void plans.send()} />
        </Panel>
      ) : null}
    </>
  );
}

function Stuck({ unit }: { unit: PlanUnit }) {
  const toast = useToast();
  const clashed = unit.theirs !== undefined;
  return (
    <Panel title={clashed ? 'Changed here and elsewhere' : 'Not taken'}>
      <Words weight="semi">{aboutUnit(unit.writes)}</Words>
      <Words>{unit.refused ?? ''}</Words>
      {clashed ? <Sides unit={unit} /> : <Words colour="ink2">It is kept here until you decide.</Words>}
      <View className="flex-row flex-wrap gap-2">
        <Button
          label={clashed ? 'Keep mine' : 'Send it again'}
          kind="primary"
          onPress={() => void plans.keepMine(unit.key)}
        />
        <Button
          label={clashed ? 'Take the other' : 'Let it go'}
          onPress={() =>
            void plans.letGo(unit.key).then(
              () => toast({ text: 'What the server has holds now.' }),
              (error: unknown) => toast({ text: `Not now: ${whyFailed(error)}` }),
            )
          }
        />
      </View>
    </Panel>
  );
}

/** Both sides of a row, field by field. */
function Sides({ unit: { writes, theirs } }: { unit: PlanUnit }) {
  const { system } = useUnits();
  const names = useNames();
  const other = theirs as PlanRow;
  const mine = writes.find(({ id }) => id === other.id) ?? writes[0];
  if (!mine) return null;
  const { one } = RESOURCES[mine.resource];
  if (mine.content === null)
    return <Words colour="ink2">{`You deleted this ${one}; somebody else changed it.`}</Words>;
  if (tombstone.safeParse(theirs).success)
    return <Words colour="ink2">{`You changed this ${one}; somebody else deleted it.`}</Words>;
  const found = differences(mine.content, other, names, system);
  return (
    <View role="table" aria-label="Both sides" className="gap-1">
      <Row cells={['', 'Yours', 'The other']} head />
      {found.map(({ field, mine: ours, theirs: others }) => (
        <Row key={field} cells={[field, ours, others]} />
      ))}
    </View>
  );
}

function Row({ cells, head = false }: { cells: readonly [string, string, string]; head?: boolean }) {
  return (
    <View role="row" className="flex-row gap-2 border-b border-rule py-1">
      {cells.map((cell, index) => (
        <View
          key={index}
          role={head ? 'columnheader' : index === 0 ? 'rowheader' : 'cell'}
          className="min-w-0 flex-1"
        >
          <Words
            size={14}
            weight={head || index === 0 ? 'semi' : 'regular'}
            colour={index === 0 ? 'ink2' : 'ink'}
          >
            {cell}
          </Words>
        </View>
      ))}
    </View>
  );
}
