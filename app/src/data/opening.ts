import { device } from './device';
import { keepQueries } from './keptQueries';
import { makeQueryClient } from './resources';

/** Longer than this the first picture does not wait for what is kept on the device, ms. */
const WAIT = 400;

let read = false;

/** The client of this page. */
export const pageClient = makeQueryClient();

/** What this device last saw is read from the moment the program is; done when it is in the client, or cannot be had. */
export const opening: Promise<void> = keepQueries(pageClient, device).then(() => {
  read = true;
});

/** Whether what this device last saw is in the client. */
export const hasOpened = (): boolean => read;

/** Done when the rows this device last saw are there, or have kept the first picture waiting. */
export function opened(): Promise<void> {
  const late = new Promise<void>((resolve) => setTimeout(resolve, WAIT));
  return Promise.race([opening, late]);
}
