import { WORK_RATES, kindOfWorkName, type KindOfWork, type WorkRate } from '@fine-spray/core';

interface Said {
  readonly do: string;
  readonly why: string;
}

/** What is done, in the words of the site, and why. Source: work.md, "Preparing a site". */
const LINES: Readonly<Partial<Record<WorkRate, Said>>> = {
  power: {
    do: 'Power of the room off at the board, marked, and checked dead',
    why: 'Before any plate or light is touched. Somebody who may do it does it.',
  },
  plates: { do: 'Cover plates off, screws in a bag', why: 'A masked plate shows its edge for ever.' },
  lights: { do: 'Light fittings lowered and bagged', why: 'Mist settles on them from below.' },
  alarms: {
    do: 'Smoke alarms bagged',
    why: 'Uncovered again at the end of each day. A carbon monoxide alarm is never covered.',
  },
  vents: { do: 'Vents and grilles off, or masked', why: 'They carry mist into the next room.' },
  curtains: { do: 'Curtains, rails and brackets off', why: 'Mist goes through cloth.' },
  furniture: {
    do: 'Furniture out, the rest to the middle under film',
    why: 'Heavy cloth on the floor only: it breaks what it lies on.',
  },
  floorCover: { do: 'Floor covered wall to wall, taped at the skirting', why: 'Dust first, then mist.' },
  doors: { do: 'Door leaves and hardware off, racked', why: 'Sprayed in a row, both sides, back last.' },
  washing: {
    do: 'Washed, and left to dry',
    why: 'A day inside and two outside before paint; grease and chalk hold nothing.',
  },
  scraping: { do: 'Loose paint scraped off', why: 'What comes off with a blade comes off with the paint.' },
  filling: { do: 'Holes and cracks filled', why: 'Paint shows them, it does not hide them.' },
  sanding: { do: 'Sanded smooth, felt with the palm', why: 'Gloss is dulled, or the next coat lets go.' },
  caulking: { do: 'Joints of the trim caulked', why: 'A dark line between trim and wall is seen first.' },
  dusting: { do: 'Dusted off with a rag', why: 'Last thing before the covers: dust lifts the film.' },
  fittings: { do: 'Windows and fittings masked with film', why: 'The edge is cut with a sharp blade.' },
  maskingLine: { do: 'Edges taped', why: 'Only on paint that may be masked over.' },
};

/** What a line says; the state of the surface with it where it matters. */
export function lineWords(kind: KindOfWork): Said {
  const said = LINES[kind.rate];
  if (!said) return { do: WORK_RATES[kind.rate].name, why: kindOfWorkName(kind) };
  return kind.state === undefined ? said : { ...said, do: `${said.do} (${kind.state})` };
}
