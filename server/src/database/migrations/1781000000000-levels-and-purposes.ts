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
];

const DOWN = [
  `DELETE FROM "tray_name" WHERE "name" IS NULL`,
  `ALTER TABLE "tray_name" DROP COLUMN "notInMenus", DROP COLUMN "sign", ALTER COLUMN "name" SET NOT NULL`,
  `ALTER TABLE "drawer" DROP COLUMN "dividerBefore", DROP COLUMN "innerSort", DROP COLUMN "notInMenus", DROP COLUMN "sign"`,
  `UPDATE "chest" SET "slots" = ("slots" - 'master') - 'clip' - 'midi-effect' WHERE "slots" IS NOT NULL`,
  `UPDATE "chest" SET "slots" = NULL WHERE "slots" = '[]'`,
  `ALTER TABLE "chest" DROP COLUMN "dividerBefore", DROP COLUMN "drawerSort", DROP COLUMN "selection"`,
];

/** Drawers of a level sorted and divided, signs, what menus leave out, chests that are a selection. */
export class LevelsAndPurposes1781000000000 implements MigrationInterface {
  name = 'LevelsAndPurposes1781000000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of DOWN) await runner.query(statement);
  }
}
