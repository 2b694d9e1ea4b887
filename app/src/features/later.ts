/** Everything the first load does without: one chunk, fetched once and kept by the service worker. */
export { BuyScreen } from './buy';
export { FilesScreen, OpenJobScreen } from './files';
export { JobScreen, JobSide } from './jobs';
export { CoatingScreen, KitRowScreen, KitScreen } from './kit';
export { PlaceScreen } from './place';
export { BookScreen, SettingsScreen } from './settings';
export { SiteScreen } from './site';
export { Strip } from './strip';
export { TakeScreen } from './take';
export { SystemsScreen } from './system';
export { QuickSetup, SurfaceScreen } from './surface';
