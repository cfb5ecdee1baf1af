//! Sets of colours, found by word and by nearness.

use sea_orm_migration::prelude::*;

use super::run;

#[derive(DeriveMigrationName)]
pub(crate) struct Migration;

/// Colours stand a second time as points in Oklab, where nearness is distance: `cube` comes with
/// PostgreSQL itself and finds the nearest of any number of them by its index.
const UP: &str = r"
CREATE EXTENSION IF NOT EXISTS cube;
CREATE TABLE color_set (
  id uuid PRIMARY KEY,
  name text NOT NULL,
  words text NOT NULL,
  note text NOT NULL,
  owner text NOT NULL,
  colors jsonb NOT NULL,
  shared_id text,
  shared_key text,
  created_at timestamptz NOT NULL DEFAULT now(),
  found_by tsvector GENERATED ALWAYS AS (to_tsvector('simple', name || ' ' || words || ' ' || note)) STORED
);
CREATE INDEX color_set_found_by ON color_set USING gin (found_by);
CREATE INDEX color_set_owner ON color_set (lower(owner), created_at DESC);
CREATE INDEX color_set_newest ON color_set (created_at DESC, id);
CREATE TABLE color_set_point (
  set_id uuid NOT NULL REFERENCES color_set ON DELETE CASCADE,
  lab cube NOT NULL
);
CREATE INDEX color_set_point_set ON color_set_point (set_id);
CREATE INDEX color_set_point_lab ON color_set_point USING gist (lab);
";

const DOWN: &str = r"
DROP TABLE color_set_point;
DROP TABLE color_set;
";

#[async_trait::async_trait]
impl MigrationTrait for Migration {
    async fn up(&self, manager: &SchemaManager) -> Result<(), DbErr> {
        run(manager, UP).await
    }

    async fn down(&self, manager: &SchemaManager) -> Result<(), DbErr> {
        run(manager, DOWN).await
    }
}
