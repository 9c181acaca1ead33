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
      ['Shift F', 'file into the same drawers again'],
      ['1 … 9', 'on a tray, and off again'],
      ['0', 'off all trays'],
      ['A', 'set aside, with a reason; rules of thumb'],
      ['B', 'bring back what is set aside'],
      ['M', 'my words: nickname, strip label, tags, note'],
      ['C', 'put role, type, vendor or grouping right'],
      ['T', 'to file: one after the other, with proposals'],
      ['G', 'pictures on and off'],
      ['Alt ↑ ↓, Alt Home, Alt End', 'move on the one tray that is listed'],
      ['J', 'join what is possibly the same, when all about it is shown'],
      ['Enter', 'show all about it'],
      ['Esc', 'clear the selection'],
    ],
  },
  {
    place: 'Sort: the chest',
    keys: [
      ['N', 'new drawer'],
      ['Enter', 'open or close the drawer'],
      ['Alt ← →, Alt Home, Alt End', 'move the drawer, the tray or the chest among its neighbours'],
      ['P', 'put the drawer inside another, or in another chest'],
      ['K', 'copy the drawer with all it holds'],
      ['I', 'inner drawer'],
      ['L', 'list only what stands in the drawer'],
      ['R', 'rename, keywords'],
      ['Delete', 'delete the drawer, clear the tray'],
    ],
  },
  {
    place: 'Sort: inside a drawer or on a tray',
    keys: [
      ['↑ ↓, Shift, Space, Ctrl A', 'move and select, as in the list'],
      ['Alt ↑ ↓', 'move what is selected up and down'],
      ['Alt Home, Alt End', 'to the top, to the bottom'],
      ['D', 'divider in front of it'],
      ['R', 'a name in this drawer only; the label of a divider'],
      ['Delete', 'take out of the drawer; remove the divider'],
      ['Enter', 'show all about it'],
    ],
  },
  {
    place: 'Sort: to file',
    keys: [
      ['Enter', 'file into the marked drawer, and on to the next'],
      ['↑ ↓, Space', 'mark another drawer, tick several'],
      ['← →', 'the one before, the next one'],
      ['F, A', 'another drawer; set aside'],
      ['Esc', 'back to the list'],
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

/** The keys of every place, in a box. */
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
