import type { ReactNode } from 'react';
import Dropdown from 'react-bootstrap/Dropdown';
import { isLoose } from '@clever-drawer/core/chests/loose';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import type { Contents, Line } from '@clever-drawer/core/chests/drawer-contents';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { ItemId } from '@clever-drawer/core/ids';
import type { Changes } from '../../arrangement/changes';
import type { WindowRuleResults } from '../../arrangement/rules/rule-keeper';
import { DRAWER_SORT_LABELS, DRAWER_SORTS } from '@clever-drawer/core/chests/drawer-sort';
import { DRAWER_SPLIT_LABELS, DRAWER_SPLITS } from '@clever-drawer/core/chests/drawer-split';
import type { ChosenCatalogue, ChosenItem } from '../../catalogue/chosen-catalogue';
import { boundInWords } from '../../catalogue/build-words';
import { CleverInside } from './clever-drawer-body';
import { aimIn, type Target } from '../drag/drag';
import type { DrawerActions } from './drawer-actions';
import { SplitParts } from './split-parts';
import type { LineActions, ListedLine } from '../../parts/line';
import { LineList } from '../../parts/line-list';
import { PlainButton } from '../../parts/plain-button';
import styles from '../../parts/front.module.css';

interface Props {
  readonly drawer: Drawer;
  readonly contents: Contents<ChosenItem>;
  readonly ruled: WindowRuleResults;
  readonly state: Arrangement;
  readonly catalogue: ChosenCatalogue;
  readonly changes: Changes;
  readonly actions: DrawerActions;
  readonly lineActions: LineActions;
  readonly target: Target | null;
  readonly pictures: boolean;
  /** Whether an inner drawer that it is split into is open. */
  readonly isPartOpen: (part: string) => boolean;
  /** Inner drawers as smaller fronts. */
  readonly children: ReactNode;
}

const listedLine = (line: Line<ChosenItem>, why: (id: ItemId) => string): ListedLine =>
  'divider' in line
    ? { id: line.divider.id, divider: line.divider.label }
    : {
        id: line.entry?.id ?? `rule ${line.plugin.id}`,
        plugin: line.plugin,
        name: line.name,
        why: line.by === 'hand' ? null : () => why(line.plugin.id),
        build: boundInWords(line.plugin, line.entry?.build ?? null),
      };

/** What stands in a drawer that is pulled out, in order, with the inner drawers below. */
export function OpenDrawer(props: Props) {
  const { drawer, contents, ruled, state, catalogue, changes, actions, lineActions, target, pictures, children } =
    props;
  const { split = null } = drawer;
  const home = { drawerId: drawer.id };
  const lineList = (shown: Contents<ChosenItem>, why: (id: ItemId) => string, label: string): ReactNode => (
    <LineList
      label={label}
      home={home}
      lines={shown.lines.map((line) => listedLine(line, why))}
      actions={lineActions}
      aimedAt={aimIn(target, home)}
      pictures={pictures}
    />
  );
  const list = (shown: Contents<ChosenItem>, why: (id: ItemId) => string): ReactNode =>
    shown.lines.length === 0 ? (
      <p className="quiet">
        {drawer.rule === null
          ? 'Empty. Drop plugins here, or select some and press F. Filing copies nothing and removes nothing.'
          : 'No plugin matches the rule. Change it, or drop plugins here: they stay, whatever the rule says.'}
      </p>
    ) : split === null ? (
      lineList(shown, why, `In ${drawer.name}`)
    ) : (
      <SplitParts
        drawer={drawer}
        by={split}
        contents={shown}
        isOpen={props.isPartOpen}
        toggle={actions.togglePart}
        list={(part, label) => lineList(part, why, label)}
      />
    );
  return (
    <div className={styles.drawerInside}>
      <div className={styles.drawerTools}>
        {!isLoose(drawer) && <PlainButton onClick={() => actions.edit(drawer)}>Name and rule</PlainButton>}
        <SortMenu drawer={drawer} actions={actions} />
        {!isLoose(drawer) && <SplitMenu drawer={drawer} actions={actions} />}
        <PlainButton onClick={() => actions.addDivider(drawer, null)}>Divider</PlainButton>
        {!isLoose(drawer) && <PlainButton onClick={() => actions.addInner(drawer)}>Inner drawer</PlainButton>}
        <Dropdown>
          <Dropdown.Toggle as="button" type="button" className="plain">
            More
          </Dropdown.Toggle>
          <Dropdown.Menu>
            <Dropdown.Item as="button" type="button" onClick={() => actions.list(drawer)}>
              Show only these in the list
            </Dropdown.Item>
            <Dropdown.Item as="button" type="button" onClick={() => actions.menus(drawer)}>
              {drawer.notInMenus ? 'Show in menus' : 'Leave out of menus'}
            </Dropdown.Item>
            {!isLoose(drawer) && (
              <>
                <Dropdown.Item as="button" type="button" onClick={() => actions.sign(drawer)}>
                  Sign …
                </Dropdown.Item>
                <Dropdown.Item as="button" type="button" onClick={() => actions.addFrontDivider(drawer)}>
                  Divider in front of it …
                </Dropdown.Item>
                <Dropdown.Item as="button" type="button" onClick={() => actions.putInside(drawer)}>
                  Move elsewhere …
                </Dropdown.Item>
                <Dropdown.Item as="button" type="button" onClick={() => actions.copy(drawer)}>
                  Copy elsewhere …
                </Dropdown.Item>
                {drawer.rule === null ? (
                  <Dropdown.Item
                    as="button"
                    type="button"
                    disabled={contents.plugins.length === 0}
                    onClick={() => actions.propose(drawer)}
                  >
                    Propose a rule from what it holds …
                  </Dropdown.Item>
                ) : (
                  <Dropdown.Item as="button" type="button" onClick={() => actions.freeze(drawer)}>
                    Freeze: keep what it holds now
                  </Dropdown.Item>
                )}
              </>
            )}
            <Dropdown.Divider />
            <Dropdown.Item as="button" type="button" onClick={() => actions.remove(drawer)}>
              {isLoose(drawer) ? 'Take all out' : 'Delete'} ({isLoose(drawer) ? 'they' : 'its plugins'} stay in the
              catalogue)
            </Dropdown.Item>
          </Dropdown.Menu>
        </Dropdown>
      </div>
      {drawer.rule === null ? (
        list(contents, NO_REASON)
      ) : (
        <CleverInside
          drawer={drawer}
          contents={contents}
          ruled={ruled}
          state={state}
          catalogue={catalogue}
          changes={changes}
          about={lineActions.about}
          list={list}
        />
      )}
      {children}
    </div>
  );
}

const NO_REASON = (): string => '';

function SortMenu({ drawer, actions }: { drawer: Drawer; actions: DrawerActions }) {
  return (
    <Dropdown>
      <Dropdown.Toggle as="button" type="button" className="plain">
        {drawer.sort === null ? 'Order' : `Sorted: ${DRAWER_SORT_LABELS[drawer.sort]}`}
      </Dropdown.Toggle>
      <Dropdown.Menu className={styles.sortMenu}>
        <div className="dropdown-header">Sort once, then by hand</div>
        {DRAWER_SORTS.map((by) => (
          <Dropdown.Item key={by} as="button" type="button" onClick={() => actions.sort(drawer, by, false)}>
            {DRAWER_SORT_LABELS[by]}
          </Dropdown.Item>
        ))}
        <Dropdown.Divider />
        <div className="dropdown-header">Keep sorted from now on</div>
        {DRAWER_SORTS.map((by) => (
          <Dropdown.Item key={by} as="button" type="button" onClick={() => actions.sort(drawer, by, true)}>
            {DRAWER_SORT_LABELS[by]}
            {drawer.sort === by && ' ✓'}
          </Dropdown.Item>
        ))}
        {drawer.sort !== null && (
          <Dropdown.Item as="button" type="button" onClick={() => actions.unsort(drawer)}>
            Sort by hand
          </Dropdown.Item>
        )}
      </Dropdown.Menu>
    </Dropdown>
  );
}

/** By what it is split into inner drawers that follow by themselves. */
function SplitMenu({ drawer, actions }: { drawer: Drawer; actions: DrawerActions }) {
  const { split = null } = drawer;
  return (
    <Dropdown>
      <Dropdown.Toggle as="button" type="button" className="plain">
        {split === null ? 'Split' : `Split: ${DRAWER_SPLIT_LABELS[split]}`}
      </Dropdown.Toggle>
      <Dropdown.Menu>
        <div className="dropdown-header">Split by itself into inner drawers</div>
        {DRAWER_SPLITS.map((by) => (
          <Dropdown.Item key={by} as="button" type="button" onClick={() => actions.split(drawer, by)}>
            {DRAWER_SPLIT_LABELS[by]}
            {split === by && ' ✓'}
          </Dropdown.Item>
        ))}
        {split !== null && (
          <Dropdown.Item as="button" type="button" onClick={() => actions.split(drawer, null)}>
            Undivided
          </Dropdown.Item>
        )}
      </Dropdown.Menu>
    </Dropdown>
  );
}
