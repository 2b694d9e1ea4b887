import { useEffect, useRef } from 'react';

/** What marks the entry of the browser's history that an open sheet has. */
const MARK = 'fineSpraySheet';

/** Sheets that are open, the last on top. */
const open: { readonly id: number; readonly close: () => void }[] = [];
let made = 0;
let listening = false;
/** Where a sheet was closed in another way than by going back: its entry is left, and is passed over with the next step back. */
let leftAt: string | undefined;

const markOf = (state: unknown): number | undefined => {
  const mark = (state as Record<string, unknown> | null)?.[MARK];
  return typeof mark === 'number' ? mark : undefined;
};

/** Going back closes what lies over the screen; the entry of a sheet that is gone is passed over. */
function onBack({ state }: PopStateEvent): void {
  const here = markOf(state);
  const top = open.at(-1);
  const passed = leftAt;
  leftAt = undefined;
  if (top && here !== top.id) top.close();
  else if (here !== undefined && !open.some(({ id }) => id === here)) history.back();
  else if (here === undefined && passed === window.location.href) history.back();
}

/**
 * Back closes what is open over the screen first, as the button of a phone is expected to: it has an entry of the browser's
 * history while it is open. Closed in another way its entry stays till somebody goes back: to take it out at once would undo what the
 * sheet has just changed of the address.
 */
export function useBackCloses(onClose: () => void): void {
  const close = useRef(onClose);
  useEffect(() => {
    close.current = onClose;
  });
  useEffect(() => {
    if (typeof history === 'undefined') return undefined;
    if (!listening) {
      listening = true;
      window.addEventListener('popstate', onBack);
    }
    const one = { id: (made += 1), close: () => close.current() };
    const state = { ...(history.state as object | null), [MARK]: one.id };
    const before = markOf(history.state);
    // The entry that another sheet has left is taken over.
    if (before !== undefined && !open.some(({ id }) => id === before)) history.replaceState(state, '');
    else history.pushState(state, '');
    leftAt = undefined;
    open.push(one);
    return () => {
      open.splice(open.indexOf(one), 1);
      if (markOf(history.state) === one.id) leftAt = window.location.href;
    };
  }, []);
}
