import type { System } from '@clever-drawer/core/facts/format';

const SYSTEMS: Readonly<Partial<Record<NodeJS.Platform, System>>> = { darwin: 'mac', win32: 'windows' };

/** The system that this process runs on; whatever is neither macOS nor Windows counts as Linux. */
export const thisSystem = (): System => SYSTEMS[process.platform] ?? 'linux';
