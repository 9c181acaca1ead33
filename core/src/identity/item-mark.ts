/** What stands between plugin and preset in an item's id. Neither a name's key nor a preset's can hold it, and it is taken out of identifiers that become part of an id. */
export const ITEM_MARK = '¶';
