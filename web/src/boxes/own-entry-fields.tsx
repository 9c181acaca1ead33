import Form from 'react-bootstrap/Form';
import { ROLE_LABELS, ROLES, type Role } from '@clever-drawer/core/catalogue/role';
import { TYPE_IDS, TYPE_TREE, type TypeId } from '@clever-drawer/core/catalogue/type-tree';
import { LANE_WIDTHS, type LaneWidth } from '@clever-drawer/core/chests/rows/lane';

interface Field<Value> {
  readonly label: string;
  readonly id?: string;
  readonly set: (value: Value) => void;
}

/** The role of an own entry. */
export const RoleSelect = ({ label, id, role, set }: Field<Role> & { readonly role: Role }) => (
  <Form.Select size="sm" id={id} aria-label={label} value={role} onChange={(event) => set(event.target.value as Role)}>
    {ROLES.map((one) => (
      <option key={one} value={one}>
        {ROLE_LABELS[one]}
      </option>
    ))}
  </Form.Select>
);

/** The main type of an own entry, out of those of its role. */
export const TypeSelect = ({
  label,
  id,
  role,
  type,
  set,
}: Field<TypeId | null> & { readonly role: Role; readonly type: TypeId | null }) => (
  <Form.Select
    size="sm"
    id={id}
    aria-label={label}
    value={type ?? ''}
    onChange={(event) => set(event.target.value === '' ? null : (event.target.value as TypeId))}
  >
    <option value="">unknown</option>
    {TYPE_IDS.filter((one) => one === type || TYPE_TREE[one].roles.includes(role)).map((one) => (
      <option key={one} value={one}>
        {TYPE_TREE[one].label}
      </option>
    ))}
  </Form.Select>
);

/** The width of an own entry. */
export const WidthSelect = ({
  label,
  id,
  width,
  set,
}: Field<LaneWidth | null> & { readonly width: LaneWidth | null }) => (
  <Form.Select
    size="sm"
    id={id}
    aria-label={label}
    value={width ?? ''}
    onChange={(event) => set(event.target.value === '' ? null : (event.target.value as LaneWidth))}
  >
    <option value="">any</option>
    {LANE_WIDTHS.map((one) => (
      <option key={one} value={one}>
        {one}
      </option>
    ))}
  </Form.Select>
);
