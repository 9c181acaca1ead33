import type { MigrationInterface, QueryRunner } from 'typeorm';

// Presets were kept by name alone. Keys are taken from what the last scan read; banks come with the next scan, which reads places with presets anew.
const UP = [
  `CREATE TEMPORARY TABLE preset_found ON COMMIT DROP AS
     SELECT DISTINCT p."computerId", one->>'appliesTo' AS "appliesTo", one->>'key' AS key, one->>'name' AS name
     FROM place p, jsonb_array_elements(p.reading->'presets') AS one WHERE jsonb_typeof(p.reading->'presets') = 'array'`,
  `CREATE INDEX ON preset_found ("computerId", "appliesTo")`,
  `UPDATE build b SET facts = (facts - 'presetNames') || jsonb_build_object('presetList', coalesce(
     (SELECT jsonb_agg(jsonb_build_object('key', f.key, 'name', f.name, 'bank', NULL) ORDER BY f.name)
      FROM preset_found f WHERE f."computerId" = b."computerId" AND f."appliesTo" = b.facts->>'identifier'
        AND (b.facts->>'presets')::int > 0), '[]'))`,
  `UPDATE place SET stamp = '["presets have banks"]' WHERE jsonb_typeof(reading->'presets') = 'array' AND jsonb_array_length(reading->'presets') > 0
     AND jsonb_array_length(stamp) > 0`,
  `UPDATE place SET reading = jsonb_set(reading, '{presets}',
     (SELECT jsonb_agg(one || '{"bank": null}') FROM jsonb_array_elements(reading->'presets') AS one))
   WHERE jsonb_typeof(reading->'presets') = 'array' AND jsonb_array_length(reading->'presets') > 0`,
  `UPDATE place SET reading = jsonb_set(reading, '{builds}',
     (SELECT jsonb_agg((one - 'presetNames') || '{"presetList": []}') FROM jsonb_array_elements(reading->'builds') AS one))
   WHERE jsonb_array_length(reading->'builds') > 0`,
];

const DOWN = [
  `UPDATE place SET reading = jsonb_set(reading, '{builds}',
     (SELECT jsonb_agg((one - 'presetList') || '{"presetNames": []}') FROM jsonb_array_elements(reading->'builds') AS one))
   WHERE jsonb_array_length(reading->'builds') > 0`,
  `UPDATE build SET facts = (facts - 'presetList') || jsonb_build_object('presetNames', coalesce(
     (SELECT jsonb_agg(one->>'name') FROM jsonb_array_elements(facts->'presetList') AS one), '[]'))`,
];

/** The presets of a build keep their key, name and bank. */
export class PresetsInBanks1768000000000 implements MigrationInterface {
  name = 'PresetsInBanks1768000000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of DOWN) await runner.query(statement);
  }
}
