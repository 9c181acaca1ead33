import { parseAsString, parseAsStringEnum, useQueryStates } from 'nuqs';
import { useEffect, useState } from 'react';
import { toast } from 'sonner';
import type { Picked } from '@clever-drawer/contract/responses';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { useArrangement } from '../arrangement/arrangement-query';
import { useChanges } from '../arrangement/changes';
import { useOtherWindows } from '../arrangement/other-windows';
import { FacesContext } from '../catalogue/face';
import { useCatalogue, type Catalogue } from '../catalogue/queries';
import { useChosen } from '../catalogue/chosen-catalogue';
import type { Taken } from '../chooser/chooser';
import type { ChosenFor } from '../chooser/use-offer';
import { call, wordsOf } from '../lib/api';
import { useComputer } from '../lib/use-computer';
import { useStoredFlag, useStored } from '../lib/use-stored';
import { ActMenus } from '../parts/act-menu';
import { Failed, Loading } from '../parts/empty-note';
import { PlainButton } from '../parts/plain-button';
import { HandOverBox } from './hand-over-box';
import { PickChooser } from './pick-chooser';
import { PICK_SLOTS, PICK_WIDTHS, PLACES, slotNamed, widthNamed } from './pick-slots';
import { useHandOver, useHostSelection } from './hand-over';
import styles from './pick.module.css';

/** The pick window: the chooser alone, beside a real music program. What is chosen is handed over. */
export function PickPage() {
  const computer = useComputer();
  const catalogue = useCatalogue(computer.id);
  const arranged = useArrangement(computer.id);
  useOtherWindows(computer.id);
  if (catalogue.isError) return <Failed error={catalogue.error} again={() => void catalogue.refetch()} />;
  if (arranged.isError && arranged.data === undefined)
    return <Failed error={arranged.error} again={() => void arranged.refetch()} />;
  if (catalogue.data === undefined || arranged.data === undefined) return <Loading what="the plugins" />;
  return <PickDesk catalogue={catalogue.data} state={arranged.data.state} />;
}

interface Done {
  readonly words: string;
  readonly at: number;
}

const SESSION = 'Music program';

function PickDesk({ catalogue: workedOut, state }: { catalogue: Catalogue; state: Arrangement }) {
  const catalogue = useChosen(workedOut, state);
  const computer = useComputer();
  const changes = useChanges(computer.id);
  const [{ slot: asked, width: askedWidth, q }, setAsked] = useQueryStates({
    slot: parseAsStringEnum([...PICK_SLOTS]),
    width: parseAsStringEnum([...PICK_WIDTHS]),
    q: parseAsString,
  });
  const [keptSlot, keepSlot] = useStored('pick-slot');
  const [keptWidth, keepWidth] = useStored('pick-width');
  const [keptSession, keepSession] = useStored('pick-session');
  const [noClipboard, setNoClipboard] = useStoredFlag('pick-no-clipboard');
  const [copiesFile, setCopiesFile] = useStoredFlag('pick-preset-file');
  const handOver = useHandOver();
  const [asks, setAsks] = useState(false);
  const [turn, setTurn] = useState(0);
  const [done, setDone] = useState<Done | null>(null);
  const there = useHostSelection(handOver.target !== null, turn);
  const slot = asked ?? slotNamed(there?.slot ?? null) ?? slotNamed(keptSlot) ?? 'insert';
  const width = askedWidth ?? widthNamed(keptWidth);
  const session = keptSession ?? SESSION;
  const place: ChosenFor = {
    ...PLACES[slot],
    lane: there?.lane ?? null,
    before: null,
    now: null,
    sidechain: false,
    present: [],
  };
  useEffect(() => {
    document.title = 'Pick: Clever Drawer';
  }, []);

  const pick = async ({ items, way, keys, clicks, milliseconds, buildId = null }: Taken): Promise<void> => {
    const said: string[] = [];
    for (const item of items) {
      try {
        const body = {
          pluginId: item.id,
          buildId,
          width: width === 'any' ? null : width,
          slot: place.slot,
          lane: place.lane,
          session,
          send: handOver.target !== null,
          // Recent, usual and the like are ways within the chooser; what counts here is that it was handed over.
          way: way === 'typing' ? ('pick' as const) : way,
          ...{ keys, clicks, milliseconds },
        };
        const picked = await call('POST /computers/{computer}/picks', { path: { computer: computer.id }, body });
        said.push(await handedOver(picked, noClipboard ? null : copiesFile && item.preset !== null ? 'path' : 'name'));
      } catch (error) {
        toast.error(wordsOf(error), { duration: 10_000 });
      }
    }
    if (said.length > 0) setDone({ words: said.join('; '), at: Date.now() });
    anew();
  };
  const anew = (): void => {
    if (q !== null) void setAsked({ q: null });
    setTurn((old) => old + 1);
  };
  const ways = [
    ...(noClipboard ? [] : ['clipboard']),
    ...(handOver.target === null ? [] : [`OSC ${handOver.target.host}:${String(handOver.target.port)}`]),
  ];
  return (
    <FacesContext value={state.face}>
      <ActMenus>
        <main>
          <div className={styles.pick}>
            <h1 className="visually-hidden">Pick</h1>
            <PickChooser
              key={`${String(turn)} ${slot}`}
              place={place}
              catalogue={catalogue}
              state={state}
              changes={changes}
              typedFirst={turn === 0 ? (q ?? '') : ''}
              take={(taken) => void pick(taken)}
              clear={null}
              close={anew}
              slot={slot}
              width={width}
              setWidth={(next) => {
                keepWidth(next === 'any' ? null : next);
                void setAsked({ width: null });
              }}
              setSlot={(next) => {
                keepSlot(next);
                void setAsked({ slot: null });
                setTurn((old) => old + 1);
              }}
            />
            <footer className={styles.ways}>
              <span>
                {ways.length === 0 ? 'nothing is handed over' : 'hands over by '}
                <b>{ways.join(' and ')}</b>
              </span>
              <PlainButton onClick={() => setAsks(true)}>change …</PlainButton>
              <span className="quiet one-line" role="status">
                {done === null
                  ? `counts as a load in “${session}”`
                  : `last: ${done.words}, ${new Date(done.at).toLocaleTimeString()}`}
              </span>
            </footer>
          </div>
        </main>
        {asks && (
          <HandOverBox
            clipboard={!noClipboard}
            copiesFile={copiesFile}
            target={handOver.target}
            session={session}
            done={(wish) => {
              setAsks(false);
              setNoClipboard(!wish.clipboard);
              setCopiesFile(wish.copiesFile);
              keepSession(wish.session === SESSION ? null : wish.session);
              void handOver.change(wish.target);
            }}
            close={() => setAsks(false)}
          />
        )}
      </ActMenus>
    </FacesContext>
  );
}

/** What was done with something picked, in words. */
async function handedOver(picked: Picked, copies: 'name' | 'path' | null): Promise<string> {
  const { name, sent } = picked;
  let copied = false;
  if (copies !== null) {
    try {
      await navigator.clipboard.writeText(picked[copies] ?? name);
      copied = true;
    } catch {
      toast.error(`The browser blocked the clipboard for “${name}”. Click into this window and pick it again.`);
    }
  }
  const how = [
    ...(copied ? [copies === 'path' ? 'copied as a file path' : 'copied'] : []),
    ...(sent ? ['sent'] : []),
  ].join(' and ');
  return `“${name}” ${how === '' ? 'picked' : how}`;
}
