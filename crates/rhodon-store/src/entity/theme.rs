//! A theme: identity, and which revision is current.

use sea_orm::entity::prelude::*;
use serde::{Deserialize, Serialize};

#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, DeriveEntityModel)]
#[sea_orm(table_name = "theme")]
pub struct Model {
    #[sea_orm(primary_key, auto_increment = false)]
    pub id: Uuid,
    pub slug: String,
    pub name: String,
    /// Identity of the theme it extends.
    pub parent_id: Option<Uuid>,
    /// Number of the current revision.
    pub current: i32,
    pub created_at: DateTimeWithTimeZone,
    pub updated_at: DateTimeWithTimeZone,
    /// Set while the theme is deleted.
    pub deleted_at: Option<DateTimeWithTimeZone>,
    /// Which token each slot of a site takes, where somebody chose one.
    #[sea_orm(column_type = "JsonBinary")]
    #[serde(default = "no_slots")]
    pub site_slots: Json,
}

fn no_slots() -> Json {
    Json::Object(Default::default())
}

#[derive(Copy, Clone, Debug, EnumIter, DeriveRelation)]
pub enum Relation {
    #[sea_orm(has_many = "super::revision::Entity")]
    Revision,
}

impl Related<super::revision::Entity> for Entity {
    fn to() -> RelationDef {
        Relation::Revision.def()
    }
}

impl ActiveModelBehavior for ActiveModel {}
