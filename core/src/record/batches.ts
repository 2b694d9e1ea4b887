import type { SiteRecord } from './sheet';

export interface UnboxedBatches {
  readonly surface: string;
  readonly coating: string;
  /** One batch of each lot that was not mixed with the others. */
  readonly batches: readonly string[];
}

/** Batches opened for one surface that were not boxed with each other: their colour may differ on one wall. */
export function unboxedBatches(record: SiteRecord): readonly UnboxedBatches[] {
  const walls = new Map<string, { surface: string; coating: string; lots: Set<string>[] }>();
  for (const { surface, coating, batch, boxedWith } of record.of('container opened')) {
    if (surface === undefined || batch === '') continue;
    const key = `${surface} ${coating}`;
    const wall = walls.get(key) ?? { surface, coating, lots: [] };
    walls.set(key, wall);
    const mixed = new Set([batch, ...boxedWith]);
    // Whatever shares a batch with this container is one lot with it.
    const [touched, apart] = [
      wall.lots.filter((lot) => [...mixed].some((one) => lot.has(one))),
      wall.lots.filter((lot) => ![...mixed].some((one) => lot.has(one))),
    ];
    wall.lots = [...apart, new Set([...mixed, ...touched.flatMap((lot) => [...lot])])];
  }
  return [...walls.values()].flatMap(({ surface, coating, lots }) =>
    lots.length > 1 ? [{ surface, coating, batches: lots.map((lot) => [...lot][0] ?? '') }] : [],
  );
}
