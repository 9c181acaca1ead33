import clsx from 'clsx';
import { useRef, useState } from 'react';
import { TRAYS } from '@clever-drawer/core/chests/rows/tray-entry';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { itemId } from '@clever-drawer/core/chests/item';
import { itemOnTray, trayEntries, trayName } from '@clever-drawer/core/chests/look-up';
import type { ItemId } from '@clever-drawer/core/ids';
import { NameBox } from '../../parts/name-box';
import { SignGlyph } from '../../parts/sign';
import { SignBox } from '../../parts/sign-box';
import type { ChosenCatalogue } from '../../catalogue/chosen-catalogue';
import { useStoredFlag } from '../../lib/use-stored';
import type { Changes } from '../../arrangement/changes';
import { aimIn, trayId, type Target } from '../drag/drag';
import { pluginsIn, type LineActions, type ListedLine } from '../../parts/line';
import { LineList } from '../../parts/line-list';
import { takeKey, type KeyHandlers } from '../../keys/use-keys';
import { KeyHint } from '../../keys/key-hint';
import { useActMenu } from '../../parts/act-menu';
import { actsOf } from '../../parts/menu-act';
import { frontHandlers, frontsAround } from '../../parts/front-walk';
import { counted } from '../../lib/counted';
import { PlainButton } from '../../parts/plain-button';
import frontStyles from '../../parts/front.module.css';
import traysStyles from './trays.module.css';

interface Props {
  readonly state: Arrangement;
  readonly catalogue: ChosenCatalogue;
  readonly changes: Changes;
  readonly open: readonly string[];
  readonly setOpen: (open: readonly string[]) => void;
  readonly target: Target | null;
  readonly pictures: boolean;
  readonly about: (id: ItemId) => void;
  readonly selected: (ids: readonly ItemId[]) => void;
  readonly more: LineActions['more'];
}

/** The nine trays below the drawers: flat fronts with their number; each takes what is dropped and opens in place. */
export function TrayShelf(props: Props) {
  const { state, open } = props;
  const [hidesEmpty, setHidesEmpty] = useStoredFlag('hide-empty-trays');
  const [naming, setNaming] = useState<number | null>(null);
  const [signing, setSigning] = useState<number | null>(null);
  const shown = TRAYS.filter(
    (tray) => !hidesEmpty || trayEntries(state, tray).length > 0 || open.includes(trayId(tray)),
  );
  return (
    <section className={traysStyles.trayShelf} aria-label="Trays">
      <div className={traysStyles.shelfHead}>
        <h2>Trays</h2>
        <span className="quiet">
          <KeyHint place="sort" does="tray" />–<kbd>9</kbd> put what is selected on a tray, or take it off
        </span>
        <span className="grow" />
        <PlainButton aria-pressed={hidesEmpty} onClick={() => setHidesEmpty(!hidesEmpty)}>
          {hidesEmpty ? 'Show empty ones' : 'Hide empty ones'}
        </PlainButton>
      </div>
      <div className={traysStyles.trays}>
        {shown.map((tray) => (
          <TrayFront
            key={tray}
            tray={tray}
            {...props}
            rename={() => setNaming(tray)}
            askSign={() => setSigning(tray)}
          />
        ))}
        {shown.length === 0 && <p className="quiet">All trays are empty.</p>}
      </div>
      {signing !== null && (
        <SignBox
          title={`A sign for ${trayName(state, signing)}`}
          first={state.trayName.get(String(signing))?.sign ?? null}
          close={() => setSigning(null)}
          done={(sign) => {
            setSigning(null);
            if (sign !== (state.trayName.get(String(signing))?.sign ?? null))
              void props.changes.make({ kind: 'set-tray-sign', tray: signing, sign });
          }}
        />
      )}
      {naming !== null && (
        <NameBox
          title={`Tray ${String(naming)}`}
          label="Name (empty: its number)"
          first={state.trayName.get(String(naming))?.name ?? ''}
          mayBeEmpty
          close={() => setNaming(null)}
          done={(name) => {
            setNaming(null);
            void props.changes.make({ kind: 'name-tray', tray: naming, name: name === '' ? null : name });
          }}
        />
      )}
    </section>
  );
}

function TrayFront({
  tray,
  state,
  catalogue,
  changes,
  open,
  setOpen,
  target,
  pictures,
  about,
  selected,
  more,
  rename,
  askSign,
}: Props & { tray: number; rename: () => void; askSign: () => void }) {
  const openMenu = useActMenu();
  const id = trayId(tray);
  const entries = trayEntries(state, tray);
  const name = trayName(state, tray);
  const { sign = null, notInMenus = false } = state.trayName.get(String(tray)) ?? {};
  const isOpen = open.includes(id);
  const isAimed = target?.kind === 'tray' && target.tray === tray;
  const lines = entries.flatMap((entry): ListedLine[] => {
    const plugin = catalogue.byId.get(itemId(entry));
    return plugin === undefined ? [] : [{ id: entry.id, plugin, name: plugin.name, why: null }];
  });
  const toggle = (): void => setOpen(isOpen ? open.filter((one) => one !== id) : [...open, id]);
  const swap = (other: number): void => {
    if (other >= 1 && other <= TRAYS.length) void changes.make({ kind: 'swap-trays', tray, with: other });
  };
  const clear = (): void => void changes.make({ kind: 'clear-trays', trays: [tray], pluginIds: null });
  const card = useRef<HTMLButtonElement>(null);
  const handlers: KeyHandlers<'tray'> = {
    open: toggle,
    ...frontHandlers(() => frontsAround(card.current)),
    earlier: tray === 1 ? null : () => swap(tray - 1),
    later: tray === TRAYS.length ? null : () => swap(tray + 1),
    rename,
    clear: entries.length === 0 ? null : clear,
    sign: askSign,
    menus: () => void changes.make({ kind: 'show-tray-in-menus', tray, shown: notInMenus }),
  };
  const actions: LineActions = {
    about,
    selected,
    place: (some, before) =>
      void changes.make({
        kind: 'place-on-tray',
        tray,
        pluginIds: pluginsIn(some),
        before: itemOnTray(state, before),
      }),
    remove: (some) => void changes.make({ kind: 'tray-off', tray, pluginIds: pluginsIn(some) }),
    rename,
    more,
  };
  return (
    <section
      className={clsx(
        traysStyles.tray,
        isOpen && traysStyles.open,
        isAimed && traysStyles.aimedInto,
        entries.length === 0 && traysStyles.empty,
      )}
      aria-label={`Tray ${name}`}
      data-tray={tray}
    >
      <button
        type="button"
        className={traysStyles.trayCard}
        aria-expanded={isOpen}
        aria-label={[
          `Tray ${String(tray)}`,
          ...(name === `Tray ${String(tray)}` ? [] : [name]),
          ...(sign === null ? [] : [`sign ${sign}`]),
          counted(entries.length, 'plugin'),
          ...(notInMenus ? ['not in menus'] : []),
        ].join(', ')}
        onClick={toggle}
        ref={card}
        onKeyDown={(event) => takeKey('tray', event, handlers)}
        onContextMenu={(event) => openMenu(event, name, actsOf('tray', handlers, TRAY_MENU))}
        data-front
      >
        <kbd>{tray}</kbd>
        {sign !== null && <SignGlyph sign={sign} isSpoken={false} />}
        <span className="one-line">
          <bdi>{name}</bdi>
          {notInMenus && <span className="quiet"> · not in menus</span>}
        </span>
        <span className="mono quiet">{entries.length}</span>
      </button>
      {isOpen && (
        <div className={frontStyles.drawerInside}>
          <div className={frontStyles.drawerTools}>
            <PlainButton onClick={rename}>Name</PlainButton>
            <PlainButton onClick={askSign}>Sign</PlainButton>
            <PlainButton disabled={tray === 1} onClick={() => swap(tray - 1)}>
              To the left
            </PlainButton>
            <PlainButton disabled={tray === TRAYS.length} onClick={() => swap(tray + 1)}>
              To the right
            </PlainButton>
            <PlainButton disabled={entries.length === 0} onClick={clear}>
              Clear
            </PlainButton>
          </div>
          {lines.length === 0 ? (
            <p className="quiet">Empty. Select plugins and press {tray}, or drop them here.</p>
          ) : (
            <LineList
              label={`On ${name}`}
              home={{ tray }}
              lines={lines}
              actions={actions}
              aimedAt={aimIn(target, { tray })}
              pictures={pictures}
            />
          )}
        </div>
      )}
    </section>
  );
}

const TRAY_MENU = ['open', 'rename', 'sign', 'menus', 'earlier', 'later', 'clear'] as const;
