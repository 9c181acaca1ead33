import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { PluginDetail } from '@clever-drawer/contract/responses';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { asId, type BuildKey, type PluginId } from '@clever-drawer/core/ids';
import { useChanges } from '../../arrangement/changes';
import { useComputer } from '../../lib/use-computer';
import { PlainButton } from '../../parts/plain-button';
import styles from './plugin.module.css';

/** Parts a plugin whose builds are not one product after all, and takes back what was joined or parted by hand. */
export function BuildGroups({ plugin, state }: { plugin: PluginDetail; state: Arrangement }) {
  const changes = useChanges(useComputer().id);
  const [chosen, setChosen] = useState<ReadonlySet<BuildKey> | null>(null);
  // Copies of a build, and the same build on other computers, can't be told apart: they go together.
  const keys = [...new Set(plugin.builds.map((build) => build.key))];
  const held = keys.filter((key) => state.heldBuild.has(key));
  const split = (): void => {
    if (chosen === null || chosen.size === 0) return;
    const builds = plugin.builds
      .filter((build) => chosen.has(build.key))
      .map(({ id, key }) => ({ id, key, pluginId: plugin.id }));
    const newId = asId<PluginId>(crypto.randomUUID());
    void changes.make({ kind: 'split-plugin', pluginId: plugin.id, newId, builds });
    setChosen(null);
  };
  const toggle = (id: BuildKey): void => {
    const next = new Set(chosen ?? []);
    if (!next.delete(id)) next.add(id);
    setChosen(next);
  };
  return (
    <div className={styles.buildGroups}>
      {held.length > 0 && (
        <p>
          {held.length === 1 ? 'One build was' : `${String(held.length)} builds were`} put here by you.{' '}
          <PlainButton onClick={() => void changes.make({ kind: 'release-builds', keys: held })}>
            Group automatically
          </PlainButton>
        </p>
      )}
      {keys.length > 1 && chosen === null && (
        <PlainButton onClick={() => setChosen(new Set())}>Split into separate plugins …</PlainButton>
      )}
      {chosen !== null && (
        <fieldset>
          <legend>Which builds are a separate plugin?</legend>
          {plugin.builds.map((build) => (
            <Form.Check
              key={build.id}
              id={`split-${build.id}`}
              label={`${build.format} ${build.name} ${build.version ?? ''}`}
              checked={chosen.has(build.key)}
              onChange={() => toggle(build.key)}
            />
          ))}
          <Button size="sm" disabled={chosen.size === 0 || chosen.size === keys.length} onClick={split}>
            Split off
          </Button>{' '}
          <PlainButton onClick={() => setChosen(null)}>Cancel</PlainButton>
        </fieldset>
      )}
    </div>
  );
}
