import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { pathTo } from '@clever-drawer/core/chests/arrangement';
import type { PluginId } from '@clever-drawer/core/ids';
import type { PluginDetail } from '@clever-drawer/contract/responses';
import { withChoices } from '@clever-drawer/core/chests/with-choices';
import { Failed, Loading } from '../shared/empty-note';
import { usePluginDetail } from '../shared/queries';
import { useComputer } from '../shared/use-place';
import { BuildCard } from './build-card';
import { BuildGroups } from './build-groups';
import { KindEvidence } from './kind-evidence';
import type { Listed } from './use-listed';

/** All about one plugin: what it is and why, its builds with their facts and where those came from, and every place that it stands in. */
export function PluginPanel({
  id,
  state,
  contents,
  close,
  putRight,
}: {
  id: PluginId;
  state: Arrangement;
  contents: Listed['contents'];
  close: () => void;
  putRight: () => void;
}) {
  const computer = useComputer();
  const detail = usePluginDetail(computer.id, id);
  const [plugin] = detail.data === undefined ? [] : withChoices([detail.data], state);
  return (
    <section className="plugin-panel panel" aria-label="About the plugin">
      <button type="button" className="plain panel-close" onClick={close} aria-label="Close the panel">
        ×
      </button>
      {detail.isError && <Failed error={detail.error} again={() => void detail.refetch()} />}
      {plugin === undefined && !detail.isError && <Loading what="the plugin" />}
      {plugin !== undefined && (
        <About plugin={plugin} state={state} places={placesOf(id, state, contents)} putRight={putRight} />
      )}
    </section>
  );
}

function placesOf(id: PluginId, state: Arrangement, contents: Listed['contents']): string[] {
  return [...contents]
    .filter(([, inside]) => inside.some(({ plugin }) => plugin.id === id))
    .map(([drawerId]) => {
      const drawer = state.drawer.get(drawerId);
      const chest = drawer === undefined ? undefined : state.chest.get(drawer.chestId);
      return [chest?.name, ...(drawer === undefined ? [] : pathTo(state, drawer.id).map((one) => one.name))].join(
        ' › ',
      );
    });
}

function About({
  plugin,
  state,
  places,
  putRight,
}: {
  plugin: PluginDetail;
  state: Arrangement;
  places: readonly string[];
  putRight: () => void;
}) {
  return (
    <>
      <h2>
        <bdi>{plugin.name}</bdi> <span className="quiet">{plugin.vendor ?? 'vendor not known'}</span>
      </h2>
      <p className="about-line">
        {places.length === 0 ? 'Stands in no drawer.' : `Stands in ${places.join(', ')}.`}{' '}
        <button type="button" className="plain" onClick={putRight}>
          <kbd>C</kbd> put right
        </button>
      </p>
      <KindEvidence plugin={plugin} />
      <h3>
        {plugin.builds.length === 1
          ? 'Its build'
          : `Its ${String(plugin.builds.length)} builds, the preferred one first`}
      </h3>
      {plugin.builds.map((build, index) => (
        <BuildCard key={build.id} plugin={plugin} build={build} preferred={index === 0} state={state} />
      ))}
      <BuildGroups plugin={plugin} state={state} />
    </>
  );
}
