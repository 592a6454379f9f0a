import type { MigrationInterface, QueryRunner } from 'typeorm';

const UP = [
  `CREATE TABLE "string_line" (
    "id" character varying(100) NOT NULL,
    "name" character varying(80) NOT NULL,
    "family" character varying(16) NOT NULL,
    CONSTRAINT "PK_e17bd1119ed64516d9ce01b917a" PRIMARY KEY ("id")
  )`,
  `CREATE TABLE "stock_item" (
    "kind" character varying(8) NOT NULL,
    "item_id" character varying(100) NOT NULL,
    "reorder_at" integer NOT NULL,
    "reorder_to" integer NOT NULL,
    "shelf" character varying(60) NOT NULL,
    CONSTRAINT "PK_8dcd1e05be355f6dbf220e44835" PRIMARY KEY ("kind", "item_id")
  )`,
  `CREATE TABLE "stock_movement" (
    "id" uuid NOT NULL,
    "kind" character varying(8) NOT NULL,
    "item_id" character varying(100) NOT NULL,
    "what" character varying(16) NOT NULL,
    "amount" integer NOT NULL,
    "at" TIMESTAMP WITH TIME ZONE NOT NULL,
    CONSTRAINT "PK_9fe1232f916686ae8cf00294749" PRIMARY KEY ("id")
  )`,
  `CREATE INDEX "stock_movement_by_item" ON "stock_movement" ("kind", "item_id", "at")`,
  `CREATE TABLE "stock_use" (
    "id" uuid NOT NULL,
    "job_id" uuid NOT NULL,
    "kind" character varying(8) NOT NULL,
    "item_id" character varying(100) NOT NULL,
    "state" character varying(16) NOT NULL,
    "string" smallint,
    "why" character varying(32),
    "at" TIMESTAMP WITH TIME ZONE NOT NULL,
    CONSTRAINT "PK_1424525df0f9100cd1dd726ef4e" PRIMARY KEY ("id")
  )`,
  `CREATE INDEX "stock_use_by_job" ON "stock_use" ("job_id")`,
  `CREATE TABLE "supply_order" (
    "id" uuid NOT NULL,
    "supplier" character varying(80) NOT NULL,
    "reference" character varying(80) NOT NULL,
    "placed_at" TIMESTAMP WITH TIME ZONE NOT NULL,
    "promised_at" TIMESTAMP WITH TIME ZONE NOT NULL,
    "delivered_at" TIMESTAMP WITH TIME ZONE,
    "lines" jsonb NOT NULL,
    CONSTRAINT "PK_500d41a4c838cf1d581f5941533" PRIMARY KEY ("id")
  )`,
  `CREATE TABLE "string" (
    "id" character varying(100) NOT NULL,
    "line_id" character varying(100) NOT NULL,
    "family" character varying(16) NOT NULL,
    "construction" character varying(16) NOT NULL,
    "gauge_mm" double precision NOT NULL,
    "wrap" character varying(32),
    "finish" character varying(16),
    "layers" smallint,
    "silk" boolean NOT NULL,
    "core_shape" character varying(16),
    "core_mm" double precision,
    "string_end" character varying(16) NOT NULL,
    "coating" character varying(16) NOT NULL,
    "mark" character varying(16),
    "weighed_mass_g" double precision,
    "weighed_length_mm" double precision,
    "version" integer NOT NULL,
    CONSTRAINT "PK_0ee5c9167f17fee2738ae435d0c" PRIMARY KEY ("id")
  )`,
  `CREATE TABLE "string_set" (
    "id" character varying(100) NOT NULL,
    "line_id" character varying(100),
    "name" character varying(80) NOT NULL,
    "family" character varying(16) NOT NULL,
    "string_ids" jsonb NOT NULL,
    "version" integer NOT NULL,
    CONSTRAINT "PK_928669e6f8eccce78e00c2ce5bb" PRIMARY KEY ("id")
  )`,
  `CREATE TABLE "tuning" (
    "id" character varying(100) NOT NULL,
    "name" character varying(80) NOT NULL,
    "families" jsonb NOT NULL,
    "notes" jsonb NOT NULL,
    CONSTRAINT "PK_62046e0dd45d7774ef0f78020c5" PRIMARY KEY ("id")
  )`,
  `ALTER TABLE "string" ADD CONSTRAINT "FK_e17bd1119ed64516d9ce01b917a" FOREIGN KEY ("line_id") REFERENCES "string_line"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "string_set" ADD CONSTRAINT "FK_447cb2088339c7cb1303977ee6f" FOREIGN KEY ("line_id") REFERENCES "string_line"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
];

/** The strings table with its lines, sets and tunings; the shelf, what jobs take from it, and orders. */
export class StringsAndStock1764100000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(
      `DROP TABLE "string", "string_set", "string_line", "tuning", "stock_item", "stock_movement", "stock_use", "supply_order"`,
    );
  }
}
