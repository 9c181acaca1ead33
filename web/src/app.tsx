import { noop, queryOptions, useQuery, useQueryClient } from '@tanstack/react-query';
import { asId, type ComputerId } from '@clever-drawer/core/ids';
import { useEffect, useState, type ComponentType, type CSSProperties } from 'react';
import { Navigate, Route, Routes, useParams } from 'react-router';
import { Toaster } from 'sonner';
import { EmptyNote, Failed, Loading } from './parts/empty-note';
import { CommonKeys } from './frame/common-keys';
import { KeepGoing } from './frame/keep-going';
import { KeyMap } from './frame/key-map';
import { useTheme } from './frame/theme';
import { arrangementQuery } from './arrangement/arrangement-query';
import { catalogueQuery, useComputers } from './catalogue/queries';
import { Telling } from './frame/telling';
import { TopBar } from './frame/top-bar';
import { ComputerContext } from './lib/use-computer';
import { useStored } from './lib/use-stored';

type Place = 'intake' | 'sort' | 'load' | 'keep' | 'pick';

const NOTICE_OFFSET_PX = 5;
/** Set here because the package's own style sheet outranks ours. */
const NOTICE_STYLE = {
  '--width': 'min(540px, 96vw)',
  '--normal-bg': 'var(--ink)',
  '--normal-text': 'var(--paper)',
  '--normal-border': 'var(--ink)',
  fontFamily: 'inherit',
} as CSSProperties;

const PAGES: Readonly<Record<Place, () => Promise<ComponentType>>> = {
  intake: async () => (await import('./intake/intake-page')).IntakePage,
  sort: async () => (await import('./sort/sort-page')).SortPage,
  load: async () => (await import('./load/load-page')).LoadPage,
  keep: async () => (await import('./keep/keep-page')).KeepPage,
  pick: async () => (await import('./pick/pick-page')).PickPage,
};
/** The places that show plugins as soon as they are opened. */
const OF_PLUGINS: ReadonlySet<string> = new Set<Place>(['sort', 'load', 'pick']);

/** The code of a place. A query, since React holds back for a third of a second what Suspense has waited for. */
const pageQuery = (place: Place) =>
  queryOptions({
    queryKey: ['page', place],
    staleTime: Infinity,
    gcTime: Infinity,
    queryFn: () =>
      PAGES[place]().catch(() => {
        throw new Error(
          'This part of the page could not be fetched. Start Clever Drawer again if it has ended, then reload the page.',
        );
      }),
  });

function Page({ place }: { place: Place }) {
  const page = useQuery(pageQuery(place));
  if (page.isError) return <Failed error={page.error} again={() => void page.refetch()} />;
  if (page.data === undefined) return <Loading what="the page" />;
  return <page.data />;
}

const LAST = 'computer';

/** The whole page: the places of the computer at hand. */
export function App() {
  return (
    <>
      <Routes>
        <Route path="/" element={<ToLastComputer />} />
        <Route path="/pick" element={<PickAtLast />} />
        <Route path="/:computer/*" element={<AtComputer />} />
      </Routes>
      <Telling />
      {/* Over the middle of the top bar: there it covers neither what is worked on nor the hints at the foot. */}
      <Toaster
        position="top-center"
        offset={NOTICE_OFFSET_PX}
        mobileOffset={NOTICE_OFFSET_PX}
        style={NOTICE_STYLE}
        toastOptions={{ className: 'note', duration: 6000, style: { padding: '8px 14px' } }}
      />
    </>
  );
}

/** Asks for what a page of plugins shows while the computers are still asked for: most often the computer of the address, or of the last visit, is there. */
function useAhead(id: string | null, place: string): void {
  const client = useQueryClient();
  useEffect(() => {
    if (id === null || id === '' || !OF_PLUGINS.has(place)) return;
    // What fails here is asked for again by the page, which tells of it.
    client.query(catalogueQuery(asId<ComputerId>(id))).catch(noop);
    client.query(arrangementQuery(asId<ComputerId>(id))).catch(noop);
    client.query(pageQuery(place as Place)).catch(noop);
  }, [client, id, place]);
}

/** Where a visit begins: the computer of the last one, in Sort; in Intake while its catalogue is empty. */
function ToLastComputer() {
  const computers = useComputers();
  const [lastId] = useStored(LAST);
  useAhead(lastId, 'sort');
  if (computers.isError) return <Failed error={computers.error} again={() => void computers.refetch()} />;
  if (computers.data === undefined) return <Loading what="the studio" />;
  const last = computers.data.find((one) => one.id === lastId) ?? computers.data[0];
  if (last === undefined)
    return (
      <EmptyNote title="No studio computer yet">
        Start Clever Drawer again; it adds the computer that it runs on.
      </EmptyNote>
    );
  return <Navigate replace to={`/${last.id}/${last.plugins === 0 ? 'intake' : 'sort'}`} />;
}

/** The pick window, of the computer that was at hand last. */
function PickAtLast() {
  useTheme();
  const computers = useComputers();
  const [lastId] = useStored(LAST);
  useAhead(lastId, 'pick');
  if (computers.isError) return <Failed error={computers.error} again={() => void computers.refetch()} />;
  if (computers.data === undefined) return <Loading what="the studio" />;
  const last = computers.data.find((one) => one.id === lastId) ?? computers.data[0];
  if (last === undefined || last.plugins === 0)
    return (
      <EmptyNote title="Nothing to pick yet">
        Open Clever Drawer in a window of its own, and scan the plugin folders in Intake.
      </EmptyNote>
    );
  return (
    <ComputerContext value={last}>
      <Page key={last.id} place="pick" />
    </ComputerContext>
  );
}

function AtComputer() {
  const { computer: id = '', '*': rest = '' } = useParams();
  const computers = useComputers();
  const place = rest.split('/')[0] ?? 'sort';
  useAhead(id, place);
  const computer = computers.data?.find((one) => one.id === id);
  const [keysShown, showKeys] = useState(false);
  const [lastId, keepLast] = useStored(LAST);
  useEffect(() => {
    if (computer !== undefined && computer.id !== lastId) keepLast(computer.id);
    // Only a visit is kept: what another window keeps must not be written back.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [computer?.id]);
  if (computers.isError && computer === undefined)
    return <Failed error={computers.error} again={() => void computers.refetch()} />;
  if (computers.data === undefined) return <Loading what="the studio" />;
  if (computer === undefined) return <Navigate replace to="/" />;
  return (
    <ComputerContext value={computer}>
      <TopBar computer={computer} computers={computers.data} place={place} showKeys={() => showKeys(true)} />
      <KeyMap shown={keysShown} close={() => showKeys(false)} />
      <CommonKeys computer={computer.id} showKeys={() => showKeys(true)} />
      <KeepGoing key={`${computer.id}/${place}`}>
        <Routes>
          {(['intake', 'sort', 'load', 'keep'] as const).map((one) => (
            <Route key={one} path={one} element={<Page key={`${computer.id}/${one}`} place={one} />} />
          ))}
          <Route path="*" element={<Navigate replace to={`/${computer.id}/sort`} />} />
        </Routes>
      </KeepGoing>
    </ComputerContext>
  );
}
