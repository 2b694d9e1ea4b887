import type { CoatingBase, CupId } from '../coating';
import { CUPS } from '../coating';
import { isSameTip, sealFor, writeTipCode, type Tip } from '../tip';
import { sparesFor, type WorkRate } from '../quantities';
import type { SprayerClass } from '../line';
import { FLOOR_REACH, type Power, type Protection } from '../safety';
import type { Element } from '../takeoff';
import { counted, quantity, showText, type UnitSystem } from '../units';
import { cordFor } from './cord';
import type { Misfit } from './fit';

/** One set-up of the day. */
export interface DaySetup {
  readonly tip: Tip;
  readonly mesh: number;
  readonly base: CoatingBase;
  readonly coating: string;
  readonly surfaces: number;
  /** Share of the life of a tip that it wears, by the short end of that; nothing where nobody knows. */
  readonly wear?: number | undefined;
  readonly cup?: CupId | undefined;
  /** What is sprayed, and how high above where one stands it ends, m. */
  readonly element?: Element | undefined;
  readonly reach?: number | undefined;
  /** It is above what is reached from the floor. */
  readonly high?: boolean | undefined;
  /** It has shelves: their edges are done by brush. */
  readonly shelves?: boolean | undefined;
  /** What is worn and stood by for this set-up. */
  readonly protection?: readonly Protection[] | undefined;
}

/** What the company owns that a day may need. */
export interface Owned {
  readonly tips: readonly Tip[];
  readonly gunMeshes: readonly number[];
  readonly seals: readonly string[];
  readonly cups: readonly CupId[];
  /** Lengths of extensions for the gun, m. */
  readonly extensions: readonly number[];
}

/** The machine of a day and what it is fed with. */
export interface DayMachine {
  readonly sprayer: string;
  readonly hoses: readonly string[];
  readonly misfits: readonly Misfit[];
  readonly sprayerClass: SprayerClass;
  readonly power: Power;
  /** Cord of its own, and from the outlet to where it stands, m. */
  readonly ownCord: number;
  readonly toOutlet: number;
  readonly manifoldMesh: number | null;
}

export interface TakeLine {
  readonly group:
    | 'Machine'
    | 'To prepare and cover'
    | 'Tips and seals'
    | 'Filters'
    | 'Measuring'
    | 'Fluids'
    | 'Adapters'
    | 'Power'
    | 'To reach it'
    | 'Cleaning'
    | 'To wear and stand by'
    | 'If something happens';
  readonly what: string;
  readonly why: string;
  /** Whether it is in the kit; unknown for things nobody writes down. */
  readonly owned?: boolean;
}

/** Unique by a key, the counts of surfaces added. */
function together<T>(
  setups: readonly DaySetup[],
  key: (setup: DaySetup) => string,
  make: (all: readonly DaySetup[], first: DaySetup) => T,
): T[] {
  const groups = new Map<string, DaySetup[]>();
  for (const setup of setups) groups.set(key(setup), [...(groups.get(key(setup)) ?? []), setup]);
  return [...groups.values()].flatMap((all) => (all[0] ? [make(all, all[0])] : []));
}

/** Everything the day's set-ups want worn or stood by, each once. */
function protectionLines(setups: readonly DaySetup[]): TakeLine[] {
  const found = new Map(
    setups.flatMap(({ protection = [] }) =>
      // What one stands on is with what makes it reached.
      protection.flatMap(({ code, what, why }) => (code === 'fall' ? [] : [[what, why] as const])),
    ),
  );
  const lines = [...found].map(([what, why]): TakeLine => ({ group: 'To wear and stand by', what, why }));
  const masks = lines.filter(({ what }) => what.startsWith('Respirator'));
  // A mask is as good as its filter, and that is full when the work is not done.
  return masks.length === 0
    ? lines
    : [
        ...lines,
        {
          group: 'To wear and stand by',
          what: 'Filters or cartridges for the respirator, a set to spare',
          why: 'Changed by hours, and as soon as breathing is hard or something is smelled',
        },
      ];
}

const surfacesOf = (all: readonly DaySetup[]) =>
  counted(
    all.reduce((sum, { surfaces }) => sum + surfaces, 0),
    'surface',
  );

/** A tip with as many to spare as its work wears: none for a little. */
function tipLine(all: readonly DaySetup[], { tip }: DaySetup, owned: Owned): TakeLine {
  const wear = all.reduce((sum, one) => sum + (one.wear ?? 0), 0);
  const spares = sparesFor(wear);
  const name = `Tip ${writeTipCode(tip)}, ${tip.family}`;
  const worn = wear >= 0.05 ? `, wears ${Math.round(wear * 20) * 5} % of a tip` : '';
  return {
    group: 'Tips and seals',
    what: spares > 0 ? `${name}, and ${spares} to spare` : name,
    why: `${surfacesOf(all)}${worn}`,
    owned: owned.tips.some((one) => isSameTip(one, tip)),
  };
}

/** What each line of a site list is done with (work.md, "Preparing a site"). */
const PREPARED_WITH: Readonly<Partial<Record<WorkRate, { readonly what: string; readonly why: string }>>> = {
  power: { what: 'Voltage tester, labels for the board', why: 'Power off and checked dead' },
  plates: { what: 'Screwdrivers, bags for screws', why: 'Plates, vents, hardware off' },
  vents: { what: 'Screwdrivers, bags for screws', why: 'Plates, vents, hardware off' },
  doors: { what: 'Door rack, pads, marker for the leaves', why: 'Leaves racked, each back in its own frame' },
  lights: { what: 'Bags and tape for light fittings', why: 'Lowered and bagged' },
  alarms: { what: 'Bags for smoke alarms', why: 'Uncovered again at the end of each day' },
  curtains: { what: 'Step ladder, box for brackets', why: 'Curtains and rails off' },
  furniture: { what: 'Film and blankets for furniture', why: 'The rest to the middle, under film' },
  floorCover: { what: 'Floor cover, tape', why: 'Wall to wall, taped at the skirting' },
  fittings: { what: 'Masking film, tape, sharp blades', why: 'Windows and fittings' },
  maskingLine: { what: 'Masking paper, tape, hand masker', why: 'Edges' },
  washing: { what: 'Buckets, sponges, cleaner', why: 'Washed, then dry' },
  scraping: { what: 'Scrapers, dust sheet, test for lead', why: 'Tested before it is scraped' },
  filling: { what: 'Filler, putty knives', why: 'Holes and cracks' },
  sanding: { what: 'Sanding blocks, paper, vacuum', why: 'Smooth, felt with the palm' },
  caulking: { what: 'Caulk, gun for it', why: 'Joints of the trim' },
  dusting: { what: 'Dust brushes, rags', why: 'Last thing before the covers' },
};

/** What to load to prepare and cover, each once, in the order of the work. */
function prepareLines(work: readonly WorkRate[]): readonly TakeLine[] {
  const found = new Map<string, TakeLine>();
  for (const rate of work) {
    const line = PREPARED_WITH[rate];
    if (line && !found.has(line.what)) found.set(line.what, { group: 'To prepare and cover', ...line });
  }
  return [...found.values()];
}

/** Lengths of extensions for a gun that are usual, m: what reaches over head height, and what reaches a ceiling. */
const SHORT_EXTENSION = 0.3;
const LONG_EXTENSION = 0.6;
/** What is reached from the floor with an extension, beyond what is reached without, m. */
const FROM_THE_FLOOR = FLOOR_REACH + LONG_EXTENSION;

/** What makes high work reached: an extension for the gun, and above that something to stand on. */
function reachLines(
  setups: readonly DaySetup[],
  { extensions }: Owned,
  system: UnitSystem,
): readonly TakeLine[] {
  const high = setups.filter((one) => one.high === true);
  const lines: TakeLine[] = [];
  if (high.length > 0) {
    const top = Math.max(...high.map(({ reach = 0 }) => reach));
    const length =
      high.some(({ element }) => element === 'ceiling') || top > FLOOR_REACH
        ? LONG_EXTENSION
        : SHORT_EXTENSION;
    lines.push({
      group: 'To reach it',
      what: `Extension for the gun, ${showText(length, 'size', system)} or more`,
      why: `${surfacesOf(high)} above what is reached from the floor`,
      owned: extensions.some((one) => one >= length - 0.05),
    });
    if (top > FROM_THE_FLOOR)
      lines.push({
        group: 'To reach it',
        what: `Platform with a rail, for work up to ${showText(top, 'size', system)}; harness where local rules want one`,
        why: 'No spraying from a ladder: the gun kicks, the hose pulls, and mist hides the edge',
      });
    else
      lines.push({
        group: 'To reach it',
        what: 'Step platform',
        why: 'Masking, plates and corners up there',
      });
  }
  if (setups.some(({ shelves }) => shelves === true))
    lines.push({
      group: 'To reach it',
      what: 'Brushes for shelf edges',
      why: 'Edges by hand, before the shelves',
    });
  return lines;
}

/** What feeds the machine: a cord of the right size where it stands away from the outlet, or fuel. */
function powerLines(
  { power, ownCord, toOutlet, sprayerClass }: DayMachine,
  system: UnitSystem,
): readonly TakeLine[] {
  if (power === 'engine')
    return [
      {
        group: 'Power',
        what: 'Fuel in its can, oil',
        why: 'Filled outside, engine cold; exhaust away from windows',
      },
    ];
  const outlet: TakeLine = {
    group: 'Power',
    what: 'Outlet tester; ground-fault protection where the outlet has none',
    why: 'A grounded outlet on a circuit of its own',
  };
  const length = Math.max(0, toOutlet - ownCord);
  if (length === 0) return [outlet];
  const cord = cordFor(quantity(length), sprayerClass, system);
  return [
    outlet,
    {
      group: 'Power',
      what: cord.ok
        ? `Grounded extension cord, ${showText(Math.ceil(length), 'hoseLength', system)}, ${cord.value.name} or thicker`
        : 'More hose in the place of a long cord',
      why: cord.ok
        ? `${showText(toOutlet, 'hoseLength', system)} to the outlet; unrolled, it takes ${showText(cord.value.lost.value, 'percent', system)} of ${cord.value.volts} V. The plate of the machine takes precedence`
        : cord.message,
    },
  ];
}

/** What nobody wants to look for when it is needed. */
const EMERGENCY: readonly TakeLine[] = [
  {
    group: 'If something happens',
    what: 'Emergency card on paper, phone charged',
    why: 'A jet under the skin is an emergency: the card says what to do and what to tell',
  },
  {
    group: 'If something happens',
    what: 'First-aid kit, water to rinse eyes',
    why: 'Paint or thinner in an eye is rinsed at once',
  },
];

/** What to load for the set-ups of a day, before anybody drives: in groups, with why, and what the kit lacks. */
export function takeList(
  setups: readonly DaySetup[],
  owned: Owned,
  machine: DayMachine,
  /** What there is to prepare that day, in its order. */
  prepare: readonly WorkRate[] = [],
  system: UnitSystem = 'metric',
): readonly TakeLine[] {
  const bases = new Set(setups.map(({ base }) => base));
  const lines: TakeLine[] = [
    { group: 'Machine', what: machine.sprayer, why: 'Sprayer of this job', owned: true },
    ...machine.hoses.map((what): TakeLine => ({
      group: 'Machine',
      what,
      why: 'Hose of this job',
      owned: true,
    })),
    {
      group: 'Machine',
      what: 'Gun, guard, two spanners',
      why: 'Guard always on; hose ends want two spanners',
    },
    ...powerLines(machine, system),
    ...reachLines(setups, owned, system),
    ...prepareLines(prepare),
    ...together(
      setups,
      ({ tip }) => `${tip.family} ${writeTipCode(tip)}`,
      (all, first) => tipLine(all, first, owned),
    ),
    ...together(
      setups,
      ({ tip, base }) => `${sealFor(tip.family, base).seal} ${base}`,
      (all, { tip, base }): TakeLine => {
        const seal = sealFor(tip.family, base);
        return {
          group: 'Tips and seals',
          what: `Seal: ${seal.name.toLowerCase()}, ${seal.ring}, and one to spare`,
          why: `For ${[...new Set(all.map((one) => `${one.tip.family} tips`))].join(', ')}`,
          owned: owned.seals.includes(seal.seal),
        };
      },
    ),
    ...together(
      setups,
      ({ mesh }) => String(mesh),
      (all, { mesh }): TakeLine => ({
        group: 'Filters',
        what: `Gun filter, ${mesh} mesh, and one to spare`,
        why: [...new Set(all.map(({ coating }) => coating))].join(', '),
        owned: owned.gunMeshes.includes(mesh),
      }),
    ),
    ...(machine.manifoldMesh === null
      ? []
      : [
          {
            group: 'Filters',
            what: `Manifold filter, ${machine.manifoldMesh} mesh, to spare`,
            why: 'Looked at whenever the gun filter is',
          } as const,
        ]),
    { group: 'Filters', what: 'Paint strainers', why: 'One for each container opened' },
    ...together(
      setups.filter(({ cup }) => cup !== undefined),
      ({ cup }) => cup ?? '',
      (all, { cup }): TakeLine => ({
        group: 'Measuring',
        what: cup === undefined ? 'Own cup' : CUPS[cup].name,
        why: `Reads ${[...new Set(all.map(({ coating }) => coating))].join(', ')} in the middle of its range`,
        owned: cup !== undefined && owned.cups.includes(cup),
      }),
    ),
    {
      group: 'Measuring',
      what: 'Comb gauge, thermometer, stopwatch, tape, test card',
      why: 'Film, paint temperature, fan width',
    },
    ...(bases.has('water')
      ? [
          {
            group: 'Fluids',
            what: 'Clean water, a waste container of metal for it',
            why: 'Flush for water-borne coatings',
          } as const,
        ]
      : []),
    ...(bases.has('solvent')
      ? [
          {
            group: 'Fluids',
            what: 'Thinner of the coating, two waste containers of metal with lids for it, ground wires, closed metal bin',
            why: 'Flush for solvent-borne coatings; rags catch fire by themselves',
          } as const,
        ]
      : []),
    ...(bases.size > 1
      ? [
          {
            group: 'Fluids',
            what: 'Go-between fluid, a waste container of metal for it',
            why: 'Water and solvent-borne coating must not meet in the hose',
          } as const,
        ]
      : []),
    {
      group: 'Fluids',
      what: 'Storage fluid, pump lubricant',
      why: 'Lubricant again during the day; storage fluid for tonight',
    },
    {
      group: 'Cleaning',
      what: 'Two buckets with lids, brushes for tip and filters, rags',
      why: 'Tip, filters, comb and cup are cleaned before paint dries on them',
    },
    ...protectionLines(setups),
    ...(setups.length > 0 ? EMERGENCY : []),
    ...machine.misfits
      .filter(({ code }) => code.startsWith('thread'))
      .map(({ instead, what }): TakeLine => ({
        group: 'Adapters',
        what: instead.replace(/^Take an? /, '').replace(/^./, (first) => first.toUpperCase()),
        why: what,
      })),
  ];
  return lines;
}
