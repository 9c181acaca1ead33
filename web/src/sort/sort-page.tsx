import { useNavigate } from 'react-router';
import Button from 'react-bootstrap/Button';
import { EmptyNote, Failed, Loading } from '../parts/empty-note';
import { useCatalogue, type Catalogue } from '../catalogue/queries';
import { useChosen } from '../catalogue/chosen-catalogue';
import { useArrangement } from '../arrangement/arrangement-query';
import type { WindowState } from '../arrangement/window-state';
import { useComputer } from '../lib/use-computer';
import { SortDesk } from './sort-desk';

/** Sort: the catalogue as a list, beside it the chest of drawers. */
export function SortPage() {
  const computer = useComputer();
  const navigate = useNavigate();
  const catalogue = useCatalogue(computer.id);
  const arranged = useArrangement(computer.id);
  if (catalogue.isError) return <Failed error={catalogue.error} again={() => void catalogue.refetch()} />;
  if (arranged.isError && arranged.data === undefined)
    return <Failed error={arranged.error} again={() => void arranged.refetch()} />;
  if (catalogue.data === undefined || arranged.data === undefined) return <Loading what="the catalogue" />;
  if (catalogue.data.plugins.length === 0) {
    return (
      <main>
        <EmptyNote title="The catalogue is empty">
          <p>Name the plugin folders of {computer.name} and scan them; then they are sorted here.</p>
          <Button onClick={() => void navigate(`/${computer.id}/intake`)}>To Intake</Button>
        </EmptyNote>
      </main>
    );
  }
  return <Chosen catalogue={catalogue.data} arranged={arranged.data} />;
}

function Chosen({ catalogue, arranged }: { catalogue: Catalogue; arranged: WindowState }) {
  return <SortDesk catalogue={useChosen(catalogue, arranged.state)} arranged={arranged} />;
}
