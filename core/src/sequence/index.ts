export { SET_UPS, SLOT, MIST, onGrid, setUpBetween, type Fluid, type Lag, type SiteTask } from './tasks';
export { Calendar, HORIZON, type SiteTimes, type Span } from './calendar';
export { Placer, type Placed, type SiteJob, type SitePlan } from './plan';
export { better, longestTailFirst, searchPlan, type Search } from './improve';
export { boundOf, type Bound } from './bound';
export { brokenRules, type Broken } from './check';
export { planProblems, type PlanProblem } from './problems';
export { whoDoes } from './who';
