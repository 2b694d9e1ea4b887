import type { Formula } from './formula';

/** Formulas behind the set-up card. */
export const SETUP_FORMULAS = {
  'set-up search': {
    name: 'Set-up search',
    expression: 'score = Σ weight × fitness ÷ Σ weight, over every tip of the catalogue',
    source: 'Weights are working judgement of the trade, listed in docs/method.md',
    range: 'Ranks tips that are possible; the ones this machine or paint cannot use are left out before',
  },
  'fan width': {
    name: 'Fan width from the tip code',
    expression: 'W = D · F ÷ 6',
    source: 'Field rule: twice the fan number in inches at 12 in, five times in centimetres at 30 cm',
    range: 'Fan 1 to 24, new tip; a worn fan is narrower',
  },
  'even-fan pressure': {
    name: 'Gun pressure for an even fan',
    expression: 'P = P family · (η ÷ 0.1 Pa·s)^0.3 · (d ÷ 0.015 in)^0.2',
    source: 'Heuristic of this program',
    range: 'About ±20 %; start low and raise until the fan is even',
  },
  'gun pressure at the limit': {
    name: 'Gun pressure with the pump wide open',
    expression: 'P gun = P pump limit − Σ 4 L τw ÷ D − ρ g z, at the flow that P gun gives',
    source: 'Steady state of the line; less than the fan wants, within the range of the even-fan pressure',
    range: 'A wider or shorter hose, warmer paint or a smaller tip gives more',
  },
  'measured setting': {
    name: 'Dialled in on this surface',
    expression: 'P = what the test cards showed on this surface with this coating and tip',
    source: 'Site log',
    range: 'Same coating, tip and paint; dial in again when the paint is colder, warmer or thinned otherwise',
  },
  'pump setting': {
    name: 'Pump setting for the hose',
    expression: 'P pump = P gun + Σ 4 L τw ÷ D + ρ g z',
    source: 'Power-law pipe flow, Rabinowitsch–Mooney; Dodge–Metzner above the Ryan–Johnson limit',
    range: 'Steady flow with the trigger held; hoses in series add, their order does not matter',
  },
  'tip flow': {
    name: 'Flow through the tip',
    expression: "Q = Cd' · A · √(2 ΔP ÷ ρ)",
    source: 'Orifice law; viscous correction after Lichtarowicz, Duggins and Markland (1965), leading terms',
    range: 'Cd 0.79 to 0.82 for water; the correction is extrapolated below a Reynolds number of about 100',
  },
  'wet film target': {
    name: 'Wet film for the dry film wanted',
    expression: 'WFT = DFT · (1 + r) ÷ VS',
    source: 'Volume balance: the solids stay',
    range: 'r is thinner per volume of paint; one coat',
  },
  'dry film left': {
    name: 'Dry film one coat leaves',
    expression: 'DFT = WFT · VS ÷ (1 + r)',
    source: 'Volume balance: the solids stay',
    range: 'From the wet film target before it is rounded for the comb',
  },
  'gun speed': {
    name: 'Gun speed for the wet film',
    expression: 'v = Q · air · over ÷ (W · (1 − overlap) · fit · (texture · WFT + soaks))',
    source: 'Volume balance of the passes on a piece: film on its true area and what soaks in',
    range:
      'Mean film over the piece; the first coat of bare ground alone soaks in; comfortable between 0.3 and 0.9 m/s',
  },
  'paint needed': {
    name: 'Paint for this surface',
    expression: 'V = A · (texture · coats · DFT ÷ VS + absorbed) ÷ (TE · over) · (1 + residue + touch-up)',
    source:
      'Volume balance; losses divide by what lands. TE · over: what is not lost in the air, and what of the fan is over the piece',
    range: 'Unthinned paint; hose and pump fill come once per colour and are counted apart',
  },
  'overlap choice': {
    name: 'Overlap with the smaller film variation',
    expression:
      'CV of Σ (1 − s²)^p over many passes with the hand’s scatter, averaged over a fan ±10 % misjudged',
    source: 'Fan profile model, docs/method.md',
    range: 'Compares one half with one third for an even fan of this family',
  },
  'sag limit': {
    name: 'Sag limit',
    expression: 'limit on verticals; ceilings and details 15 % less',
    source: 'Data sheet or working default; h = τy ÷ (ρ g) behind it',
    range: 'Wet film in one pass or in passes laid wet on wet',
  },
  'thinning limit': {
    name: 'Thinning limit',
    expression: 'thinner ÷ paint by volume',
    source: 'Data sheet or working default',
    range: 'Never past the data sheet; thin warm paint, not cold paint',
  },
  'filter mesh': {
    name: 'Gun filter mesh',
    expression: 'the mesh of the coating; 100 where the orifice is 11 thou or finer',
    source: 'Working default by coating and orifice',
    range: 'A filter coarser than the tip lets through what clogs it',
  },
  'gun distance': {
    name: 'Gun distance',
    expression: '12 in (305 mm)',
    source: 'School of one distance; closer only on doors and small work, with film recomputed',
    range: 'Square to the surface',
  },
  'hose fill': {
    name: 'Paint that fills hose and pump',
    expression: 'Σ π D² L ÷ 4 + pump',
    source: 'Geometry; 0.3 to 1.0 L in pump, filter and suction',
    range: 'Once for each colour, not for each surface',
  },
  'dialled-in pressure': {
    name: 'Gun pressure dialled in',
    expression: 'lowest step with an even fan, tails one step below',
    source: 'Test cards of this crew',
    range: 'This paint, tip, hose and temperature; one step wide',
  },
} as const satisfies Record<string, Formula>;
