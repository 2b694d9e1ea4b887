import { useState } from 'react';
import { View } from 'react-native';
import { whyFailed } from '@/data/api';
import { useSession, useWriter } from '@/data/me';
import { Button } from '@/ui/button';
import { FieldError, TextField } from '@/ui/field';
import { Segmented } from '@/ui/segmented';
import { Sheet } from '@/ui/sheet';
import { Words } from '@/ui/text';

/** Who writes on this device: one of those who share it. Where one signs in, whoever takes over says their PIN. */
export function WhoWrites({ label = 'Who writes' }: { label?: string }) {
  const { me, writer, setChosen } = useWriter();
  const { choose } = useSession();
  const [asked, setAsked] = useState<string>();
  if (!me || me.people.length === 0) return null;
  const taking = me.people.find(({ id }) => id === asked);
  const change = (id: string) => {
    if (id === writer?.id) return;
    if (me.signIn) {
      setAsked(id);
      return;
    }
    setChosen(id);
    // The device knows; the server is told when it can be.
    void choose(id).catch(() => undefined);
  };
  return (
    <View className="gap-2">
      <Words colour="ink2">{label}</Words>
      <Segmented
        label={label}
        value={writer?.id ?? ''}
        options={me.people.map(({ id, name, initials }) => ({
          value: id,
          label: me.people.length > 4 ? initials : name,
        }))}
        onChange={change}
      />
      {taking ? (
        <TakeOver
          name={taking.name}
          onPin={(pin) => choose(taking.id, pin)}
          onClose={() => setAsked(undefined)}
        />
      ) : null}
    </View>
  );
}

function TakeOver({
  name,
  onPin,
  onClose,
}: {
  name: string;
  onPin: (pin: string) => Promise<unknown>;
  onClose: () => void;
}) {
  const [pin, setPin] = useState('');
  const [failed, setFailed] = useState<string>();
  const submit = async () => {
    try {
      await onPin(pin);
      onClose();
    } catch (error) {
      setFailed(whyFailed(error));
    }
  };
  return (
    <Sheet title={`${name} takes over`} onClose={onClose}>
      <TextField label="PIN" value={pin} onChange={setPin} secret="pin" />
      {failed ? <FieldError message={failed} /> : null}
      <Button
        label="Take over"
        kind="primary"
        disabled={!/^\d{4,8}$/.test(pin)}
        onPress={() => void submit()}
      />
    </Sheet>
  );
}
