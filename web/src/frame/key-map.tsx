import Modal from 'react-bootstrap/Modal';
import { DRAG_COPIES, DRAG_MOVES, KEY_PLACES, KEYS, type KeyBinding, type KeyPlace } from '../keys/key-table';
import { isMac, strokeInWords } from '../keys/strokes';

/** The digits of a row stand as "1 … 9". */
function strokesInWords({ strokes }: KeyBinding): readonly string[] {
  const words = strokes.map((stroke) => strokeInWords(stroke, isMac()));
  return words.length > 4 ? [`${words[0] ?? ''} … ${words.at(-1) ?? ''}`] : words;
}

/** The keys of every place, in a box: the key table itself. */
export function KeyMap({ shown, close }: { shown: boolean; close: () => void }) {
  return (
    <Modal show={shown} onHide={close} size="xl" aria-labelledby="key-map-title">
      <Modal.Header closeButton>
        <Modal.Title id="key-map-title">Keys</Modal.Title>
      </Modal.Header>
      <Modal.Body className="key-map" tabIndex={0}>
        {(Object.keys(KEYS) as KeyPlace[]).map((place) => (
          <section key={place}>
            <h3>{KEY_PLACES[place]}</h3>
            <dl>
              {Object.entries<KeyBinding>(KEYS[place]).map(([name, entry]) => (
                <div key={name}>
                  <dt>
                    {strokesInWords(entry).map((words) => (
                      <kbd key={words}>{words}</kbd>
                    ))}
                  </dt>
                  <dd>{entry.does}</dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
        <section>
          <h3>By mouse</h3>
          <dl>
            {[DRAG_MOVES, { ...DRAG_COPIES, stroke: isMac() ? DRAG_COPIES.onMac : DRAG_COPIES.stroke }].map(
              ({ stroke, does }) => (
                <div key={does}>
                  <dt>
                    <kbd>{strokeInWords(stroke, isMac())}</kbd>
                  </dt>
                  <dd>{does}</dd>
                </div>
              ),
            )}
          </dl>
        </section>
      </Modal.Body>
    </Modal>
  );
}
