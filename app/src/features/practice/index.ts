export { DrillScreen } from './DrillScreen';
export { HouseScreen } from './HouseScreen';
export { PracticeProgress } from './PracticeProgress';
export { PracticeScreen } from './PracticeScreen';
export { PractiseSite } from './PractiseSite';
export { SprayScreen } from './SprayScreen';
export { TryScreen } from './TryScreen';
