//! A file of a page of one's own.

use sea_orm::entity::prelude::*;
use serde::{Deserialize, Serialize};

#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, DeriveEntityModel)]
#[sea_orm(table_name = "own_page_file")]
pub struct Model {
    #[sea_orm(primary_key, auto_increment = false)]
    pub page_id: Uuid,
    #[sea_orm(primary_key, auto_increment = false)]
    pub path: String,
    #[serde(skip)]
    pub bytes: Vec<u8>,
}

#[derive(Copy, Clone, Debug, EnumIter, DeriveRelation)]
pub enum Relation {}

impl ActiveModelBehavior for ActiveModel {}
