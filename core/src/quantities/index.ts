export {
  CONSUMABLES,
  CONSUMABLE_IDS,
  consumablesFor,
  type Consumable,
  type ConsumablesRequest,
} from './consumables';
export {
  BOXING_VESSEL,
  CONTAINER_AIMS,
  boxingPlan,
  cheapestContainers,
  containersFor,
  staysShut,
  usualContainers,
  type BoxingStep,
  type ContainerAim,
  type ContainerCount,
  type ContainerOffer,
} from './containers';
export { jobCost, type CostBook, type CostRequest, type JobCost, type Money, type Unpriced } from './cost';
export {
  FACTOR_GROUPS,
  coatingInputs,
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
  airInput,
  groundInputs,
  overInput,
  sprayedVolume,
  surfaceInputs,
  transferInput,
  withKept,
  type PaintedSurface,
} from './paint';
export {
  RISKS,
  enoughFor,
  purchaseFor,
  saferFor,
  type ContainerOnSale,
  type Purchase,
  type Risk,
  type SaferFor,
} from './purchase';
export { WATERFALL, likelySprayed, waterfall, type Waterfall, type WaterfallStep } from './waterfall';
export { WEAR_LEFT, extraByWear, sparesFor, tipWear } from './wear';
export {
  aboutText,
  chanceText,
  exactMoney,
  containerText,
  hoursText,
  moneyRange,
  moneyText,
  sparesText,
} from './words';
export {
  IN_THE_WAY,
  coveringOf,
  type CoveredPlace,
  type CoveredSurface,
  type InTheWay,
  type JobCovering,
} from './covering';
export { NO_TERMS, digitsOf, parted, priceOf, type JobPrice, type PriceTerms } from './price';
export { STATES, preparingOf, stateOf, type State, type SurfaceWork, type WorkedSurface } from './preparing';
export {
  NEVER_COUNTED,
  TASKS,
  TASK_IDS,
  TRIGGER_SHARE,
  USUAL_RATES,
  WORKING_DAY,
  WORK_RATES,
  WORK_RATE_IDS,
  changesOf,
  daysOf,
  rateLimits,
  rateShown,
  sprayingTime,
  workOf,
  workWithDays,
  type JobHours,
  type JobWork,
  type Task,
  type WorkRate,
  type WorkRates,
} from './work';
