import { newPasswordBody, pinBody } from '@fine-spray/contract';
import { call } from '@/data/api';
import { useForm } from '@/data/draft';
import { useSession } from '@/data/me';
import { Button } from '@/ui/button';
import { FieldError, TextField } from '@/ui/field';
import { Panel } from '@/ui/panel';
import { Words } from '@/ui/text';
import { useToast } from '@/ui/toast';
import { Passkeys } from './Passkeys';

/** What somebody gets in with besides a code: a PIN on a shared device, an owner's password and passkeys; and the way out. */
export function OwnSecrets({ owner, name }: { owner: boolean; name: string }) {
  const { signOut } = useSession();
  return (
    <>
      <Pin />
      {owner ? <Password name={name} /> : null}
      {owner ? <Passkeys /> : null}
      <Button label="Sign this device out" kind="danger" onPress={() => void signOut()} />
    </>
  );
}

function Pin() {
  const toast = useToast();
  const { content, errors, failed, change, submit } = useForm({
    schema: pinBody,
    first: { pin: '' },
    quiet: true,
  });
  const store = () =>
    submit(async (body) => {
      await call('PUT', '/api/me/pin', body);
      change({ pin: '' });
      toast({ text: 'The PIN is stored.' });
    });
  return (
    <Panel title="PIN">
      <Words colour="ink2">With it you take over a phone or tablet that several of you share.</Words>
      <TextField
        label="New PIN, 4 to 8 digits"
        value={content.pin}
        error={errors['pin']}
        secret="pin"
        onChange={(pin) => change({ pin })}
      />
      {failed ? <FieldError message={failed} /> : null}
      <Button label="Store the PIN" onPress={() => void store()} />
    </Panel>
  );
}

function Password({ name }: { name: string }) {
  const toast = useToast();
  const first = { login: name.toLowerCase(), password: '' };
  const { content, errors, failed, change, submit } = useForm({
    schema: newPasswordBody,
    first,
    quiet: true,
  });
  const store = () =>
    submit(async (body) => {
      await call('PUT', '/api/me/password', body);
      change({ password: '' });
      toast({ text: 'Sign-in name and password are stored.' });
    });
  return (
    <Panel title="Password">
      <TextField
        label="Sign-in name"
        value={content.login}
        error={errors['login']}
        onChange={(login) => change({ login })}
      />
      <TextField
        label="New password, ten characters at least"
        value={content.password}
        error={errors['password']}
        secret="new-password"
        onChange={(password) => change({ password })}
      />
      {failed ? <FieldError message={failed} /> : null}
      <Button label="Store the password" onPress={() => void store()} />
    </Panel>
  );
}
