import type { MigrationInterface, QueryRunner } from 'typeorm';

const UP = [
  `ALTER TABLE "entry" DROP CONSTRAINT "FK_6991b4483933485e8253a6d5f57"`,
  `DROP INDEX "public"."IDX_e4de513c3f8301fd732474e2e9"`,
  `CREATE INDEX "IDX_6991b4483933485e8253a6d5f5" ON "entry" ("drawerId")`,
  `CREATE FUNCTION entry_needs_drawer() RETURNS trigger LANGUAGE plpgsql AS $$
   DECLARE missing text;
   BEGIN
     SELECT "drawerId" INTO missing FROM (SELECT DISTINCT "drawerId" FROM fresh EXCEPT SELECT id FROM drawer) AS lost LIMIT 1;
     IF FOUND THEN
       RAISE foreign_key_violation USING MESSAGE = format('entries refer to the drawer "%s", which is not there', missing);
     END IF;
     RETURN NULL;
   END $$`,
  `CREATE FUNCTION drawer_has_no_entry() RETURNS trigger LANGUAGE plpgsql AS $$
   DECLARE missing text;
   BEGIN
     SELECT gone.id INTO missing FROM gone JOIN entry ON entry."drawerId" = gone.id LIMIT 1;
     IF FOUND THEN
       RAISE foreign_key_violation USING MESSAGE = format('entries still refer to the drawer "%s"', missing);
     END IF;
     RETURN NULL;
   END $$`,
  `CREATE TRIGGER entry_added AFTER INSERT ON "entry" REFERENCING NEW TABLE AS fresh
   FOR EACH STATEMENT EXECUTE FUNCTION entry_needs_drawer()`,
  `CREATE TRIGGER entry_changed AFTER UPDATE ON "entry" REFERENCING NEW TABLE AS fresh
   FOR EACH STATEMENT EXECUTE FUNCTION entry_needs_drawer()`,
  `CREATE TRIGGER drawer_removed AFTER DELETE ON "drawer" REFERENCING OLD TABLE AS gone
   FOR EACH STATEMENT EXECUTE FUNCTION drawer_has_no_entry()`,
  // A server that was built without this way of packing (PostgreSQL 15, 73.2.1) keeps the other one.
  `DO $$ BEGIN
     EXECUTE 'ALTER TABLE "change" ALTER "edits" SET COMPRESSION lz4';
   EXCEPTION WHEN feature_not_supported OR syntax_error THEN NULL;
   END $$`,
];

const DOWN = [
  `DROP TRIGGER drawer_removed ON "drawer"`,
  `DROP TRIGGER entry_changed ON "entry"`,
  `DROP TRIGGER entry_added ON "entry"`,
  `DROP FUNCTION drawer_has_no_entry`,
  `DROP FUNCTION entry_needs_drawer`,
  `DROP INDEX "public"."IDX_6991b4483933485e8253a6d5f5"`,
  `CREATE INDEX "IDX_e4de513c3f8301fd732474e2e9" ON "entry" ("drawerId", "pluginId")`,
  `ALTER TABLE "entry" ADD CONSTRAINT "FK_6991b4483933485e8253a6d5f57" FOREIGN KEY ("drawerId") REFERENCES "drawer"("id")`,
];

/** That the drawer of an entry is there is checked once for all rows of a statement, and large steps of the journal are packed faster. */
export class ManyAtOnce1776000000000 implements MigrationInterface {
  name = 'ManyAtOnce1776000000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of DOWN) await runner.query(statement);
  }
}
