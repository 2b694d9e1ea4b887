/** The emergency card: readable offline, one tap from every screen. Texts in our own words; the order is the order to act in. */
export const EMERGENCY_CARD = {
  title: 'Paint under the skin',
  lead: 'Go to an emergency department now. Even if it looks like a small cut.',
  say: 'Say this',
  sentence: 'This is a high-pressure injection injury from an airless paint sprayer. It needs a surgeon.',
  steps: [
    'Lock the trigger and switch the sprayer off. Let someone else relieve the pressure.',
    'Take the paint container or its data sheet along: they must know the material.',
    'Keep the hand or limb still and raised on the way. Note the time it happened.',
    'Tell someone. Do not drive yourself if a hand is hurt or you feel faint.',
  ],
  never: [
    'Do not wait for pain or swelling. They come late.',
    'Do not squeeze it or try to wash paint out of the wound.',
    'No tourniquet.',
  ],
  otherLines: [
    'In the eyes: rinse with clean water for at least 15 minutes, then go to a doctor.',
    'Dizzy or short of breath from fumes: fresh air at once, call for help.',
  ],
  numbers: 'Emergency call: 112 or 911, or your local number',
  precedence:
    'Local emergency services, product labels and safety data sheets take precedence over this card.',
} as const;
