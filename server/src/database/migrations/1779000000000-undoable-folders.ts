import type { MigrationInterface, QueryRunner } from 'typeorm';

const UP = [
  `ALTER TABLE "folder" DROP CONSTRAINT "PK_6278a41a706740c94c02e288df8"`,
  `ALTER TABLE "folder" ALTER COLUMN "id" TYPE text`,
  `ALTER TABLE "folder" ADD CONSTRAINT "PK_folder" PRIMARY KEY ("computerId", "id")`,
  `ALTER TABLE "folder" ALTER COLUMN "addedAt" DROP DEFAULT`,
  `ALTER TABLE "folder" ALTER COLUMN "addedAt" TYPE text
     USING to_char("addedAt" AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"')`,
  `ALTER TABLE "folder" ALTER COLUMN "asks" DROP DEFAULT`,
  `ALTER TABLE "folder" ALTER COLUMN "watches" DROP DEFAULT`,
  `ALTER TABLE "folder" DROP COLUMN "lastScannedAt"`,
];

const DOWN = [
  `ALTER TABLE "folder" ADD "lastScannedAt" TIMESTAMP WITH TIME ZONE`,
  `ALTER TABLE "folder" ALTER COLUMN "watches" SET DEFAULT true`,
  `ALTER TABLE "folder" ALTER COLUMN "asks" SET DEFAULT true`,
  `ALTER TABLE "folder" ALTER COLUMN "addedAt" TYPE TIMESTAMP WITH TIME ZONE USING "addedAt"::timestamptz`,
  `ALTER TABLE "folder" ALTER COLUMN "addedAt" SET DEFAULT now()`,
  `ALTER TABLE "folder" DROP CONSTRAINT "PK_folder"`,
  `ALTER TABLE "folder" ALTER COLUMN "id" TYPE uuid USING "id"::uuid`,
  `ALTER TABLE "folder" ADD CONSTRAINT "PK_6278a41a706740c94c02e288df8" PRIMARY KEY ("id")`,
];

/** Makes plugin folders rows of the arrangement. When a folder was last scanned is read from the scans. */
export class UndoableFolders1779000000000 implements MigrationInterface {
  name = 'UndoableFolders1779000000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of DOWN) await runner.query(statement);
  }
}
