import type { MigrationInterface, QueryRunner } from 'typeorm';

const UP = [
  `CREATE TABLE "own_entry" ("id" text NOT NULL, "name" text NOT NULL, "maker" text, "program" text NOT NULL, "role" text NOT NULL, "types" jsonb NOT NULL, "width" text, "addedAt" text NOT NULL, CONSTRAINT "PK_own_entry" PRIMARY KEY ("id"))`,
  // What stands in slots and chains, and what was loaded, may be an own entry, which is no row of the catalogue.
  `ALTER TABLE "slot" DROP CONSTRAINT "FK_0d3ed8cf00d0ad2eb1faaf2f76d"`,
  `ALTER TABLE "chain_part" DROP CONSTRAINT "FK_8af60d817b5c528623891726d07"`,
  `ALTER TABLE "load" DROP CONSTRAINT "FK_2c17cb4e4a20eae875a78fc3b4e"`,
];

const DOWN = [
  ...['slot', 'chain_part', 'load'].map(
    (table) => `DELETE FROM "${table}" WHERE "pluginId" NOT IN (SELECT id FROM plugin)`,
  ),
  `ALTER TABLE "chain_part" ADD CONSTRAINT "FK_8af60d817b5c528623891726d07" FOREIGN KEY ("pluginId") REFERENCES "plugin"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "slot" ADD CONSTRAINT "FK_0d3ed8cf00d0ad2eb1faaf2f76d" FOREIGN KEY ("pluginId") REFERENCES "plugin"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "load" ADD CONSTRAINT "FK_2c17cb4e4a20eae875a78fc3b4e" FOREIGN KEY ("pluginId") REFERENCES "plugin"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `DROP TABLE "own_entry"`,
];

/** Own entries: devices without a file, named by hand. */
export class OwnEntries1780000000000 implements MigrationInterface {
  name = 'OwnEntries1780000000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of DOWN) await runner.query(statement);
  }
}
