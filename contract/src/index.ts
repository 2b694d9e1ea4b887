export * from './primitives';
export * from './problem';
export * from './kit';
export * from './job';
export * from './files';
export {
  ALL_OPERATIONS,
  RESOURCES,
  SINGLE_OPERATIONS,
  health,
  type Operation,
  type ResourceName,
} from './operations';
export { setupRequest, type SetupRows } from './setupRequest';
