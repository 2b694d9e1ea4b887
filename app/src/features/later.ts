import '@/data/rowChecks';
import { ActualScreen } from './actual';
import { BeginScreen } from './begin';
import { BuyScreen } from './buy';
import { ClocksScreen } from './clocks';
import { DaysScreen } from './days';
import { FilesScreen, OpenJobScreen } from './files';
import { JobScreen, JobSide, NewJobScreen, TableScreen } from './jobs';
import { JobTipsScreen } from './jobTips';
import { EntryScreen, JournalScreen, WaitingScreen } from './journal';
import { KitRowScreen, KitScreen } from './kit';
import { LearnedScreen } from './learned';
import { ProductsScreen } from './products';
import { CaptureScreen, LogScreen } from './log';
import { InTheSprayer } from './material';
import { MethodsScreen } from './methods';
import { OfferScreen, OffersScreen } from './offer';
import { PeopleScreen, PersonScreen, SignInScreen } from './people';
import { PlaceScreen } from './place';
import { PrepareScreen } from './prepare';
import { BookScreen, SettingsScreen } from './settings';
import { StandsScreen } from './stands';
import { TakeScreen } from './take';
import { TodayScreen } from './today';
import { SystemsScreen } from './system';
import { ToolScreen } from './tool';
import { WearScreen } from './wear';

/**
 * Everything the first load does without: one chunk, fetched once and kept by the service worker. A screen is read when it is first
 * asked for: all of them at once would hold a slow phone up for half a second.
 */
export const SCREENS = {
  get ActualScreen() {
    return ActualScreen;
  },
  get BeginScreen() {
    return BeginScreen;
  },
  get BookScreen() {
    return BookScreen;
  },
  get BuyScreen() {
    return BuyScreen;
  },
  get CaptureScreen() {
    return CaptureScreen;
  },
  get ClocksScreen() {
    return ClocksScreen;
  },
  get DaysScreen() {
    return DaysScreen;
  },
  get EntryScreen() {
    return EntryScreen;
  },
  get FilesScreen() {
    return FilesScreen;
  },
  get InTheSprayer() {
    return InTheSprayer;
  },
  get JobScreen() {
    return JobScreen;
  },
  get JobSide() {
    return JobSide;
  },
  get JobTipsScreen() {
    return JobTipsScreen;
  },
  get JournalScreen() {
    return JournalScreen;
  },
  get KitRowScreen() {
    return KitRowScreen;
  },
  get KitScreen() {
    return KitScreen;
  },
  get LearnedScreen() {
    return LearnedScreen;
  },
  get LogScreen() {
    return LogScreen;
  },
  get MethodsScreen() {
    return MethodsScreen;
  },
  get NewJobScreen() {
    return NewJobScreen;
  },
  get OfferScreen() {
    return OfferScreen;
  },
  get OffersScreen() {
    return OffersScreen;
  },
  get OpenJobScreen() {
    return OpenJobScreen;
  },
  get PeopleScreen() {
    return PeopleScreen;
  },
  get PersonScreen() {
    return PersonScreen;
  },
  get PlaceScreen() {
    return PlaceScreen;
  },
  get PrepareScreen() {
    return PrepareScreen;
  },
  get ProductsScreen() {
    return ProductsScreen;
  },
  get SettingsScreen() {
    return SettingsScreen;
  },
  get SignInScreen() {
    return SignInScreen;
  },
  get StandsScreen() {
    return StandsScreen;
  },
  get SystemsScreen() {
    return SystemsScreen;
  },
  get TableScreen() {
    return TableScreen;
  },
  get TakeScreen() {
    return TakeScreen;
  },
  get TodayScreen() {
    return TodayScreen;
  },
  get ToolScreen() {
    return ToolScreen;
  },
  get WaitingScreen() {
    return WaitingScreen;
  },
  get WearScreen() {
    return WearScreen;
  },
};

/** The chunk with everything of practice: most days nobody asks for it. */
export const practice = async () => await import('@/features/practice');
