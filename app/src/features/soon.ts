import { Strip } from './strip';
import { QuickSetup, SurfaceScreen } from './surface';

/**
 * What is wanted right after the first picture: the strip, and the set-up, which a painter opens without a job. A chunk, and the way to
 * the next one: what that needs of this is not in it again.
 */
export const SOON = {
  get QuickSetup() {
    return QuickSetup;
  },
  get Strip() {
    return Strip;
  },
  get SurfaceScreen() {
    return SurfaceScreen;
  },
};

/** The chunk with every other screen. */
export const later = async () => await import('./later');
