import { passkeys as passkeysSchema } from '@fine-spray/contract';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import KeyRound from 'lucide-react-native/icons/key-round';
import { useState } from 'react';
import { View } from 'react-native';
import { call, whyFailed } from '@/data/api';
import { deviceName } from '@/data/me';
import { keys } from '@/data/resources';
import { Button } from '@/ui/button';
import { FieldError } from '@/ui/field';
import { Panel } from '@/ui/panel';
import { Words } from '@/ui/text';
import { useToast } from '@/ui/toast';
import { makePasskey, passkeysWork } from './passkeys';

/** Passkeys of an owner: one made on this device, and those there are. */
export function Passkeys() {
  const client = useQueryClient();
  const toast = useToast();
  const [failed, setFailed] = useState<string>();
  const { data } = useQuery({
    queryKey: keys.passkeys,
    queryFn: ({ signal }) => call('GET', '/api/me/passkeys', undefined, { signal }),
    select: (answer) => passkeysSchema.parse(answer).items,
  });
  const done = async (work: () => Promise<unknown>, said: string) => {
    setFailed(undefined);
    try {
      await work();
      await client.invalidateQueries({ queryKey: keys.passkeys });
      toast({ text: said });
    } catch (error) {
      setFailed(whyFailed(error));
    }
  };
  const works = passkeysWork();
  return (
    <Panel title="Passkeys">
      <Words colour="ink2">
        {works
          ? 'Sign in with the finger, face or PIN of this device instead of a password.'
          : 'They work where this server is reached by a name and over TLS. Your password works everywhere.'}
      </Words>
      {(data ?? []).map(({ id, name }) => (
        <View key={id} className="flex-row items-center gap-2">
          <Words className="min-w-0 flex-1">{name}</Words>
          <Button
            label="Forget"
            aria-label={`Forget the passkey of ${name}`}
            kind="quiet"
            onPress={() =>
              void done(() => call('DELETE', `/api/me/passkeys/${id}`), 'The passkey is forgotten here.')
            }
          />
        </View>
      ))}
      {failed ? <FieldError message={failed} /> : null}
      {works ? (
        <Button
          label="Make a passkey on this device"
          icon={KeyRound}
          onPress={() => void done(() => makePasskey(deviceName()), 'You can sign in with this device now.')}
        />
      ) : null}
    </Panel>
  );
}
