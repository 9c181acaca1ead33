import { useEffect } from 'react';

const MAX_FRAMES = 30;

/** Puts the keyboard on what a selector finds, as soon as it is drawn; in vain after half a second. */
export function focusWhenThere(selector: string, frames = MAX_FRAMES): void {
  requestAnimationFrame(() => {
    const found = document.querySelector<HTMLElement>(selector);
    if (found !== null) found.focus();
    else if (frames > 0) focusWhenThere(selector, frames - 1);
  });
}

/** Puts the keyboard where the work of a place is when it is opened, unless something has it already. `selectors` in order of preference, separated by commas. */
export function useFocusOnArrival(selectors: string): void {
  useEffect(() => {
    const frame = requestAnimationFrame(() => {
      const { activeElement } = document;
      // A link of the navigation that led here has done its work.
      const isFree = activeElement === null || activeElement === document.body || activeElement.closest('nav') !== null;
      if (!isFree) return;
      for (const selector of selectors.split(',')) {
        const target = document.querySelector<HTMLElement>(selector.trim());
        if (target === null) continue;
        target.focus({ preventScroll: true });
        return;
      }
    });
    return () => cancelAnimationFrame(frame);
  }, [selectors]);
}
