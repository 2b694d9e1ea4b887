/** One card to act by: large, short, in the order to act in. */
export interface EmergencyCard {
  /** What happened, as somebody would say it who looks for it. */
  readonly name: string;
  /** The first thing, larger than all else. */
  readonly lead: string;
  /** Said right under it. */
  readonly under: string;
  /** What to say to whoever helps. */
  readonly say?: string | undefined;
  readonly steps: readonly string[];
  readonly never: readonly string[];
  /** Whether what stands in the machine is named on it. */
  readonly material: boolean;
}

export const EMERGENCY_IDS = [
  'skin',
  'eye',
  'breathing',
  'fire',
  'shock',
  'fall',
  'fumes',
  'swallowed',
] as const;
export type EmergencyId = (typeof EMERGENCY_IDS)[number];

/**
 * The emergency cards: readable offline, one tap from every screen. General first aid in our own words; what they stand
 * on is in docs/safety.md. Each sentence says one thing, and what to do rather than what not to.
 */
export const EMERGENCY_CARDS: Readonly<Record<EmergencyId, EmergencyCard>> = {
  skin: {
    name: 'Paint under the skin',
    lead: 'Go to an emergency department now.',
    under:
      'It looks like a small cut. It can cost the hand. Let someone drive you. Alone? Call an ambulance.',
    say: 'High-pressure injection injury from an airless paint sprayer. It needs a surgeon now.',
    steps: [
      'Gun locked, sprayer off. Someone else lets the pressure out.',
      'Rings and watch off. Clean cover on. Keep the limb still.',
      'Take the safety data sheet: paint, thinner or flush fluid. Say the pressure and the time. Ask about tetanus.',
    ],
    never: [
      'Never wait for pain. It comes late.',
      'Never squeeze it, wash it out or tie it off.',
      'No food, drink or ice.',
    ],
    material: true,
  },
  eye: {
    name: 'Paint in the eye',
    lead: 'A jet hit the eye: call an ambulance now.',
    under:
      'Shield the eye with a clean cup that does not touch it. Keep both eyes still. Never rinse or press it.',
    steps: [
      'Only a splash: rinse at once with clean water for 15 minutes or more.',
      'Hold the lids open. Take lenses out. Keep the other eye clear.',
      'Lime, cement, thinner or solvent paint: call an ambulance. Rinse until it comes.',
      'Any other splash: see a doctor today. Take the safety data sheet.',
    ],
    never: ['Never rub it.'],
    material: true,
  },
  breathing: {
    name: 'Not breathing',
    lead: 'Call an ambulance. Put the phone on loudspeaker.',
    under: 'Lay them flat on their back. Send someone for a defibrillator.',
    steps: [
      'Push hard and fast on the middle of the chest: 5 to 6 cm deep, two pushes a second.',
      'If you have learned it: two breaths after every 30 pushes.',
      'Defibrillator there: switch it on and do what it says.',
      'Go on until help takes over or they breathe.',
      'They breathe but do not wake: roll them on their side and watch the breath.',
    ],
    never: ['Never go in where there are fumes or live current.'],
    material: false,
  },
  fire: {
    name: 'Fire or a burn',
    lead: 'Get everyone out. Call the fire brigade.',
    under: 'Clothes on fire: stop, drop and roll. Smother the flames with a coat or a blanket.',
    steps: [
      'A small fire: use the extinguisher only with the way out behind you.',
      'Cool a burn under running water for 20 minutes. Rings and watch off.',
      'Cover it loose and clean. Leave cloth that sticks.',
      'Face, hand, joint, or larger than a palm: call an ambulance.',
    ],
    never: ['Never water on burning solvent.', 'No ice, grease or powder on a burn.'],
    material: false,
  },
  shock: {
    name: 'Electric shock',
    lead: 'Cut the current first: plug out or breaker off.',
    under: 'Touch the person only when the current is off. Then call an ambulance.',
    steps: [
      'A power line: stay 10 m away. Only the power company can cut it.',
      'Not breathing? Use that card.',
      'Cool the burns under running water.',
      'Every shock is seen by a doctor. The heart can stop later.',
    ],
    never: ['Never use the sprayer again until an electrician has found the fault.'],
    material: false,
  },
  fall: {
    name: 'A fall',
    lead: 'Keep them still. Call an ambulance.',
    under: 'Hold the head and neck as they lie. Move them only out of fire, current or fumes.',
    steps: [
      'Press a clean cloth on a wound that bleeds.',
      'Keep them warm. Talk to them. Watch the breath.',
      'Not breathing? Use that card.',
      'A knock on the head, a fall from over 2 m, or feeling faint: a doctor sees it, even if they get up.',
    ],
    never: ['No food or drink.'],
    material: false,
  },
  fumes: {
    name: 'Fumes or bad air',
    lead: 'Stay out. Call for help.',
    under: 'Do not follow someone in. Bad air takes the helper too. Shout to them to come out.',
    steps: [
      'From outside: open doors and windows, stop the engine.',
      'Out in fresh air: let them sit up. Loosen collar and mask.',
      'Headache or sick near an engine: carbon monoxide. Call an ambulance, even if it gets better.',
      'Not breathing? Use that card.',
    ],
    never: ['Never go back in for tools.'],
    material: true,
  },
  swallowed: {
    name: 'Swallowed',
    lead: 'Call the poison centre or an ambulance now.',
    under: 'Have the label and the safety data sheet in your hand.',
    steps: [
      'Rinse the mouth and spit out.',
      'Do what they say. Drink only if they tell you.',
      'Asleep or confused: on the side, and call an ambulance.',
    ],
    never: ['Never make them vomit. Solvent gets into the lungs.'],
    material: true,
  },
};

export const EMERGENCY_PRECEDENCE =
  'Local emergency services, product labels and safety data sheets come before this card.';
