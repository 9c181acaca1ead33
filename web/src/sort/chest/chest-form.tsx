import { useId, useMemo, useState } from 'react';
import Form from 'react-bootstrap/Form';
import { FormBox } from '../../parts/form-box';
import { CHEST_SLOTS, type Chest, type ChestSlot } from '@clever-drawer/core/chests/rows/chest';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { contentsOf } from '@clever-drawer/core/chests/drawer-contents';
import { countIn, type DrawerPlan } from '@clever-drawer/core/chests/lay-out-drawers';
import { chestsOf, drawersOfChest } from '@clever-drawer/core/chests/look-up';
import {
  CHEST_BASES,
  INNER_BASES,
  planDrawers,
  type ChestBasis,
  type InnerBasis,
} from '@clever-drawer/core/chests/work-out-chest';
import type { ChestId } from '@clever-drawer/core/ids';
import type { ChosenCatalogue } from '../../catalogue/queries';
import { formatsOf } from '../ribbons/facets';

/** How a new chest begins: empty, as a copy, or worked out from the catalogue. */
export type ChestStart =
  | { readonly kind: 'empty' }
  | { readonly kind: 'copy'; readonly of: ChestId }
  | {
      readonly kind: 'worked-out';
      readonly by: ChestBasis;
      readonly most: number | null;
      readonly inner: InnerBasis;
      readonly without: ChestId | null;
    };

export interface NewChest {
  readonly name: string;
  readonly slots: readonly ChestSlot[] | null;
  readonly start: ChestStart;
}

const STARTS: Readonly<Record<'empty' | 'copy' | ChestBasis, { readonly label: string; readonly name: string }>> = {
  empty: { label: 'Empty', name: 'Everyday' },
  copy: { label: 'As a copy of another chest', name: '' },
  type: { label: 'A drawer for each type, types of a family together', name: 'By type' },
  vendor: { label: 'A drawer for each vendor', name: 'By vendor' },
  format: { label: 'A drawer for each format', name: 'By format' },
  'role-and-type': { label: 'A drawer for each role, with inner drawers by type', name: 'By role' },
};
type Beginning = keyof typeof STARTS;
const BEGINNINGS: readonly Beginning[] = ['empty', 'copy', ...CHEST_BASES];
const isBasis = (beginning: Beginning): beginning is ChestBasis => beginning !== 'empty' && beginning !== 'copy';

const SLOT_WORDS: Readonly<Record<ChestSlot, string>> = {
  instrument: 'instruments',
  insert: 'inserts of tracks',
  bus: 'inserts of buses and the master',
};
const INNER_WORDS: Readonly<Record<InnerBasis, string>> = {
  type: 'by type',
  vendor: 'by vendor',
  letters: 'by letters, A–Z',
};
const PREVIEWED = 12;

interface Props {
  readonly state: Arrangement;
  readonly catalogue: ChosenCatalogue;
  /** The chest whose name and purpose change; null makes a new one. */
  readonly chest: Chest | null;
  readonly done: (wish: NewChest) => void;
  readonly close: () => void;
}

/** Name and purpose of a chest; for a new one how it begins, with a look at what that would give. */
export function ChestForm({ state, catalogue, chest, done, close }: Props) {
  const chests = chestsOf(state);
  const [beginning, setBeginning] = useState<Beginning>('empty');
  const [typed, setName] = useState<string | null>(chest?.name ?? null);
  const [slots, setSlots] = useState<readonly ChestSlot[]>(chest?.slots ?? []);
  const [source, setSource] = useState<string>(chests[0]?.id ?? '');
  const [most, setMost] = useState('40');
  const [inner, setInner] = useState<InnerBasis>('letters');
  const [without, setWithout] = useState('');
  const id = useId();
  const original = chests.find((one) => one.id === source);
  const proposed = beginning === 'copy' ? `${original?.name ?? ''}, another` : STARTS[beginning].name;
  const name = (typed ?? proposed).trim();
  const limit = most.trim() === '' ? null : Math.max(2, Math.min(100_000, Math.round(Number(most)) || 2));
  const left = chests.find((one) => one.id === without)?.id ?? null;
  const start: ChestStart = isBasis(beginning)
    ? { kind: 'worked-out', by: beginning, most: limit, inner, without: left }
    : beginning === 'copy' && original !== undefined
      ? { kind: 'copy', of: original.id }
      : { kind: 'empty' };
  const submit = (): void => {
    if (name !== '') done({ name, slots: slots.length === 0 ? null : slots, start });
  };
  const switchSlot = (slot: ChestSlot): void =>
    setSlots((old) => CHEST_SLOTS.filter((one) => (one === slot) !== old.includes(one)));
  return (
    <FormBox
      title={chest === null ? 'New chest' : `The chest ${chest.name}`}
      act={chest === null ? 'Make the chest' : 'Save'}

      size="lg"
      className="chest-form"
      submit={submit}
      close={close}
    >
      {chest === null && (
        <fieldset>
          <legend className="form-label">Begins</legend>
          {BEGINNINGS.filter((one) => one !== 'copy' || chests.length > 0).map((one) => (
            <Form.Check
              key={one}
              type="radio"
              name={`${id}-start`}
              id={`${id}-${one}`}
              label={STARTS[one].label}
              checked={beginning === one}
              onChange={() => setBeginning(one)}
            />
          ))}
          {beginning === 'copy' && (
            <Form.Select
              aria-label="The chest to copy"
              value={source}
              onChange={(event) => setSource(event.target.value)}
            >
              {chests.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
            </Form.Select>
          )}
          {isBasis(beginning) && (
            <div className="work-out">
              <label htmlFor={`${id}-most`}>A drawer holds at most</label>
              <Form.Control
                id={`${id}-most`}
                type="number"
                min={2}
                value={most}
                placeholder="no limit"
                onChange={(event) => setMost(event.target.value)}
              />
              <label htmlFor={`${id}-inner`}>What is more goes into inner drawers</label>
              <Form.Select
                id={`${id}-inner`}
                value={inner}
                onChange={(event) => setInner(event.target.value as InnerBasis)}
              >
                {INNER_BASES.map((one) => (
                  <option key={one} value={one}>
                    {INNER_WORDS[one]}
                  </option>
                ))}
              </Form.Select>
              <label htmlFor={`${id}-without`}>Leave out what stands in</label>
              <Form.Select id={`${id}-without`} value={without} onChange={(event) => setWithout(event.target.value)}>
                <option value="">no chest: take everything</option>
                {chests.map((one) => (
                  <option key={one.id} value={one.id}>
                    {one.name}
                  </option>
                ))}
              </Form.Select>
            </div>
          )}
        </fieldset>
      )}
      <div>
        <Form.Group controlId={`${id}-name`} className="mb-3">
          <Form.Label>Name</Form.Label>
          <Form.Control
            value={typed ?? proposed}
            maxLength={120}
            autoFocus
            autoComplete="off"
            isInvalid={name === ''}
            onChange={(event) => setName(event.target.value)}
          />
          <Form.Control.Feedback type="invalid">Give the chest a name.</Form.Control.Feedback>
        </Form.Group>
        {/* A copy is meant for what its original is meant for. */}
        {beginning !== 'copy' && (
          <fieldset className="mb-3">
            <legend className="form-label">Meant for (none ticked: for all slots)</legend>
            {CHEST_SLOTS.map((slot) => (
              <Form.Check
                key={slot}
                id={`${id}-slot-${slot}`}
                label={SLOT_WORDS[slot]}
                checked={slots.includes(slot)}
                onChange={() => switchSlot(slot)}
              />
            ))}
          </fieldset>
        )}
        {start.kind === 'worked-out' && <Preview state={state} catalogue={catalogue} start={start} />}
      </div>
    </FormBox>
  );
}

function Preview({
  state,
  catalogue,
  start: { by, most, inner, without },
}: {
  state: Arrangement;
  catalogue: ChosenCatalogue;
  start: Extract<ChestStart, { kind: 'worked-out' }>;
}) {
  const plans = useMemo(() => {
    const filed = new Set(
      (without === null ? [] : drawersOfChest(state, without)).flatMap((drawer) =>
        contentsOf(state, catalogue.byId, drawer).plugins.map((content) => content.plugin.id),
      ),
    );
    const here = catalogue.plugins
      .filter((plugin) => plugin.found && plugin.aside === null && !filed.has(plugin.id))
      .map((plugin) => ({ ...plugin, formats: formatsOf(plugin) as never }));
    return planDrawers(here, { by, most, inner });
  }, [state, catalogue, by, most, inner, without]);
  const drawers = count(plans);
  const total = new Set(filedIn(plans)).size;
  if (total === 0) return <p className="quiet">That chest holds everything already; nothing is left for this one.</p>;
  return (
    <section className="preview" aria-label="What it would be">
      <h3>
        {drawers} {drawers === 1 ? 'drawer' : 'drawers'}, {total} plugins
      </h3>
      <ul>
        {plans.slice(0, PREVIEWED).map((plan) => (
          <li key={plan.name}>
            <bdi>{plan.name}</bdi>{' '}
            <span className="quiet mono">
              {countIn([plan])}
              {plan.inner.length > 0 && ` in ${String(plan.inner.length)} inner`}
            </span>
          </li>
        ))}
        {plans.length > PREVIEWED && <li className="quiet">and {plans.length - PREVIEWED} more</li>}
      </ul>
    </section>
  );
}

const count = (plans: readonly DrawerPlan[]): number => plans.reduce((sum, plan) => sum + 1 + count(plan.inner), 0);
const filedIn = (plans: readonly DrawerPlan[]): string[] =>
  plans.flatMap((plan) => [
    ...plan.lines.flatMap((line) => ('pluginId' in line ? [line.pluginId] : [])),
    ...filedIn(plan.inner),
  ]);
