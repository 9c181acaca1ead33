import type { MigrationInterface, QueryRunner } from 'typeorm';

const UP = [
  `CREATE TABLE "divider" ("computerId" uuid NOT NULL, "id" text NOT NULL, "drawerId" text NOT NULL, "label" text NOT NULL, "order" text NOT NULL, CONSTRAINT "PK_317b285aebc8f14cc8870989292" PRIMARY KEY ("computerId", "id"))`,
  `CREATE INDEX "IDX_9eee72cab54b4ecde9dade5678" ON "divider" ("computerId", "drawerId")`,
  `CREATE TABLE "tray_name" ("computerId" uuid NOT NULL, "id" text NOT NULL, "name" text NOT NULL, CONSTRAINT "PK_bd797667016b30f17468bfc2020" PRIMARY KEY ("computerId", "id"))`,
  `CREATE TABLE "kept_search" ("computerId" uuid NOT NULL, "id" text NOT NULL, "name" text NOT NULL, "query" text NOT NULL, "order" text NOT NULL, CONSTRAINT "PK_339d2f0d93b8219fca75c09f8ec" PRIMARY KEY ("computerId", "id"))`,
  `CREATE TABLE "naming" ("computerId" uuid NOT NULL, "id" text NOT NULL, "nickname" text, "stripLabel" text, "note" text, "tags" jsonb NOT NULL, CONSTRAINT "PK_2ba156c9b63830feb8c98b2a30b" PRIMARY KEY ("computerId", "id"))`,
  `CREATE TABLE "aside" ("computerId" uuid NOT NULL, "id" text NOT NULL, "pluginId" text NOT NULL, "buildId" text, "reason" text NOT NULL, "until" text, CONSTRAINT "PK_79de96f525cc5491888da85f577" PRIMARY KEY ("computerId", "id"))`,
  `CREATE TABLE "face" ("computerId" uuid NOT NULL, "id" text NOT NULL, "picture" text NOT NULL, CONSTRAINT "PK_4d8389e0513bbb8907cce80cb58" PRIMARY KEY ("computerId", "id"))`,
  `CREATE TABLE "look" ("computerId" uuid NOT NULL, "id" text NOT NULL, "at" text NOT NULL, CONSTRAINT "PK_175307475072b7e8a09abbba5af" PRIMARY KEY ("computerId", "id"))`,
  `CREATE TABLE "picture" ("computerId" uuid NOT NULL, "id" text NOT NULL, "type" text NOT NULL, "bytes" bytea NOT NULL, CONSTRAINT "PK_a33eb9f858ba4082338a632b043" PRIMARY KEY ("computerId", "id"))`,
  `ALTER TABLE "chest" ADD "slots" jsonb`,
  `ALTER TABLE "drawer" ADD "sort" text`,
  `ALTER TABLE "entry" ADD "name" text`,
  `ALTER TABLE "divider" ADD CONSTRAINT "FK_9eee72cab54b4ecde9dade5678b" FOREIGN KEY ("computerId", "drawerId") REFERENCES "drawer"("computerId","id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "tray_name" ADD CONSTRAINT "FK_e701f4c0b99bd8099a871c9f022" FOREIGN KEY ("computerId") REFERENCES "computer"("id") ON DELETE CASCADE ON UPDATE NO ACTION`,
  `ALTER TABLE "kept_search" ADD CONSTRAINT "FK_4781a0c3c19628d76d23787e527" FOREIGN KEY ("computerId") REFERENCES "computer"("id") ON DELETE CASCADE ON UPDATE NO ACTION`,
  `ALTER TABLE "naming" ADD CONSTRAINT "FK_98c4864b7083f04d5037f56557c" FOREIGN KEY ("computerId") REFERENCES "computer"("id") ON DELETE CASCADE ON UPDATE NO ACTION`,
  `ALTER TABLE "aside" ADD CONSTRAINT "FK_86eb6a29afdcb8f40043fe737d2" FOREIGN KEY ("computerId") REFERENCES "computer"("id") ON DELETE CASCADE ON UPDATE NO ACTION`,
  `ALTER TABLE "face" ADD CONSTRAINT "FK_876d016bd07c1f2d169dd89aebc" FOREIGN KEY ("computerId") REFERENCES "computer"("id") ON DELETE CASCADE ON UPDATE NO ACTION`,
  `ALTER TABLE "look" ADD CONSTRAINT "FK_072acb9a5a619cad2d81cab7823" FOREIGN KEY ("computerId") REFERENCES "computer"("id") ON DELETE CASCADE ON UPDATE NO ACTION`,
  `ALTER TABLE "picture" ADD CONSTRAINT "FK_a5778cd4cf455c5f31844c61b94" FOREIGN KEY ("computerId") REFERENCES "computer"("id") ON DELETE CASCADE ON UPDATE NO ACTION`,
];

const DOWN = [
  `ALTER TABLE "picture" DROP CONSTRAINT "FK_a5778cd4cf455c5f31844c61b94"`,
  `ALTER TABLE "look" DROP CONSTRAINT "FK_072acb9a5a619cad2d81cab7823"`,
  `ALTER TABLE "face" DROP CONSTRAINT "FK_876d016bd07c1f2d169dd89aebc"`,
  `ALTER TABLE "aside" DROP CONSTRAINT "FK_86eb6a29afdcb8f40043fe737d2"`,
  `ALTER TABLE "naming" DROP CONSTRAINT "FK_98c4864b7083f04d5037f56557c"`,
  `ALTER TABLE "kept_search" DROP CONSTRAINT "FK_4781a0c3c19628d76d23787e527"`,
  `ALTER TABLE "tray_name" DROP CONSTRAINT "FK_e701f4c0b99bd8099a871c9f022"`,
  `ALTER TABLE "divider" DROP CONSTRAINT "FK_9eee72cab54b4ecde9dade5678b"`,
  `ALTER TABLE "entry" DROP COLUMN "name"`,
  `ALTER TABLE "drawer" DROP COLUMN "sort"`,
  `ALTER TABLE "chest" DROP COLUMN "slots"`,
  `DROP TABLE "picture"`,
  `DROP TABLE "look"`,
  `DROP TABLE "face"`,
  `DROP TABLE "aside"`,
  `DROP TABLE "naming"`,
  `DROP TABLE "kept_search"`,
  `DROP TABLE "tray_name"`,
  `DROP INDEX "public"."IDX_9eee72cab54b4ecde9dade5678"`,
  `DROP TABLE "divider"`,
];

/** Dividers, standing sorting, names of one's own, trays with names, set aside, kept searches, pictures, what has been seen. */
export class Sorting1766000000000 implements MigrationInterface {
  name = 'Sorting1766000000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of DOWN) await runner.query(statement);
  }
}
