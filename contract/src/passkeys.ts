import { z } from 'zod';
import { id, text } from './primitives';

/** What browsers and authenticators say of a passkey, as WebAuthn Level 3 writes it in JSON; what is more is left out. */
const encoded = (most: number) =>
  z
    .string()
    .regex(/^[\w-]+$/)
    .max(most);
const said = {
  id: encoded(1400),
  rawId: encoded(1400),
  type: z.literal('public-key'),
  authenticatorAttachment: z.enum(['platform', 'cross-platform']).optional(),
  clientExtensionResults: z.object({}),
};
const transport = z.enum(['ble', 'cable', 'hybrid', 'internal', 'nfc', 'smart-card', 'usb']);

/** A passkey that was just made. */
export const newPasskey = z.object({
  ...said,
  response: z.object({
    clientDataJSON: encoded(4000),
    attestationObject: encoded(20_000),
    transports: z.array(transport).max(8).optional(),
  }),
});
/** A passkey that signed what the server asked for. */
export const signedByPasskey = z.object({
  ...said,
  response: z.object({
    clientDataJSON: encoded(4000),
    authenticatorData: encoded(4000),
    signature: encoded(4000),
    userHandle: encoded(400).optional(),
  }),
});

export const newPasskeyBody = z.object({ passkey: newPasskey, name: text('Name', 80) }).strict();
export const passkeyBody = z.object({ passkey: signedByPasskey, device: text('Name', 80) }).strict();

/** What a browser is asked to do, for `navigator.credentials`: as WebAuthn has it in JSON. */
export const passkeyOptions = z.looseObject({ challenge: z.string() }).meta({ id: 'PasskeyOptions' });

export const passkey = z.object({ id, name: z.string() }).meta({ id: 'Passkey' });
export const passkeys = z.object({ items: z.array(passkey) });
export type Passkey = z.infer<typeof passkey>;
