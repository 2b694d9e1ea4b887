import { of } from '../units';

/** After how much work something is looked after: working defaults with their range. Labels and manuals take precedence. */
interface After {
  readonly likely: number;
  readonly low: number;
  readonly high: number;
}

/** What is looked after during a day, what is done, and after how much. */
export const CARE = {
  lubricant: {
    name: 'Pump lubricant',
    ask: 'Put a few drops of pump lubricant in',
    done: 'Pump lubricated',
    // Paint through the pump, m³.
    litres: { likely: of(40, 'L'), low: of(25, 'L'), high: of(60, 'L') },
  },
  strainer: {
    name: 'Strainer and filters',
    ask: 'Relieve the pressure, then look at strainer, manifold filter and gun filter',
    done: 'Strainer and filters cleaned',
    litres: { likely: of(20, 'L'), low: of(10, 'L'), high: of(30, 'L') },
  },
  filter: {
    name: 'Filter of the respirator',
    ask: 'Change the filter or cartridge of the respirator',
    done: 'Filter of the respirator changed',
    // Hours of spraying, s.
    seconds: { likely: 8 * 3600, low: 4 * 3600, high: 16 * 3600 },
  },
  relieved: {
    name: 'Pressure',
    ask: 'Relieve the pressure and lock the gun',
    done: 'Pressure relieved, gun locked',
  },
} as const satisfies Record<
  string,
  {
    readonly name: string;
    readonly ask: string;
    readonly done: string;
    readonly litres?: After;
    readonly seconds?: After;
  }
>;
export type Care = keyof typeof CARE;
export const CARES = Object.keys(CARE) as [Care, ...Care[]];

/** A machine that was sprayed with and not written down as relieved is asked for after this, ms; in a break of the plan at once. */
export const RELIEVE_AFTER = 20 * 60_000;
/** Later than this nobody means the same day, ms. */
export const SAME_DAY = 10 * 3600_000;
/** A coat is taken to be sprayed for so long at most, ms: after that somebody forgot to write its end. */
export const LONGEST_COAT = 4 * 3600_000;
/** How long it is said that a coat has come dry, ms. */
export const SAID_DRY_FOR = 2 * 3600_000;
