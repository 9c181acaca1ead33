/** The one table of keys: what listens, the key map and every hint on the screen are made of it. */
import type { Stroke } from './strokes';

/** What a key does. */
export interface KeyBinding {
  readonly strokes: readonly Stroke[];
  readonly does: string;
  /** Held down it goes on doing it; others do it once, however long they are held. */
  readonly repeats?: true;
}

const key = (strokes: string, does: string): KeyBinding => ({ strokes: strokes.split(', '), does });
const held = (strokes: string, does: string): KeyBinding => ({ ...key(strokes, does), repeats: true });

/** How one goes along any list, and selects in it. */
const LIST = {
  down: held('ArrowDown', 'to the next one'),
  up: held('ArrowUp', 'to the one before'),
  pageDown: held('PageDown', 'a page on'),
  pageUp: held('PageUp', 'a page back'),
  first: key('Home', 'to the first'),
  last: key('End', 'to the last'),
  extendDown: held('Shift ArrowDown', 'extend the selection'),
  extendUp: held('Shift ArrowUp', 'extend it upwards'),
  extendPageDown: held('Shift PageDown', 'extend it by a page'),
  extendPageUp: held('Shift PageUp', 'extend it by a page, upwards'),
  extendFirst: key('Shift Home', 'extend it to the first'),
  extendLast: key('Shift End', 'extend it to the last'),
  walkDown: held('Mod ArrowDown', 'next, without selecting'),
  walkUp: held('Mod ArrowUp', 'previous, without selecting'),
  tick: key('Space, Mod Space', 'add to the selection, or remove from it'),
  all: key('Mod a', 'select all'),
} as const;

const IN_ORDER = {
  moveUp: held('Alt ArrowUp, -', 'move up'),
  moveDown: held('Alt ArrowDown, +', 'move down'),
  moveFirst: key('Alt Home, <', 'move to the top'),
  moveLast: key('Alt End, >', 'move to the bottom'),
} as const;

const AMONG_NEIGHBOURS = {
  earlier: held('Alt ArrowLeft, Alt ArrowUp, -', 'move before its neighbour'),
  later: held('Alt ArrowRight, Alt ArrowDown, +', 'move behind its neighbour'),
} as const;

const TO_ENDS = {
  toFirst: key('Alt Home, <', 'move to the first place'),
  toLast: key('Alt End, >', 'move to the last place'),
} as const;

const ALONG = {
  left: held('ArrowLeft', 'to the left'),
  right: held('ArrowRight', 'to the right'),
  up: held('ArrowUp', 'up'),
  down: held('ArrowDown', 'down'),
} as const;

/** By what has the keys, and by what they do there. */
export const KEYS = {
  everywhere: {
    keyMap: key('?', 'this key map'),
    intake: key('Shift i, Alt i', 'to Intake'),
    sort: key('Shift s, Alt s', 'to Sort'),
    load: key('Shift l, Alt l', 'to Load'),
    keep: key('Shift k, Alt k', 'to Keep'),
    undo: held('Mod z', 'undo'),
    redo: held('Mod Shift z, Mod y', 'redo'),
  },
  sort: {
    find: key('/', 'into the search line'),
    file: key('f', 'file into drawers'),
    fileAgain: key('Shift f', 'file into the same drawers again'),
    tray: key('1, 2, 3, 4, 5, 6, 7, 8, 9', 'put on a tray, or take off'),
    offTrays: key('0', 'off all trays'),
    outOfAll: key('x', 'out of all drawers and trays'),
    setAside: key('a', 'set aside, with a reason'),
    asideOthers: key('Shift a', 'set aside the others that are shown'),
    bringBack: key('b', 'bring back what is set aside'),
    names: key('m', 'names and notes: nickname, strip label, tags, note'),
    correct: key('c', 'correct role, type, vendor or grouping'),
    menu: key('w, ContextMenu, Shift F10', 'menu of actions'),
    toFile: key('t', 'to file: one after the other, with proposals'),
    newDrawer: key('n', 'new drawer'),
    newByRule: key('Shift n', 'new drawer with a rule that matches these'),
    toDrawer: key('o', 'to a drawer, by its name'),
    nextChest: key('h', 'the next chest'),
    previousChest: key('Shift h', 'the chest before'),
    addOwn: key('q', 'own entries: devices without a file, typed or pasted'),
    addFiles: key('Shift q', 'other files: find some and make entries of them'),
    deleteOwn: key('Delete', 'delete own entries'),
    pictures: key('g', 'pictures on and off'),
    columns: key('Shift c', 'the columns of the list'),
    toPlaces: key('l', 'in its details: the drawers and trays it is in'),
    toType: key('k', 'in its details: role and type, and why'),
    toPresets: key('p', 'in its details: its presets'),
    toBuilds: key('u', 'in its details: its builds, or the plugins of a chain'),
    back: key('Escape', 'close the innermost: plugin panel, drawer, to file, selection, filters'),
  },
  findLine: {
    intoList: key('ArrowDown, Enter', 'into the list, to the best match'),
    empty: key('Escape', 'empty it, then take the filters off'),
    lastFilter: key('Backspace', 'with nothing typed: take the last filter off'),
  },
  list: {
    ...LIST,
    about: key('Enter', 'show its details'),
    invert: key('i', 'invert the selection'),
  },
  oneTray: IN_ORDER,
  panel: {
    join: key('j', 'join what is possibly the same'),
  },
  front: {
    open: key('Enter', 'open or close it'),
    ...ALONG,
    ...AMONG_NEIGHBOURS,
    ...TO_ENDS,
    nest: key('p', 'put it inside another, or into another chest'),
    copy: key('k', 'copy it with all it holds'),
    inner: key('i', 'inner drawer'),
    list: key('l', 'list only what stands in it'),
    rename: key('r', 'name and rule'),
    rule: key('e', 'open it and write its rule'),
    remove: key('Delete', 'delete it'),
    divider: key('d', 'divider in front of it'),
    sign: key('s', 'a sign for it'),
    menus: key('v', 'leave it out of menus, or show it there again'),
    order: key('Shift o', 'sort the drawers beside it'),
    tick: key('Mod Space, Shift Space', 'add it to the selected drawers, or remove it'),
    extendLeft: held('Shift ArrowLeft', 'extend the selected drawers to the left'),
    extendRight: held('Shift ArrowRight', 'extend the selected drawers to the right'),
    merge: key('Shift m', 'merge the selected drawers into it'),
    unselect: key('Escape', 'select no drawers'),
  },
  tray: {
    open: key('Enter', 'open or close it'),
    ...ALONG,
    ...AMONG_NEIGHBOURS,
    rename: key('r', 'rename it'),
    clear: key('Delete', 'clear it'),
    sign: key('s', 'a sign for it'),
    menus: key('v', 'leave it out of menus, or show it there again'),
  },
  chest: {
    open: key('Enter', 'show it'),
    left: ALONG.left,
    right: ALONG.right,
    ...AMONG_NEIGHBOURS,
    ...TO_ENDS,
    rename: key('r', 'name and purpose'),
    divider: key('d', 'divider in front of it'),
    order: key('Shift o', 'sort its drawers'),
    remove: key('Delete', 'delete it'),
  },
  lines: {
    ...LIST,
    ...IN_ORDER,
    about: key('Enter', 'show its details'),
    moveTo: key('v', 'move to another drawer'),
    divider: key('d', 'divider in front of it'),
    rename: key('r', 'a name in this drawer only; the label of a divider'),
    build: key('e', 'load one certain build of it from here'),
    always: key('y', 'always in this drawer, whatever its rule says'),
    never: key('x', 'never in this drawer, whatever its rule says'),
    takeOut: key('Delete', 'take it out; remove the divider'),
  },
  rule: {
    save: key('Enter', 'save the rule'),
    propose: key('ArrowDown', 'use the rule that is proposed'),
    drop: key('Escape', 'discard what was changed, then leave the rule'),
  },
  waiting: {
    take: key('Enter', 'file into the marked drawer, and on to the next'),
    down: LIST.down,
    up: LIST.up,
    first: LIST.first,
    last: LIST.last,
    tick: key('Space', 'tick several'),
    later: key('ArrowRight', 'the next one'),
    earlier: key('ArrowLeft', 'the one before'),
  },
  pick: {
    down: LIST.down,
    up: LIST.up,
    pageDown: LIST.pageDown,
    pageUp: LIST.pageUp,
    take: key('Enter', 'take the marked one'),
    tick: key('Space', 'tick several'),
    tickTyped: key('Mod Space', 'tick it while a name is typed'),
    make: key('Shift Enter', 'create one with the typed name'),
  },
  form: {
    save: key('Enter', 'save; also from a choice'),
    saveText: key('Mod Enter', 'save, from a text of several lines'),
  },
  slots: {
    ...ALONG,
    open: key('Enter', 'open the chooser; so does any letter, which is searched for'),
    clear: key('Delete', 'clear the slot'),
    again: key('=', 'load what was loaded last'),
    bypass: key('-', 'bypass on and off'),
    feed: key(',', 'sidechain on and off'),
    moveUp: held('Alt ArrowUp, <', 'move what is in it to the slot above'),
    moveDown: held('Alt ArrowDown, >', 'move what is in it to the slot below'),
    take: key('Mod c', 'copy what is in it'),
    put: key('Mod v', 'paste what was copied'),
    add: key('+', 'another slot below it'),
    remove: key('Mod Delete', 'take the slot itself out'),
    menu: key('., ContextMenu, Shift F10', 'menu of actions'),
  },
  chooser: {
    down: LIST.down,
    up: LIST.up,
    pageDown: LIST.pageDown,
    pageUp: LIST.pageUp,
    left: held('ArrowLeft', 'with nothing typed: to the column or picture on the left'),
    right: held('ArrowRight', 'with nothing typed: to the column or picture on the right'),
    nextChest: key('Shift ArrowRight', 'with nothing typed: the next chest'),
    previousChest: key('Shift ArrowLeft', 'with nothing typed: the chest before'),
    load: key('Enter', 'load what is marked, or what is ticked, in order'),
    loadOn: key('Shift Enter', 'load it, and on to the slot below'),
    parts: key('Alt Enter, Mod Shift Enter', 'choose one of its builds, or some plugins of a chain'),
    again: key('=', 'with nothing typed: load what was loaded last'),
    tick: held('Shift ArrowDown', 'tick it, and on to the next'),
    untick: held('Shift ArrowUp', 'tick it, and back to the one before'),
    clear: key('Delete', 'with nothing typed: clear the slot'),
    favourite: key('Mod Enter', 'the marked one on Favourites, and off again'),
    menu: key('Mod ., ContextMenu, Shift F10', 'file the marked one: trays, drawers, names, set aside'),
    drawers: key('Tab', 'to the trays and drawers'),
    all: key('Mod ArrowDown', 'show or hide what does not fit'),
    view: key('Mod ArrowUp', 'the next view: list, drawers, faces'),
    back: key('Escape', 'close the drawer, then the chooser'),
  },
  chooserFronts: {
    ...ALONG,
    tray: key('1, 2, 3, 4, 5, 6, 7, 8, 9', 'open a tray'),
    back: key('Escape', 'close the drawer, then the chooser'),
  },
  fronts: ALONG,
} as const satisfies Readonly<Record<string, Readonly<Record<string, KeyBinding>>>>;

/** The key that is held down while dragging out of a drawer or off a tray. */
export const DRAG_MOVES = { stroke: 'Shift', does: 'while dragging: move it out of where it was' } as const;

/** The key that is held down while something is dragged from slot to slot in Load. */
export const DRAG_COPIES = {
  stroke: 'Mod',
  onMac: 'Alt',
  does: 'while dragging from slot to slot: load a copy',
} as const;

/** What has keys. */
export type KeyPlace = keyof typeof KEYS;
/** What keys do in one place. */
export type KeyOf<P extends KeyPlace> = keyof (typeof KEYS)[P] & string;

/** The places in the order of the key map, in words. */
export const KEY_PLACES: Readonly<Record<KeyPlace, string>> = {
  everywhere: 'Everywhere',
  sort: 'Sort',
  findLine: 'Sort: the search line',
  list: 'Sort: the list',
  oneTray: 'Sort: the list of one tray, in its order',
  panel: 'Sort: the panel of a plugin',
  front: 'Sort: a drawer',
  tray: 'Sort: a tray',
  chest: 'Sort: the name of a chest',
  lines: 'Sort: inside a drawer or on a tray',
  rule: 'Sort: the rule of a drawer, and its parts',
  waiting: 'Sort: to file',
  pick: 'Boxes that find by typing',
  form: 'Boxes with a form',
  slots: 'Load',
  chooser: 'Load: the chooser',
  chooserFronts: 'Load: trays and drawers in the chooser',
  fronts: 'Fronts of drawers',
};
