import type { Me, Role } from '@fine-spray/contract';
import type { Request, RequestHandler } from 'express';
import type { Database } from '../db/database';
import { ProblemError } from '../http/problems';
import { setActor, type Actor } from './actor';
import { sessionOf } from './session';

interface Known {
  readonly companyId: string;
  readonly personId: string;
  readonly role: Role;
  readonly active: boolean;
  readonly revokedAt: Date | null;
}

/** The person of a device, as things stand now. */
const ofDevice = (db: Database, deviceId: string) =>
  db('device')
    .join('person', (on) =>
      on.on('device.companyId', 'person.companyId').andOn('device.personId', 'person.id'),
    )
    .where('device.id', deviceId)
    .first<Known | undefined>(
      'device.companyId',
      'device.personId',
      'device.revokedAt',
      'person.role',
      'person.active',
    );

async function signedIn(db: Database, request: Request): Promise<Actor | undefined> {
  const deviceId = sessionOf(request)?.deviceId;
  if (deviceId === undefined) return undefined;
  const known = await ofDevice(db, deviceId);
  // Said so that the device forgets what it keeps.
  if (!known || known.revokedAt !== null || !known.active)
    throw new ProblemError(
      'revoked',
      'This device was signed out by an owner. It forgets what it keeps of the company.',
    );
  const { companyId, personId, role } = known;
  return { companyId, personId, role, deviceId };
}

/** Another server of the same database may choose another: it is looked at again after so long, ms. */
const KNOWN_FOR = 2000;

/** Which company answers where nobody signs in: the one chosen last, the first before anybody chose. */
export class Answering {
  #known: { readonly id: string; readonly until: number } | undefined;
  readonly #db: Database;
  constructor(db: Database) {
    this.#db = db;
  }

  async company(): Promise<string | undefined> {
    if (this.#known && performance.now() < this.#known.until) return this.#known.id;
    const row = await this.#db('company')
      .orderBy([{ column: 'answersSince', order: 'desc', nulls: 'last' }, { column: 'createdAt' }])
      .first<{ id: string } | undefined>('id');
    this.#known = row && { id: row.id, until: performance.now() + KNOWN_FOR };
    return row?.id;
  }

  /** From now on a company answers. */
  async choose(trx: Database, companyId: string): Promise<void> {
    await trx('company').where({ id: companyId }).update({ answersSince: trx.fn.now() });
    this.#known = undefined;
  }

  /** What was known is looked at again: after a choice is committed. */
  forget(): void {
    this.#known = undefined;
  }
}

/** Where one does not sign in: the company that answers, and whoever was chosen on this device, or an owner. */
async function chosen(
  db: Database,
  request: Request,
  companyId: string | undefined,
): Promise<Actor | undefined> {
  if (companyId === undefined) return undefined;
  const personId = sessionOf(request)?.personId;
  const person =
    personId === undefined
      ? undefined
      : await db('person')
          .where({ companyId, id: personId, active: true })
          .first<{ id: string; role: Role } | undefined>('id', 'role');
  return { companyId, personId: person?.id ?? null, role: person?.role ?? 'owner', deviceId: null };
}

/** Finds out who a request comes from. Whoever needs to know is refused where that is nobody. */
export function identify(db: Database, signIn: boolean, answering: Answering): RequestHandler {
  return async (request, _response, next) => {
    const actor = signIn ? await signedIn(db, request) : await chosen(db, request, await answering.company());
    if (actor) setActor(request, actor);
    next();
  };
}

type Person = Me['people'][number];

/** What a device is told of who it is. */
export async function meOf(db: Database, actor: Actor, signIn: boolean): Promise<Me> {
  const { companyId, personId, role, deviceId } = actor;
  const company = await db('company')
    .where({ id: companyId })
    .first<{ id: string; name: string }>('id', 'name');
  const active = await db('person')
    .where({ companyId, active: true })
    .orderBy('createdAt')
    .select<Person[]>('id', 'name', 'initials', 'role');
  const shared = deviceId === null ? undefined : await sharing(db, deviceId);
  const people = active.filter(({ id }) => shared === undefined || shared.has(id) || id === personId);
  return {
    person: active.find(({ id }) => id === personId) ?? null,
    role,
    company,
    deviceId,
    signIn,
    people,
  };
}

/** Who has been on a device: they may take it over again. */
export async function sharing(db: Database, deviceId: string): Promise<ReadonlySet<string>> {
  const rows = await db('device_person').where({ deviceId }).select<{ personId: string }[]>('personId');
  return new Set(rows.map(({ personId }) => personId));
}
