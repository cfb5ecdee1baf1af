//! The schema, one dated file per change, oldest first.

use sea_orm_migration::prelude::*;

mod m20261124_000001_themes;
mod m20261125_000001_parents;
mod m20261126_000001_pictures;
mod m20261126_000002_sets;
mod m20261126_000003_pages;
mod m20261126_000004_ties;
mod m20261126_000005_revision_names;
mod m20261126_000006_sites;

pub(crate) struct Migrator;

impl MigratorTrait for Migrator {
    fn migrations() -> Vec<Box<dyn MigrationTrait>> {
        vec![
            Box::new(m20261124_000001_themes::Migration),
            Box::new(m20261125_000001_parents::Migration),
            Box::new(m20261126_000001_pictures::Migration),
            Box::new(m20261126_000002_sets::Migration),
            Box::new(m20261126_000003_pages::Migration),
            Box::new(m20261126_000004_ties::Migration),
            Box::new(m20261126_000005_revision_names::Migration),
            Box::new(m20261126_000006_sites::Migration),
        ]
    }
}

/// Runs statements as they stand.
async fn run(manager: &SchemaManager<'_>, sql: &str) -> Result<(), DbErr> {
    let done = manager.get_connection().execute_unprepared(sql).await;
    done.map(drop)
}
