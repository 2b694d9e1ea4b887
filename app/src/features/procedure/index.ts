export { GunDownScreen } from './GunDownScreen';
export { ProcedureScreen } from './ProcedureScreen';
export { WayList } from './WayList';
export { faultLists, wayIn } from './lists';
