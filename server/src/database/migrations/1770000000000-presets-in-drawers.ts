import type { MigrationInterface, QueryRunner } from 'typeorm';

// What stands in a drawer, on a tray or in a slot once is said by the id of its row.
const UP = [
  `ALTER TABLE "entry" ADD "preset" text`,
  `ALTER TABLE "tray_entry" ADD "preset" text`,
  `ALTER TABLE "slot" ADD "preset" text`,
  `ALTER TABLE "load" ADD "preset" text`,
  `DROP INDEX "public"."IDX_e4de513c3f8301fd732474e2e9"`,
  `DROP INDEX "public"."IDX_e07708f3de6e896d0fa160b8aa"`,
  `CREATE INDEX "IDX_e4de513c3f8301fd732474e2e9" ON "entry" ("drawerId", "pluginId")`,
  `CREATE INDEX "IDX_e07708f3de6e896d0fa160b8aa" ON "tray_entry" ("tray", "pluginId")`,
];

const DOWN = [
  `DELETE FROM "entry" WHERE "preset" IS NOT NULL`,
  `DELETE FROM "tray_entry" WHERE "preset" IS NOT NULL`,
  `DROP INDEX "public"."IDX_e07708f3de6e896d0fa160b8aa"`,
  `DROP INDEX "public"."IDX_e4de513c3f8301fd732474e2e9"`,
  `CREATE UNIQUE INDEX "IDX_e07708f3de6e896d0fa160b8aa" ON "tray_entry" ("tray", "pluginId")`,
  `CREATE UNIQUE INDEX "IDX_e4de513c3f8301fd732474e2e9" ON "entry" ("drawerId", "pluginId")`,
  `ALTER TABLE "load" DROP COLUMN "preset"`,
  `ALTER TABLE "slot" DROP COLUMN "preset"`,
  `ALTER TABLE "tray_entry" DROP COLUMN "preset"`,
  `ALTER TABLE "entry" DROP COLUMN "preset"`,
];

/** Presets of plugins stand in drawers, on trays and in slots. */
export class PresetsInDrawers1770000000000 implements MigrationInterface {
  name = 'PresetsInDrawers1770000000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of DOWN) await runner.query(statement);
  }
}
