//! Themes that are one with a document in a project's folder: what was written there last, and of
//! which revision. A folder is known by its path.

use std::collections::BTreeMap;

use sea_orm::ActiveValue::Set;
use sea_orm::sea_query::OnConflict;
use sea_orm::{ColumnTrait, EntityTrait, QueryFilter, QueryOrder};
use uuid::Uuid;

use crate::entity::tie;
use crate::error::Result;
use crate::pool::commit;
use crate::record::Saved;
use crate::row::{live, standing};
use crate::store::Store;

/// Any number will do, as long as every server takes the same.
const FOLDER_LOCK: i64 = 0x5268_6f64_6f71;

/// A theme that is one with a document in a folder.
#[derive(Clone, Debug, Default, PartialEq, Eq)]
pub struct Tie {
    /// Identity of the theme.
    pub theme: Uuid,
    /// Path of the document within the folder.
    pub path: String,
    /// The revision that was written or read last.
    pub revision: i32,
    /// Hash of the document as it was written or read last.
    pub document: String,
    /// Hash of the document that is being written: whoever is stopped in the middle of it left this one,
    /// or the one before.
    pub writing: String,
    /// Hashes of the targets' files as they were written last, by path.
    pub files: BTreeMap<String, String>,
    /// Whether the files follow a change before it is saved.
    pub follows: bool,
    /// Whether files may hold something else than what was written last: a change that was not saved, or
    /// what somebody wrote who was stopped in the middle of it.
    pub drafting: bool,
    /// Whether the tie was cut by hand.
    pub cut: bool,
}

impl Store {
    /// Every tie of a folder, by path.
    ///
    /// # Errors
    /// The database failed.
    pub async fn ties(&self, folder: &str) -> Result<Vec<Tie>> {
        let rows = tie::Entity::find()
            .filter(tie::Column::Folder.eq(folder))
            .order_by_asc(tie::Column::Path)
            .all(&self.pools.reads)
            .await?;
        Ok(rows.into_iter().map(Tie::from).collect())
    }

    /// Remembers a tie, in the place of the one that the theme had to this folder.
    ///
    /// # Errors
    /// The theme is not there any more; the database failed.
    pub async fn keep_tie(&self, folder: &str, tie: &Tie) -> Result<()> {
        let row = tie::ActiveModel {
            folder: Set(folder.to_owned()),
            theme_id: Set(tie.theme),
            path: Set(tie.path.clone()),
            revision: Set(tie.revision),
            document: Set(tie.document.clone()),
            writing: Set(tie.writing.clone()),
            files: Set(serde_json::to_value(&tie.files).unwrap_or_default()),
            follows: Set(tie.follows),
            drafting: Set(tie.drafting),
            cut: Set(tie.cut),
        };
        let all = [
            tie::Column::Path,
            tie::Column::Revision,
            tie::Column::Document,
            tie::Column::Writing,
            tie::Column::Files,
            tie::Column::Follows,
            tie::Column::Drafting,
            tie::Column::Cut,
        ];
        let key = OnConflict::columns([tie::Column::Folder, tie::Column::ThemeId])
            .update_columns(all)
            .to_owned();
        let tx = self.pools.begin().await?;
        tie::Entity::insert(row)
            .on_conflict(key)
            .exec_without_returning(&tx)
            .await?;
        commit(tx).await
    }

    /// Does something with a folder while no other server does.
    ///
    /// # Errors
    /// The database failed, or another server is at it for too long.
    pub async fn alone_with_folder<T>(&self, doing: impl Future<Output = T>) -> Result<T> {
        let tx = self.pools.begin().await?;
        crate::pool::lock(&tx, FOLDER_LOCK).await?;
        let done = doing.await;
        commit(tx).await?;
        Ok(done)
    }

    /// A theme by its identity, with its current revision; none once it is deleted.
    ///
    /// # Errors
    /// The database failed.
    pub async fn by_identity(&self, id: Uuid) -> Result<Option<Saved>> {
        let db = &self.pools.reads;
        let found = crate::entity::theme::Entity::find_by_id(id).one(db).await?;
        match found.filter(|theme| theme.deleted_at.is_none()) {
            Some(theme) => Ok(Some(standing(db, theme).await?)),
            None => Ok(None),
        }
    }

    /// The identity of a theme.
    ///
    /// # Errors
    /// No theme has that slug.
    pub async fn identity(&self, slug: &str) -> Result<Uuid> {
        Ok(live(&self.pools.reads, slug).await?.id)
    }
}

impl From<tie::Model> for Tie {
    fn from(row: tie::Model) -> Self {
        Self {
            theme: row.theme_id,
            path: row.path,
            revision: row.revision,
            document: row.document,
            writing: row.writing,
            files: serde_json::from_value(row.files).unwrap_or_default(),
            follows: row.follows,
            drafting: row.drafting,
            cut: row.cut,
        }
    }
}
