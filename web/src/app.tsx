import { Component, lazy, Suspense, useEffect, useState, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Navigate, Route, Routes, useLocation, useNavigate, useParams } from 'react-router';
import { Toaster } from 'sonner';
import { asId, type ComputerId } from '@clever-drawer/core/ids';
import { EmptyNote, Failed, Loading } from './parts/empty-note';
import { KeyMap } from './frame/key-map';
import { useComputers } from './catalogue/queries';
import { PLACES, TopBar } from './frame/top-bar';
import { useChanges } from './arrangement/changes';
import { useOtherWindows } from './arrangement/other-windows';
import { ComputerContext } from './lib/use-computer';

const IntakePage = lazy(() => import('./intake/intake-page').then((module) => ({ default: module.IntakePage })));
const SortPage = lazy(() => import('./sort/sort-page').then((module) => ({ default: module.SortPage })));
const LoadPage = lazy(() => import('./load/load-page').then((module) => ({ default: module.LoadPage })));
const KeepPage = lazy(() => import('./keep/keep-page').then((module) => ({ default: module.KeepPage })));

const LAST = 'clever-drawer-computer';

export function App() {
  return (
    <>
      <Routes>
        <Route path="/" element={<ToLastComputer />} />
        <Route path="/:computer/*" element={<AtComputer />} />
      </Routes>
      <Toaster position="bottom-center" offset={44} toastOptions={{ className: 'note', duration: 6000 }} />
    </>
  );
}

/** Where a visit begins: the computer of the last one, in Sort; in Intake while its catalogue is empty. */
function ToLastComputer() {
  const computers = useComputers();
  if (computers.isError) return <Failed error={computers.error} again={() => void computers.refetch()} />;
  if (computers.data === undefined) return <Loading what="the studio" />;
  const last = computers.data.find((one) => one.id === localStorage.getItem(LAST)) ?? computers.data[0];
  if (last === undefined)
    return (
      <EmptyNote title="No studio computer yet">
        Start Clever Drawer again; it adds the computer that it runs on.
      </EmptyNote>
    );
  return <Navigate replace to={`/${last.id}/${last.plugins === 0 ? 'intake' : 'sort'}`} />;
}

function AtComputer() {
  const { computer: id = '', '*': rest = '' } = useParams();
  const computers = useComputers();
  const computer = computers.data?.find((one) => one.id === id);
  const [keysShown, showKeys] = useState(false);
  useHotkeys('shift+slash', () => showKeys(true), { useKey: false });
  useHotkeys('?', () => showKeys(true), { useKey: true });
  useEffect(() => {
    if (computer !== undefined) localStorage.setItem(LAST, computer.id);
  }, [computer]);
  if (computers.isError && computer === undefined)
    return <Failed error={computers.error} again={() => void computers.refetch()} />;
  if (computers.data === undefined) return <Loading what="the studio" />;
  if (computer === undefined) return <Navigate replace to="/" />;
  const place = rest.split('/')[0] ?? 'sort';
  return (
    <ComputerContext value={computer}>
      <TopBar computer={computer} computers={computers.data} place={place} showKeys={() => showKeys(true)} />
      <KeyMap shown={keysShown} close={() => showKeys(false)} />
      <CommonKeys computer={computer.id} />
      <KeepGoing key={`${computer.id}/${place}`}>
        <Suspense fallback={<Loading what="the page" />}>
          <Routes>
            <Route path="intake" element={<IntakePage key={computer.id} />} />
            <Route path="sort" element={<SortPage key={computer.id} />} />
            <Route path="load" element={<LoadPage key={computer.id} />} />
            <Route path="keep" element={<KeepPage key={computer.id} />} />
            <Route path="*" element={<Navigate replace to={`/${computer.id}/sort`} />} />
          </Routes>
        </Suspense>
      </KeepGoing>
    </ComputerContext>
  );
}

function CommonKeys({ computer }: { computer: ComputerId }) {
  useOtherWindows(computer);
  const { step } = useChanges(asId<ComputerId>(computer));
  const navigate = useNavigate();
  const { pathname } = useLocation();
  useHotkeys('mod+z', () => void step('undo'), { preventDefault: true });
  useHotkeys('mod+shift+z, mod+y', () => void step('redo'), { preventDefault: true });
  useHotkeys(
    PLACES.map((place) => `alt+${place.key}`).join(','),
    (event) => {
      const place = PLACES.find((one) => one.key === event.code.slice(-1).toLowerCase());
      if (place !== undefined && !pathname.endsWith(place.path)) void navigate(`/${computer}/${place.path}`);
    },
    { preventDefault: true, enableOnFormTags: true },
  );
  return null;
}

/** A bug in one place must not take the whole page away, nor show a stack trace. */
class KeepGoing extends Component<{ children: ReactNode }, { failed: boolean }> {
  override state = { failed: false };

  static getDerivedStateFromError() {
    return { failed: true };
  }

  override render() {
    if (!this.state.failed) return this.props.children;
    return (
      <EmptyNote title="This page met an error">
        <p>All that you arranged is saved. Reload the page to go on.</p>
        <button type="button" className="btn btn-outline-primary" onClick={() => location.reload()}>
          Reload
        </button>
      </EmptyNote>
    );
  }
}
