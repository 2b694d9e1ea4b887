export { QuickSetup } from './QuickSetup';
export { SurfaceScreen } from './SurfaceScreen';
