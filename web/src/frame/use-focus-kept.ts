import { useEffect } from 'react';

const FOCUSABLE =
  'a[href], button:not(:disabled), input:not(:disabled), select:not(:disabled), textarea:not(:disabled), [tabindex]:not([tabindex="-1"])';

/** Where the keyboard was: what had it, what names that thing, and its place among its neighbours, the nearest ones first. */
interface Stand {
  readonly element: HTMLElement;
  readonly names: readonly string[];
  readonly around: readonly { readonly box: Element; readonly index: number }[];
}

/** What names a thing on the page: when it is drawn anew elsewhere, the keyboard goes there with it. */
function namesOf(element: HTMLElement): string[] {
  const names: string[] = [];
  if (element.id !== '') names.push(`#${CSS.escape(element.id)}`);
  const front = element.closest<HTMLElement>('[data-drawer], [data-tray]');
  if (front?.dataset.drawer !== undefined)
    names.push(`[data-drawer="${CSS.escape(front.dataset.drawer)}"] > [data-front]`);
  return names;
}

const focusables = (box: Element): HTMLElement[] =>
  [...box.querySelectorAll<HTMLElement>(FOCUSABLE)].filter((one) => one.offsetParent !== null);

function standOf(element: HTMLElement): Stand {
  const around: { box: Element; index: number }[] = [];
  for (let box = element.parentElement; box !== null && box !== document.body; box = box.parentElement)
    around.push({ box, index: focusables(box).indexOf(element) });
  return { element, names: namesOf(element), around };
}

/** The nearest thing to where the keyboard was that can have it: itself, itself elsewhere, a neighbour, the list of the place. */
function nearest({ element, names, around }: Stand): HTMLElement | null {
  if (element.isConnected && !element.matches(':disabled') && element.offsetParent !== null) return element;
  for (const name of names) {
    const found = document.querySelector<HTMLElement>(name);
    if (found !== null) return found;
  }
  for (const { box, index } of around) {
    if (!box.isConnected) continue;
    if (box.tagName === 'MAIN') break;
    if (box instanceof HTMLElement && box.matches(FOCUSABLE)) return box;
    const own = focusables(box);
    const neighbour = own[Math.min(Math.max(index, 0), own.length - 1)];
    if (neighbour !== undefined) return neighbour;
  }
  return (
    document.querySelector<HTMLElement>('main [data-list]') ??
    focusables(document.querySelector('main') ?? document.body)[0] ??
    null
  );
}

const PRESSES = ['pointerdown', 'pointerup', 'pointercancel'] as const;
const IN_FRONT = '[role="dialog"], .dropdown-menu';

/**
 * The keyboard never falls to the bare page: when what had it is gone, or can't have it any more, the nearest thing gets it. Boxes and menus keep
 * their own, and give it back to where it was before them.
 */
export function useFocusKept(): void {
  useEffect(() => {
    let stand: Stand | null = null;
    let frame = 0;
    let isPressed = false;
    const remember = (event: FocusEvent): void => {
      const { target } = event;
      if (target instanceof HTMLElement && target !== document.body && target.closest(IN_FRONT) === null)
        stand = standOf(target);
    };
    const look = (): void => {
      if (stand === null || document.activeElement !== document.body || frame !== 0) return;
      // After what is going on: a box that has just closed gives the keyboard back by itself.
      frame = requestAnimationFrame(() => {
        frame = 0;
        if (stand === null || document.activeElement !== document.body || !document.hasFocus()) return;
        if (document.querySelector('[role="dialog"]') !== null) return;
        // Text that is being marked, or is marked, to be copied.
        if (isPressed || getSelection()?.isCollapsed === false) return;
        nearest(stand)?.focus({ preventScroll: true });
      });
    };
    const press = (event: PointerEvent): void => {
      isPressed = event.type === 'pointerdown';
      if (!isPressed) look();
    };
    const changed = new MutationObserver(look);
    changed.observe(document.body, { childList: true, subtree: true, attributeFilter: ['disabled'] });
    document.addEventListener('focusin', remember);
    document.addEventListener('focusout', look);
    for (const name of PRESSES) document.addEventListener(name, press);
    return () => {
      changed.disconnect();
      cancelAnimationFrame(frame);
      document.removeEventListener('focusin', remember);
      document.removeEventListener('focusout', look);
      for (const name of PRESSES) document.removeEventListener(name, press);
    };
  }, []);
}
