//! A theme that was registered with a host of sites.

use sea_orm::entity::prelude::*;
use serde::{Deserialize, Serialize};

#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, DeriveEntityModel)]
#[sea_orm(table_name = "site_theme")]
pub struct Model {
    /// Address of the host.
    #[sea_orm(primary_key, auto_increment = false)]
    pub host: String,
    /// The name that it has there.
    #[sea_orm(primary_key, auto_increment = false)]
    pub name: String,
    /// None once the theme is deleted for good.
    pub theme_id: Option<Uuid>,
}

#[derive(Copy, Clone, Debug, EnumIter, DeriveRelation)]
pub enum Relation {}

impl ActiveModelBehavior for ActiveModel {}
