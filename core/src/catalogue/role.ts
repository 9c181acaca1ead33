/** What a plugin is for, in a slot's terms. A tool measures, tunes or generates test signals. */
export const ROLES = ['audio-effect', 'instrument', 'midi-effect', 'tool'] as const;
/** What a plugin does in a signal path. */
export type Role = (typeof ROLES)[number];

/** Names of the roles as the screen shows them. */
export const ROLE_LABELS: Readonly<Record<Role, string>> = {
  'audio-effect': 'audio effect',
  instrument: 'instrument',
  'midi-effect': 'MIDI effect',
  tool: 'tool',
};
