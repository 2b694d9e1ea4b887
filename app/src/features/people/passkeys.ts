import { WebAuthnError, startAuthentication, startRegistration } from '@simplewebauthn/browser';
import { call } from '@/data/api';

type Making = Parameters<typeof startRegistration>[0]['optionsJSON'];
type Signing = Parameters<typeof startAuthentication>[0]['optionsJSON'];

/** Whether this browser can use passkeys here: it does so over TLS or on this machine, at an address with a name. */
export function passkeysWork(): boolean {
  const { isSecureContext = false, location } = globalThis as Partial<Window & typeof globalThis>;
  const byNumber = /^[\d.]+$|:/.test(location?.hostname ?? ':');
  return isSecureContext && !byNumber && typeof PublicKeyCredential !== 'undefined';
}

/** What went wrong, in words of our own; nothing where somebody thought better of it. */
function inWords(error: unknown): unknown {
  if (error instanceof WebAuthnError && error.code === 'ERROR_AUTHENTICATOR_PREVIOUSLY_REGISTERED')
    return new Error('This device has a passkey of yours already.');
  if (error instanceof Error && error.name === 'NotAllowedError')
    return new Error('No passkey was chosen. Try again, or sign in another way.');
  return error;
}

async function asked<Answer>(work: () => Promise<Answer>): Promise<Answer> {
  try {
    return await work();
  } catch (error) {
    throw inWords(error);
  }
}

/** Makes a passkey on this device; what the person then has. */
export async function makePasskey(name: string): Promise<unknown> {
  const optionsJSON = (await call('POST', '/api/me/passkeys/options')) as Making;
  const passkey = await asked(() => startRegistration({ optionsJSON }));
  return call('POST', '/api/me/passkeys', { passkey, name });
}

/** A passkey of this device that signed what the server asked for. */
export async function signWithPasskey(): Promise<object> {
  const optionsJSON = (await call('POST', '/api/session/passkey/options')) as Signing;
  return asked(() => startAuthentication({ optionsJSON }));
}
