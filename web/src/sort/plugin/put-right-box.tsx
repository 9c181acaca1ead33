import { useState, type SubmitEvent } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import Modal from 'react-bootstrap/Modal';
import type { PluginView } from '@clever-drawer/contract/responses';
import { ROLE_LABELS, ROLES, type Role } from '@clever-drawer/core/catalogue/role';
import {
  FAMILIES,
  familyOf,
  TYPE_IDS,
  TYPE_TREE,
  type FamilyId,
  type TypeId,
} from '@clever-drawer/core/catalogue/type-tree';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { Intent, Right } from '@clever-drawer/core/chests/intent';
import { useVendors } from '../../catalogue/queries';
import type { Changes } from '../../arrangement/changes';
import { useComputer } from '../../lib/use-computer';
import { PlainButton } from '../../parts/plain-button';
import styles from './plugin.module.css';

const LEAVE = '';
const BACK = '-';

/** Puts role, type and vendor of the chosen plugins right, or joins them to one. What is left alone stays as it is for each. */
export function PutRightBox({
  plugins,
  state,
  changes,
  close,
}: {
  plugins: readonly PluginView[];
  state: Arrangement;
  changes: Changes;
  close: () => void;
}) {
  const [only] = plugins.length === 1 ? plugins : [];
  const [role, setRole] = useState<string>(LEAVE);
  const [main, setMain] = useState<string>(LEAVE);
  const [further, setFurther] = useState<string>(LEAVE);
  const [vendor, setVendor] = useState('');
  const [into, setInto] = useState<string>(LEAVE);
  const vendors = useVendors(useComputer().id).data ?? [];
  const ids = plugins.map((plugin) => plugin.id);
  const isPutRight = plugins.some((plugin) => state.choice.has(plugin.id));
  const fitting = TYPE_IDS.filter(
    (type) => role === LEAVE || role === BACK || TYPE_TREE[type].roles.includes(role as Role),
  );

  const right: Right = {
    ...(role === LEAVE ? {} : { role: role === BACK ? null : (role as Role) }),
    ...(main === LEAVE ? {} : { types: main === BACK ? null : typesOf(main, further) }),
    ...(vendor.trim() === '' ? {} : { vendor: vendor.trim() }),
  };
  const nothing = Object.keys(right).length === 0 && into === LEAVE;
  const submit = (event: SubmitEvent): void => {
    event.preventDefault();
    if (nothing) return;
    const target = plugins.find((plugin) => plugin.id === into);
    const intents: Intent[] = Object.keys(right).length > 0 ? [{ kind: 'put-right', pluginIds: ids, right }] : [];
    if (target !== undefined) {
      const others = plugins.filter((plugin) => plugin !== target);
      const builds = others.flatMap((plugin) => plugin.builds.map(({ id, key }) => ({ id, key, pluginId: plugin.id })));
      const pluginIds = others.map((plugin) => plugin.id);
      intents.push({ kind: 'join-plugins', intoId: target.id, pluginIds, builds });
    }
    void changes.make(...intents);
    close();
  };
  const takeBack = (): void => {
    void changes.make({ kind: 'put-right', pluginIds: ids, right: { role: null, types: null, vendor: null } });
    close();
  };
  return (
    <Modal show onHide={close} aria-labelledby="put-right-title">
      <Form onSubmit={submit}>
        <Modal.Header closeButton>
          <Modal.Title id="put-right-title">
            Put right: {only === undefined ? `${String(plugins.length)} plugins` : <bdi>{only.name}</bdi>}
          </Modal.Title>
        </Modal.Header>
        <Modal.Body className={styles.putRight}>
          <Form.Label htmlFor="right-role">Role</Form.Label>
          <Form.Select id="right-role" autoFocus value={role} onChange={(event) => setRole(event.target.value)}>
            <option value={LEAVE}>{leave(only?.role == null ? null : ROLE_LABELS[only.role])}</option>
            {ROLES.map((one) => (
              <option key={one} value={one}>
                {ROLE_LABELS[one]}
              </option>
            ))}
            <option value={BACK}>what is worked out</option>
          </Form.Select>
          <RightTypes
            now={only?.types[0] ?? null}
            fitting={fitting}
            main={main}
            setMain={setMain}
            further={further}
            setFurther={setFurther}
          />
          <Form.Label htmlFor="right-vendor">Vendor</Form.Label>
          <Form.Control
            id="right-vendor"
            list="right-vendors"
            value={vendor}
            maxLength={120}
            autoComplete="off"
            placeholder={leave(only?.vendor ?? null)}
            onChange={(event) => setVendor(event.target.value)}
          />
          <datalist id="right-vendors">
            {vendors.map(({ name }) => (
              <option key={name} value={name} />
            ))}
          </datalist>
          {plugins.length > 1 && (
            <>
              <Form.Label htmlFor="right-join">All of these are one plugin</Form.Label>
              <Form.Select id="right-join" value={into} onChange={(event) => setInto(event.target.value)}>
                <option value={LEAVE}>no, leave them apart</option>
                {plugins.map((plugin) => (
                  <option key={plugin.id} value={plugin.id}>
                    yes, named {plugin.name}
                    {plugin.vendor === null ? '' : ` (${plugin.vendor})`}
                  </option>
                ))}
              </Form.Select>
            </>
          )}
          <p className="quiet">What you choose here wins over every scan, until you take it back.</p>
        </Modal.Body>
        <Modal.Footer>
          {isPutRight && <PlainButton onClick={takeBack}>Take all of it back</PlainButton>}
          <Button type="submit" disabled={nothing}>
            Put right
          </Button>
        </Modal.Footer>
      </Form>
    </Modal>
  );
}

interface TypesProps {
  readonly now: TypeId | null;
  readonly fitting: readonly TypeId[];
  readonly main: string;
  readonly setMain: (type: string) => void;
  readonly further: string;
  readonly setFurther: (type: string) => void;
}

function RightTypes({ now, fitting, main, setMain, further, setFurther }: TypesProps) {
  return (
    <>
      <Form.Label htmlFor="right-type">Main type</Form.Label>
      <Form.Select id="right-type" value={main} onChange={(event) => setMain(event.target.value)}>
        <option value={LEAVE}>{leave(now === null ? null : TYPE_TREE[now].label)}</option>
        <TypeOptions types={fitting} />
        <option value={BACK}>what is worked out</option>
      </Form.Select>
      {main !== LEAVE && main !== BACK && (
        <>
          <Form.Label htmlFor="right-further">It is also</Form.Label>
          <Form.Select id="right-further" value={further} onChange={(event) => setFurther(event.target.value)}>
            <option value={LEAVE}>nothing else</option>
            <TypeOptions types={fitting.filter((type) => type !== main)} />
          </Form.Select>
        </>
      )}
    </>
  );
}

const leave = (now: string | null): string => (now === null ? 'leave as it is' : `leave as it is: ${now}`);

const typesOf = (main: string, further: string): TypeId[] =>
  [main, further].filter((type): type is TypeId => type !== LEAVE);

function TypeOptions({ types }: { types: readonly TypeId[] }) {
  return (Object.keys(FAMILIES) as FamilyId[])
    .map((family) => ({ family, own: types.filter((type) => familyOf(type) === family) }))
    .filter(({ own }) => own.length > 0)
    .map(({ family, own }) => (
      <optgroup key={family} label={FAMILIES[family]}>
        {own.map((type) => (
          <option key={type} value={type}>
            {TYPE_TREE[type].label}
          </option>
        ))}
      </optgroup>
    ));
}
