//! A theme that a site showed until another took its place.

use sea_orm::entity::prelude::*;
use serde::{Deserialize, Serialize};

#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, DeriveEntityModel)]
#[sea_orm(table_name = "site_shown")]
pub struct Model {
    /// Address of the host.
    #[sea_orm(primary_key, auto_increment = false)]
    pub host: String,
    /// Name of the site in addresses.
    #[sea_orm(primary_key, auto_increment = false)]
    pub site: String,
    /// Name of the theme there.
    #[sea_orm(primary_key, auto_increment = false)]
    pub theme: String,
    pub until: DateTimeWithTimeZone,
}

#[derive(Copy, Clone, Debug, EnumIter, DeriveRelation)]
pub enum Relation {}

impl ActiveModelBehavior for ActiveModel {}
