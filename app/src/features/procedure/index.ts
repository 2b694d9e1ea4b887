export { GunDownScreen } from './GunDownScreen';
export { ProcedureScreen } from './ProcedureScreen';
export { WayList } from './WayList';
export { WrongScreen } from './WrongScreen';
export { faultLists, wayIn } from './lists';
