import { useEffect } from 'react';

const FOCUSABLE =
  'a[href], button:not(:disabled), input:not(:disabled), select:not(:disabled), textarea:not(:disabled), [tabindex]:not([tabindex="-1"])';

/** Where the keyboard was: what had it, what names that thing, and what stood around it on each level, the nearest first. */
interface Stand {
  readonly element: HTMLElement;
  readonly names: readonly string[];
  readonly around: readonly {
    readonly box: Element;
    readonly next: Element | null;
    readonly before: Element | null;
  }[];
}

/** What names a thing on the page: when it is drawn anew elsewhere, the keyboard goes there with it. */
function namesOf(element: HTMLElement): string[] {
  const names: string[] = [];
  if (element.id !== '') names.push(`#${CSS.escape(element.id)}`);
  const { drawer } = element.closest<HTMLElement>('[data-drawer], [data-tray]')?.dataset ?? {};
  if (drawer !== undefined) names.push(`[data-drawer="${CSS.escape(drawer)}"] > [data-front]`);
  return names;
}

/** Looks at what is around only, and at no boxes: this is done with every step of the keyboard, in chests of thousands. */
function standOf(element: HTMLElement): Stand {
  const around: { box: Element; next: Element | null; before: Element | null }[] = [];
  for (
    let own: Element = element, box = element.parentElement;
    box !== null && box !== document.body;
    box = own.parentElement
  ) {
    around.push({ box, next: own.nextElementSibling, before: own.previousElementSibling });
    own = box;
  }
  return { element, names: namesOf(element), around };
}

const isSeen = (one: HTMLElement): boolean => one.offsetParent !== null && !one.matches(':disabled');

/** The first thing in a part of the page that can have the keyboard, the part itself before what is in it. */
function firstIn(part: Element | null): HTMLElement | null {
  if (part?.isConnected !== true) return null;
  if (part instanceof HTMLElement && part.matches(FOCUSABLE) && isSeen(part)) return part;
  return [...part.querySelectorAll<HTMLElement>(FOCUSABLE)].find(isSeen) ?? null;
}

/** The nearest thing to where the keyboard was that can have it: itself, itself elsewhere, a neighbour, the list of the place. */
function nearest({ element, names, around }: Stand): HTMLElement | null {
  if (element.isConnected && isSeen(element)) return element;
  for (const name of names) {
    const found = document.querySelector<HTMLElement>(name);
    if (found !== null) return found;
  }
  for (const { box, next, before } of around) {
    if (box.tagName === 'MAIN') break;
    const neighbour = firstIn(next) ?? firstIn(before) ?? firstIn(box);
    if (neighbour !== null) return neighbour;
  }
  return document.querySelector<HTMLElement>('main [data-list]') ?? firstIn(document.querySelector('main'));
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
