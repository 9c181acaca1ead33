import type { MigrationInterface, QueryRunner } from 'typeorm';

const OF_COMPUTER = 'FOREIGN KEY ("computerId") REFERENCES "computer"("id") ON DELETE CASCADE ON UPDATE NO ACTION';

const UP = [
  `ALTER TABLE "own_entry" ADD "file" text`,
  `ALTER TABLE "drawer" ADD "loose" boolean NOT NULL DEFAULT false`,
  `ALTER TABLE "drawer" ALTER COLUMN "loose" DROP DEFAULT`,
  `CREATE TABLE "aside_here" ("computerId" uuid NOT NULL, "id" text NOT NULL, "pluginId" text NOT NULL, "buildId" text, "reason" text NOT NULL, "until" text, "note" text, CONSTRAINT "PK_aside_here" PRIMARY KEY ("computerId", "id"), CONSTRAINT "FK_910e726c5cc093c3c2ed562ecff" ${OF_COMPUTER})`,
  `CREATE TABLE "file_folder" ("computerId" uuid NOT NULL, "id" text NOT NULL, "path" text NOT NULL, "endings" jsonb NOT NULL, "program" text NOT NULL, "role" text, "addedAt" text NOT NULL, CONSTRAINT "PK_file_folder" PRIMARY KEY ("computerId", "id"), CONSTRAINT "FK_176879772d91f060bc4f2882f4c" ${OF_COMPUTER})`,
  `CREATE UNIQUE INDEX "IDX_f2eff570b569e49b644106e42c" ON "file_folder" ("computerId", "path")`,
  // The words are looked up by their beginnings (PostgreSQL 15, 12.3.2 and 12.9).
  `CREATE TABLE "other_file" ("computerId" uuid NOT NULL, "folderId" text NOT NULL, "inside" text NOT NULL, "id" text NOT NULL, "name" text NOT NULL, "file" text NOT NULL, "words" tsvector NOT NULL, CONSTRAINT "PK_other_file" PRIMARY KEY ("computerId", "folderId", "inside"), CONSTRAINT "FK_1be4368660a1e7716c994541a53" ${OF_COMPUTER})`,
  `CREATE INDEX "IDX_fc29b5de81179ff6850b2c3db5" ON "other_file" ("computerId", "id")`,
  `CREATE INDEX "other_file_words" ON "other_file" USING gin ("words")`,
  `CREATE TABLE "file_folder_reading" ("computerId" uuid NOT NULL, "folderId" text NOT NULL, "readAt" timestamptz NOT NULL, "files" integer NOT NULL, "leftOut" integer NOT NULL, "problem" text, CONSTRAINT "PK_file_folder_reading" PRIMARY KEY ("computerId", "folderId"), CONSTRAINT "FK_eb1f478e453b46a97d070d99959" ${OF_COMPUTER})`,
  `ALTER TABLE "studio" ADD "lastOpen" jsonb NOT NULL DEFAULT '{}'`,
];

const DOWN = [
  `ALTER TABLE "studio" DROP COLUMN "lastOpen"`,
  `DROP TABLE "file_folder_reading"`,
  `DROP TABLE "other_file"`,
  `DROP TABLE "file_folder"`,
  `DROP TABLE "aside_here"`,
  `ALTER TABLE "drawer" DROP COLUMN "loose"`,
  `ALTER TABLE "own_entry" DROP COLUMN "file"`,
];

/** Folders of files other than plugins, and the files found in them; entries that stand in a chest without a drawer; what is set aside on one computer only; what was open last in the menus. */
export class FilesAndLooseEntries1782000000000 implements MigrationInterface {
  name = 'FilesAndLooseEntries1782000000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of DOWN) await runner.query(statement);
  }
}
