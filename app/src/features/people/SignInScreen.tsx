import { CODE_LENGTH, newCompanyBody, signInCode } from '@fine-spray/contract';
import KeyRound from 'lucide-react-native/icons/key-round';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { View } from 'react-native';
import { whyFailed } from '@/data/api';
import { useForm } from '@/data/draft';
import { gate } from '@/data/gate';
import { forgetAll, useMe, useSession } from '@/data/me';
import { Button } from '@/ui/button';
import { FieldError, TextField } from '@/ui/field';
import { Panel } from '@/ui/panel';
import { Screen } from '@/ui/screen';
import { Words } from '@/ui/text';
import { passkeysWork, signWithPasskey } from './passkeys';

/** The code of the link this page was opened with, until somebody is in. */
let linked = '';

/** The code of a link that was opened: behind the number sign, and taken from the address so that it is not kept there. */
function codeOfLink(): string {
  const { hash, pathname } = globalThis.location ?? { hash: '', pathname: '' };
  if (pathname.startsWith('/sign-in') && hash.length > 1) {
    linked = decodeURIComponent(hash.slice(1));
    globalThis.history.replaceState(null, '', pathname);
  }
  return linked;
}

/** How somebody gets in: by a code an owner shows, by a password, or by making the company of an empty server. */
export function SignInScreen({ onIn }: { onIn?: () => void }) {
  const shut = useSyncExternalStore(gate.subscribe, gate.current, gate.current);
  // Asked by itself: it says whether there is a company at all.
  useMe();
  useEffect(() => {
    if (shut === 'revoked') void forgetAll();
  }, [shut]);
  if (shut === 'no-company') return <FirstCompany onIn={onIn} />;
  return (
    <Screen title="Sign in">
      {shut === 'revoked' ? (
        <Words weight="semi" colour="caution">
          An owner has signed this device out. What it kept of the company is gone from it.
        </Words>
      ) : null}
      <ByCode onIn={onIn} />
      <ByPassword onIn={onIn} />
    </Screen>
  );
}

interface WayProps {
  readonly onIn?: (() => void) | undefined;
}

function ByCode({ onIn }: WayProps) {
  const { byCode } = useSession();
  const [code, setCode] = useState(codeOfLink);
  const [failed, setFailed] = useState<string>();
  const [busy, setBusy] = useState(false);
  const checked = signInCode.safeParse(code);
  const submit = async () => {
    setBusy(true);
    setFailed(undefined);
    try {
      await byCode(code);
      linked = '';
      onIn?.();
    } catch (error) {
      setFailed(whyFailed(error));
    } finally {
      setBusy(false);
    }
  };
  const typed = code.replace(/[\s-]/g, '').length;
  return (
    <Panel title="With a code">
      <Words colour="ink2">
        An owner opens People, chooses you and shows a code. Point your camera at it, or type its ten letters
        and digits here.
      </Words>
      <TextField
        label="Code"
        value={code}
        onChange={setCode}
        error={typed >= CODE_LENGTH && !checked.success ? checked.error.issues[0]?.message : undefined}
      />
      {failed ? <FieldError message={failed} /> : null}
      <Button
        label="Use this device as mine"
        kind="primary"
        className="min-h-[56px]"
        disabled={!checked.success || busy}
        onPress={() => void submit()}
      />
    </Panel>
  );
}

function ByPassword({ onIn }: WayProps) {
  const { byPassword, byPasskey } = useSession();
  const [login, setLogin] = useState('');
  const [password, setPassword] = useState('');
  const [failed, setFailed] = useState<string>();
  const come = async (by: () => Promise<unknown>) => {
    setFailed(undefined);
    try {
      await by();
      onIn?.();
    } catch (error) {
      setFailed(whyFailed(error));
    }
  };
  return (
    <Panel title={passkeysWork() ? 'Owners: with a passkey or a password' : 'Owners: with a password'}>
      {passkeysWork() ? (
        <Button
          label="Use a passkey"
          icon={KeyRound}
          onPress={() => void come(async () => byPasskey(await signWithPasskey()))}
        />
      ) : null}
      <TextField label="Sign-in name" value={login} onChange={setLogin} />
      <TextField label="Password" value={password} onChange={setPassword} secret="password" />
      {failed ? <FieldError message={failed} /> : null}
      <Button
        label="Sign in"
        disabled={login === '' || password === ''}
        onPress={() => void come(() => byPassword(login, password))}
      />
    </Panel>
  );
}

const FIRST = { company: '', name: '', initials: '', login: '', password: '' };
const LABELS = {
  company: 'Company',
  name: 'Your name',
  initials: 'Your initials, as they stand in the log',
  login: 'Sign-in name',
  password: 'Password, ten characters at least',
} as const;

function FirstCompany({ onIn }: WayProps) {
  const { makeCompany } = useSession();
  const { content, errors, failed, sentence, change, submit } = useForm<typeof FIRST>({
    schema: newCompanyBody,
    first: FIRST,
    quiet: true,
  });
  const store = () =>
    submit(async (company) => {
      await makeCompany(company);
      onIn?.();
    });
  return (
    <Screen title="A new company">
      <Words colour="ink2">
        This server has no company yet. Whoever makes it is its first owner, and lets the others in.
      </Words>
      <View className="gap-3">
        {(Object.keys(LABELS) as (keyof typeof LABELS)[]).map((field) => (
          <TextField
            key={field}
            label={LABELS[field]}
            value={content[field]}
            error={errors[field]}
            onChange={(text) => change({ [field]: text })}
            {...(field === 'password' ? { secret: 'new-password' as const } : {})}
          />
        ))}
      </View>
      {(failed ?? sentence) ? <FieldError message={failed ?? sentence ?? ''} /> : null}
      <Button label="Make the company" kind="primary" className="min-h-[56px]" onPress={() => void store()} />
    </Screen>
  );
}
