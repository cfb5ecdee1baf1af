//! A theme that is one with a document in a folder.

use sea_orm::entity::prelude::*;

#[derive(Clone, Debug, PartialEq, Eq, DeriveEntityModel)]
#[sea_orm(table_name = "tie")]
pub struct Model {
    #[sea_orm(primary_key, auto_increment = false)]
    pub folder: String,
    #[sea_orm(primary_key, auto_increment = false)]
    pub theme_id: Uuid,
    /// Path of the document within the folder.
    pub path: String,
    /// The revision that was written or read last.
    pub revision: i32,
    /// Hash of the document as it was written or read last.
    pub document: String,
    /// Hash of the document that is being written.
    pub writing: String,
    /// Hashes of the targets' files as they were written last, by path.
    pub files: Json,
    /// Whether the files follow a change before it is saved.
    pub follows: bool,
    /// Whether files may hold a change that was not saved.
    pub drafting: bool,
    /// Whether the tie was cut by hand.
    pub cut: bool,
}

#[derive(Copy, Clone, Debug, EnumIter, DeriveRelation)]
pub enum Relation {}

impl ActiveModelBehavior for ActiveModel {}
