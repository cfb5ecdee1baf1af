//! What is remembered of sites: which token each slot takes, which theme was registered under which
//! name, and what a site showed before.

use sea_orm_migration::prelude::*;

use super::run;

#[derive(DeriveMigrationName)]
pub(crate) struct Migration;

const UP: &str = r"
ALTER TABLE theme ADD COLUMN site_slots jsonb NOT NULL DEFAULT '{}';
CREATE TABLE site_theme (
  host text NOT NULL,
  name text NOT NULL,
  theme_id uuid REFERENCES theme ON DELETE SET NULL,
  PRIMARY KEY (host, name)
);
CREATE TABLE site_shown (
  host text NOT NULL,
  site text NOT NULL,
  theme text NOT NULL,
  until timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (host, site, theme)
);
";

const DOWN: &str = r"
DROP TABLE site_shown;
DROP TABLE site_theme;
ALTER TABLE theme DROP COLUMN site_slots;
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
