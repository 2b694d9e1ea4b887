/** Stored rows put together as the core wants them, for every screen and for paper alike. */
export { answerParts, firstAnswer, type AnswerPart, type FirstAnswer } from './answer';
export { cameTo, type CameTo, type CostBeside } from './cameTo';
export { checkBought, type BoughtCheck, type BoughtList } from './bought';
export { PURCHASE_DRAWS, buyingsFor, likelyPaint, paintCost, type Buying } from './buying';
export {
  jobPlan,
  priceFor,
  roomsToPrepare,
  type JobPlan,
  type PlannedWork,
  type PricedPart,
  type PricedRoom,
  type PricedSurface,
  type RoomToPrepare,
} from './jobPlan';
export {
  isAbout,
  listedLines,
  netOfWork,
  offeredFor,
  optionProblems,
  surfacesWith,
  totalsOf,
  workText,
  type JobToOffer,
  type ListedLine,
  type Offered,
} from './offered';
export { PRICED_AT, workOutJob, type JobToWorkOut, type WorkedOut } from './wholeJob';
export { planHistory, planHistoryInSteps, type PlanHistory } from './history';
export { NO_JOB, firstSetup, type FirstSetup } from './firstSetup';
export type { Kit } from './kit';
export { newName, newSurface } from './newSurface';
export {
  LAYER_NAMES,
  choiceOf,
  coreLayers,
  coatWithin,
  layerOfCoat,
  layerAlone,
  layerKey,
  layersOf,
  layersOfChoice,
  ofWork,
  requestFor,
  withLayerTip,
  workId,
  type CoatOfSurface,
  type SetupJob,
  type SetupSurface,
  type SurfaceLayer,
  type SystemChoice,
} from './layers';
export { methodsByRoom, type ByMethod } from './methods';
export { ordersFor, triggerTimeOf, type CoatingOrder, type OrderedSurface } from './orders';
export { plannedCoats, type PlannedCoatOfJob } from './plannedCoats';
export { midnightOf, minuteOf, momentOf, timesOf } from './scheduleTimes';
export { siteNow } from './siteNow';
export { askedBy, siteState, stepsOf, type PlanMode, type SiteState, type StateLog } from './siteState';
export { type JobTask, type TaskCoat } from './siteCoats';
export { planKept, type CoatKept, type PlanKept } from './planKept';
export { remindersOf, type Reminder, type RemindersAsked } from './reminders';
export { roomsByDay, type RoomsOfDay } from './roomsByDay';
export { lineStep, linesDone, stageOfLine, type LineDone } from './prepareSteps';
export { NO_ROOM, roomName } from './siteRooms';
export {
  type HoseChoice,
  hoseChoices,
  hoseOf,
  roomsOfJob,
  standByRoom,
  standsOfJob,
  type JobRoom,
} from './stands';
export {
  USUAL_WEATHER,
  siteTasks,
  type DoneCoat,
  type DryingWeather,
  type JobTasks,
  type SiteStep,
  type TasksAsked,
} from './siteTasks';
export {
  OTHER_WAYS,
  askedOtherwise,
  chancesOf,
  dayPages,
  daysOfSchedule,
  otherPlans,
  placedOf,
  planMoment,
  planSite,
  scheduleResult,
  type DayPage,
  type OtherPlan,
  type OtherWay,
  type SiteAsked,
  type SitePlanFound,
  type SitePlanned,
} from './sitePlan';
