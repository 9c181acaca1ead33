import { useMemo, useState } from 'react';
import Form from 'react-bootstrap/Form';
import { FormBox } from '../../parts/form-box';
import { isPlugin, type ChosenItem, type ChosenPlugin } from '../../catalogue/chosen-catalogue';
import { lessonOf, type Lesson, type Pupil } from '@clever-drawer/core/catalogue/lesson';
import { ROLE_LABELS, ROLES, type Role } from '@clever-drawer/core/catalogue/role';
import {
  FAMILIES,
  familyOf,
  TYPE_IDS,
  TYPE_TREE,
  type FamilyId,
  type TypeId,
} from '@clever-drawer/core/catalogue/type-tree';
import type { PluginId } from '@clever-drawer/core/ids';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { Intent, Right } from '@clever-drawer/core/chests/intent';
import { useVendors } from '../../catalogue/queries';
import type { Changes } from '../../arrangement/changes';
import { useComputer } from '../../lib/use-computer';
import { PlainButton } from '../../parts/plain-button';
import boxStyles from '../../boxes/boxes.module.css';
import styles from './plugin.module.css';

const LEAVE = '';
const BACK = '-';

/** Puts role, type and vendor of the chosen plugins right, or joins them to one. What is left alone stays as it is for each. */
export function PutRightBox({
  plugins,
  items,
  state,
  changes,
  close,
}: {
  plugins: readonly ChosenPlugin[];
  /** The whole catalogue: a correction may be true for others too. */
  items: readonly ChosenItem[];
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
  const [too, setToo] = useState<ReadonlySet<PluginId>>(new Set());
  const vendors = useVendors(useComputer().id).data ?? [];
  const ids = plugins.map((plugin) => plugin.id);
  const isPutRight = plugins.some((plugin) => state.choice.has(plugin.id));
  const fitting = TYPE_IDS.filter(
    (type) => role === LEAVE || role === BACK || TYPE_TREE[type].roles.includes(role as Role),
  );

  const all = useMemo(() => items.filter(isPlugin), [items]);
  const lesson =
    only === undefined || main === LEAVE || main === BACK
      ? null
      : lessonOf(asPupil(state)(only), main as TypeId, all.map(asPupil(state)));
  const taught = (lesson?.pluginIds ?? []).filter((one) => too.has(one));

  const right: Right = {
    ...(role === LEAVE ? {} : { role: role === BACK ? null : (role as Role) }),
    ...(main === LEAVE ? {} : { types: main === BACK ? null : typesOf(main, further) }),
    ...(vendor.trim() === '' ? {} : { vendor: vendor.trim() }),
  };
  const nothing = Object.keys(right).length === 0 && into === LEAVE;
  const submit = (): void => {
    if (nothing) return;
    const target = plugins.find((plugin) => plugin.id === into);
    const intents: Intent[] = Object.keys(right).length > 0 ? [{ kind: 'put-right', pluginIds: ids, right }] : [];
    // The same for others goes in with it: one step, which one undo takes back.
    if (taught.length > 0) {
      const { vendor: own, ...same } = right;
      if (own === undefined) intents[0] = { kind: 'put-right', pluginIds: [...ids, ...taught], right };
      else intents.push({ kind: 'put-right', pluginIds: taught, right: same });
    }
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
    <FormBox
      title={<>Correct: {only === undefined ? `${String(plugins.length)} plugins` : <bdi>{only.name}</bdi>}</>}
      act={taught.length === 0 ? 'Save' : `Save for ${String(taught.length + ids.length)} plugins`}
      canAct={!nothing}
      className={boxStyles.fields}
      also={isPutRight && <PlainButton onClick={takeBack}>Undo my corrections</PlainButton>}
      submit={submit}
      close={close}
    >
      <Form.Label htmlFor="right-role">Role</Form.Label>
      <Form.Select id="right-role" autoFocus value={role} onChange={(event) => setRole(event.target.value)}>
        <option value={LEAVE}>{leave(only?.role == null ? null : ROLE_LABELS[only.role])}</option>
        {ROLES.map((one) => (
          <option key={one} value={one}>
            {ROLE_LABELS[one]}
          </option>
        ))}
        <option value={BACK}>use the detected value</option>
      </Form.Select>
      <RightTypes
        now={only?.types[0] ?? null}
        fitting={fitting}
        main={main}
        setMain={setMain}
        further={further}
        setFurther={setFurther}
      />
      {lesson !== null && <SameForOthers lesson={lesson} type={main as TypeId} all={all} too={too} setToo={setToo} />}
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
          <Form.Label htmlFor="right-join">Join into one plugin</Form.Label>
          <Form.Select id="right-join" value={into} onChange={(event) => setInto(event.target.value)}>
            <option value={LEAVE}>no, keep them separate</option>
            {plugins.map((plugin) => (
              <option key={plugin.id} value={plugin.id}>
                yes, named {plugin.name}
                {plugin.vendor === null ? '' : ` (${plugin.vendor})`}
              </option>
            ))}
          </Form.Select>
        </>
      )}
      <p className="quiet">Corrections are kept over every scan, until you undo them.</p>
    </FormBox>
  );
}

const asPupil =
  (state: Arrangement) =>
  ({ id, givenName, vendor, types }: ChosenPlugin): Pupil => ({
    id,
    name: givenName,
    vendor,
    types,
    corrected: state.choice.get(id)?.types != null,
  });

interface SameForOthersProps {
  readonly lesson: Lesson;
  readonly type: TypeId;
  readonly all: readonly ChosenPlugin[];
  readonly too: ReadonlySet<PluginId>;
  readonly setToo: (ids: ReadonlySet<PluginId>) => void;
}

/** The others that the same correction may be true for, each to be looked at and taken or left. */
function SameForOthers({ lesson, type, all, too, setToo }: SameForOthersProps) {
  const { word, vendor, pluginIds } = lesson;
  const wanted = new Set<PluginId>(pluginIds);
  const others = all.filter((plugin) => wanted.has(plugin.id));
  const every = others.every((plugin) => too.has(plugin.id));
  const take = (id: PluginId, isTaken: boolean): void => {
    const next = new Set(too);
    if (isTaken) next.add(id);
    else next.delete(id);
    setToo(next);
  };
  const count = others.length === 1 ? 'One more plugin' : `${String(others.length)} more plugins`;
  const whose = vendor === null ? '' : ` of ${vendor}`;
  return (
    <fieldset className={styles.sameForOthers}>
      <legend>
        {count}
        {whose} {others.length === 1 ? 'says' : 'say'} “{word}” in {others.length === 1 ? 'its' : 'their'} name:{' '}
        {TYPE_TREE[type].label} too?
      </legend>
      {others.length > 1 && (
        <Form.Check
          id="same-for-all"
          label="all of them"
          checked={every}
          onChange={() => setToo(every ? new Set() : wanted)}
        />
      )}
      <div className={styles.others}>
        {others.map((plugin) => (
          <Form.Check
            key={plugin.id}
            id={`same-${plugin.id}`}
            label={vendor === null ? `${plugin.name} (${plugin.vendor ?? 'vendor unknown'})` : plugin.name}
            checked={too.has(plugin.id)}
            onChange={(event) => take(plugin.id, event.target.checked)}
          />
        ))}
      </div>
    </fieldset>
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
        <option value={BACK}>use the detected value</option>
      </Form.Select>
      {main !== LEAVE && main !== BACK && (
        <>
          <Form.Label htmlFor="right-further">Further type</Form.Label>
          <Form.Select id="right-further" value={further} onChange={(event) => setFurther(event.target.value)}>
            <option value={LEAVE}>none</option>
            <TypeOptions types={fitting.filter((type) => type !== main)} />
          </Form.Select>
        </>
      )}
    </>
  );
}

const leave = (now: string | null): string => (now === null ? 'no change' : `no change: ${now}`);

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
