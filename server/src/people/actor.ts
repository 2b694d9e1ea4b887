import { CAPABILITIES, may, type Capability, type Role } from '@fine-spray/contract';
import type { Request } from 'express';
import { ProblemError } from '../http/problems';

/** Who asks: of which company, and what they may do. */
export interface Actor {
  readonly companyId: string;
  readonly role: Role;
  /** Nobody, where one does not sign in and nobody has been chosen: then an owner. */
  readonly personId: string | null;
  readonly deviceId: string | null;
}

const ACTORS = new WeakMap<Request, Actor>();

/** Notes who a request comes from. */
export const setActor = (request: Request, actor: Actor): void => void ACTORS.set(request, actor);

/** Who a request comes from, where that is known. */
export const maybeActor = (request: Request): Actor | undefined => ACTORS.get(request);

/** Who a request comes from; refused where that is nobody. */
export function actorOf(request: Request): Actor {
  const actor = ACTORS.get(request);
  if (!actor)
    throw new ProblemError(
      'signed-out',
      'Sign in first: open the code an owner shows you, or your password.',
    );
  return actor;
}

/** Refuses what a role may not do. */
export function allow({ role }: Pick<Actor, 'role'>, capability: Capability): void {
  if (!may(role, capability)) throw new ProblemError('not-allowed', CAPABILITIES[capability]);
}

/** The person of a request, where there is one. */
export function ownPerson(request: Request): Actor & { readonly personId: string } {
  const actor = actorOf(request);
  if (actor.personId === null) throw new ProblemError('not-allowed', 'Choose who you are first.');
  return { ...actor, personId: actor.personId };
}

/** Whether somebody sees prices. */
export const pricesFor = ({ role }: Pick<Actor, 'role'>): 'with prices' | 'without prices' =>
  may(role, 'money') ? 'with prices' : 'without prices';
