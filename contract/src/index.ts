export * from './primitives';
export * from './problem';
export * from './kit';
export * from './book';
export * from './entry';
export * from './standIn';
export * from './job';
export * from './place';
export * from './system';
export * from './files';
export * from './paper';
export {
  ALL_OPERATIONS,
  BATCH_LIMIT,
  RESOURCES,
  SINGLE_OPERATIONS,
  batch,
  health,
  type BatchWrite,
  type Operation,
  type ResourceName,
} from './operations';
export { coreTip, setupRequest, type SetupRows } from './setupRequest';
