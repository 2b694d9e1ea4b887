import { ROLES, may, type Capability, type Role } from '@fine-spray/contract/roles';
import { useQuery } from '@tanstack/react-query';
import { call } from './api';
import { keys } from './resources';
import { companyIn, isOf } from './whose';

/** How the server is asked who this device is. */
export const meQuery = {
  queryKey: keys.me,
  queryFn: async ({ signal }: { readonly signal: AbortSignal }) => {
    const me = await call('GET', '/api/me', undefined, { signal });
    const company = companyIn(me);
    if (company !== undefined) isOf(company);
    return me;
  },
};

const roleOf = (me: unknown): Role | undefined => {
  const { role } = (me ?? {}) as { readonly role?: unknown };
  return ROLES.find((one) => one === role);
};

/** Whether somebody on this device may do something: until the server has said otherwise, yes; it refuses what is not. */
export function useMay(capability: Capability): boolean {
  const { data: role } = useQuery({ ...meQuery, select: roleOf });
  return role === undefined || may(role, capability);
}
