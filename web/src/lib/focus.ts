const MOST_FRAMES = 30;

/** Puts the keyboard on what a selector finds, as soon as it is drawn; in vain after half a second. */
export function focusWhenThere(selector: string, frames = MOST_FRAMES): void {
  requestAnimationFrame(() => {
    const found = document.querySelector<HTMLElement>(selector);
    if (found !== null) found.focus();
    else if (frames > 0) focusWhenThere(selector, frames - 1);
  });
}
