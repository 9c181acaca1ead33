import memoizeOne from 'memoize-one';
import { findPossibleDuplicates, type Comparable } from '@clever-drawer/core/catalogue/possibly-same';
import type { PluginDetail } from '@clever-drawer/contract/responses';
import { useChanges } from '../../arrangement/changes';
import { isPlugin, type ChosenCatalogue, type ChosenItem, type ChosenPlugin } from '../../catalogue/chosen-catalogue';
import { useComputer } from '../../lib/use-computer';
import { KeyHint } from '../../keys/key-hint';
import { useKeys } from '../../keys/use-keys';
import { PlainButton } from '../../parts/plain-button';
import styles from './plugin.module.css';

const comparable = ({ id, givenName, vendor, calledToo }: ChosenPlugin): Comparable => ({
  id,
  name: givenName,
  vendor,
  calledToo,
});
const comparables = memoizeOne((items: readonly ChosenItem[]) => items.filter(isPlugin).map(comparable));

/** Plugins that this one may be, and why they were left apart; J joins the first of them. */
export function MaybeSame({ plugin, catalogue }: { plugin: PluginDetail; catalogue: ChosenCatalogue }) {
  const changes = useChanges(useComputer().id);
  const listed = catalogue.byId.get(plugin.id);
  const all = comparables(catalogue.items);
  const same = listed === undefined || !isPlugin(listed) ? [] : findPossibleDuplicates(comparable(listed), all);
  const others = same.flatMap(({ other, reason }) => {
    const found = catalogue.byId.get(other) as ChosenPlugin | undefined;
    return found === undefined || found.builds.length === 0 ? [] : [{ other: found, reason }];
  });
  const join = ({ id, builds }: ChosenPlugin): void =>
    void changes.make({
      kind: 'join-plugins',
      intoId: plugin.id,
      pluginIds: [id],
      builds: builds.map((build) => ({ id: build.id, key: build.key, pluginId: id })),
    });
  const [first] = others;
  useKeys('panel', { join: first === undefined ? null : () => join(first.other) });
  if (others.length === 0) return null;
  return (
    <ul className={styles.maybeSame}>
      {others.map(({ other, reason }, index) => (
        <li key={other.id}>
          Possibly the same as <b>{other.name}</b>{' '}
          <span className="quiet">
            {other.vendor ?? 'vendor unknown'} · {reason}
          </span>{' '}
          <PlainButton onClick={() => join(other)}>
            {index === 0 && <KeyHint place="panel" does="join" />} Join
          </PlainButton>
        </li>
      ))}
    </ul>
  );
}
