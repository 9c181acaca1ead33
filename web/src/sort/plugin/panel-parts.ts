import { tell } from '../../lib/telling';

/** The parts of a plugin's details that a key leads to, with what a screen reader is told where there is no such part. */
const ABSENT = {
  places: 'It is in no drawer and on no tray',
  type: 'A chain has no type of its own',
  presets: 'No presets were found',
  builds: 'It has no build',
} as const;

/** One of them. */
export type PanelPart = keyof typeof ABSENT;

/** Marks an element as a part of the panel. */
export const panelPart = (part: PanelPart) => ({ 'data-part': part, tabIndex: -1 }) as const;

const FOCUSABLE = 'button:not(:disabled), input:not(:disabled), select:not(:disabled), summary';
const LONGEST_WAIT_MS = 5000;

/** Moves the focus to the first control of a part, or to the part itself, as soon as the panel has loaded. */
export function focusPanelPart(part: PanelPart, since = performance.now()): void {
  requestAnimationFrame(() => {
    const panel = document.querySelector('[data-panel]');
    const target = panel?.querySelector<HTMLElement>(`[data-part="${part}"]`) ?? null;
    if (target !== null) {
      target.scrollIntoView({ block: 'start' });
      (target.querySelector<HTMLElement>(FOCUSABLE) ?? target).focus({ preventScroll: true });
    } else if (panel?.querySelector('[data-part]') != null) tell(ABSENT[part]);
    else if (performance.now() - since < LONGEST_WAIT_MS) focusPanelPart(part, since);
  });
}
