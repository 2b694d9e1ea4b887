import { RISKS, enoughFor, quantileOf, type Risk } from '@fine-spray/core/quantities';
import { of } from '@fine-spray/core/units';
import type { BuyLine } from '../formats/buyListCsv';
import type { Buying } from './buying';

/** What was bought of a coating against what the job wants now. Volumes m³. */
export interface BoughtCheck {
  readonly name: string;
  readonly bought: number;
  /** Chance that it is enough. */
  readonly enough: number;
  /** What is missing to the volume that is enough at the risk chosen; nothing is missing where it is 0. */
  readonly short: number;
}

export interface BoughtList {
  readonly checks: readonly BoughtCheck[];
  /** Lines of the list whose coating the job does not want. */
  readonly unknown: readonly string[];
}

const sameName = (one: string, other: string) => one.trim().toLowerCase() === other.trim().toLowerCase();

/** A buy list as it came back, against what the job wants now; coatings that are not on it were not bought. */
export function checkBought(lines: readonly BuyLine[], buyings: readonly Buying[], risk: Risk): BoughtList {
  const checks = buyings.map(({ order: { name }, distribution: { sorted } }) => {
    const own = lines.filter(({ coating }) => sameName(coating, name));
    const bought = own.reduce((sum, line) => sum + of(line.bought, 'L'), 0);
    const wanted = quantileOf(sorted, RISKS[risk]);
    return { name, bought, enough: enoughFor(sorted, bought), short: Math.max(0, wanted - bought) };
  });
  const unknown = lines
    .map(({ coating }) => coating)
    .filter((coating) => !buyings.some(({ order }) => sameName(coating, order.name)));
  return { checks, unknown };
}
