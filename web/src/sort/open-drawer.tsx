import { useDraggable } from '@dnd-kit/core';
import type { ReactNode } from 'react';
import type { PluginView } from '@clever-drawer/contract/responses';
import type { Drawer } from '@clever-drawer/core/chests/arrangement';
import type { Content } from '@clever-drawer/core/chests/drawer-contents';
import type { PluginId } from '@clever-drawer/core/ids';
import { TypeGlyph } from '../shared/type-glyph';
import type { DrawerActions } from './drawer-front';

interface Props {
  readonly drawer: Drawer;
  readonly contents: readonly Content<PluginView>[];
  readonly actions: DrawerActions;
  readonly takeOut: (drawer: Drawer, pluginId: PluginId) => void;
  readonly addInner: (drawer: Drawer) => void;
  /** Inner drawers as smaller fronts. */
  readonly children: ReactNode;
}

/** What stands in a drawer that is pulled out, in order, with the inner drawers below. */
export function OpenDrawer({ drawer, contents, actions, takeOut, addInner, children }: Props) {
  return (
    <div className="drawer-inside">
      <div className="drawer-tools">
        <button type="button" className="plain" onClick={() => actions.edit(drawer)}>
          Name, keywords
        </button>
        <button type="button" className="plain" onClick={() => addInner(drawer)}>
          Inner drawer
        </button>
        <button type="button" className="plain" onClick={() => actions.remove(drawer)}>
          Delete
        </button>
      </div>
      {contents.length === 0 ? (
        <p className="quiet">
          Empty. Drop plugins here, or select some and press F. Filing copies nothing and takes nothing away.
        </p>
      ) : (
        <ol className="entries" aria-label={`In ${drawer.name}`}>
          {contents.map((content) => (
            <EntryLine key={content.plugin.id} drawer={drawer} content={content} takeOut={takeOut} />
          ))}
        </ol>
      )}
      {children}
    </div>
  );
}

function EntryLine({
  drawer,
  content: { plugin, by, keyword },
  takeOut,
}: {
  drawer: Drawer;
  content: Content<PluginView>;
  takeOut: Props['takeOut'];
}) {
  const { setNodeRef, listeners } = useDraggable({
    id: `entry ${drawer.id} ${plugin.id}`,
    data: { pluginIds: [plugin.id], name: plugin.name },
  });
  const words = by === 'rule' ? `${plugin.name}, by the keyword ${keyword ?? ''}` : plugin.name;
  return (
    <li ref={setNodeRef} className={plugin.found ? '' : 'gone'} {...listeners}>
      <TypeGlyph types={plugin.types} role={plugin.role} />
      <span
        className="one-line entry-name"
        tabIndex={0}
        role="button"
        aria-label={`${words}. Delete takes it out.`}
        title={words}
        onKeyDown={(event) => {
          if (event.key !== 'Delete') return;
          event.preventDefault();
          event.stopPropagation();
          takeOut(drawer, plugin.id);
        }}
      >
        <bdi>{plugin.name}</bdi>
        {!plugin.found && <span className="flag">not found</span>}
        {by === 'rule' && <span className="quiet keyword"> {keyword}</span>}
      </span>
      <button
        type="button"
        className="plain take-out"
        onClick={() => takeOut(drawer, plugin.id)}
        aria-label={`Take ${plugin.name} out of ${drawer.name}`}
      >
        out
      </button>
    </li>
  );
}
