export {
  SET_UPS,
  SLOT,
  MIST,
  onGrid,
  setUpBetween,
  type Fluid,
  type Lag,
  type Loaded,
  type Pin,
  type SiteTask,
  type Spread,
} from './tasks';
export { Calendar, HORIZON, MOST_PEOPLE, type SiteTimes, type Span } from './calendar';
export { Placer, type Hold, type Placed, type SiteJob, type SitePlan } from './plan';
export { movedTasks, repairPlan, type Moved } from './repair';
export { chanceOf, finishBy, forecastOf, type Forecast } from './forecast';
export { better, longestTailFirst, searchPlan, type Search } from './improve';
export { boundOf, type Bound } from './bound';
export { brokenRules, type Broken } from './check';
export { planProblems, type PlanProblem } from './problems';
