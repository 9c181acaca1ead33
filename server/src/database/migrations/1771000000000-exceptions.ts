import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What the rules of clever drawers are told never to take, and how many they take at most. */
export class Exceptions1771000000000 implements MigrationInterface {
  name = 'Exceptions1771000000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE "never_in"');
    await runner.query('ALTER TABLE "drawer" DROP COLUMN "most"');
  }
}

const UP = [
  `ALTER TABLE "drawer" ADD "most" smallint`,
  `CREATE TABLE "never_in" ("id" text NOT NULL, "drawerId" text NOT NULL, "pluginId" text NOT NULL, "preset" text, CONSTRAINT "PK_c029f3b2aed51738b50518e31d1" PRIMARY KEY ("id"))`,
  `CREATE INDEX "IDX_11858fdb88d895239daacb187f" ON "never_in" ("drawerId", "pluginId")`,
  `ALTER TABLE "never_in" ADD CONSTRAINT "FK_6cd3fa6383885085a91004fe501" FOREIGN KEY ("drawerId") REFERENCES "drawer"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "never_in" ADD CONSTRAINT "FK_0aa42bf6fc18320e6e42c6f8158" FOREIGN KEY ("pluginId") REFERENCES "plugin"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
];
