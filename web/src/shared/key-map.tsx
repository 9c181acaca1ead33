import Modal from 'react-bootstrap/Modal';

interface Group {
  readonly place: string;
  readonly keys: readonly (readonly [string, string])[];
}

const GROUPS: readonly Group[] = [
  {
    place: 'Everywhere',
    keys: [
      ['?', 'this key map'],
      ['Alt I, Alt S, Alt L, Alt K', 'to Intake, Sort, Load, Keep'],
      ['Ctrl Z', 'undo'],
      ['Ctrl Shift Z', 'redo'],
    ],
  },
  {
    place: 'Sort: the list',
    keys: [
      ['/', 'into the search line'],
      ['↑ ↓, Home, End', 'move'],
      ['Shift ↑ ↓', 'extend the selection'],
      ['Space', 'add to the selection, or take off it'],
      ['Ctrl A', 'select all found'],
      ['F', 'file into drawers'],
      ['1', 'on Favourites, and off again'],
      ['C', 'put role, type, vendor or grouping right'],
      ['Enter', 'show all about it'],
      ['Esc', 'clear the selection'],
    ],
  },
  {
    place: 'Sort: the chest',
    keys: [
      ['N', 'new drawer'],
      ['Enter', 'open or close the drawer'],
      ['Alt ← →', 'move the drawer among its neighbours'],
      ['P', 'put the drawer inside another'],
      ['R', 'rename, keywords'],
      ['Delete', 'delete the drawer, or take the plugin out'],
    ],
  },
  {
    place: 'Load',
    keys: [
      ['← → ↑ ↓', 'from slot to slot'],
      ['Enter', 'open the chooser on a slot; load what is marked'],
      ['Delete', 'clear the slot'],
      ['↑ ↓', 'in the chooser: mark another plugin'],
      ['Tab', 'in the chooser: to the drawers, and back'],
      ['Alt 1', 'in the chooser: the marked plugin on Favourites, and off again'],
      ['Esc', 'in the chooser: close the drawer, then the chooser'],
    ],
  },
];

export function KeyMap({ shown, close }: { shown: boolean; close: () => void }) {
  return (
    <Modal show={shown} onHide={close} size="lg" aria-labelledby="key-map-title">
      <Modal.Header closeButton>
        <Modal.Title id="key-map-title">Keys</Modal.Title>
      </Modal.Header>
      <Modal.Body className="key-map">
        {GROUPS.map(({ place, keys }) => (
          <section key={place}>
            <h3>{place}</h3>
            <dl>
              {keys.map(([key, meaning]) => (
                <div key={key + meaning}>
                  <dt>
                    <kbd>{key}</kbd>
                  </dt>
                  <dd>{meaning}</dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </Modal.Body>
    </Modal>
  );
}
