export { newSurface } from './newSurface';
export { QuickSetup } from './QuickSetup';
export { SurfaceScreen } from './SurfaceScreen';
