import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A scan keeps how many problems it met; which stand is known of their places. */
export class CountedProblems1775000000000 implements MigrationInterface {
  name = 'CountedProblems1775000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE "scan" ADD "problems" integer NOT NULL DEFAULT 0');
    await runner.query('UPDATE "scan" SET "problems" = jsonb_array_length("faults")');
    await runner.query('ALTER TABLE "scan" DROP COLUMN "faults"');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "scan" ADD "faults" jsonb NOT NULL DEFAULT '[]'`);
    await runner.query('ALTER TABLE "scan" DROP COLUMN "problems"');
  }
}
