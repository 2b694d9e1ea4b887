export { containersFor, type ContainerCount } from './containers';
export {
  FACTOR_GROUPS,
  jobModel,
  type CoatingDemand,
  type Factor,
  type FactorGroup,
  type JobModel,
  type JobSurface,
} from './demand';
export {
  histogramOf,
  paintDistributions,
  quantileOf,
  triangular,
  volumesOf,
  type DrawSettings,
  type Histogram,
  type PaintDistribution,
} from './draws';
export {
  fillInputs,
  keptInputs,
  sprayedVolume,
  surfaceInputs,
  transferInput,
  withKept,
  type PaintedSurface,
} from './paint';
export { RISKS, enoughFor, purchaseFor, type Purchase, type Risk } from './purchase';
export { WATERFALL, waterfall, type Waterfall, type WaterfallStep } from './waterfall';
export { extraByWear } from './wear';
