import type { MigrationInterface, QueryRunner } from 'typeorm';

const UP = [
  `CREATE TABLE "place" ("computerId" uuid NOT NULL, "path" text NOT NULL, "stamp" jsonb NOT NULL, "reading" jsonb NOT NULL, CONSTRAINT "PK_e0be9d10695b35ad4b8296c213a" PRIMARY KEY ("computerId", "path"))`,
  `CREATE TABLE "choice" ("computerId" uuid NOT NULL, "id" text NOT NULL, "role" text, "types" jsonb, "vendor" text, "buildId" text, CONSTRAINT "PK_504ddcdd4ae1943a3d586a61540" PRIMARY KEY ("computerId", "id"))`,
  `CREATE TABLE "held_build" ("computerId" uuid NOT NULL, "id" text NOT NULL, "pluginId" text NOT NULL, "fromPluginId" text NOT NULL, "whole" boolean NOT NULL, CONSTRAINT "PK_366eae239e0251aaed66aeca7c6" PRIMARY KEY ("computerId", "id"))`,
  `CREATE TABLE "vendor_spelling" ("computerId" uuid NOT NULL, "id" text NOT NULL, "key" text NOT NULL, "name" text NOT NULL, CONSTRAINT "PK_4a96349bb6928a7391f44e40f3d" PRIMARY KEY ("computerId", "id"))`,
  `CREATE TABLE "preference" ("computerId" uuid NOT NULL, "id" text NOT NULL, "criteria" jsonb NOT NULL, "formats" jsonb NOT NULL, CONSTRAINT "PK_325319d4f101c95445f25ffbbea" PRIMARY KEY ("computerId", "id"))`,
  `ALTER TABLE "folder" ADD "asks" boolean NOT NULL DEFAULT true`,
  `ALTER TABLE "folder" ADD "watches" boolean NOT NULL DEFAULT true`,
  `ALTER TABLE "scan" ADD "wish" jsonb NOT NULL DEFAULT '{}'`,
  `ALTER TABLE "scan" ADD "story" jsonb`,
  `ALTER TABLE "plugin" ADD "roleGrade" text NOT NULL DEFAULT 'unknown'`,
  `ALTER TABLE "plugin" ADD "typeGrade" text NOT NULL DEFAULT 'unknown'`,
  `ALTER TABLE "plugin" ADD "contradictions" jsonb NOT NULL DEFAULT '[]'`,
  `ALTER TABLE "place" ADD CONSTRAINT "FK_e5028469229d3f0ff77117b65bd" FOREIGN KEY ("computerId") REFERENCES "computer"("id") ON DELETE CASCADE ON UPDATE NO ACTION`,
  `ALTER TABLE "choice" ADD CONSTRAINT "FK_1af362e50296a335bb37e69bf76" FOREIGN KEY ("computerId") REFERENCES "computer"("id") ON DELETE CASCADE ON UPDATE NO ACTION`,
  `ALTER TABLE "held_build" ADD CONSTRAINT "FK_53b594a6239c8a7403a083b16d8" FOREIGN KEY ("computerId") REFERENCES "computer"("id") ON DELETE CASCADE ON UPDATE NO ACTION`,
  `ALTER TABLE "vendor_spelling" ADD CONSTRAINT "FK_dff798cac73e448cecaa2d23676" FOREIGN KEY ("computerId") REFERENCES "computer"("id") ON DELETE CASCADE ON UPDATE NO ACTION`,
  `ALTER TABLE "preference" ADD CONSTRAINT "FK_bc21c6cfa4ddcd639e6b10f531e" FOREIGN KEY ("computerId") REFERENCES "computer"("id") ON DELETE CASCADE ON UPDATE NO ACTION`,
  // Facts that builds of before did not have; the next scan fills them.
  `UPDATE "build" SET facts = '{"description": null, "presetNames": [], "pictures": [], "others": [], "asked": null, "printed": null}'::jsonb || facts`,
];

const DOWN = [
  `ALTER TABLE "preference" DROP CONSTRAINT "FK_bc21c6cfa4ddcd639e6b10f531e"`,
  `ALTER TABLE "vendor_spelling" DROP CONSTRAINT "FK_dff798cac73e448cecaa2d23676"`,
  `ALTER TABLE "held_build" DROP CONSTRAINT "FK_53b594a6239c8a7403a083b16d8"`,
  `ALTER TABLE "choice" DROP CONSTRAINT "FK_1af362e50296a335bb37e69bf76"`,
  `ALTER TABLE "place" DROP CONSTRAINT "FK_e5028469229d3f0ff77117b65bd"`,
  `ALTER TABLE "plugin" DROP COLUMN "contradictions"`,
  `ALTER TABLE "plugin" DROP COLUMN "typeGrade"`,
  `ALTER TABLE "plugin" DROP COLUMN "roleGrade"`,
  `ALTER TABLE "scan" DROP COLUMN "story"`,
  `ALTER TABLE "scan" DROP COLUMN "wish"`,
  `ALTER TABLE "folder" DROP COLUMN "watches"`,
  `ALTER TABLE "folder" DROP COLUMN "asks"`,
  `DROP TABLE "preference"`,
  `DROP TABLE "vendor_spelling"`,
  `DROP TABLE "held_build"`,
  `DROP TABLE "choice"`,
  `DROP TABLE "place"`,
];

/** Places with fingerprints, switches of folders, stories of scans, grades of roles and types, and what the producer put right by hand. */
export class EvidenceAndCorrections1764900000000 implements MigrationInterface {
  name = 'EvidenceAndCorrections1764900000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of DOWN) await runner.query(statement);
  }
}
