import { useEffect, useRef } from 'react';

/** What marks the entry of the browser's history that an open sheet has. */
const MARK = 'fineSpraySheet';

/** Sheets that are open, the last on top. */
const open: { readonly id: number; readonly close: () => void }[] = [];
let made = 0;
let listening = false;

const markOf = (state: unknown): number | undefined => {
  const mark = (state as Record<string, unknown> | null)?.[MARK];
  return typeof mark === 'number' ? mark : undefined;
};

/** Going back closes what lies over the screen; an entry whose sheet is gone is passed over. */
function onBack({ state }: PopStateEvent): void {
  const here = markOf(state);
  const top = open.at(-1);
  if (top && here !== top.id) top.close();
  else if (here !== undefined && !open.some(({ id }) => id === here)) history.back();
}

/**
 * Back closes what is open over the screen first, as the button of a phone is expected to: it has an entry of the browser's
 * history for as long as it is open.
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
    open.push(one);
    history.pushState({ ...(history.state as object | null), [MARK]: one.id }, '');
    return () => {
      open.splice(open.indexOf(one), 1);
      // Closed in another way its entry goes, too; not where a link of it has led somewhere else meanwhile.
      setTimeout(() => {
        if (markOf(history.state) === one.id) history.back();
      });
    };
  }, []);
}
