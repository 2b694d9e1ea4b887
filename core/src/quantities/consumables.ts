import { explain, given, workingDefault, type Explained, type Input } from '../explain';
import type { JobCovering } from './covering';

/** What is used up besides paint, with the unit it is bought in. */
export const CONSUMABLES = {
  tape: { name: 'Masking tape', unit: 'm' },
  film: { name: 'Masking film', unit: 'm²' },
  paper: { name: 'Masking paper', unit: 'm' },
  cover: { name: 'Floor cover', unit: 'm²' },
  strainer: { name: 'Paint strainers', unit: '' },
  filter: { name: 'Gun filters', unit: '' },
  lubricant: { name: 'Pump lubricant', unit: 'mL' },
  tip: { name: 'Tip wear', unit: 'tips' },
} as const;
export type Consumable = keyof typeof CONSUMABLES;
export const CONSUMABLE_IDS = Object.keys(CONSUMABLES) as Consumable[];

export interface ConsumablesRequest {
  readonly protection: JobCovering;
  /** Paint through the machine, m³, and coatings it comes in. */
  readonly paint: number;
  readonly coatings: number;
  readonly days: number;
  /** Tips worn, as lives of one. */
  readonly tips: Explained;
}

const METRES_SPARE = workingDefault('Overlaps and waste', 'factor', 1.15, 1.05, 1.3);
const PAPER_SHARE = workingDefault('Share of the line with paper', 'percent', 0.5, 0.3, 0.7);
/** Paint one strainer or gun filter passes, m³. */
const PER_STRAINER = workingDefault('Paint through a strainer', 'volume', 0.02, 0.01, 0.04);
const PER_FILTER = workingDefault('Paint through a gun filter', 'volume', 0.06, 0.03, 0.12);
/** Packing oil of a day, m³. */
const PER_DAY = workingDefault('Pump lubricant a day', 'millilitres', 30e-6, 20e-6, 50e-6);

/** What a job uses up besides paint, each with its range and how it was worked out. */
export function consumablesFor(request: ConsumablesRequest): Readonly<Record<Consumable, Explained>> {
  const { protection } = request;
  const measured = (label: string, kind: Input['kind'], value: number) =>
    given(label, kind, value, 'Take-off of the job');
  const line = measured('Masking line', 'size', protection.maskingLine);
  const area = (label: string, value: number) => measured(label, 'area', value);
  const coatings = given('Coatings', 'count', request.coatings, 'Coatings of the job');
  const paint = given('Paint through the machine', 'volume', request.paint, 'Likely paint of the job');
  const count = (label: string, value: number) => given(label, 'count', value, 'Counted');
  return {
    tape: explain('consumable by length', 'run', { line, spare: METRES_SPARE }, (v) => v.line * v.spare),
    film: explain(
      'consumable by area',
      'area',
      { area: area('Openings', protection.film), spare: METRES_SPARE },
      (v) => v.area * v.spare,
    ),
    paper: explain(
      'consumable by length',
      'run',
      { line, share: PAPER_SHARE, spare: METRES_SPARE },
      (v) => v.line * v.share * v.spare,
    ),
    cover: explain(
      'consumable by area',
      'area',
      { area: area('Floors', protection.floorCover), spare: METRES_SPARE },
      (v) => v.area * v.spare,
    ),
    strainer: explain('consumable by paint', 'count', { coatings, paint, each: PER_STRAINER }, (v) =>
      Math.ceil(v.coatings + v.paint / v.each),
    ),
    filter: explain('consumable by paint', 'count', { coatings, paint, each: PER_FILTER }, (v) =>
      Math.ceil(v.coatings + v.paint / v.each),
    ),
    lubricant: explain(
      'consumable by count',
      'millilitres',
      { days: count('Days', request.days), each: PER_DAY },
      (v) => v.days * v.each,
    ),
    tip: request.tips,
  };
}
