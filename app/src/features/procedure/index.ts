export { ProcedureScreen } from './ProcedureScreen';
