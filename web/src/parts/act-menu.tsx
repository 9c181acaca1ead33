import { createContext, use, useMemo, useRef, useState, type MouseEvent, type ReactNode } from 'react';
import Dropdown from 'react-bootstrap/Dropdown';
import type { MenuAct } from './menu-act';
import styles from './act-menu.module.css';

type OpenMenu = (event: MouseEvent, title: string, acts: readonly MenuAct[]) => void;
const MenuContext = createContext<OpenMenu>(() => undefined);

/** Opens a menu at the pointer, or beside what has the focus when a key asked for it. */
export const useActMenu = (): OpenMenu => use(MenuContext);

interface Shown {
  readonly title: string;
  readonly acts: readonly MenuAct[];
  readonly x: number;
  readonly y: number;
}

/** Where menus open: one at a time, with what the keys do and the keys beside. */
export function ActMenus({ children }: { children: ReactNode }) {
  const [shown, show] = useState<Shown | null>(null);
  const cameFrom = useRef<Element | null>(null);
  const open = useMemo(
    (): OpenMenu => (event, title, acts) => {
      event.preventDefault();
      event.stopPropagation();
      // A finger that rests drags.
      const { pointerType } = event.nativeEvent as PointerEvent;
      if (acts.length === 0 || pointerType === 'touch') return;
      cameFrom.current = document.activeElement;
      show({ title, acts, x: event.clientX, y: event.clientY });
    },
    [],
  );
  const close = (): void => {
    show(null);
    if (cameFrom.current instanceof HTMLElement && cameFrom.current.isConnected) cameFrom.current.focus();
  };
  return (
    <MenuContext value={open}>
      {children}
      {shown !== null && (
        <Dropdown
          show
          autoClose
          className={styles.point}
          style={{ left: shown.x, top: shown.y }}
          onToggle={(next) => !next && close()}
        >
          <Dropdown.Toggle as="span" bsPrefix={styles.toggle} aria-hidden tabIndex={-1} />
          <Dropdown.Menu
            className={styles.menu}
            style={{ maxHeight: roomFor(shown.y) }}
            role="menu"
            aria-label={shown.title}
            ref={focusFirst}
          >
            <div className="dropdown-header one-line">
              <bdi>{shown.title}</bdi>
            </div>
            {shown.acts.map(({ key, words, hint, act }) => (
              <Dropdown.Item
                key={key}
                as="button"
                type="button"
                role="menuitem"
                onClick={() => {
                  close();
                  act();
                }}
              >
                <span>{words}</span> {hint !== '' && <kbd>{hint}</kbd>}
              </Dropdown.Item>
            ))}
          </Dropdown.Menu>
        </Dropdown>
      )}
    </MenuContext>
  );
}

const MARGIN_PX = 12;

/** The height of a menu that opens at a height of the window: it goes up or down, wherever there is more room. */
const roomFor = (y: number): number => Math.max(window.innerHeight - y, y) - MARGIN_PX;

const focusFirst = (menu: HTMLElement | null): void => menu?.querySelector<HTMLElement>('[role="menuitem"]')?.focus();

/** Opens the menu of what has the focus, as the menu key does; false when nothing has it. */
export function openMenuHere(): boolean {
  const here = document.activeElement;
  if (here === null || here === document.body) return false;
  const row = document.getElementById(here.getAttribute('aria-activedescendant') ?? '') ?? here;
  const { left, bottom } = row.getBoundingClientRect();
  row.dispatchEvent(
    new window.MouseEvent('contextmenu', { bubbles: true, cancelable: true, clientX: left + 24, clientY: bottom }),
  );
  return true;
}
