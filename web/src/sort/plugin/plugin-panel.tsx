import clsx from 'clsx';
import { use } from 'react';
import { toast } from 'sonner';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { proposeStripLabel } from '@clever-drawer/core/chests/naming';
import { withChoices, type Chosen } from '@clever-drawer/core/chests/with-choices';
import type { ItemId, PluginId } from '@clever-drawer/core/ids';
import type { PluginDetail } from '@clever-drawer/contract/responses';
import { Failed, Loading } from '../../parts/empty-note';
import { isElsewhere } from '../../catalogue/presence';
import { useStartScan } from '../../catalogue/scanning';
import { usePluginDetail } from '../../catalogue/queries';
import { type ChosenCatalogue } from '../../catalogue/chosen-catalogue';
import { VendorNote } from '../../boxes/vendor-note';
import { useChanges } from '../../arrangement/changes';
import { useComputer } from '../../lib/use-computer';
import { AsideWords } from './aside-words';
import { BuildCard } from './build-card';
import { BuildGroups } from './build-groups';
import { faceOf, FacesContext } from '../../catalogue/face';
import { KindEvidence } from './kind-evidence';
import { Places } from './places';
import { MaybeSame } from './maybe-same';
import { PictureButton } from './picture-button';
import { panelPart } from './panel-parts';
import { PresetList } from './preset-list';
import { usePictureDrop } from './use-picture-drop';
import { KeyHint } from '../../keys/key-hint';
import { PlainButton } from '../../parts/plain-button';
import styles from './plugin.module.css';

interface Props {
  readonly id: PluginId;
  readonly state: Arrangement;
  readonly catalogue: ChosenCatalogue;
  readonly close: () => void;
  readonly putRight: () => void;
  readonly name: () => void;
  readonly setAside: () => void;
  /** What the keys act on, and how a preset becomes it. */
  readonly chosen: readonly ItemId[];
  readonly choose: (ids: readonly ItemId[]) => void;
}

/** All about one plugin: what it is and why, my words for it, every place that it stands in, its builds with their facts. */
export function PluginPanel(props: Props) {
  const { id, state, close } = props;
  const computer = useComputer();
  const detail = usePluginDetail(computer.id, id);
  const picture = usePictureDrop(id);
  const [plugin] = detail.data === undefined ? [] : withChoices([detail.data], state);
  return (
    <section
      className={clsx(styles.pluginPanel, 'panel', picture.isOver && 'takes-picture')}
      aria-label="About the plugin"
      data-panel
      {...picture.handlers}
    >
      <PlainButton className={styles.panelClose} onClick={close} aria-label="Close the panel">
        ×
      </PlainButton>
      {detail.isError && <Failed error={detail.error} again={() => void detail.refetch()} />}
      {plugin === undefined && !detail.isError && <Loading what="the plugin" />}
      {plugin !== undefined && <About {...props} plugin={plugin} />}
    </section>
  );
}

/** A vendor that none of the builds names comes from the others in its bundle, and is no more than likely. */
function vendorInWords({ id, vendor, builds }: PluginDetail, state: Arrangement): string {
  if (vendor === null) return 'vendor unknown';
  const isTold =
    builds.length === 0 || builds.some((build) => build.vendor !== null) || state.choice.get(id)?.vendor != null;
  return isTold ? vendor : `${vendor}, likely: like the others in its bundle`;
}

function About({
  plugin,
  state,
  catalogue,
  putRight,
  name,
  setAside,
  chosen,
  choose,
}: Props & { plugin: PluginDetail & Chosen }) {
  const computer = useComputer();
  const changes = useChanges(computer.id);
  const listed = catalogue.byId.get(plugin.id);
  const face = listed === undefined ? null : faceOf(computer.id, listed, use(FacesContext));
  const { naming, aside } = plugin;
  const scan = useStartScan();
  const readAgain = (): void =>
    scan.mutate(
      { paths: [...new Set(plugin.builds.map((build) => build.path))], again: true },
      {
        onSuccess: () => toast(`The files of ${plugin.name} are read again. What changes is shown when that is done.`),
      },
    );
  const bringBack = (): void => {
    const builds = aside?.buildId == null ? [] : plugin.builds.map(({ id }) => ({ id, pluginId: plugin.id }));
    void changes.make({ kind: 'bring-back', pluginIds: aside?.buildId == null ? [plugin.id] : [], builds });
  };
  return (
    <>
      {face !== null && <img className={styles.panelFace} src={face} alt={`Picture of ${plugin.name}`} />}
      <h2>
        <bdi>{plugin.name}</bdi> <span className="quiet">{vendorInWords(plugin, state)}</span>
      </h2>
      <p className={styles.aboutLine}>
        {plugin.name !== plugin.givenName && (
          <>
            given name <b>{plugin.givenName}</b>
            {' · '}
          </>
        )}
        strip label <span className="mono">{naming?.stripLabel ?? proposeStripLabel(plugin.name)}</span>
        {naming !== null && naming.tags.length > 0 && ` · tags: ${naming.tags.join(', ')}`}
        {naming?.note != null && <span className="quiet"> · note: {naming.note}</span>}
      </p>
      {plugin.vendor !== null && (
        <p className={styles.aboutLine}>
          <span className="quiet">vendor:</span> <VendorNote vendor={plugin.vendor} state={state} changes={changes} />
        </p>
      )}
      <p className={styles.aboutLine}>
        <PlainButton onClick={name}>
          <KeyHint place="sort" does="names" /> Names and notes …
        </PlainButton>
        <PlainButton onClick={putRight}>
          <KeyHint place="sort" does="correct" /> Correct …
        </PlainButton>
        {aside === null ? (
          <PlainButton onClick={setAside}>
            <KeyHint place="sort" does="setAside" /> Set aside …
          </PlainButton>
        ) : (
          <>
            <AsideWords aside={aside} state={state} />
            <PlainButton linked onClick={bringBack}>
              Bring back
            </PlainButton>
          </>
        )}
        <PictureButton pluginId={plugin.id} />
        {state.face.has(plugin.id) && (
          <PlainButton onClick={() => void changes.make({ kind: 'show-face', pluginId: plugin.id, picture: null })}>
            Remove my picture
          </PlainButton>
        )}
      </p>
      <Places id={plugin.id} state={state} catalogue={catalogue} />
      <KindEvidence plugin={plugin} />
      <MaybeSame plugin={plugin} catalogue={catalogue} />
      <PresetList plugin={plugin} state={state} chosen={chosen} choose={choose} />
      <section aria-label="Builds" {...panelPart('builds')}>
        {isElsewhere(plugin) ? (
          <p className="quiet">
            It is not on this computer
            {plugin.elsewhere.length > 0 && ` but on ${plugin.elsewhere.join(', ')}`}: it keeps its places, and is left
            out of menus.
          </p>
        ) : (
          <h3>
            <KeyHint place="sort" does="toBuilds" />{' '}
            {plugin.builds.length === 1
              ? 'Its build'
              : `Its ${String(plugin.builds.length)} builds, the preferred one first`}{' '}
            <PlainButton disabled={!computer.here} onClick={readAgain}>
              Read again
            </PlainButton>
            {plugin.elsewhere.length > 0 && <span className="quiet"> also on {plugin.elsewhere.join(', ')}</span>}
          </h3>
        )}
        {plugin.builds.map((build, index) => (
          <BuildCard key={build.id} plugin={plugin} build={build} preferred={index === 0} state={state} />
        ))}
        <BuildGroups plugin={plugin} state={state} />
      </section>
    </>
  );
}
