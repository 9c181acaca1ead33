import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { contentsOf } from '@clever-drawer/core/chests/drawer-contents';
import { chestsOf, drawersOfChest, trayName } from '@clever-drawer/core/chests/look-up';
import { group } from '@clever-drawer/core/chests/row-groups';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import type { ItemId } from '@clever-drawer/core/ids';
import { useChanges } from '../../arrangement/changes';
import type { WindowRuleResults } from '../../arrangement/rules/rule-keeper';
import { useRuled } from '../../arrangement/rules/use-ruled';
import type { ChosenCatalogue } from '../../catalogue/chosen-catalogue';
import { useComputer } from '../../lib/use-computer';
import { KeyHint } from '../../keys/key-hint';
import { PlainButton } from '../../parts/plain-button';
import { pathInWords } from '../../boxes/drawer-box';
import { panelPart } from './panel-parts';
import styles from './plugin.module.css';

/** Every drawer and tray that it stands in, over all chests; taking it out of one touches no other. */
export function Places({ id, state, catalogue }: { id: ItemId; state: Arrangement; catalogue: ChosenCatalogue }) {
  const changes = useChanges(useComputer().id);
  const ruled = useRuled(catalogue, state);
  const places = chestsOf(state).flatMap((chest) =>
    drawersOfChest(state, chest.id).flatMap((drawer) => {
      const content = contentsOf(state, catalogue.byId, drawer, ruled).plugins.find((one) => one.plugin.id === id);
      return content === undefined ? [] : [{ chest: chest.name, drawer, content }];
    }),
  );
  const trays = group(state, 'traysOf', id);
  const takeOut = (drawer: Drawer): void =>
    void changes.make({ kind: 'take-out', drawerId: drawer.id, pluginIds: [id] });
  const others = [...state.drawer.values()].filter(
    (one) => one.rule !== null && !places.some(({ drawer }) => drawer.id === one.id),
  );
  const whyNot = others.length > 0 && <WhyNot id={id} drawers={others} state={state} ruled={ruled} />;
  if (places.length + trays.length === 0)
    return (
      <div {...panelPart('places')}>
        <p className={styles.aboutLine}>
          <KeyHint place="sort" does="toPlaces" /> In no drawer and on no tray.
        </p>
        {whyNot}
      </div>
    );
  return (
    <div {...panelPart('places')}>
      <ul className={styles.places} aria-label="Where it is">
        <li className={styles.partHint} aria-hidden>
          <KeyHint place="sort" does="toPlaces" />
        </li>
        {places.map(({ chest, drawer, content }) => (
          <li key={drawer.id}>
            {chest} › {pathInWords(state, drawer.id)}
            {content.entry?.name != null && <span className="quiet"> as {content.entry.name}</span>}
            {content.by === 'hand' ? (
              <PlainButton onClick={() => takeOut(drawer)}>Take out</PlainButton>
            ) : (
              <span className="quiet"> by its rule: {ruled.why(drawer.id, id)}</span>
            )}
          </li>
        ))}
        {trays.map(({ tray }) => (
          <li key={tray}>
            {trayName(state, tray)}
            <PlainButton onClick={() => void changes.make({ kind: 'tray-off', tray, pluginIds: [id] })}>
              Take off
            </PlainButton>
          </li>
        ))}
      </ul>
      {whyNot}
    </div>
  );
}

/** Why it is not in a clever drawer, in words. */
function WhyNot({
  id,
  drawers,
  state,
  ruled,
}: {
  id: ItemId;
  drawers: readonly Drawer[];
  state: Arrangement;
  ruled: WindowRuleResults;
}) {
  const [asked, setAsked] = useState('');
  const drawer = drawers.find((one) => one.id === asked);
  return (
    <div className={styles.aboutLine}>
      <Form.Select
        size="sm"
        aria-label="Why is it not in"
        value={asked}
        onChange={(event) => setAsked(event.target.value)}
      >
        <option value="">Why is it not in …</option>
        {drawers.map((one) => (
          <option key={one.id} value={one.id}>
            {pathInWords(state, one.id)}
          </option>
        ))}
      </Form.Select>
      {drawer !== undefined && <p role="status">{ruled.whyNot(drawer.id, id)}</p>}
    </div>
  );
}
