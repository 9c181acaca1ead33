import type { MigrationInterface, QueryRunner } from 'typeorm';

const UP = [
  `ALTER TABLE "change" ADD "form" integer NOT NULL DEFAULT '1'`,
  `ALTER TABLE "load" ADD "change" integer`,
  `ALTER TABLE "load" ADD "undone" boolean NOT NULL DEFAULT false`,
  `CREATE INDEX "change_undone" ON "change" ("computerId", "seq") WHERE undone`,
  `CREATE INDEX "IDX_2a9761ac878b62a7b7ad879082" ON "change" ("computerId", "seq") WHERE NOT undone`,
  `CREATE INDEX "IDX_7b14739640076ae064150e3db3" ON "load" ("computerId", "change")`,
];

const DOWN = [
  `DROP INDEX "public"."IDX_7b14739640076ae064150e3db3"`,
  `DROP INDEX "public"."IDX_2a9761ac878b62a7b7ad879082"`,
  `DROP INDEX "public"."change_undone"`,
  `ALTER TABLE "load" DROP COLUMN "undone"`,
  `ALTER TABLE "load" DROP COLUMN "change"`,
  `ALTER TABLE "change" DROP COLUMN "form"`,
];

/** Steps of the journal are found by indexes of their own and bear the form of their rows; loads know the step that made them. */
export class NumberedSteps1767000000000 implements MigrationInterface {
  name = 'NumberedSteps1767000000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of DOWN) await runner.query(statement);
  }
}
