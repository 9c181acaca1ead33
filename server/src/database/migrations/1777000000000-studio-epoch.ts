import { withoutOlderLists } from '@clever-drawer/core/rules/older-lists';
import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Adds the studio's epoch, the window that made each journal step, and notes on what is set aside; rewrites rules in which "but" held for one part only. */
export class StudioEpoch1777000000000 implements MigrationInterface {
  name = 'StudioEpoch1777000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "studio" ADD "epoch" uuid NOT NULL DEFAULT gen_random_uuid()`);
    await runner.query('ALTER TABLE "studio" ALTER "epoch" DROP DEFAULT');
    await runner.query('ALTER TABLE "change" ADD "window" text');
    await runner.query('ALTER TABLE "aside" ADD "note" text');
    const rules = (await runner.query(
      `SELECT id, rule->>'text' AS text FROM drawer WHERE rule->>'text' ~* '\\mbut\\M'`,
    )) as {
      id: string;
      text: string;
    }[];
    for (const { id, text } of rules)
      await runner.query(`UPDATE drawer SET rule = jsonb_set(rule, '{text}', to_jsonb($2::text)) WHERE id = $1`, [
        id,
        withoutOlderLists(text),
      ]);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE "aside" DROP COLUMN "note"');
    await runner.query('ALTER TABLE "change" DROP COLUMN "window"');
    await runner.query('ALTER TABLE "studio" DROP COLUMN "epoch"');
  }
}
