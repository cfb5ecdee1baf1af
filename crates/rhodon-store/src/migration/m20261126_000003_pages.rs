//! A page of one's own beside each theme.

use sea_orm_migration::prelude::*;

use super::run;

#[derive(DeriveMigrationName)]
pub(crate) struct Migration;

const UP: &str = r"
CREATE TABLE own_page (
  id uuid PRIMARY KEY,
  theme_id uuid NOT NULL UNIQUE REFERENCES theme ON DELETE CASCADE,
  entry text NOT NULL,
  created_at timestamptz NOT NULL DEFAULT now()
);
CREATE TABLE own_page_file (
  page_id uuid NOT NULL REFERENCES own_page ON DELETE CASCADE,
  path text NOT NULL,
  bytes bytea NOT NULL,
  PRIMARY KEY (page_id, path)
);
";

const DOWN: &str = r"
DROP TABLE own_page_file;
DROP TABLE own_page;
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
