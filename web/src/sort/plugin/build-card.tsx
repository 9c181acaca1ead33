import clsx from 'clsx';
import { useState } from 'react';
import { Link } from 'react-router';
import type { PluginDetail } from '@clever-drawer/contract/responses';
import { asidesOf } from '@clever-drawer/core/chests/asides';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { folderOf } from '@clever-drawer/core/facts/plugin-path';
import { asideLabel } from '@clever-drawer/core/chests/rows/aside';
import type { BuildFacts, SourcedFact } from '@clever-drawer/core/facts/build-facts';
import { ASK_WORDS, FACT_WORDS, SOURCE_WORDS } from '../../catalogue/fact-words';
import { useChanges } from '../../arrangement/changes';
import { useComputer } from '../../lib/use-computer';
import { NameBox } from '../../parts/name-box';
import { PlainButton } from '../../parts/plain-button';
import catalogueStyles from '../../catalogue/catalogue.module.css';
import pluginStyles from './plugin.module.css';

type Build = PluginDetail['builds'][number];

/** One build: every fact with where it came from, and what other sources said. */
export function BuildCard({
  plugin,
  build,
  preferred,
  state,
}: {
  plugin: PluginDetail;
  build: Build;
  preferred: boolean;
  state: Arrangement;
}) {
  const computer = useComputer();
  const changes = useChanges(computer.id);
  const chosen = state.preferredBuild.get(plugin.id)?.buildId === build.id;
  const aside = asidesOf(state).get(build.id);
  const kept = state.keptBuild.get(build.key);
  const [asksWhy, setAsksWhy] = useState(false);
  const keep = (reason: string | null): void =>
    void changes.make({
      kind: 'keep-build',
      build: { id: build.id, key: build.key, pluginId: plugin.id },
      reason,
    });
  const bringBack = (): void =>
    void changes.make({ kind: 'bring-back', pluginIds: [], builds: [{ id: build.id, pluginId: plugin.id }] });
  const prefer = (buildId: Build['id'] | null): void =>
    void changes.make({ kind: 'prefer-build', pluginId: plugin.id, buildId });
  return (
    <article className={clsx(pluginStyles.buildCard, !build.found && 'gone')} aria-label={`${build.format} build`}>
      <header>
        <span className="format">{build.format}</span>
        <b className="mono">{build.version ?? ''}</b>
        {!build.found && <span className="flag">not found</span>}
        {preferred && plugin.builds.length > 1 && (
          <span className="quiet">{chosen ? 'preferred by you' : 'preferred'}</span>
        )}
        <span className={clsx('mono one-line', pluginStyles.path)} title={build.path}>
          <bdi>{build.path}</bdi>
        </span>
        <Link
          className="plain linked"
          to={`/${computer.id}/sort?folder=${encodeURIComponent(folderOf(build.path))}`}
          title={folderOf(build.path)}
        >
          Only this folder
        </Link>
        {kept === undefined ? (
          <PlainButton onClick={() => setAsksWhy(true)}>Keep, because …</PlainButton>
        ) : (
          <>
            <span className="flag flag-quiet">
              kept: <bdi>{kept.reason}</bdi>
            </span>
            <PlainButton onClick={() => keep(null)}>Keep no longer</PlainButton>
          </>
        )}
        {aside !== undefined && (
          <>
            <span className="flag">set aside: {asideLabel(aside.reason)}</span>
            <PlainButton linked onClick={bringBack}>
              Bring back
            </PlainButton>
          </>
        )}
        {chosen ? (
          <PlainButton onClick={() => prefer(null)}>Use the general preference</PlainButton>
        ) : (
          !preferred && build.found && <PlainButton onClick={() => prefer(build.id)}>Prefer this one</PlainButton>
        )}
      </header>
      {asksWhy && (
        <NameBox
          title={`Keep this build of ${plugin.name}`}
          label="Because …"
          first=""
          hint="No rule of thumb sets it aside."
          close={() => setAsksWhy(false)}
          done={(reason) => {
            setAsksWhy(false);
            keep(reason);
          }}
        />
      )}
      {build.pictures.length > 0 && (
        <img
          className={catalogueStyles.face}
          alt={`Picture of ${plugin.name}`}
          src={`/api/computers/${computer.id}/builds/${build.id}/pictures/0`}
        />
      )}
      <dl className={pluginStyles.facts}>
        {factLines(build).map(([fact, value]) => (
          <div key={fact}>
            <dt>{FACT_WORDS[fact]}</dt>
            <dd>
              <bdi>{value}</bdi> <Source build={build} fact={fact} />
            </dd>
          </div>
        ))}
      </dl>
      {build.asked !== null && <p className="quiet">{ASK_WORDS[build.asked]}</p>}
      {build.printed !== null && (
        <details>
          <summary>What it printed while it was loaded</summary>
          <pre>{build.printed}</pre>
        </details>
      )}
    </article>
  );
}

function Source({ build, fact }: { build: BuildFacts; fact: SourcedFact }) {
  const source = build.sources[fact];
  const others = build.others.filter((one) => one.fact === fact);
  return (
    <span className="quiet">
      {source !== undefined && `from ${SOURCE_WORDS[source]}`}
      {others.map((one) => (
        <span key={one.source + one.value}>
          ; {SOURCE_WORDS[one.source]} says “{one.value}”
        </span>
      ))}
    </span>
  );
}

/** The facts that are known, as text. */
function factLines(build: BuildFacts): [SourcedFact, string][] {
  const lines: [SourcedFact, string | null][] = [
    ['name', build.name],
    ['vendor', build.vendor],
    ['version', build.version],
    ['description', build.description],
    ['types', build.declaredTypes.join(', ')],
    ['ports', portsInWords(build)],
    ['architectures', build.architectures.join(', ')],
    ['presets', build.presets === null || build.presets === 0 ? null : String(build.presets)],
  ];
  return lines.filter((line): line is [SourcedFact, string] => line[1] !== null && line[1] !== '');
}

function portsInWords(build: BuildFacts): string {
  const { audioInputs, audioOutputs, sidechainInputs, controlInputs, controlOutputs, midiInput, midiOutput } = build;
  const some = (count: number | null, what: string): string => (count ? `${String(count)} ${what}` : '');
  const parts = [
    audioInputs === null ? '' : `${String(audioInputs)} in`,
    audioOutputs === null ? '' : `${String(audioOutputs)} out`,
    some(sidechainInputs, 'sidechain'),
    some(controlInputs, 'control voltage in'),
    some(controlOutputs, 'control voltage out'),
    midiInput === null ? '' : midiInput ? 'takes notes' : 'takes no notes',
    midiOutput === true ? 'sends notes' : '',
  ];
  return parts.filter((part) => part !== '').join(', ');
}
