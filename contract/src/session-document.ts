import { array, boolean, object, string } from 'yup';
import { LANE_KINDS, LANE_WIDTHS } from '@clever-drawer/core/chests/rows/lane';
import { SLOT_KINDS } from '@clever-drawer/core/chests/rows/slot';
import type { SessionDocument } from '@clever-drawer/core/exchange/session-document';
import { MAX_LANES } from '@clever-drawer/core/chests/plan-lanes';
import { MAX_SLOTS } from '@clever-drawer/core/chests/plan-slots';
import { preset, referenceFields } from './arrangement-document.js';
import { name, optionalId } from './parts.js';
import type { AnySchema } from './schema.js';
import type { ISchema } from 'yup';

const slot = object({
  kind: string().oneOf(SLOT_KINDS).required(),
  plugin: optionalId(),
  preset,
  bypass: boolean().strict().required(),
  sidechain: boolean().strict().required(),
}).noUnknown();

const lane = object({
  name: name('the name of a lane'),
  kind: string().oneOf(LANE_KINDS).required(),
  width: string()
    .oneOf([...LANE_WIDTHS])
    .nullable()
    .defined(),
  slots: array().of(slot).max(MAX_SLOTS).required(),
}).noUnknown();

/** The document of docs/schemas/session-1.schema.json. */
export const sessionDocument = object({
  schema: string()
    .oneOf(
      ['clever-drawer/session/1'],
      'this is no session of Clever Drawer (its "schema" is not "clever-drawer/session/1")',
    )
    .required('this is no session of Clever Drawer (it has no "schema")'),
  exportedAt: string().strict().required(),
  name: name('the name of a session'),
  plugins: array().of(object(referenceFields).noUnknown()).max(4096).required(),
  lanes: array().of(lane).max(MAX_LANES).required(),
}).noUnknown() as AnySchema as ISchema<SessionDocument>;
