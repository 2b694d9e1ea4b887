import { me as meSchema, type Me } from '@fine-spray/contract';
import { useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { usePreferenceText } from '@/ui/preference';
import { Unknown, call } from './api';
import { device } from './device';
import { gate } from './gate';
import { keptPrefix, namesInStorage } from './kept';
import { forgetLastSeen } from './lastSeen';
import { meQuery } from './may';
import { keys } from './resources';
import { isVouched } from './vouched';
import { isOf } from './whose';

/** Who asks, as the server said. */
function read(answer: unknown): Me {
  if (isVouched(answer)) return answer as Me;
  const checked = meSchema.safeParse(answer);
  if (!checked.success) throw new Unknown('who you are has another shape.');
  return checked.data;
}

/** Who this device is somebody's, as the server last said; kept for where it is not reached. */
export function useMe(): Me | undefined {
  return useQuery({ ...meQuery, select: read }).data;
}

/** What the server answers by what somebody may do: not for the next to see. */
const BY_ROLE = [keys.company, keys.devices, keys.passkeys, keys.list('coatings'), keys.list('tips')];

/** Somebody has come in: everything is asked for again as them, and what only the one before could see is gone. */
function came(client: QueryClient, answer: unknown): Me {
  const me = read(answer);
  const before = client.getQueryData<Partial<Me>>(keys.me);
  client.setQueryData(keys.me, me);
  if (me.company && !isOf(me.company.id)) return me;
  if (before && before.person?.id !== me.person?.id)
    for (const queryKey of BY_ROLE) {
      void device.dropQuery(JSON.stringify(queryKey)).catch(() => undefined);
      void client.resetQueries({ queryKey });
    }
  gate.opened();
  void client.invalidateQueries();
  return me;
}

/** What this device calls itself in the list of devices. */
export function deviceName(): string {
  const { userAgent = '' } = (globalThis.navigator as Navigator | undefined) ?? {};
  const system = /Android|iPhone|iPad|Windows|Macintosh|Linux/.exec(userAgent)?.[0] ?? 'Device';
  return { Macintosh: 'Mac', iPhone: 'iPhone', iPad: 'iPad' }[system] ?? system;
}

/** Ways in, out, and from one to another. Each throws what the server refused. */
export function useSession() {
  const client = useQueryClient();
  const post = useCallback(
    async (path: string, body: object) => came(client, await call('POST', path, body)),
    [client],
  );
  return {
    byCode: (code: string) => post('/api/session/code', { code, device: deviceName() }),
    byPassword: (login: string, password: string) =>
      post('/api/session/password', { login, password, device: deviceName() }),
    byPasskey: (passkey: object) => post('/api/session/passkey', { passkey, device: deviceName() }),
    makeCompany: (company: object) => post('/api/company', { ...company, device: deviceName() }),
    /** Where nobody signs in: one's own company, or another that is there. It answers from then on, and the page opens anew. */
    ownCompany: (own: object) => post('/api/companies', own),
    /** A company from its file, under a name of its own where one is given. */
    companyOf: (file: Blob, as: string) =>
      post(`/api/companies/archive${as === '' ? '' : `?${new URLSearchParams({ as }).toString()}`}`, file),
    answering: (id: string) => post(`/api/companies/${id}/answering`, {}),
    choose: (personId: string, pin?: string) =>
      post('/api/session/person', { personId, ...(pin === undefined ? {} : { pin }) }),
    signOut: async () => {
      await call('DELETE', '/api/session');
      await forgetAll();
      client.clear();
      gate.refused('urn:fine-spray:problem:signed-out');
    },
  };
}

/** Forgets what this device keeps of a company: rows, the log, what waits, what was typed. Its own choices stay. */
export async function forgetAll(): Promise<void> {
  await device.forget();
  try {
    forgetLastSeen();
    const ours = namesInStorage(keptPrefix());
    for (const name of [...ours, 'fine-spray.author', 'fine-spray.writer']) localStorage.removeItem(name);
  } catch {
    // Storage is forbidden: then there is nothing in it.
  }
}

/** Who writes on this device: the person of it, or where nobody signs in who was chosen here. */
export function useWriter() {
  const me = useMe();
  const [chosen, setChosen] = usePreferenceText('writer', '');
  const id = me?.signIn ? me.person?.id : chosen || me?.person?.id;
  const writer = me?.people.find((one) => one.id === id);
  return { me, writer, setChosen };
}
