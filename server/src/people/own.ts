import { CAPABILITIES, RESOURCES, may, type ResourceName } from '@fine-spray/contract';
import { ProblemError } from '../http/problems';
import type { Actor } from './actor';

const isOwn = (name: ResourceName): boolean => 'own' in RESOURCES[name];

/** Whether somebody sees and writes a row that may be another's own: where nobody has been chosen, all of them. */
export function reaches({ personId, role }: Actor, name: ResourceName, id: string): boolean {
  return !isOwn(name) || personId === null || personId === id || may(role, 'others');
}

/** Refuses what is another's own. */
export function allowOwn(actor: Actor, name: ResourceName, id: string): void {
  if (!reaches(actor, name, id)) throw new ProblemError('not-allowed', CAPABILITIES.others);
}

/** A list without what is another's own. */
export function ownOf<List extends { readonly items: readonly { readonly id: string }[] }>(
  actor: Actor,
  name: ResourceName,
  list: List,
): List {
  return isOwn(name) ? { ...list, items: list.items.filter(({ id }) => reaches(actor, name, id)) } : list;
}
