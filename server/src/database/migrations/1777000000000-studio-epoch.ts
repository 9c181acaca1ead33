import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Adds the studio's epoch, the window that made each journal step, and notes on what is set aside. */
export class StudioEpoch1777000000000 implements MigrationInterface {
  name = 'StudioEpoch1777000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "studio" ADD "epoch" uuid NOT NULL DEFAULT gen_random_uuid()`);
    await runner.query('ALTER TABLE "studio" ALTER "epoch" DROP DEFAULT');
    await runner.query('ALTER TABLE "change" ADD "window" text');
    await runner.query('ALTER TABLE "aside" ADD "note" text');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE "aside" DROP COLUMN "note"');
    await runner.query('ALTER TABLE "change" DROP COLUMN "window"');
    await runner.query('ALTER TABLE "studio" DROP COLUMN "epoch"');
  }
}
