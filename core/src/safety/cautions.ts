import type { CoatingBase } from '../coating';
import type { Element, Side, Wind } from '../takeoff';

export interface Caution {
  readonly code: string;
  readonly what: string;
  readonly why: string;
  readonly instead: string;
}

export interface CautionContext {
  readonly base: CoatingBase;
  readonly element: Element;
  readonly side: Side;
  readonly wind: Wind;
  /** Top edge of the piece above the floor, metres. */
  readonly reach: number;
}

/** Height that a painter still sprays from the floor, metres. */
const FLOOR_REACH = 2.7;

/** Cautions that belong to setting up and spraying this piece, most serious first. */
export function cautionsFor({ base, element, side, wind, reach }: CautionContext): readonly Caution[] {
  const cautions: Caution[] = [];
  if (base === 'solvent') {
    cautions.push({
      code: 'ignition',
      what: 'Flammable: no flame, spark or switch nearby',
      why: 'Solvent mist and vapour ignite; spraying builds up static.',
      instead: 'Ground sprayer and waste container, air the room, solvent respirator on.',
    });
  }
  cautions.push({
    code: 'trigger-lock',
    what: 'Lock the trigger and relieve pressure before you touch the tip',
    why: 'The jet goes through skin and glove.',
    instead: 'Guard on, hands behind the tip, and never feel for a leak.',
  });
  if (side === 'inside') {
    cautions.push({
      code: 'breathing',
      what: 'Respirator, eye and hearing protection on; no engine indoors',
      why: 'Fine mist hangs in a room long after the trigger is let go.',
      instead:
        base === 'solvent'
          ? 'Organic vapour and particle filter, moving air.'
          : 'Particle filter and open windows.',
    });
  } else if (wind === 'breeze') {
    cautions.push({
      code: 'drift',
      what: 'Mist drifts: cover cars and neighbours, stop when the wind gets up',
      why: 'A 100 μm drop from 2 m lands about 26 m away at 4 m/s.',
      instead: 'Narrower fan, shield, or wait for calm.',
    });
  }
  if (reach > FLOOR_REACH || element === 'ceiling') {
    cautions.push({
      code: 'height',
      what: 'Work from a platform, not at the end of a ladder',
      why: 'The gun kicks when the trigger opens.',
      instead: 'Platform or extension; both feet level.',
    });
  }
  return cautions;
}

/** Said wherever a plan is shown. */
export const PRECEDENCE_NOTE =
  'Product labels, data sheets, local codes and licensed trades take precedence over this program.';
