import { SIZE_NAMES, type SizeName } from '@fine-spray/core/takeoff';
import { z } from 'zod';

/** Sizes of an item, m; those that are missing follow the place or are the usual ones. */
export const itemSizes = z
  .object(
    Object.fromEntries(
      SIZE_NAMES.map((name) => [name, z.number({ error: 'A size is not a number.' }).optional()]),
    ) as Record<SizeName, z.ZodOptional<z.ZodNumber>>,
  )
  .strict();
