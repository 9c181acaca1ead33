import type { MigrationInterface, QueryRunner } from 'typeorm';

const UP = [
  `CREATE TABLE "computer" ("id" uuid NOT NULL, "name" text NOT NULL, "system" text NOT NULL, "arrangementRevision" integer NOT NULL DEFAULT '0', "catalogueRevision" integer NOT NULL DEFAULT '0', "createdAt" TIMESTAMP WITH TIME ZONE NOT NULL DEFAULT now(), CONSTRAINT "PK_775250089fb372f5edcfa2e5f95" PRIMARY KEY ("id"))`,
  `CREATE TABLE "folder" ("id" uuid NOT NULL, "computerId" uuid NOT NULL, "path" text NOT NULL, "addedAt" TIMESTAMP WITH TIME ZONE NOT NULL DEFAULT now(), "lastScannedAt" TIMESTAMP WITH TIME ZONE, CONSTRAINT "PK_6278a41a706740c94c02e288df8" PRIMARY KEY ("id"))`,
  `CREATE UNIQUE INDEX "IDX_e09c45110cc0ba3d69fb6a30ef" ON "folder"  ("computerId", "path")`,
  `CREATE TABLE "scan" ("id" uuid NOT NULL, "computerId" uuid NOT NULL, "state" text NOT NULL, "folders" jsonb NOT NULL, "progress" jsonb NOT NULL, "cancelRequested" boolean NOT NULL DEFAULT false, "heartbeatAt" TIMESTAMP WITH TIME ZONE NOT NULL DEFAULT now(), "startedAt" TIMESTAMP WITH TIME ZONE NOT NULL DEFAULT now(), "endedAt" TIMESTAMP WITH TIME ZONE, "outcome" jsonb, "faults" jsonb NOT NULL DEFAULT '[]', "failure" text, CONSTRAINT "PK_9868a638d0569ba3fe3bddcef84" PRIMARY KEY ("id"))`,
  `CREATE INDEX "IDX_b13f327c0194a8445222cd287d" ON "scan"  ("computerId", "startedAt")`,
  `CREATE TABLE "plugin" ("computerId" uuid NOT NULL, "id" text NOT NULL, "name" text NOT NULL, "vendor" text, "role" text, "types" jsonb NOT NULL, "arrivedAt" TIMESTAMP WITH TIME ZONE NOT NULL DEFAULT now(), CONSTRAINT "PK_5a71060bad4422133b57eb7d070" PRIMARY KEY ("computerId", "id"))`,
  `CREATE TABLE "build" ("id" uuid NOT NULL, "computerId" uuid NOT NULL, "pluginId" text NOT NULL, "found" boolean NOT NULL, "facts" jsonb NOT NULL, CONSTRAINT "PK_5625549365ffbf46dd1c7ff342d" PRIMARY KEY ("id"))`,
  `CREATE INDEX "IDX_a9f9f17607968c0ceccce5f95c" ON "build"  ("computerId", "pluginId")`,
  `CREATE TABLE "chest" ("computerId" uuid NOT NULL, "id" text NOT NULL, "name" text NOT NULL, "order" text NOT NULL, CONSTRAINT "PK_8682286600bf7cdd096da0fbe2e" PRIMARY KEY ("computerId", "id"))`,
  `CREATE TABLE "drawer" ("computerId" uuid NOT NULL, "id" text NOT NULL, "chestId" text NOT NULL, "parentId" text, "name" text NOT NULL, "order" text NOT NULL, "rule" jsonb, CONSTRAINT "PK_b5d686aa4f811f43a758b1b2c8a" PRIMARY KEY ("computerId", "id"))`,
  `CREATE INDEX "IDX_11d86660f07608f46582daf479" ON "drawer"  ("computerId", "chestId")`,
  `CREATE TABLE "entry" ("computerId" uuid NOT NULL, "id" text NOT NULL, "drawerId" text NOT NULL, "pluginId" text NOT NULL, "order" text NOT NULL, CONSTRAINT "PK_9e8e610db674be7070550daa43d" PRIMARY KEY ("computerId", "id"))`,
  `CREATE UNIQUE INDEX "IDX_e7b8b5514244b276749923163c" ON "entry"  ("computerId", "drawerId", "pluginId")`,
  `CREATE TABLE "tray_entry" ("computerId" uuid NOT NULL, "id" text NOT NULL, "tray" smallint NOT NULL, "pluginId" text NOT NULL, "order" text NOT NULL, CONSTRAINT "PK_46b976502cae7591101ddd0c2c3" PRIMARY KEY ("computerId", "id"))`,
  `CREATE UNIQUE INDEX "IDX_1f6e21834a3107a3ee6d4defeb" ON "tray_entry"  ("computerId", "tray", "pluginId")`,
  `CREATE TABLE "session" ("computerId" uuid NOT NULL, "id" text NOT NULL, "name" text NOT NULL, "order" text NOT NULL, CONSTRAINT "PK_03db607e122d26012fc17ccdde1" PRIMARY KEY ("computerId", "id"))`,
  `CREATE TABLE "lane" ("computerId" uuid NOT NULL, "id" text NOT NULL, "sessionId" text NOT NULL, "kind" text NOT NULL, "name" text NOT NULL, "order" text NOT NULL, CONSTRAINT "PK_b97d01dcf45c439a1d86da571ba" PRIMARY KEY ("computerId", "id"))`,
  `CREATE TABLE "slot" ("computerId" uuid NOT NULL, "id" text NOT NULL, "laneId" text NOT NULL, "kind" text NOT NULL, "order" text NOT NULL, "pluginId" text, "buildId" text, CONSTRAINT "PK_a100f80981c8dcf383e39708bbc" PRIMARY KEY ("computerId", "id"))`,
  `CREATE TABLE "change" ("computerId" uuid NOT NULL, "seq" integer NOT NULL, "label" text NOT NULL, "edits" jsonb NOT NULL, "undone" boolean NOT NULL DEFAULT false, "madeAt" TIMESTAMP WITH TIME ZONE NOT NULL DEFAULT now(), CONSTRAINT "PK_4a1837ef98c8821e3b682715bc0" PRIMARY KEY ("computerId", "seq"))`,
  `CREATE TABLE "load" ("id" uuid NOT NULL, "computerId" uuid NOT NULL, "pluginId" text NOT NULL, "buildId" uuid, "slotId" text NOT NULL, "way" text NOT NULL, "milliseconds" integer NOT NULL, "loadedAt" TIMESTAMP WITH TIME ZONE NOT NULL DEFAULT now(), CONSTRAINT "PK_296e0b3de93140af614a57b186b" PRIMARY KEY ("id"))`,
  `CREATE INDEX "IDX_ba6703cfba9a39d2d2cacdd5c3" ON "load"  ("computerId", "loadedAt")`,
  `ALTER TABLE "folder" ADD CONSTRAINT "FK_9bffbf6c45eac94f146bedbd0b0" FOREIGN KEY ("computerId") REFERENCES "computer"("id") ON DELETE CASCADE ON UPDATE NO ACTION`,
  `ALTER TABLE "scan" ADD CONSTRAINT "FK_3686ae83e5aa796839e33379e2e" FOREIGN KEY ("computerId") REFERENCES "computer"("id") ON DELETE CASCADE ON UPDATE NO ACTION`,
  `ALTER TABLE "plugin" ADD CONSTRAINT "FK_d8b35b3820cef4fa510a11d5352" FOREIGN KEY ("computerId") REFERENCES "computer"("id") ON DELETE CASCADE ON UPDATE NO ACTION`,
  `ALTER TABLE "build" ADD CONSTRAINT "FK_a9f9f17607968c0ceccce5f95c1" FOREIGN KEY ("computerId", "pluginId") REFERENCES "plugin"("computerId","id") ON DELETE CASCADE ON UPDATE NO ACTION`,
  `ALTER TABLE "chest" ADD CONSTRAINT "FK_9eca7391e4cf2c591e72f751569" FOREIGN KEY ("computerId") REFERENCES "computer"("id") ON DELETE CASCADE ON UPDATE NO ACTION`,
  `ALTER TABLE "drawer" ADD CONSTRAINT "FK_a2bbc427946356a8988e4262698" FOREIGN KEY ("computerId", "parentId") REFERENCES "drawer"("computerId","id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "drawer" ADD CONSTRAINT "FK_11d86660f07608f46582daf4795" FOREIGN KEY ("computerId", "chestId") REFERENCES "chest"("computerId","id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "entry" ADD CONSTRAINT "FK_fe5050a4a0e676e2a35bfa9198d" FOREIGN KEY ("computerId", "pluginId") REFERENCES "plugin"("computerId","id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "entry" ADD CONSTRAINT "FK_a0fbc905b022ec2cbee71a85da1" FOREIGN KEY ("computerId", "drawerId") REFERENCES "drawer"("computerId","id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "tray_entry" ADD CONSTRAINT "FK_73263bb4851d1619b585e532f57" FOREIGN KEY ("computerId", "pluginId") REFERENCES "plugin"("computerId","id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "session" ADD CONSTRAINT "FK_28ae868be558187d6057916b243" FOREIGN KEY ("computerId") REFERENCES "computer"("id") ON DELETE CASCADE ON UPDATE NO ACTION`,
  `ALTER TABLE "lane" ADD CONSTRAINT "FK_8572d2d025e5d4aa001c3e89253" FOREIGN KEY ("computerId", "sessionId") REFERENCES "session"("computerId","id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "slot" ADD CONSTRAINT "FK_299f9f0237f005b8020e712a812" FOREIGN KEY ("computerId", "pluginId") REFERENCES "plugin"("computerId","id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "slot" ADD CONSTRAINT "FK_06c020c1ca47769c6398d26c56c" FOREIGN KEY ("computerId", "laneId") REFERENCES "lane"("computerId","id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "change" ADD CONSTRAINT "FK_87db3fbc974c735431556adf6fb" FOREIGN KEY ("computerId") REFERENCES "computer"("id") ON DELETE CASCADE ON UPDATE NO ACTION`,
  `ALTER TABLE "load" ADD CONSTRAINT "FK_6b22e4dc1c4635dc4e2b2248fcf" FOREIGN KEY ("computerId", "pluginId") REFERENCES "plugin"("computerId","id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
];

const DOWN = [
  `ALTER TABLE "load" DROP CONSTRAINT "FK_6b22e4dc1c4635dc4e2b2248fcf"`,
  `ALTER TABLE "change" DROP CONSTRAINT "FK_87db3fbc974c735431556adf6fb"`,
  `ALTER TABLE "slot" DROP CONSTRAINT "FK_06c020c1ca47769c6398d26c56c"`,
  `ALTER TABLE "slot" DROP CONSTRAINT "FK_299f9f0237f005b8020e712a812"`,
  `ALTER TABLE "lane" DROP CONSTRAINT "FK_8572d2d025e5d4aa001c3e89253"`,
  `ALTER TABLE "session" DROP CONSTRAINT "FK_28ae868be558187d6057916b243"`,
  `ALTER TABLE "tray_entry" DROP CONSTRAINT "FK_73263bb4851d1619b585e532f57"`,
  `ALTER TABLE "entry" DROP CONSTRAINT "FK_a0fbc905b022ec2cbee71a85da1"`,
  `ALTER TABLE "entry" DROP CONSTRAINT "FK_fe5050a4a0e676e2a35bfa9198d"`,
  `ALTER TABLE "drawer" DROP CONSTRAINT "FK_11d86660f07608f46582daf4795"`,
  `ALTER TABLE "drawer" DROP CONSTRAINT "FK_a2bbc427946356a8988e4262698"`,
  `ALTER TABLE "chest" DROP CONSTRAINT "FK_9eca7391e4cf2c591e72f751569"`,
  `ALTER TABLE "build" DROP CONSTRAINT "FK_a9f9f17607968c0ceccce5f95c1"`,
  `ALTER TABLE "plugin" DROP CONSTRAINT "FK_d8b35b3820cef4fa510a11d5352"`,
  `ALTER TABLE "scan" DROP CONSTRAINT "FK_3686ae83e5aa796839e33379e2e"`,
  `ALTER TABLE "folder" DROP CONSTRAINT "FK_9bffbf6c45eac94f146bedbd0b0"`,
  `DROP INDEX "public"."IDX_ba6703cfba9a39d2d2cacdd5c3"`,
  `DROP TABLE "load"`,
  `DROP TABLE "change"`,
  `DROP TABLE "slot"`,
  `DROP TABLE "lane"`,
  `DROP TABLE "session"`,
  `DROP INDEX "public"."IDX_1f6e21834a3107a3ee6d4defeb"`,
  `DROP TABLE "tray_entry"`,
  `DROP INDEX "public"."IDX_e7b8b5514244b276749923163c"`,
  `DROP TABLE "entry"`,
  `DROP INDEX "public"."IDX_11d86660f07608f46582daf479"`,
  `DROP TABLE "drawer"`,
  `DROP TABLE "chest"`,
  `DROP INDEX "public"."IDX_a9f9f17607968c0ceccce5f95c"`,
  `DROP TABLE "build"`,
  `DROP TABLE "plugin"`,
  `DROP INDEX "public"."IDX_b13f327c0194a8445222cd287d"`,
  `DROP TABLE "scan"`,
  `DROP INDEX "public"."IDX_e09c45110cc0ba3d69fb6a30ef"`,
  `DROP TABLE "folder"`,
  `DROP TABLE "computer"`,
];

/** Computers with folders, scans, plugins and builds; chests, drawers, trays, practice sessions; the journal of changes and loads. */
export class CatalogueAndArrangement1764000000000 implements MigrationInterface {
  name = 'CatalogueAndArrangement1764000000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of DOWN) await runner.query(statement);
  }
}
