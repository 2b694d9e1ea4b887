/** The mean of several readings, of which there is one at least. */
export const meanOf = (values: readonly number[]): number =>
  values.reduce((sum, one) => sum + one, 0) / values.length;

/** Thinner per unthinned paint once so much is added to a container: it goes to the paint in it, less the thinner already there. */
export function thinnerAfter(
  { container, thinnerBefore }: { readonly container: number; readonly thinnerBefore: number },
  added: number,
): number {
  return thinnerBefore + (added / container) * (1 + thinnerBefore);
}
