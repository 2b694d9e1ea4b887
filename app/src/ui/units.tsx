import type { UnitSystem } from '@fine-spray/core/units';
import { createContext, useContext, useMemo, type ReactNode } from 'react';
import { usePreference } from './preference';

interface Units {
  readonly system: UnitSystem;
  readonly setSystem: (system: UnitSystem) => void;
}

const UnitsContext = createContext<Units>({ system: 'metric', setSystem: () => undefined });
const SYSTEMS: readonly UnitSystem[] = ['metric', 'us'];

/** Which unit system is large; the other stands small beside it. Remembered on the device. */
export function UnitsProvider({ children }: { children: ReactNode }) {
  const [system, setSystem] = usePreference<UnitSystem>('units', 'metric', SYSTEMS);
  const units = useMemo(() => ({ system, setSystem }), [system, setSystem]);
  return <UnitsContext.Provider value={units}>{children}</UnitsContext.Provider>;
}

export const useUnits = () => useContext(UnitsContext);
