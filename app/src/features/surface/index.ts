export { newSurface } from '@/data/newSurface';
export { QuickSetup } from './QuickSetup';
export { SurfaceScreen } from './SurfaceScreen';
