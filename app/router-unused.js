// Parts of the router that belong to stacks, tabs, previews and the map of routes, none of which are here: screens stand in a
// slot. What is asked of them at the start is answered, the rest is not there.
import { createContext } from 'react';

const nothing = () => null;

/** Asked by what shows an error: whether it stands in a bar of tabs. */
export const BottomTabBarHeightContext = createContext(undefined);
/** Made once when the router is read, and never shown. */
export const createNativeStackNavigator = () => ({ Navigator: nothing });
export const createBottomTabNavigator = createNativeStackNavigator;
/** The page has its title by `ui/title.ts`. */
export const Head = Object.assign(nothing, { Provider: ({ children }) => children });
export const isNativeTabTrigger = () => false;
export const Sitemap = nothing;
export const getNavOptions = () => ({});
/** Called once at the start, for native screens. */
export const initScreensFeatureFlags = nothing;
export const ExperimentalStack = nothing;
