import type { MigrationInterface, QueryRunner } from 'typeorm';

const UP = [
  `ALTER TABLE "chest" ADD "selection" boolean NOT NULL DEFAULT false, ADD "drawerSort" text, ADD "dividerBefore" text`,
  `ALTER TABLE "chest" ALTER COLUMN "selection" DROP DEFAULT`,
  // A chest for buses was one for the master as well.
  `UPDATE "chest" SET "slots" = "slots" || '["master"]' WHERE "slots" ? 'bus'`,
  `ALTER TABLE "drawer" ADD "sign" text, ADD "notInMenus" boolean NOT NULL DEFAULT false, ADD "innerSort" text, ADD "dividerBefore" text`,
  `ALTER TABLE "drawer" ALTER COLUMN "notInMenus" DROP DEFAULT`,
  `ALTER TABLE "tray_name" ALTER COLUMN "name" DROP NOT NULL, ADD "sign" text, ADD "notInMenus" boolean NOT NULL DEFAULT false`,
  `ALTER TABLE "tray_name" ALTER COLUMN "notInMenus" DROP DEFAULT`,
  `ALTER TABLE "entry" ADD "build" text`,
  `CREATE TABLE "kept_build" ("id" text NOT NULL, "reason" text NOT NULL, CONSTRAINT "PK_kept_build" PRIMARY KEY ("id"))`,
  `CREATE TABLE "vendor_note" ("id" text NOT NULL, "note" text, "link" text, CONSTRAINT "PK_vendor_note" PRIMARY KEY ("id"))`,
];

const DOWN = [
  `DROP TABLE "vendor_note"`,
  `DROP TABLE "kept_build"`,
  `ALTER TABLE "entry" DROP COLUMN "build"`,
  `DELETE FROM "tray_name" WHERE "name" IS NULL`,
  `ALTER TABLE "tray_name" DROP COLUMN "notInMenus", DROP COLUMN "sign", ALTER COLUMN "name" SET NOT NULL`,
  `ALTER TABLE "drawer" DROP COLUMN "dividerBefore", DROP COLUMN "innerSort", DROP COLUMN "notInMenus", DROP COLUMN "sign"`,
  `UPDATE "chest" SET "slots" = ("slots" - 'master') - 'clip' - 'midi-effect' WHERE "slots" IS NOT NULL`,
  `UPDATE "chest" SET "slots" = NULL WHERE "slots" = '[]'`,
  `ALTER TABLE "chest" DROP COLUMN "dividerBefore", DROP COLUMN "drawerSort", DROP COLUMN "selection"`,
];

/** Drawers of a level sorted and divided, signs, what menus leave out, chests that are a selection, builds that are kept or loaded from a drawer, notes on vendors. */
export class LevelsAndPurposes1781000000000 implements MigrationInterface {
  name = 'LevelsAndPurposes1781000000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of DOWN) await runner.query(statement);
  }
}
