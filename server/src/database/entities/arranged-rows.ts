import { Column, type ColumnOptions, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm';
import { ROW_KINDS, specOf, type RowKind } from '@clever-drawer/core/chests/arrangement';
import type { ColumnType } from '@clever-drawer/core/chests/rows/row-kind';
import { PluginRow } from './catalogue.js';
import { ComputerRow } from './computer.js';

// Ids are only unique together with the computer: the same arrangement may be imported on two of them.
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
  const { table, columns, refersTo, indexes } = specOf(kind);
  const Row = {
    [`${kind}Row`]: class {
      declare readonly id: string;
    },
  }[`${kind}Row`] as RowClass;
  const at = Row.prototype as object;
  classes.set(kind, Row);
  Entity(table)(Row);
  PrimaryColumn('uuid')(at, 'computerId');
  for (const [name, { type, nullable }] of Object.entries(columns)) {
    if (name === 'id') PrimaryColumn('text')(at, name);
    else Column({ type: COLUMN_TYPES[type], nullable })(at, name);
  }
  for (const { columns: own, unique } of indexes) Index(['computerId', ...own], { unique })(Row);
  const references = Object.entries(refersTo);
  for (const [column, of] of references)
    ForeignKey(
      () => (of === 'plugin' ? PluginRow : (classes.get(of ?? '') ?? Row)),
      ['computerId', column],
      ['computerId', 'id'],
    )(Row);
  // What refers to nothing else goes with its computer.
  if (references.length === 0) ForeignKey(() => ComputerRow, ['computerId'], ['id'], { onDelete: 'CASCADE' })(Row);
  return Row;
}

/** The tables of all kinds of arranged rows. */
export const ARRANGED_ROWS: readonly RowClass[] = ROW_KINDS.map(tableOf);
