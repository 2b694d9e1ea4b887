import { kindOf, entry as entrySchema, type Entry } from '@fine-spray/contract';
import { journalLine } from '@fine-spray/contract/log';
import { View } from 'react-native';
import { asEntry, useOutbox } from '@/data/log';
import { outbox, type Waiting } from '@/data/outbox';
import { usePicturesHere } from '@/data/pictures';
import { usePlans } from '@/data/plans';
import { useSiteLog, type SiteLog } from '@/data/record';
import { Button } from '@/ui/button';
import { Panel } from '@/ui/panel';
import { Screen } from '@/ui/screen';
import { EmptyState, Skeleton } from '@/ui/states';
import { SiteTargets } from '@/ui/target';
import { Words } from '@/ui/text';
import { useToast } from '@/ui/toast';
import { useUnits } from '@/ui/units';
import { EntryRow, offsetAt } from './EntryRows';
import { WaitingPictures } from './WaitingPictures';
import { WaitingPlans } from './WaitingPlans';

/** What waits on this device, and what the server did not take: with both sides where there are two. */
export function WaitingScreen() {
  const { log } = useSiteLog();
  const { waiting, aside, full, failing } = useOutbox();
  const isStuck = ({ id, refused }: Waiting) => refused !== undefined || failing.has(id);
  const stuck = waiting.filter(isStuck);
  const going = waiting.filter((one) => !isStuck(one));
  const planned = usePlans();
  const { waiting: shots } = usePicturesHere();
  return (
    <SiteTargets>
      <Screen title="Waiting to send" above="Log" backTo="/log">
        {waiting.length + planned.length + shots.length + aside === 0 ? (
          <EmptyState title="Nothing waits" text="Everything written on this device is with the server." />
        ) : null}
        {full ? (
          <Words weight="semi" colour="caution">
            This device takes no more. What is below is held by this page only: keep it open until it is sent,
            and free some room.
          </Words>
        ) : null}
        {aside > 0 ? (
          <Words>{`${aside} left by another version of this program cannot be read by this one. They are kept on this device as they are; bring the program up to date.`}</Words>
        ) : null}
        {!log && waiting.length > 0 ? <Skeleton rows={2} /> : null}
        {log
          ? stuck.map((one) => <Stuck key={one.id} one={one} failing={failing.get(one.id)} log={log} />)
          : null}
        <WaitingPlans units={planned} />
        <WaitingPictures />
        {log && going.length > 0 ? (
          <Panel title="Goes up by itself">
            <Words colour="ink2">In the order it was written, as soon as the server is reached.</Words>
            <View>
              {going.map((one) => (
                <Line key={one.id} entry={asEntry(one)} log={log} />
              ))}
            </View>
            <Button label="Try now" onPress={() => void outbox.send()} />
          </Panel>
        ) : null}
      </Screen>
    </SiteTargets>
  );
}

function Line({ entry, log }: { entry: Entry; log: SiteLog }) {
  const { system } = useUnits();
  return <EntryRow line={journalLine(entry, { names: log.names, system, offsetAt })} />;
}

/** One the server did not take: why, mine, and what the server has under the same id. */
function Stuck({ one, failing, log }: { one: Waiting; failing: string | undefined; log: SiteLog }) {
  const toast = useToast();
  const theirs = entrySchema.safeParse(one.theirs);
  return (
    <Panel
      title={
        theirs.success ? 'Two sides of one entry' : `Not taken: ${kindOf(one.fields.kind).name.toLowerCase()}`
      }
    >
      <Words weight="semi">{one.refused ?? failing ?? ''}</Words>
      <Words colour="ink2">
        {theirs.success
          ? 'Yours, on this device'
          : failing === undefined
            ? 'It is kept here until you decide.'
            : 'The server fails at this one. It is kept here and tried again; the rest goes up.'}
      </Words>
      <Line entry={asEntry(one)} log={log} />
      {theirs.success ? (
        <>
          <Words colour="ink2">On the server</Words>
          <Line entry={theirs.data} log={log} />
        </>
      ) : null}
      <View className="flex-row flex-wrap gap-2">
        <Button
          label={theirs.success ? 'Keep both' : 'Send it again'}
          kind="primary"
          onPress={() => void outbox.sendAsNew(one.id)}
        />
        <Button
          label={theirs.success ? 'Keep the server’s' : 'Drop it'}
          onPress={() => {
            outbox.takeBack(one.id);
            toast({ text: 'Dropped.', undo: () => void outbox.write(one.fields) });
          }}
        />
      </View>
    </Panel>
  );
}
