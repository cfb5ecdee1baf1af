//! Parents by identity, of every revision and of every theme; topics of revisions.

use sea_orm_migration::prelude::*;

use super::run;

#[derive(DeriveMigrationName)]
pub(crate) struct Migration;

/// A revision's parent is the theme that had the named slug when this migration ran.
const UP: &str = r"
ALTER TABLE theme ADD COLUMN parent_id uuid;
ALTER TABLE revision ADD COLUMN parent_id uuid;
UPDATE theme child SET parent_id = parent.id
  FROM theme parent WHERE parent.slug = child.parent AND parent.deleted_at IS NULL;
UPDATE revision SET parent_id = parent.id
  FROM theme parent WHERE parent.slug = revision.spec->>'extends' AND parent.deleted_at IS NULL;
ALTER TABLE theme DROP COLUMN parent;
CREATE INDEX theme_parent ON theme (parent_id);
ALTER TABLE revision ADD COLUMN topic text;
ALTER TABLE revision ADD COLUMN replaced boolean NOT NULL DEFAULT false;
";

const DOWN: &str = r"
ALTER TABLE theme ADD COLUMN parent text;
UPDATE theme child SET parent = parent.slug FROM theme parent WHERE parent.id = child.parent_id;
DROP INDEX theme_parent;
ALTER TABLE theme DROP COLUMN parent_id;
ALTER TABLE revision DROP COLUMN parent_id;
ALTER TABLE revision DROP COLUMN topic;
ALTER TABLE revision DROP COLUMN replaced;
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
