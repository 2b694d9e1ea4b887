export { tipsOn } from './tipsOn';
export {
  tipSetFor,
  type OneMore,
  type SurfaceTips,
  type TipOfSet,
  type TipOnSurface,
  type TipSet,
  type TipUse,
  type TipWish,
} from './tipSet';
