import { likelyValues } from '../explain';
import { coatingInputs, type CoatingDemand } from './demand';
import { filledWith, sprayedVolume, surfaceInputs, withKept } from './paint';
import { withWear } from './wear';

/** Where the paint of a coating goes, from what stays on the surface to what is bought. */
export const WATERFALL = {
  film: 'Dry film on flat surfaces',
  texture: 'Texture: true area over flat',
  absorbed: 'Soaks into bare surfaces',
  missed: 'Beside the pieces and in the air',
  wear: 'Worn tips lay more',
  residue: 'Left in containers',
  touchUp: 'Kept for touch-up',
  fill: 'Fills hose and pump',
} as const;
export type WaterfallStep = keyof typeof WATERFALL;

export interface Waterfall {
  readonly steps: readonly { readonly step: WaterfallStep; readonly volume: number }[];
  /** All of it: the likely purchase, m³. */
  readonly total: number;
}

/** Paint that is likely sprayed at one surface in all its coats, m³: without what tips, containers and hoses take. */
export const likelySprayed = ({ surface, netArea, over }: CoatingDemand['surfaces'][number]): number =>
  sprayedVolume(likelyValues(surfaceInputs(surface, netArea, over)));

/** Paint that ends on one surface in all its coats, m³: nothing of it beside the piece or in the air. */
export const likelyLaid = ({ surface, netArea, over }: CoatingDemand['surfaces'][number]): number =>
  sprayedVolume({ ...likelyValues(surfaceInputs(surface, netArea, over)), te: 1, over: 1 });

/** Where the likely paint of a coating goes, step by step; the steps add up to the total exactly as it is computed. */
export function waterfall(demand: CoatingDemand): Waterfall {
  const whole = likelyValues(coatingInputs(demand));
  const sum = { film: 0, textured: 0, laid: 0, sprayed: 0 };
  for (const { surface, netArea, over } of demand.surfaces) {
    const v = likelyValues(surfaceInputs(surface, netArea, over));
    const laid = { ...v, te: 1, over: 1 };
    sum.film += sprayedVolume({ ...laid, texture: 1, absorbed: 0 });
    sum.textured += sprayedVolume({ ...laid, absorbed: 0 });
    sum.laid += sprayedVolume(laid);
    sum.sprayed += sprayedVolume(v);
  }
  const worn = withWear(sum.sprayed, whole.wear, whole.life);
  const left = withKept(worn, { ...whole, touchUp: 0 });
  const kept = withKept(worn, whole);
  const total = kept + filledWith(whole.hoses + whole.pump, demand.fills, whole.back);
  const levels = [sum.film, sum.textured, sum.laid, sum.sprayed, worn, left, kept, total];
  const steps = (Object.keys(WATERFALL) as WaterfallStep[]).map((step, index) => ({
    step,
    volume: (levels[index] ?? 0) - (levels[index - 1] ?? 0),
  }));
  return { steps, total };
}
