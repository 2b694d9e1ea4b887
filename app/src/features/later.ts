import '@/data/rowChecks';

/** Everything the first load does without: one chunk, fetched once and kept by the service worker. */
export { ActualScreen } from './actual';
export { BuyScreen } from './buy';
export { ClocksScreen } from './clocks';
export { DaysScreen } from './days';
export { FilesScreen, OpenJobScreen } from './files';
export { JobScreen, JobSide, NewJobScreen, TableScreen } from './jobs';
export { JobTipsScreen } from './jobTips';
export { EntryScreen, JournalScreen, WaitingScreen } from './journal';
export { KitRowScreen, KitScreen } from './kit';
export { LearnedScreen } from './learned';
export { CaptureScreen, LogScreen } from './log';
export { InTheSprayer } from './material';
export { MethodsScreen } from './methods';
export { OfferScreen, OffersScreen } from './offer';
export { PeopleScreen, PersonScreen, SignInScreen } from './people';
export { PlaceScreen } from './place';
export { PrepareScreen } from './prepare';
export { BookScreen, SettingsScreen } from './settings';
export { StandsScreen } from './stands';
export { Strip } from './strip';
export { TakeScreen } from './take';
export { TodayScreen } from './today';
export { SystemsScreen } from './system';
export { QuickSetup, SurfaceScreen } from './surface';
export { ToolScreen } from './tool';
export { WearScreen } from './wear';
