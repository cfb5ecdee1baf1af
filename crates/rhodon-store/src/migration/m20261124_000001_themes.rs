//! Themes and revisions.

use sea_orm_migration::prelude::*;
use sea_orm_migration::schema::{
    integer, integer_null, json_binary, pk_uuid, text, text_null, uuid,
};

#[derive(DeriveMigrationName)]
pub(crate) struct Migration;

#[derive(DeriveIden)]
enum Theme {
    Table,
    Id,
    Slug,
    Name,
    Parent,
    Current,
    CreatedAt,
    UpdatedAt,
    DeletedAt,
}

#[derive(DeriveIden)]
enum Revision {
    Table,
    Id,
    ThemeId,
    Number,
    Label,
    CameFrom,
    Spec,
    CreatedAt,
}

/// A time that PostgreSQL fills in.
fn now(column: impl IntoIden) -> ColumnDef {
    let mut def = ColumnDef::new(column);
    def.timestamp_with_time_zone()
        .not_null()
        .default(Expr::current_timestamp());
    def
}

#[async_trait::async_trait]
impl MigrationTrait for Migration {
    async fn up(&self, manager: &SchemaManager) -> Result<(), DbErr> {
        let themes = Table::create()
            .table(Theme::Table)
            .col(pk_uuid(Theme::Id))
            .col(text(Theme::Slug))
            .col(text(Theme::Name))
            .col(text_null(Theme::Parent))
            .col(integer(Theme::Current))
            .col(now(Theme::CreatedAt))
            .col(now(Theme::UpdatedAt))
            .col(ColumnDef::new(Theme::DeletedAt).timestamp_with_time_zone())
            .to_owned();
        manager.create_table(themes).await?;
        // A slug is free again once its theme is deleted.
        manager
            .get_connection()
            .execute_unprepared(
                "CREATE UNIQUE INDEX theme_slug_live ON theme (slug) WHERE deleted_at IS NULL",
            )
            .await?;
        let order = Index::create()
            .name("theme_updated_at")
            .table(Theme::Table)
            .col(Theme::UpdatedAt)
            .to_owned();
        manager.create_index(order).await?;

        let revisions = Table::create()
            .table(Revision::Table)
            .col(pk_uuid(Revision::Id))
            .col(uuid(Revision::ThemeId))
            .col(integer(Revision::Number))
            .col(text(Revision::Label))
            .col(integer_null(Revision::CameFrom))
            .col(json_binary(Revision::Spec))
            .col(now(Revision::CreatedAt))
            .foreign_key(
                ForeignKey::create()
                    .from(Revision::Table, Revision::ThemeId)
                    .to(Theme::Table, Theme::Id)
                    .on_delete(ForeignKeyAction::Cascade),
            )
            .to_owned();
        manager.create_table(revisions).await?;
        let unique = Index::create()
            .name("revision_theme_number")
            .table(Revision::Table)
            .col(Revision::ThemeId)
            .col(Revision::Number)
            .unique()
            .to_owned();
        manager.create_index(unique).await
    }

    async fn down(&self, manager: &SchemaManager) -> Result<(), DbErr> {
        manager
            .drop_table(Table::drop().table(Revision::Table).to_owned())
            .await?;
        manager
            .drop_table(Table::drop().table(Theme::Table).to_owned())
            .await
    }
}
