import { CRITERIA, type Preference } from '../../catalogue/preference.js';
import { FORMATS } from '../../facts/format.js';
import { rowKind, someOf, text } from './row-kind.js';

/** The id of the only row of its kind. */
export const GENERAL_PREFERENCE = 'general';

/** The rule by which builds are preferred on a computer; there is one row at most, with the id "general". */
export interface PreferenceRow extends Preference {
  readonly id: typeof GENERAL_PREFERENCE;
}

/** The rule for preferred builds as a row. */
export const PREFERENCE = rowKind<PreferenceRow>()({
  table: 'preference',
  scope: 'computer',
  columns: { id: text, criteria: someOf(CRITERIA), formats: someOf(FORMATS) },
});
