import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Where things were loaded, and what it took; whether that is kept, and where picks are sent; chains, which may stand where plugins do; templates, widths and bypass. */
export class UseAndChains1773000000000 implements MigrationInterface {
  name = 'UseAndChains1773000000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of DOWN) await runner.query(statement);
  }
}

const USE = {
  slotKind: 'text',
  laneKind: 'text',
  lane: 'text',
  session: 'text',
  before: 'text',
  keys: 'integer',
  clicks: 'integer',
};
const NEW_FLAGS = [
  ['session', 'template'],
  ['slot', 'bypass'],
  ['slot', 'sidechain'],
] as const;
/** What may be a chain is checked where it is arranged, and no longer by the database. */
const PLUGIN_ALONE = [
  ['entry', 'FK_e81bc38c1780ed66ff6c433d743'],
  ['never_in', 'FK_0aa42bf6fc18320e6e42c6f8158'],
  ['tray_entry', 'FK_ac926955b7394f9666c93005bd2'],
] as const;

const UP = [
  ...PLUGIN_ALONE.map(([table, key]) => `ALTER TABLE "${table}" DROP CONSTRAINT "${key}"`),
  `CREATE TABLE "chain" ("id" text NOT NULL, "name" text NOT NULL, CONSTRAINT "PK_8e273aafae283b886672c952ecd" PRIMARY KEY ("id"))`,
  `CREATE TABLE "chain_part" ("id" text NOT NULL, "chainId" text NOT NULL, "order" text NOT NULL, "pluginId" text NOT NULL, "preset" text, "bypass" boolean NOT NULL, CONSTRAINT "PK_6beaa5fa329932954d9bdc53fa6" PRIMARY KEY ("id"))`,
  `CREATE INDEX "IDX_1b34717bc7c8ff124fffe22e40" ON "chain_part" ("chainId")`,
  `ALTER TABLE "chain_part" ADD CONSTRAINT "FK_1b34717bc7c8ff124fffe22e40e" FOREIGN KEY ("chainId") REFERENCES "chain"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "chain_part" ADD CONSTRAINT "FK_8af60d817b5c528623891726d07" FOREIGN KEY ("pluginId") REFERENCES "plugin"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "studio" ADD "keepsUse" boolean NOT NULL DEFAULT true`,
  `ALTER TABLE "studio" ADD "oscHost" text`,
  `ALTER TABLE "studio" ADD "oscPort" integer`,
  ...Object.entries(USE).map(([column, type]) => `ALTER TABLE "load" ADD "${column}" ${type}`),
  ...NEW_FLAGS.flatMap(([table, column]) => [
    `ALTER TABLE "${table}" ADD "${column}" boolean NOT NULL DEFAULT false`,
    `ALTER TABLE "${table}" ALTER "${column}" DROP DEFAULT`,
  ]),
  `ALTER TABLE "lane" ADD "width" text`,
  // Loads of before tell what their slots still tell.
  `UPDATE "load" l SET "slotKind" = s.kind, "laneKind" = n.kind, lane = n.name, session = o.name
   FROM slot s JOIN lane n ON n.id = s."laneId" JOIN session o ON o.id = n."sessionId" WHERE s.id = l."slotId"`,
];

const DOWN = [
  `ALTER TABLE "lane" DROP COLUMN "width"`,
  ...NEW_FLAGS.map(([table, column]) => `ALTER TABLE "${table}" DROP COLUMN "${column}"`),
  ...Object.keys(USE).map((column) => `ALTER TABLE "load" DROP COLUMN "${column}"`),
  `ALTER TABLE "studio" DROP COLUMN "oscPort"`,
  `ALTER TABLE "studio" DROP COLUMN "oscHost"`,
  `ALTER TABLE "studio" DROP COLUMN "keepsUse"`,
  `DROP TABLE "chain_part"`,
  `DROP TABLE "chain"`,
  ...['entry', 'never_in', 'tray_entry'].map(
    (table) => `DELETE FROM "${table}" WHERE "pluginId" NOT IN (SELECT id FROM plugin)`,
  ),
  ...PLUGIN_ALONE.map(
    ([table, key]) =>
      `ALTER TABLE "${table}" ADD CONSTRAINT "${key}" FOREIGN KEY ("pluginId") REFERENCES "plugin"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  ),
];
