/** What the chooser is asked for, shows, and does. */
import type { KeyboardEvent, MouseEvent, RefObject } from 'react';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { Chest } from '@clever-drawer/core/chests/rows/chest';
import type { BuildId, ItemId } from '@clever-drawer/core/ids';
import type { LoadWay } from '@clever-drawer/core/menu/use';
import type { Changes } from '../arrangement/changes';
import type { ChosenCatalogue, ChosenItem } from '../catalogue/chosen-catalogue';
import type { KnownUse } from '../catalogue/uses';
import type { OfferedDrawer } from './offered-drawers';
import type { ChooserView, Option, OptionGroup } from './options';
import type { ChosenFor, Offer } from './use-offer';

/** What was chosen, by which way, and what it took. */
export interface Taken {
  readonly items: readonly ChosenItem[];
  readonly way: LoadWay;
  readonly keys: number;
  readonly clicks: number;
  readonly milliseconds: number;
  /** Whether the slot below is to be filled next. */
  readonly goesOn: boolean;
  /** The very build of a single item; null or absent: the usual one. */
  readonly buildId?: BuildId | null;
}

/** For which place something is chosen, and what becomes of it. */
export interface Choosing {
  readonly place: ChosenFor;
  readonly catalogue: ChosenCatalogue;
  readonly state: Arrangement;
  readonly changes: Changes;
  /** What was typed before the chooser was open: a letter on the slot, or what a link asks for. */
  readonly typedFirst: string;
  readonly take: (taken: Taken) => void;
  /** Empties the slot; null where there is none, or nothing in it. */
  readonly clear: (() => void) | null;
  readonly close: () => void;
}

/** What the chooser shows, and what can be done with it. */
export interface Chooser {
  readonly input: RefObject<HTMLInputElement | null>;
  readonly fronts: RefObject<HTMLDivElement | null>;
  readonly typed: string;
  readonly type: (text: string) => void;
  readonly chests: readonly Chest[];
  /** The chests that are called what is typed. */
  readonly named: ReadonlySet<string>;
  readonly chest: string | null;
  readonly setChest: (id: string) => void;
  readonly offer: Offer;
  /** See Offering. */
  readonly isSettled: boolean;
  readonly uses: readonly KnownUse[];
  /** The drawer or tray that is open, also one that holds nothing that fits. */
  readonly open: string | null;
  readonly opened: OfferedDrawer | undefined;
  readonly openDrawer: (id: string | null) => void;
  readonly view: ChooserView;
  readonly setView: (view: ChooserView) => void;
  readonly groups: readonly OptionGroup[];
  readonly options: readonly Option[];
  /** The marked one; -1 for none. */
  readonly at: number;
  readonly mark: (at: number) => void;
  /** What is ticked, in the order in which it was. */
  readonly ticked: readonly ItemId[];
  readonly click: (option: Option, event: MouseEvent) => void;
  /** The item whose builds or plugins are chosen from; null for none. */
  readonly partsOf: ChosenItem | null;
  readonly openParts: (id: ItemId | null) => void;
  /** Takes items that were chosen in a box in front, a single one as a certain build. */
  readonly takeParts: (items: readonly ChosenItem[], buildId: BuildId | null) => void;
  /** Whether drawers and trays that hold nothing that fits are shown. */
  readonly withEmpty: boolean;
  readonly setWithEmpty: (on: boolean) => void;
  readonly withAll: boolean;
  readonly setWithAll: (on: boolean) => void;
  readonly onKeyDown: (event: KeyboardEvent) => void;
  readonly onFrontKey: (event: KeyboardEvent) => boolean;
  /** Counts keys and clicks before anything acts on them. */
  readonly counting: {
    readonly onKeyDownCapture: (event: KeyboardEvent) => void;
    readonly onClickCapture: (event: MouseEvent) => void;
  };
  /** How many pictures stand in a line: arrows go by that. */
  readonly perLine: RefObject<number>;
}
