export { passingOf, stageAt, type PassStage, type Passing, type PassingRequest } from './passing';
export { gunAt, onPass, timedPasses, type GunAt, type TimedPass } from './time';
export { DOORS, type DoorStands } from './stage';
export { CREWS, openArea, stretchesOf, type RollingCrew, type Stretch } from './stretches';
export { BODY, OPEN_TIME } from './habits';
