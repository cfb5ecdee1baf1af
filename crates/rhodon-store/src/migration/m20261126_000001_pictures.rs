//! Pictures that colours were taken from, small, by the hash of what is kept.

use sea_orm_migration::prelude::*;

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
        manager
            .get_connection()
            .execute_unprepared(UP)
            .await
            .map(drop)
    }

    async fn down(&self, manager: &SchemaManager) -> Result<(), DbErr> {
        manager
            .get_connection()
            .execute_unprepared(DOWN)
            .await
            .map(drop)
    }
}
