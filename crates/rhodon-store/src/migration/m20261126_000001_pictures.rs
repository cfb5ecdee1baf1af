//! Pictures that colours were taken from, small, by the hash of what is kept.

use sea_orm_migration::prelude::*;

use super::run;

#[derive(DeriveMigrationName)]
pub(crate) struct Migration;

const UP: &str = r"
CREATE TABLE picture (
  id text PRIMARY KEY,
  width integer NOT NULL,
  height integer NOT NULL,
  written jsonb NOT NULL,
  webp bytea NOT NULL,
  created_at timestamptz NOT NULL DEFAULT now()
);
";

const DOWN: &str = "DROP TABLE picture;";

#[async_trait::async_trait]
impl MigrationTrait for Migration {
    async fn up(&self, manager: &SchemaManager) -> Result<(), DbErr> {
        run(manager, UP).await
    }

    async fn down(&self, manager: &SchemaManager) -> Result<(), DbErr> {
        run(manager, DOWN).await
    }
}
