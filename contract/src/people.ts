import { z } from 'zod';
import { id, line, oneOf, stored, text } from './primitives';
import { ROLES } from './roles';

/** Somebody of the company. */
export const personFields = z
  .object({
    name: line('Name', 80),
    /** What stands beside what they write. */
    initials: line('Initials', 8),
    role: oneOf('Role', ROLES),
    /** Somebody who has left stays a name in the log, and gets in no more. */
    active: z.boolean({ error: 'Say whether this person is still with you.' }),
  })
  .strict();

export const person = personFields.safeExtend(stored).meta({ id: 'Person' });
export type Person = z.infer<typeof person>;

/** Letters and digits that are not taken for one another, read out on site or typed with a glove. */
export const CODE_LETTERS = '23456789ABCDEFGHJKLMNPQRSTUVWXYZ';
export const CODE_LENGTH = 10;
/** How long a code lets a phone in, s. */
export const CODE_LASTS = 600;

const CODE = new RegExp(`^[${CODE_LETTERS}]{${CODE_LENGTH}}$`);

/** A code as somebody types it: small letters, blanks and dashes are no mistake. */
export const signInCode = z
  .string({ error: 'The code is missing.' })
  .max(40, { error: 'That is no code.' })
  .transform((typed) => typed.toUpperCase().replace(/[\s-]/g, ''))
  .refine((code) => CODE.test(code), {
    error: `A code has ${CODE_LENGTH} letters and digits, without 0, 1, I and O.`,
  });

const deviceName = line('Name of the device', 80, 0).default('');

export const codeBody = z.object({ code: signInCode, device: deviceName }).strict();

const PASSWORD = { least: 10, most: 200 } as const;
export const password = z
  .string({ error: 'The password is missing.' })
  .min(PASSWORD.least, { error: `A password has ${PASSWORD.least} characters at least.` })
  .max(PASSWORD.most, { error: `A password has ${PASSWORD.most} characters at most.` });
export const login = line('Sign-in name', 80).transform((typed) => typed.toLowerCase());

export const passwordBody = z
  .object({ login, password: z.string().max(PASSWORD.most), device: deviceName })
  .strict();
export const newPasswordBody = z.object({ login, password }).strict();

export const pin = z.string({ error: 'The PIN is missing.' }).regex(/^\d{4,8}$/, {
  error: 'A PIN has 4 to 8 digits.',
});
export const pinBody = z.object({ pin }).strict();
/** Somebody else takes over a device: with a PIN where one signs in. */
export const chooseBody = z.object({ personId: id, pin: pin.optional() }).strict();

/** The first company of an empty server, and who answers for it. */
export const newCompanyBody = z
  .object({
    company: line('Company name', 120),
    name: line('Name', 80),
    initials: line('Initials', 8),
    login,
    password,
    device: deviceName,
  })
  .strict();

/** One more company where nobody signs in: it answers from then on. */
export const ownCompanyBody = z
  .object({ company: line('Company name', 120), name: line('Name', 80), initials: line('Initials', 8) })
  .strict();

/** The companies of a server where nobody signs in, and which of them answers. */
export const companies = z
  .object({
    items: z.array(
      z.object({
        id,
        name: z.string(),
        answers: z.boolean(),
        /** It came with the program to try things on. */
        sample: z.boolean(),
      }),
    ),
  })
  .meta({ id: 'Companies' });
export type Companies = z.infer<typeof companies>;

/** The company of the sample data. */
export const SAMPLE_COMPANY = '01930000-0000-7000-8000-000000000001';

const named = z.object({ id, name: z.string(), initials: z.string(), role: z.enum(ROLES) });

/** Who asks, as the server sees it. */
export const me = z
  .object({
    /** Null where nobody signs in and nobody has been chosen. */
    person: named.nullable(),
    /** What may be done: of the person, or of an owner where nobody signs in and nobody has been chosen. */
    role: z.enum(ROLES),
    company: z.object({ id, name: z.string() }),
    /** The device of this session; null where nobody signs in. */
    deviceId: id.nullable(),
    /** Whether one signs in on this server. */
    signIn: z.boolean(),
    /** Who may take over this device. */
    people: z.array(named),
  })
  .meta({ id: 'Me' });
export type Me = z.infer<typeof me>;

/** A code with which a phone becomes somebody's, once. */
export const invitation = z
  .object({
    code: z.string(),
    /** The address that carries the code. */
    url: z.string(),
    /** The address as a QR code: SVG. */
    picture: z.string(),
    expiresAt: z.iso.datetime(),
  })
  .meta({ id: 'Invitation' });
export type Invitation = z.infer<typeof invitation>;

/** A phone or browser that is signed in. */
export const device = z
  .object({
    id,
    name: text('Name', 80),
    personId: id,
    createdAt: z.iso.datetime(),
    seenAt: z.iso.datetime(),
    /** The one that asks. */
    own: z.boolean(),
  })
  .meta({ id: 'Device' });
export type SignedIn = z.infer<typeof device>;
export const devices = z.object({ items: z.array(device) });
