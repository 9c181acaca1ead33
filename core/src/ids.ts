/** Branded ids: a plain string is never taken for one of these by accident. */
declare const brand: unique symbol;
type Branded<Name extends string> = string & { readonly [brand]: Name };

/** Names a studio computer. */
export type ComputerId = Branded<'computer'>;
/** Names a plugin: made of what its builds say of themselves, so that it is the same on every computer. */
export type PluginId = Branded<'plugin'>;
/** Names a build: one plugin in one file. */
export type BuildId = Branded<'build'>;
/** Names a build on whatever computer it is installed: made of format and identifier. */
export type BuildKey = Branded<'build key'>;
/** Names a preset among those of its plugin: made of bank and name, so that it is the same on every computer. */
export type PresetKey = Branded<'preset'>;
/** Names a chain; it begins with the mark of chains, so that it is never taken for a plugin. */
export type ChainId = Branded<'chain'>;
/** Names what can stand in a drawer, on a tray and in a slot: a plugin, by its own id, a preset of one, or a chain. */
export type ItemId = PluginId | ChainId | Branded<'preset of a plugin'>;
/** Names a chest. */
export type ChestId = Branded<'chest'>;
/** Names a drawer. */
export type DrawerId = Branded<'drawer'>;
/** Names a practice session. */
export type SessionId = Branded<'session'>;
/** Names a lane of a session. */
export type LaneId = Branded<'lane'>;
/** Names a slot of a lane. */
export type SlotId = Branded<'slot'>;

type AnyId =
  | ComputerId
  | PluginId
  | ChainId
  | BuildId
  | BuildKey
  | PresetKey
  | ItemId
  | ChestId
  | DrawerId
  | SessionId
  | LaneId
  | SlotId;

/** Marks a string that came from the outside as an id of the wanted kind; the caller has checked it. */
export const asId = <Id extends AnyId>(text: string): Id => text as Id;
