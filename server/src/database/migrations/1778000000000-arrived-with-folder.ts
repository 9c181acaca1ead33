import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Adds to each build whether it was there when its folder was first scanned. */
export class ArrivedWithFolder1778000000000 implements MigrationInterface {
  name = 'ArrivedWithFolder1778000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE "build" ADD "arrivedWithFolder" boolean NOT NULL DEFAULT false');
    // All builds of one scan have the same time of arrival, so the earliest one in a folder is that of its first scan.
    await runner.query(
      `UPDATE "build" SET "arrivedWithFolder" = true FROM (
         SELECT "computerId", '' AS path, min("arrivedAt") AS first FROM "build" GROUP BY 1
         UNION ALL
         SELECT f."computerId", f.path || '/', min(b."arrivedAt") FROM "folder" f
           JOIN "build" b ON b."computerId" = f."computerId" AND starts_with(b.facts->>'path', f.path || '/') GROUP BY 1, 2
       ) scanned
       WHERE "build"."computerId" = scanned."computerId" AND starts_with("build".facts->>'path', scanned.path)
         AND "build"."arrivedAt" = scanned.first`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE "build" DROP COLUMN "arrivedWithFolder"');
  }
}
