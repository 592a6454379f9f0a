import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What was measured is told measure by measure; it was one word for the whole headstock. */
export class Measured1765200000000 implements MigrationInterface {
  name = 'Measured1765200000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      UPDATE instrument SET geometry = jsonb_set(geometry, '{measured}',
        CASE WHEN geometry->'measured' = 'true'::jsonb
          THEN '["nut", "posts", "thickness", "holes", "angle", "face", "trees", "gear"]'::jsonb ELSE '[]'::jsonb END)
      WHERE geometry->'measured' IS NULL OR jsonb_typeof(geometry->'measured') = 'boolean'`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      UPDATE instrument SET geometry = jsonb_set(geometry - 'top' - 'board', '{measured}', to_jsonb(geometry->'measured' ? 'posts'))`);
  }
}
