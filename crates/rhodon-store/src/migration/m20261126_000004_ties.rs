//! Themes that are one with a document in a project's folder.

use sea_orm_migration::prelude::*;

use super::run;

#[derive(DeriveMigrationName)]
pub(crate) struct Migration;

const UP: &str = r"
CREATE TABLE tie (
  folder text NOT NULL,
  theme_id uuid NOT NULL REFERENCES theme ON DELETE CASCADE,
  path text NOT NULL,
  revision integer NOT NULL,
  document text NOT NULL,
  writing text NOT NULL,
  files jsonb NOT NULL,
  follows boolean NOT NULL DEFAULT false,
  drafting boolean NOT NULL DEFAULT false,
  cut boolean NOT NULL DEFAULT false,
  PRIMARY KEY (folder, theme_id)
);
";

const DOWN: &str = r"
DROP TABLE tie;
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
