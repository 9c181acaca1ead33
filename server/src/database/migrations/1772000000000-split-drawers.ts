import type { MigrationInterface, QueryRunner } from 'typeorm';

/** By what drawers are split into inner drawers that follow by themselves. */
export class SplitDrawers1772000000000 implements MigrationInterface {
  name = 'SplitDrawers1772000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE "drawer" ADD "split" text');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE "drawer" DROP COLUMN "split"');
  }
}
