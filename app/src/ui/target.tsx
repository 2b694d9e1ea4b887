import { createContext, useContext, type ReactNode } from 'react';

/** Least side of what is tapped, px: at a desk, and on site with a glove on. */
const TARGETS = { desk: 48, site: 56 } as const;

const TargetContext = createContext<number>(TARGETS.desk);

/** Everything below is tapped with a glove on. */
export function SiteTargets({ children }: { children: ReactNode }) {
  return <TargetContext.Provider value={TARGETS.site}>{children}</TargetContext.Provider>;
}

/** Least height of what is tapped here. */
export const useTarget = () => ({ minHeight: useContext(TargetContext) });
