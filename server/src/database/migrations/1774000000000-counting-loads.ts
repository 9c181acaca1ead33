import type { MigrationInterface, QueryRunner } from 'typeorm';

/** That a million loads are of a few thousand plugins is not told by each of the columns alone: told of them together, the planner counts them without sorting them. PostgreSQL 15, 14.2.2. */
export class CountingLoads1774000000000 implements MigrationInterface {
  name = 'CountingLoads1774000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE STATISTICS "load_of_what" (ndistinct) ON "computerId", "pluginId", "buildId", "way" FROM "load"`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP STATISTICS "load_of_what"');
  }
}
