/** Branded ids: a plain string is never taken for one of these by accident. */
declare const brand: unique symbol;
type Branded<Name extends string> = string & { readonly [brand]: Name };

export type ComputerId = Branded<'computer'>;
export type PluginId = Branded<'plugin'>;
export type BuildId = Branded<'build'>;
export type ChestId = Branded<'chest'>;
export type DrawerId = Branded<'drawer'>;
export type SessionId = Branded<'session'>;
export type LaneId = Branded<'lane'>;
export type SlotId = Branded<'slot'>;

type AnyId = ComputerId | PluginId | BuildId | ChestId | DrawerId | SessionId | LaneId | SlotId;

/** Marks a string that came from the outside as an id of the wanted kind; the caller has checked it. */
export const asId = <Id extends AnyId>(text: string): Id => text as Id;
