import type { Preference } from '../catalogue/preference.js';
import type { Role } from '../catalogue/role.js';
import type { TypeId } from '../catalogue/type-tree.js';
import type { BuildId, PluginId } from '../ids.js';

/** What the producer chose for a plugin by hand; it wins over everything worked out. Null leaves it to what is worked out. */
export interface Choice {
  readonly id: PluginId;
  readonly role: Role | null;
  readonly types: readonly TypeId[] | null;
  readonly vendor: string | null;
  /** The build to load, whatever the general rule says. */
  readonly buildId: BuildId | null;
}

/** A build that the producer put into a plugin by hand, and where it had been before. `whole`: with all builds of that plugin, also later ones. */
export interface HeldBuild {
  readonly id: BuildId;
  readonly pluginId: PluginId;
  readonly fromPluginId: PluginId;
  readonly whole: boolean;
}

/** Which vendor a spelling stands for, by the producer's word. `key` is what makes spellings one vendor. */
export interface VendorSpelling {
  /** The spelling as it is shown. */
  readonly id: string;
  readonly key: string;
  readonly name: string;
}

export const GENERAL_PREFERENCE = 'general';

/** The rule by which builds are preferred on this computer; there is one row at most, with the id "general". */
export interface PreferenceRow extends Preference {
  readonly id: typeof GENERAL_PREFERENCE;
}
