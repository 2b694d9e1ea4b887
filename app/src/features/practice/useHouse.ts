import { measure } from '@fine-spray/core/takeoff';
import type { UnitSystem } from '@fine-spray/core/units';
import { useCallback, useEffect, useRef, useState } from 'react';
import { runWorker, type StartWorker } from '@/data/worker';
import type { LoadedJob } from '@/features/frame';
import type { HouseOrder, HouseReport } from '@/workers/house.worker';

const startWorker: StartWorker = () =>
  new Worker(new URL('../../workers/house.worker', window.location.href));

/** Workers at once: the screen has little to do meanwhile, and more than these share the same memory. */
const MOST = 4;
const workers = (): number => Math.max(1, Math.min(MOST, globalThis.navigator?.hardwareConcurrency ?? 1));

/** Films of a job as far as they are there. */
export interface House {
  readonly films: readonly HouseReport[];
  /** Why nothing more comes though some are missing. */
  readonly ended?: 'stopped' | 'failed';
}

const NONE: House = { films: [] };

/** Surfaces dealt out so that each worker has large and small ones. */
function dealt({ surfaces }: Pick<LoadedJob, 'surfaces'>, hands: number): readonly LoadedJob['surfaces'][] {
  const areaOf = ({ geometry }: LoadedJob['surfaces'][number]) => {
    const area = measure(geometry);
    return area.ok ? area.value.net : 0;
  };
  const sorted = [...surfaces].sort((a, b) => areaOf(b) - areaOf(a));
  return Array.from({ length: hands }, (_none, hand) =>
    sorted.filter((_one, index) => index % hands === hand),
  );
}

/** What a usual hand lays on every surface of a job, worked out in workers one after the other. */
export function useHouse(loaded: LoadedJob, system: UnitSystem, start: StartWorker = startWorker) {
  const { surfaces, job, kit } = loaded;
  const [house, setHouse] = useState(NONE);
  const end = useRef((): void => undefined);
  useEffect(() => {
    setHouse(NONE);
    const take = (report: HouseReport) => setHouse((now) => ({ ...now, films: [...now.films, report] }));
    const failed = () => setHouse((now) => ({ ...now, ended: 'failed' }));
    const ends = dealt({ surfaces }, workers())
      .filter((some) => some.length > 0)
      .map((some) =>
        runWorker<HouseOrder, HouseReport>(start, { surfaces: some, job, kit, system }, take, failed),
      );
    end.current = () => ends.forEach((one) => one());
    return end.current;
  }, [surfaces, job, kit, system, start]);
  const stop = useCallback(() => {
    end.current();
    setHouse((now) => ({ ...now, ended: now.ended ?? 'stopped' }));
  }, []);
  return { ...house, stop };
}
