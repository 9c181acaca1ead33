import { useState } from 'react';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import { useSteady } from '../lib/use-steady';
import { ChestPanel } from './chest/chest-panel';
import { ChestTabs } from './chest/chest-tabs';
import { NoChest } from './chest/no-chest';
import type { Desk } from './use-desk-keys';
import styles from './sort.module.css';

/** The right side: the chests, and the one at hand with its drawers and the trays. */
export function DeskRight({ desk }: { desk: Desk }) {
  const { state, catalogue, chest, changes, listed, viewing } = desk;
  const { view, look } = viewing;
  const [isOrdering, setOrdering] = useState(false);
  const actions = useSteady({
    more: desk.moreActs,
    about: desk.setAbout,
    selected: desk.subject.selectElsewhere,
    setOpen: (next: readonly string[]) => look({ open: next }),
    list: (drawer: Drawer) => look({ filters: { ...view.filters, drawer: [drawer.id] } }),
  });
  return (
    <div className={styles.deskRight}>
      <ChestTabs
        state={state}
        catalogue={catalogue}
        chest={chest}
        changes={changes}
        choose={(id) => look({ chest: id, open: [] })}
        filed={listed.filed}
        toFile={listed.toFile}
        isAnswered={desk.ruled.isAnswered}
        workThrough={desk.workThrough}
        order={() => setOrdering(true)}
      />
      {chest === null ? (
        <NoChest changes={changes} />
      ) : (
        <ChestPanel
          state={state}
          chest={chest}
          catalogue={catalogue}
          ruled={desk.ruled}
          open={desk.open}
          setOpen={actions.setOpen}
          changes={changes}
          target={desk.drop.target}
          making={desk.making}
          setMaking={desk.setMaking}
          isOrdering={isOrdering}
          setOrdering={setOrdering}
          pictures={desk.pictures}
          list={actions.list}
          about={actions.about}
          selected={actions.selected}
          more={actions.more}
          memory={desk.memory}
          lit={desk.lit}
        />
      )}
    </div>
  );
}
