import { devices as devicesSchema, type SignedIn } from '@fine-spray/contract';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { format } from 'date-fns/format';
import { View } from 'react-native';
import { call, whyFailed } from '@/data/api';
import { keys } from '@/data/resources';
import { Button } from '@/ui/button';
import { Panel } from '@/ui/panel';
import { Words } from '@/ui/text';
import { useToast } from '@/ui/toast';

/** Devices of somebody that are signed in, each with a way out. */
export function Devices({ personId }: { personId: string }) {
  const client = useQueryClient();
  const toast = useToast();
  const { data = [], error } = useQuery({
    queryKey: keys.devices,
    queryFn: async ({ signal }) =>
      devicesSchema.parse(await call('GET', '/api/devices', undefined, { signal })).items,
  });
  const theirs = data.filter((one) => one.personId === personId);
  const signOut = async ({ id, name }: SignedIn) => {
    try {
      await call('DELETE', `/api/devices/${id}`);
      await client.invalidateQueries({ queryKey: keys.devices });
      toast({ text: `${name || 'The device'} is signed out. It forgets what it keeps.` });
    } catch (failed) {
      toast({ text: `Not signed out: ${whyFailed(failed)}` });
    }
  };
  return (
    <Panel title="Devices">
      {error ? <Words colour="caution">{whyFailed(error)}</Words> : null}
      {theirs.length === 0 && !error ? <Words colour="ink2">No device is signed in.</Words> : null}
      {theirs.map((one) => (
        <View key={one.id} className="min-h-[56px] flex-row items-center gap-2 border-b border-rule py-1">
          <View className="min-w-0 flex-1">
            <Words weight="semi">{`${one.name || 'A device'}${one.own ? ', this one' : ''}`}</Words>
            <Words size={14} colour="ink2">
              {`Last seen ${format(Date.parse(one.seenAt), 'd MMMM, HH:mm')}`}
            </Words>
          </View>
          {one.own ? null : <Button label="Sign out" kind="danger" onPress={() => void signOut(one)} />}
        </View>
      ))}
    </Panel>
  );
}
