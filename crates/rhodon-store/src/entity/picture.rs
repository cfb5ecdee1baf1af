//! A picture that colours were taken from.

use sea_orm::entity::prelude::*;
use serde::{Deserialize, Serialize};

#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, DeriveEntityModel)]
#[sea_orm(table_name = "picture")]
pub struct Model {
    /// Hash of what is kept.
    #[sea_orm(primary_key, auto_increment = false)]
    pub id: String,
    /// Width as it came, in pixels.
    pub width: i32,
    /// Height as it came, in pixels.
    pub height: i32,
    /// Codes that are written in it.
    #[sea_orm(column_type = "JsonBinary")]
    pub written: Json,
    #[serde(skip)]
    pub webp: Vec<u8>,
    pub created_at: DateTimeWithTimeZone,
}

#[derive(Copy, Clone, Debug, EnumIter, DeriveRelation)]
pub enum Relation {}

impl ActiveModelBehavior for ActiveModel {}
