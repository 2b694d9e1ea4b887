import { LAYER_NAMES } from '@fine-spray/contract/planning';
import type { Explained } from '@fine-spray/core/explain';
import { CAUTIONS, wearLine, type Caution } from '@fine-spray/core/safety';
import { pressuresAre, type SetupCard } from '@fine-spray/core/setup';
import { ELEMENT_DATA } from '@fine-spray/core/takeoff';
import { FAMILY_DATA, orificeDiameter } from '@fine-spray/core/tip';
import { counted, rangeBeside, showRange, showText, unitOf, type UnitSystem } from '@fine-spray/core/units';
import type { Cell } from './page';
import type { PlannedLayer } from './planned';

/** A set-up as it is printed, with every surface it is for. */
export interface PrintedSetUp {
  readonly code: string;
  readonly lines: readonly string[];
  readonly cells: readonly Cell[];
  /** What is worn, as one line. */
  readonly wear: string;
  readonly layers: readonly PlannedLayer[];
}

function pressureCell(label: string, { start, stop }: SetupCard['gunPressure'], units: UnitSystem): Cell {
  return {
    label,
    value: showRange(start, stop, 'pressure', units),
    note: rangeBeside(start, stop, 'pressure', units),
  };
}

function cellsOf(card: SetupCard, thinning: number, units: UnitSystem): readonly Cell[] {
  const text = (part: 'wetFilm' | 'dryFilm' | 'distance' | 'sagLimit' | 'thinningLimit') =>
    showText(card[part].value, card[part].kind, units);
  const limit = card.thinningLimit.value > 0 ? `up to ${text('thinningLimit')}` : 'not at all';
  return [
    pressureCell(`Gun, ${pressuresAre(card)}`, card.gunPressure, units),
    pressureCell(`Pump, ${pressuresAre(card)}`, card.pumpPressure, units),
    {
      label: card.passesPerCoat > 1 ? `Wet film, ${card.passesPerCoat} passes` : 'Wet film',
      value: text('wetFilm'),
    },
    { label: 'Dry film', value: text('dryFilm') },
    { label: 'Runs over', value: text('sagLimit') },
    { label: 'Overlap and distance', value: `${card.overlap.name}, ${text('distance')}` },
    { label: 'Gun filter', value: `${card.mesh.value} mesh` },
    {
      label: 'Thin',
      value: thinning > 0 ? `${showText(thinning, 'percent', units)} (${limit})` : limit,
    },
  ];
}

function linesOf({ layer, coating, surface, card }: PlannedLayer, units: UnitSystem): readonly string[] {
  const { tip } = card.tip.candidate;
  const family = FAMILY_DATA[tip.family].name.toLowerCase();
  const coats = counted(layer.coats, 'coat');
  const piece = ELEMENT_DATA[surface.element].name.toLowerCase();
  return [
    coating,
    `${LAYER_NAMES[layer.role]}, ${coats}: ${piece}, ${surface.side}`,
    `${family} tip, fan ${showText(card.fan.value, 'fanWidth', units)}, hole ${showText(orificeDiameter(tip), 'orifice', units)}`,
  ];
}

/** How fast the gun moves on one surface: the first coat of bare ground before the others. */
export function speedText({ gunSpeed, laterSpeed }: SetupCard, units: UnitSystem): string {
  const range = ({ low, high }: Explained) => showRange(low, high, 'speed', units);
  const unit = ` ${unitOf('speed', units)}`;
  return laterSpeed ? `${range(gunSpeed).replace(unit, '')}, then ${range(laterSpeed)}` : range(gunSpeed);
}

/** Set-ups of a job in the order of its layers; surfaces whose cards print alike share one. */
export function setUpsOf(layers: readonly PlannedLayer[], units: UnitSystem): readonly PrintedSetUp[] {
  const found = new Map<string, PrintedSetUp & { layers: PlannedLayer[] }>();
  for (const planned of layers) {
    const { card, layer } = planned;
    const printed = {
      code: card.tip.code,
      lines: linesOf(planned, units),
      cells: cellsOf(card, layer.thinning, units),
      wear: wearLine(card.protection),
    };
    const key = JSON.stringify(printed);
    const known = found.get(key);
    if (known) known.layers.push(planned);
    else found.set(key, { ...printed, layers: [planned] });
  }
  return [...found.values()];
}

/** The steps whose cautions a sheet has, with what stands before them. */
const SHEET_STEPS = {
  preparing: 'Before you wash, scrape or sand',
  cautions: 'At the gun',
  leaving: 'Before you leave',
} as const satisfies Partial<Record<keyof SetupCard, string>>;

export interface PrintedCautions {
  readonly title: string;
  /** What hurts most first, each once, with the rooms it is for where it is not for all. */
  readonly lines: readonly string[];
}

/** The cautions of a whole job by step: each once, so that they are read. */
export function cautionsOf(layers: readonly PlannedLayer[]): readonly PrintedCautions[] {
  const rooms = new Set(layers.map(({ surface }) => surface.room));
  return Object.entries(SHEET_STEPS).flatMap(([step, title]) => {
    const found = new Map<Caution['code'], { what: string; rooms: Set<string> }>();
    for (const { card, surface } of layers) {
      for (const { code, what } of card[step as keyof typeof SHEET_STEPS]) {
        const one = found.get(code) ?? { what, rooms: new Set<string>() };
        one.rooms.add(surface.room);
        found.set(code, one);
      }
    }
    const lines = CAUTIONS.flatMap(({ code }) => {
      const one = found.get(code);
      if (!one) return [];
      const where = [...one.rooms].filter((room) => room !== '').join(', ');
      return one.rooms.size < rooms.size && where !== '' ? [`${one.what} (${where})`] : [one.what];
    });
    return lines.length > 0 ? [{ title, lines }] : [];
  });
}
