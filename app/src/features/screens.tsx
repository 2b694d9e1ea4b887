import type { Href } from 'expo-router';
import type { ComponentType, ReactNode } from 'react';
import { SetupComing } from './surface/SetupComing';
import { fetchedLater } from '@/ui/lazy';
import { eachInTurn, idle } from '@/data/turns';
import { Screen } from '@/ui/screen';
import { Skeleton } from '@/ui/states';

/** The chunk with what is wanted right after the first picture, and through it the one with every other screen. */
const soon = async () => await import('./soon');
const later = async () => (await soon()).later();

type Soon = Awaited<ReturnType<typeof soon>>['SOON'];
type Later = Awaited<ReturnType<typeof later>>['SCREENS'];
type Practice = Awaited<ReturnType<Awaited<ReturnType<typeof later>>['practice']>>;

/** Screens that are gone to first, read ahead while nothing else is to be done: to name one is to read it. */
const firstScreens = (near: Soon, far: Later): readonly (() => unknown)[] => [
  () => far.JobScreen,
  () => far.TodayScreen,
  () => near.SurfaceScreen,
  () => far.LogScreen,
];

/** When screens begin to be read ahead: the first one has long been drawn, ms. */
const READ_AHEAD = 4000;

/** Has the browser fetch a script, and keep it, without reading it; the page names it (`scripts/lib/build.mjs`). */
function fetchUnread(name: string): void {
  const address = document.querySelector(`meta[name="${name}"]`)?.getAttribute('content');
  if (!address) return;
  const link = document.createElement('link');
  document.head.append(Object.assign(link, { rel: 'prefetch', as: 'script', href: address }));
}

/**
 * Fetches what is not here ahead of its first use: at once, since the server may be gone in a moment. The chunk with every other screen is
 * read a while later: all at once it holds a slow phone up for a quarter of a second.
 */
export async function fetchScreens(): Promise<void> {
  try {
    if (typeof document !== 'undefined') fetchUnread('later');
    const { SOON } = await soon();
    await new Promise((resolve) => setTimeout(resolve, READ_AHEAD));
    await idle();
    const { SCREENS } = await later();
    await eachInTurn(firstScreens(SOON, SCREENS), { pause: idle });
  } catch {
    // Fetched when it is wanted, and said there where it cannot be had.
  }
}

/** One screen of a chunk, with the shape of what comes while it is fetched. */
const soonScreen = <Props extends object>(
  pick: (screens: Soon) => ComponentType<Props>,
  waiting: ReactNode,
): ComponentType<Props> => fetchedLater(async () => pick((await soon()).SOON), waiting);

/** The same of the chunk with all others. */
function screen<Props extends object>(
  pick: (screens: Later) => ComponentType<Props>,
  waiting: ReactNode,
): ComponentType<Props> {
  return fetchedLater(async () => pick((await later()).SCREENS), waiting);
}

/** The same of practice. */
const practiceScreen = <Props extends object>(
  pick: (screens: Practice) => ComponentType<Props>,
  waiting: ReactNode,
): ComponentType<Props> => fetchedLater(async () => pick(await (await later()).practice()), waiting);

const waiting = (title: string, backTo?: Href) => (
  <Screen title={title} backTo={backTo}>
    <Skeleton rows={3} height={160} />
  </Screen>
);

export const JobScreen = screen((screens) => screens.JobScreen, waiting('Job', '/'));
export const TableScreen = screen((screens) => screens.TableScreen, waiting('Surfaces as a table'));
export const NewJobScreen = screen((screens) => screens.NewJobScreen, waiting('New job', '/'));
export const JobSide = screen((screens) => screens.JobSide, null);
export const BuyScreen = screen((screens) => screens.BuyScreen, waiting('Buy list'));
export const OffersScreen = screen((screens) => screens.OffersScreen, waiting('Offers'));
export const OfferScreen = screen((screens) => screens.OfferScreen, waiting('Offer'));
export const TodayScreen = screen((screens) => screens.TodayScreen, waiting('Today'));
export const MethodsScreen = screen((screens) => screens.MethodsScreen, waiting('Spray or roll'));
export const BeginScreen = screen((screens) => screens.BeginScreen, waiting('Begin'));
export const StandsScreen = screen((screens) => screens.StandsScreen, waiting('Where the machine stands'));
export const DaysScreen = screen((screens) => screens.DaysScreen, waiting('Plan of the days'));
export const PrepareScreen = screen((screens) => screens.PrepareScreen, waiting('Prepare'));
export const PlaceScreen = screen((screens) => screens.PlaceScreen, waiting('Room'));
export const SystemsScreen = screen((screens) => screens.SystemsScreen, waiting('Coating systems'));
export const FilesScreen = screen((screens) => screens.FilesScreen, waiting('Files'));
export const OpenJobScreen = screen((screens) => screens.OpenJobScreen, waiting('Open a job file', '/'));
export const SurfaceScreen = soonScreen((screens) => screens.SurfaceScreen, waiting('Surface'));
export { SetupComing };
export const QuickSetup = soonScreen((screens) => screens.QuickSetup, <SetupComing />);
export const KitScreen = screen((screens) => screens.KitScreen, waiting('Kit'));
export const KitRowScreen = screen((screens) => screens.KitRowScreen, waiting('Kit', '/kit'));
export const InTheSprayer = screen((screens) => screens.InTheSprayer, null);
export const Strip = soonScreen((screens) => screens.Strip, null);
export const ToolScreen = screen((screens) => screens.ToolScreen, waiting('On site'));
export const TakeScreen = screen((screens) => screens.TakeScreen, waiting('Take along'));
export const JobTipsScreen = screen((screens) => screens.JobTipsScreen, waiting('Tips for the job'));
export const BookScreen = screen((screens) => screens.BookScreen, waiting('Rates and prices', '/settings'));
export const PeopleScreen = screen((screens) => screens.PeopleScreen, waiting('People', '/settings'));
export const PersonScreen = screen((screens) => screens.PersonScreen, waiting('Person', '/people'));
export const SignInScreen = screen((screens) => screens.SignInScreen, waiting('Sign in'));
export const SettingsScreen = screen((screens) => screens.SettingsScreen, waiting('Settings'));
export const LogScreen = screen((screens) => screens.LogScreen, waiting('Log'));
export const CaptureScreen = screen((screens) => screens.CaptureScreen, waiting('Write down', '/log'));
export const EntryScreen = screen((screens) => screens.EntryScreen, waiting('Entry', '/log/journal'));
export const JournalScreen = screen((screens) => screens.JournalScreen, waiting('Journal', '/log'));
export const WaitingScreen = screen((screens) => screens.WaitingScreen, waiting('Waiting to send', '/log'));
export const ClocksScreen = screen((screens) => screens.ClocksScreen, waiting('What can be sprayed', '/log'));
export const ActualScreen = screen((screens) => screens.ActualScreen, waiting('Plan against actual', '/log'));
export const WearScreen = screen((screens) => screens.WearScreen, waiting('Tips', '/log'));
export const ProductsScreen = screen(
  (screens) => screens.ProductsScreen,
  waiting('Products side by side', '/log'),
);
export const LearnedScreen = screen((screens) => screens.LearnedScreen, waiting('Our history', '/log'));
export const PracticeScreen = practiceScreen(
  (screens) => screens.PracticeScreen,
  waiting('Practice', '/set-up'),
);
export const SprayScreen = practiceScreen((screens) => screens.SprayScreen, waiting('Practice', '/practice'));
export const HouseScreen = practiceScreen(
  (screens) => screens.HouseScreen,
  waiting('What to practise first', '/practice'),
);
export const DrillScreen = practiceScreen((screens) => screens.DrillScreen, waiting('Practice', '/practice'));
