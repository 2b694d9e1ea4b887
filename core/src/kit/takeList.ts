import type { CoatingBase, CupId } from '../coating';
import { CUPS } from '../coating';
import { isSameTip, sealFor, writeTipCode, type Tip } from '../tip';
import { sparesFor, type WorkRate } from '../quantities';
import { counted } from '../units';
import type { Protection } from '../safety';
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
  /** What is worn and stood by for this set-up. */
  readonly protection?: readonly Protection[] | undefined;
}

/** What the company owns that a day may need. */
export interface Owned {
  readonly tips: readonly Tip[];
  readonly gunMeshes: readonly number[];
  readonly seals: readonly string[];
  readonly cups: readonly CupId[];
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
    | 'To wear and stand by';
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
    setups.flatMap(({ protection = [] }) => protection.map(({ what, why }) => [what, why] as const)),
  );
  return [...found].map(([what, why]) => ({ group: 'To wear and stand by', what, why }));
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

/** What to load for the set-ups of a day, before anybody drives: in groups, with why, and what the kit lacks. */
export function takeList(
  setups: readonly DaySetup[],
  owned: Owned,
  machine: {
    readonly sprayer: string;
    readonly hoses: readonly string[];
    readonly misfits: readonly Misfit[];
  },
  /** What there is to prepare that day, in its order. */
  prepare: readonly WorkRate[] = [],
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
          what: `Seal: ${seal.name.toLowerCase()}, ${seal.ring}`,
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
    { group: 'Fluids', what: 'Storage fluid, pump lubricant', why: 'For tonight' },
    ...protectionLines(setups),
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
