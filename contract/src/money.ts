import type { ResourceName } from './resources';

interface Container {
  readonly size: number;
  readonly price: number | null;
}

/** What has a price in the kit: tips one, coatings one for each container. */
type Priced = { readonly price?: number | null; readonly containers?: readonly Container[] };

/** A row with other prices in place of its own. */
function priced(
  resource: ResourceName,
  row: object,
  tip: number | null,
  container: (one: Container) => number | null,
) {
  if (resource === 'tips') return { ...row, price: tip };
  const { containers } = row as Priced;
  if (resource !== 'coatings' || !Array.isArray(containers)) return row;
  return {
    ...row,
    containers: (containers as Container[]).map((one) => ({ ...one, price: container(one) })),
  };
}

/** A row as somebody sees it who has nothing to do with money: without its prices. */
export const withoutPrices = (resource: ResourceName, row: object): object =>
  priced(resource, row, null, () => null);

/** What somebody writes who sees no prices, with those that are stored; what is new has none. */
export function withPricesOf(resource: ResourceName, content: object, stored: object = {}): object {
  const { price = null, containers = [] } = stored as Priced;
  const bySize = new Map(containers.map((one) => [one.size, one.price]));
  return priced(resource, content, price, ({ size }) => bySize.get(size) ?? null);
}
