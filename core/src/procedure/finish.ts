/** What goes wrong with a finish, and what to do of it. Working knowledge of the trade, in our words. */
export interface FinishFault {
  readonly name: string;
  readonly looks: string;
  /** Where it comes from, what is likeliest first. */
  readonly first: string;
  /** What mends it; what is wet is another thing than what is dry. */
  readonly now: string;
  readonly next: string;
}

export const FINISH_FAULTS = {
  runs: {
    name: 'Runs, sags, curtains',
    looks: 'Drops and folds of paint that hang down.',
    first:
      'Film over the sag limit: read the comb. Then gun too close or too slow, paint too thin, wall cold.',
    now: 'Wet: roll it out at once. Dry: let it dry through, sand it flat, recoat thin.',
    next: 'Faster, a little further away, two lighter coats.',
  },
  pinholes: {
    name: 'Pinholes, tiny bubbles',
    looks: 'Fine holes or blisters all over.',
    first: 'Another base between coats, damp or open timber, film too thick, pressure too high.',
    now: 'Let it dry, sand, one thin coat.',
    next: 'The primer for that ground, moisture measured first, thinner coats.',
  },
  'dry spray': {
    name: 'Rough, sandy',
    looks: 'Feels like fine sandpaper, looks dusty.',
    first: 'Gun too far, warm air, wind, pressure too high: drops dry before they land.',
    now: 'Sand, recoat.',
    next: 'Closer, lower pressure, in the shade.',
  },
  'orange peel': {
    name: 'Orange peel',
    looks: 'Even bumps that did not flow out.',
    first: 'Paint too thick or cold, pressure low, gun too far.',
    now: 'Let it dry, sand, recoat.',
    next: 'Warm it, or thin within the sheet; then raise the pressure.',
  },
  craters: {
    name: 'Craters, fish-eyes',
    looks: 'Round dips that paint runs away from.',
    first: 'Grease, silicone or polish on the ground.',
    now: 'Stop. Let it dry, clean, sand, prime.',
    next: 'Wash and dull first.',
  },
  laps: {
    name: 'Lap marks',
    looks: 'Stripes where one pass lies over another.',
    first: 'An edge that had dried, passes along the sight, tails of the fan.',
    now: 'Another full coat, crosswise.',
    next: 'Keep a wet edge; an even fan; passes across the sight.',
  },
  frame: {
    name: 'Frame of overspray on the wall',
    looks: 'A dusty outline where a door or shelf was sprayed.',
    first: 'The leaf was sprayed close to the wall.',
    now: 'Recoat the wall.',
    next: 'Leaf clear of the wall, on a rack or over a sheet.',
  },
  fallout: {
    name: 'Fallout, dust on the work',
    looks: 'Grains and fluff in the film.',
    first: 'Mist that settles, sheets that were not rolled up quietly.',
    now: 'Let it dry, sand lightly, recoat.',
    next: 'Lower pressure, air moving out, floors damp or clean.',
  },
  thin: {
    name: 'Thin places, grinning through',
    looks: 'The ground shows in stripes or patches.',
    first: 'Laps, speed, a worn fan: read the comb across the stripes.',
    now: 'Another coat.',
    next: 'The comb while it is wet.',
  },
  stains: {
    name: 'Stains coming through',
    looks: 'Tinted patches in a fresh film, often with a darker rim.',
    first: 'Water, tannin or smoke in the ground.',
    now: 'Stain-blocking primer, then the finish.',
    next: 'Prime first; what was wet has to dry and its cause be mended.',
  },
  wrinkling: {
    name: 'Wrinkling, lifting',
    looks: 'The film creases or comes off the coat below.',
    first: 'Recoated too soon, or a solvent too strong for what is below.',
    now: 'Strip it, let it dry, prime.',
    next: 'The recoat window on the clock.',
  },
  patches: {
    name: 'Shiny and dull patches',
    looks: 'One colour, two sheens.',
    first: 'Ground that soaks unevenly, touching up, laps.',
    now: 'A whole coat, corner to corner.',
    next: 'Seal first; box the paint.',
  },
  spits: {
    name: 'Spits, blobs',
    looks: 'Single thick drops in an even film.',
    first: 'Dirty tip or seal, air, worn packing, strainer.',
    now: 'Blow the tip out with it turned. Sand the blobs when they are dry.',
    next: 'Strain; seal clean; tip in last.',
  },
} as const satisfies Record<string, FinishFault>;

export type FinishFaultId = keyof typeof FINISH_FAULTS;
export const FINISH_FAULT_IDS = Object.keys(FINISH_FAULTS) as [FinishFaultId, ...FinishFaultId[]];
