import clsx from 'clsx';
import { useRef, useState, type ReactNode } from 'react';
import type { Content, Contents } from '@clever-drawer/core/chests/drawer-contents';
import {
  DRAWER_SPLIT_LABELS,
  splitContents,
  type DrawerSplit,
  type Part,
} from '@clever-drawer/core/chests/drawer-split';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import type { ChosenItem } from '../../catalogue/chosen-catalogue';
import { takeKey } from '../../keys/use-keys';
import { counted } from '../../lib/counted';
import { frontHandlers, frontsAround } from '../../parts/front-walk';
import { PlainButton } from '../../parts/plain-button';
import styles from '../../parts/front.module.css';

interface Props {
  readonly drawer: Drawer;
  readonly by: DrawerSplit;
  readonly contents: Contents<ChosenItem>;
  readonly isOpen: (part: string) => boolean;
  readonly toggle: (part: string) => void;
  /** Draws the lines of a part under a name of its own. */
  readonly list: (contents: Contents<ChosenItem>, label: string) => ReactNode;
}

/** More parts than this are drawn when they are asked for. */
const MAX_AT_ONCE = 120;

/** The id under which the view remembers that a part is open. */
export const partId = (drawer: Drawer, key: string): string => `${drawer.id}/${key}`;

/** What a drawer holds as inner drawers that follow by themselves: smaller fronts, pulled out in place. */
export function SplitParts({ drawer, by, contents, isOpen, toggle, list }: Props) {
  const [showsAll, setShowsAll] = useState(false);
  const parts = splitContents(contents.plugins, by);
  const shown = showsAll ? parts : parts.slice(0, MAX_AT_ONCE);
  return (
    <div
      className={clsx(styles.fronts, styles.inner)}
      role="group"
      aria-label={`${drawer.name}, split ${DRAWER_SPLIT_LABELS[by]}`}
    >
      {shown.map((part) => {
        const id = partId(drawer, part.key);
        return (
          <PartFront key={part.key} id={id} part={part} isOpen={isOpen(id)} toggle={toggle}>
            {isOpen(id) && list({ plugins: part.contents, lines: part.contents }, `In ${drawer.name}, ${part.label}`)}
          </PartFront>
        );
      })}
      {shown.length < parts.length && (
        <PlainButton onClick={() => setShowsAll(true)}>and {parts.length - shown.length} more</PlainButton>
      )}
    </div>
  );
}

interface FrontProps {
  readonly id: string;
  readonly part: Part<Content<ChosenItem>>;
  readonly isOpen: boolean;
  readonly toggle: (id: string) => void;
  readonly children: ReactNode;
}

function PartFront({ id, part, isOpen, toggle, children }: FrontProps) {
  const card = useRef<HTMLButtonElement>(null);
  const arrows = frontHandlers(() => frontsAround(card.current));
  return (
    <section className={clsx(styles.front, isOpen && styles.open)} aria-label={part.label} data-split-part={id}>
      <button
        ref={card}
        type="button"
        className={styles.frontCard}
        aria-expanded={isOpen}
        aria-label={`${part.label}, ${counted(part.contents.length, 'plugin')}`}
        title={part.label}
        onClick={() => toggle(id)}
        onKeyDown={(event) =>
          takeKey('fronts', event, {
            ...arrows,
            // Down from an open one is into it.
            down: () => {
              const lines = isOpen ? card.current?.parentElement?.querySelector<HTMLElement>('[role="listbox"]') : null;
              lines?.focus();
              return lines == null ? arrows.down?.() : true;
            },
          })
        }
        data-front
      >
        <span className={styles.card}>
          <span className="one-line">
            <bdi>{part.label}</bdi>
          </span>
          <span className="mono">{part.contents.length}</span>
        </span>
        {!isOpen && <span className={styles.pull} aria-hidden />}
      </button>
      {children}
    </section>
  );
}
