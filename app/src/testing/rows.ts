import type { Coating } from '@fine-spray/contract';
import { of } from '@fine-spray/core/units';

/** What the server adds to every row. */
export const row = { version: 1, createdAt: '2026-01-01T00:00:00Z', updatedAt: '2026-01-01T00:00:00Z' };

/** A coating of the kit, sold by 5 L. */
export const coatingRow = (id: string, name: string, archetype: Coating['archetype']): Coating => ({
  ...row,
  id,
  name,
  archetype,
  overrides: {},
  containers: [{ size: of(5, 'L'), price: null }],
  note: '',
});
