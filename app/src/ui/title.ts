import { useEffect } from 'react';

/** Sets the title of the page while the screen is shown. */
export function useTitle(title: string): void {
  useEffect(() => {
    if (typeof document !== 'undefined') document.title = `${title} – Fine Spray`;
  }, [title]);
}
