import { SIZE_LIMITS, SIZE_NAMES, type SizeName } from '@fine-spray/core/takeoff';
import { z } from 'zod';
import { checkedByCore } from './primitives';

/** A casing of no width: there is none. */
const CASING_LIMITS = { ...SIZE_LIMITS, min: 0 };

/** Sizes of an item, m; those that are missing follow the place or are the usual ones. */
export const itemSizes = z
  .object(
    Object.fromEntries(
      SIZE_NAMES.map((name) => [
        name,
        checkedByCore('A size', name === 'casing' ? CASING_LIMITS : SIZE_LIMITS).optional(),
      ]),
    ) as Record<SizeName, z.ZodOptional<z.ZodNumber>>,
  )
  .strict();
