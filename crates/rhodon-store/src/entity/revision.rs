//! One saved state of a theme.

use sea_orm::entity::prelude::*;
use serde::{Deserialize, Serialize};

#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, DeriveEntityModel)]
#[sea_orm(table_name = "revision")]
pub struct Model {
    #[sea_orm(primary_key, auto_increment = false)]
    pub id: Uuid,
    pub theme_id: Uuid,
    /// 1, 2, 3 … within the theme.
    pub number: i32,
    /// What was changed, in words.
    pub label: String,
    /// What somebody calls it.
    #[serde(default)]
    pub name: Option<String>,
    /// Number of the revision it was made from.
    pub came_from: Option<i32>,
    /// Identity of the theme that this state extends.
    pub parent_id: Option<Uuid>,
    /// What kind of change it is, where such changes in a row are one.
    pub topic: Option<String>,
    /// A later change of the same topic stands in its place.
    pub replaced: bool,
    #[sea_orm(column_type = "JsonBinary")]
    pub spec: Json,
    pub created_at: DateTimeWithTimeZone,
}

#[derive(Copy, Clone, Debug, EnumIter, DeriveRelation)]
pub enum Relation {
    #[sea_orm(
        belongs_to = "super::theme::Entity",
        from = "Column::ThemeId",
        to = "super::theme::Column::Id"
    )]
    Theme,
}

impl Related<super::theme::Entity> for Entity {
    fn to() -> RelationDef {
        Relation::Theme.def()
    }
}

impl ActiveModelBehavior for ActiveModel {}
