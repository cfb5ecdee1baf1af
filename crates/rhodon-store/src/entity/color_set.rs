//! A set of colours.

use sea_orm::entity::prelude::*;
use serde::{Deserialize, Serialize};

#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, DeriveEntityModel)]
#[sea_orm(table_name = "color_set")]
pub struct Model {
    #[sea_orm(primary_key, auto_increment = false)]
    pub id: Uuid,
    pub name: String,
    /// Words with spaces between them.
    pub words: String,
    pub note: String,
    pub owner: String,
    /// Names and codes, in order.
    #[sea_orm(column_type = "JsonBinary")]
    pub colors: Json,
    /// What the community calls it, where it is shared.
    pub shared_id: Option<String>,
    /// What withdraws it there.
    pub shared_key: Option<String>,
    pub created_at: DateTimeWithTimeZone,
}

#[derive(Copy, Clone, Debug, EnumIter, DeriveRelation)]
pub enum Relation {}

impl ActiveModelBehavior for ActiveModel {}
