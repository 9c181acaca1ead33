import { Column, type ColumnOptions, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm';
import { ROW_KINDS, specOf, type RowKind } from '@clever-drawer/core/chests/arrangement';
import type { ColumnType } from '@clever-drawer/core/chests/rows/row-kind';
import { PluginRow } from './catalogue.js';
import { ComputerRow } from './computer.js';

// What belongs to the studio is there once; what belongs to a computer is named together with it.
// Columns bear the names of the fields in core, so that rows go in and out as JSON.

const COLUMN_TYPES: Readonly<Record<ColumnType, ColumnOptions['type']>> = {
  text: 'text',
  number: 'smallint',
  flag: 'boolean',
  list: 'jsonb',
  rule: 'jsonb',
};

type RowClass = new () => object;
const classes = new Map<string, RowClass>();

/** The class of a kind's table, with the decorators that are made from what is known of the kind. */
function tableOf(kind: RowKind): RowClass {
  const { table, scope, columns, refersTo, comesInBulk, indexes } = specOf(kind);
  const whose = scope === 'computer' ? ['computerId'] : [];
  const Row = {
    [`${kind}Row`]: class {
      declare readonly id: string;
    },
  }[`${kind}Row`] as RowClass;
  const at = Row.prototype as object;
  classes.set(kind, Row);
  Entity(table)(Row);
  for (const name of whose) PrimaryColumn('uuid')(at, name);
  for (const [name, { type, nullable }] of Object.entries(columns)) {
    if (name === 'id') PrimaryColumn('text')(at, name);
    else Column({ type: COLUMN_TYPES[type], nullable })(at, name);
  }
  for (const { columns: own, unique } of indexes) Index([...whose, ...own], { unique })(Row);
  // Only the studio's rows refer to others. A foreign key is looked up row by row; for kinds that come in bulk the schema has triggers in its place.
  for (const [column, of] of comesInBulk ? [] : Object.entries(refersTo))
    ForeignKey(() => (of === 'plugin' ? PluginRow : (classes.get(of ?? '') ?? Row)), [column], ['id'])(Row);
  if (scope === 'computer') ForeignKey(() => ComputerRow, ['computerId'], ['id'], { onDelete: 'CASCADE' })(Row);
  return Row;
}

/** The tables of all kinds of arranged rows. */
export const ARRANGED_ROWS: readonly RowClass[] = ROW_KINDS.map(tableOf);
