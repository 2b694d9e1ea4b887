import { useEffect } from 'react';
import { fontRules } from '@/ui/fonts';
import { idle } from './turns';

/** Where the picture of what was last seen is kept; `public/last-seen.js` draws it. */
const NAME = 'fine-spray.last-seen';
/** Addresses whose picture is kept: the one the installed application begins at. */
const KEPT = new Set(['/']);
/** A page that has not changed for so long is taken, ms. */
const STILL = 500;
/** A longer one is not kept: it would take the next start longer than it spares, characters. */
const LONGEST = 100_000;

/** What is there for the moment: it is neither true nor of use at the next start. */
const PASSING = '[role="status"], [data-testid="strip"]';
/** While one of these is there the page is not what somebody came for. */
const COMING = '[role="status"][aria-label="Loading"], [role="alert"], [role="dialog"]';

/** Rules of the style sheet that is made while the program runs; all others come with the page. */
function rulesMade(): string {
  const made = document.getElementById('react-native-stylesheet');
  const rules = made instanceof HTMLStyleElement ? [...(made.sheet?.cssRules ?? [])] : [];
  return rules.map(({ cssText }) => cssText).join('\n');
}

/**
 * What is seen of the page now, as a picture of it whose links and buttons can be found: without what is below the window, and without
 * what is there for the moment.
 * @returns undefined where the page is on its way to something else
 */
export function pictureOf(root: HTMLElement): string | undefined {
  const page = root.firstElementChild;
  if (!page || root.querySelector(COMING)) return undefined;
  const copy = page.cloneNode(true) as Element;
  const below = [...page.querySelectorAll('a, button')].map(
    (one) => one.getBoundingClientRect().top > window.innerHeight,
  );
  const copies = [...copy.querySelectorAll('a, button')];
  copies.forEach((one, index) => below[index] && one.remove());
  for (const one of copy.querySelectorAll(PASSING)) one.remove();
  // What is typed into a picture would be lost.
  for (const one of copy.querySelectorAll('input, textarea, select')) one.setAttribute('disabled', '');
  return copy.outerHTML;
}

/** Keeps what is seen of the page for the next start; what was kept stays where the page is on its way, or too long. */
export function keepLastSeen(): void {
  const root = document.getElementById('root');
  const html = root ? pictureOf(root) : undefined;
  if (html === undefined || html.length > LONGEST) return;
  try {
    localStorage.setItem(
      NAME,
      JSON.stringify({
        path: location.pathname + location.search,
        width: innerWidth,
        theme: document.documentElement.dataset['theme'],
        styles: document.querySelector('link[rel="stylesheet"]')?.getAttribute('href'),
        company: localStorage.getItem('fine-spray.company'),
        rules: `${fontRules()}\n${rulesMade()}`,
        html,
      }),
    );
  } catch {
    // Full or forbidden: the next start has the empty picture, as a first one.
  }
}

/** Forgets it: it says what a company does. */
export const forgetLastSeen = (): void => localStorage.removeItem(NAME);

/** Tells that the application has taken the place of the picture, and takes what was tapped in that. */
export function useTapsOfBefore(): void {
  useEffect(() => {
    // Once the router, which stands around every screen, has begun too: before, what is gone to has no way back.
    setTimeout(() => globalThis.dispatchEvent?.(new Event('fine-spray-stands')));
  }, []);
}

/** Keeps what is seen at the address that the installed application begins at, whenever it has come to rest. */
export function useLastSeen(path: string, stands: boolean): void {
  useEffect(() => {
    const root = typeof document === 'undefined' ? null : document.getElementById('root');
    if (!root || !stands || !KEPT.has(path)) return undefined;
    let left = false;
    let still: ReturnType<typeof setTimeout> | undefined;
    const wait = () => {
      clearTimeout(still);
      still = setTimeout(() => void idle().then(() => left || keepLastSeen()), STILL);
    };
    const changes = new MutationObserver(wait);
    changes.observe(root, { childList: true, subtree: true, characterData: true });
    wait();
    return () => {
      left = true;
      clearTimeout(still);
      changes.disconnect();
    };
  }, [path, stands]);
}
