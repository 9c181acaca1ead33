import type { PluginId } from '@clever-drawer/core/ids';
import { pathTo, type Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { PluginDetail } from '@clever-drawer/contract/responses';
import { Failed, Loading } from '../shared/empty-note';
import { usePluginDetail } from '../shared/queries';
import { kindInWords } from '../shared/type-glyph';
import { useComputer } from '../shared/use-place';
import { ROLE_LABELS } from '@clever-drawer/core/catalogue/role';
import type { Listed } from './use-listed';

/** All about one plugin: its builds with their facts and where those came from, and every place that it stands in. */
export function PluginPanel({
  id,
  state,
  contents,
  close,
}: {
  id: PluginId;
  state: Arrangement;
  contents: Listed['contents'];
  close: () => void;
}) {
  const computer = useComputer();
  const detail = usePluginDetail(computer.id, id);
  return (
    <section className="plugin-panel panel" aria-label="About the plugin">
      <button type="button" className="plain panel-close" onClick={close} aria-label="Close the panel">
        ×
      </button>
      {detail.isError && <Failed error={detail.error} again={() => void detail.refetch()} />}
      {detail.data === undefined && !detail.isError && <Loading what="the plugin" />}
      {detail.data !== undefined && <About plugin={detail.data} places={placesOf(id, state, contents)} />}
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

function About({ plugin, places }: { plugin: PluginDetail; places: readonly string[] }) {
  return (
    <>
      <h2>
        <bdi>{plugin.name}</bdi> <span className="quiet">{plugin.vendor ?? 'vendor not known'}</span>
      </h2>
      <p>
        {plugin.role === null ? 'role not known' : ROLE_LABELS[plugin.role]},{' '}
        {plugin.types.length === 0 ? 'type not known' : kindInWords(plugin.types, plugin.role)}.{' '}
        {places.length === 0 ? 'Stands in no drawer.' : `Stands in ${places.join(', ')}.`}
      </p>
      <table className="builds">
        <thead>
          <tr>
            <th scope="col">build</th>
            <th scope="col">version</th>
            <th scope="col">for</th>
            <th scope="col">declares</th>
            <th scope="col">name, vendor from</th>
            <th scope="col">file</th>
          </tr>
        </thead>
        <tbody>
          {plugin.builds.map((build) => (
            <tr key={build.id} className={build.found ? '' : 'gone'}>
              <td>
                <span className="format">{build.format}</span>
                {!build.found && <span className="flag">not found</span>}
              </td>
              <td className="mono">{build.version ?? '–'}</td>
              <td className="mono">{build.architectures.join(' ') || '–'}</td>
              <td>{build.declaredTypes.join(', ') || '–'}</td>
              <td className="quiet">{[build.sources.name, build.sources.vendor ?? 'no vendor'].join(', ')}</td>
              <td className="mono one-line path" title={build.path}>
                <bdi>{build.path}</bdi>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
