import { device } from './device';
import { keepQueries } from './keptQueries';
import { refreshLists, showTruth } from './lists';
import { inTime } from './patience';
import { plans } from './plans';
import { makeQueryClient } from './resources';

/** Longer than this the first picture does not wait for what is kept on the device, ms. */
const WAIT = 400;

let read = false;

/** The client of this page. */
export const pageClient = makeQueryClient();

// From the first moment: what is written before the rest of the program is here stands in the lists too.
plans.onChanged = (resources, ask) => {
  for (const one of resources) {
    refreshLists(pageClient, one);
    if (ask) void pageClient.invalidateQueries({ queryKey: [one] });
  }
};
plans.onTruth = (resource, id, row) => showTruth(pageClient, resource, id, row);

/** What this device last saw is read from the moment the program is; done when it is in the client, or cannot be had. */
export const opening: Promise<void> = keepQueries(pageClient, device).then(() => {
  read = true;
  void withWhatWaits().catch(() => undefined);
});

/**
 * A list may have been kept a moment before what waits was written: a page that was left at once has no time for both. What waits is
 * kept first, and is put over it.
 */
async function withWhatWaits(): Promise<void> {
  await plans.start();
  const waiting = new Set(plans.current().flatMap(({ writes }) => writes.map(({ resource }) => resource)));
  for (const resource of waiting) refreshLists(pageClient, resource);
}

/** Whether what this device last saw is in the client. */
export const hasOpened = (): boolean => read;

/** Done when the rows this device last saw are there, or have kept the first picture waiting. */
export async function opened(): Promise<void> {
  await inTime(opening, WAIT);
}
