//! Pictures that colours were taken from.

use sea_orm::sea_query::OnConflict;
use sea_orm::{ActiveValue::NotSet, ActiveValue::Set, EntityTrait};

use crate::entity::picture;
use crate::error::Result;
use crate::error::StoreError;
use crate::pool::commit;
use crate::store::Store;

/// A picture as it is kept: small, without metadata.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct PictureRecord {
    /// Hash of what is kept, in hexadecimal digits.
    pub id: String,
    /// Width as it came, in pixels.
    pub width: u32,
    /// Height as it came, in pixels.
    pub height: u32,
    /// Codes that are written in it, in the order of the file.
    pub written: Vec<String>,
    /// The picture itself.
    pub webp: Vec<u8>,
}

impl Store {
    /// Keeps a picture; one that is there already stays as it is.
    ///
    /// # Errors
    /// The database failed.
    pub async fn keep_picture(&self, record: PictureRecord) -> Result<()> {
        let row = picture::ActiveModel {
            id: Set(record.id),
            width: Set(record.width.try_into().unwrap_or(i32::MAX)),
            height: Set(record.height.try_into().unwrap_or(i32::MAX)),
            written: Set(record.written.into()),
            webp: Set(record.webp),
            created_at: NotSet,
        };
        let there = OnConflict::column(picture::Column::Id)
            .do_nothing()
            .to_owned();
        let tx = self.pools.begin().await?;
        picture::Entity::insert(row)
            .on_conflict(there)
            .exec_without_returning(&tx)
            .await?;
        commit(tx).await
    }

    /// A picture that is kept.
    ///
    /// # Errors
    /// No picture has that id.
    pub async fn picture(&self, id: &str) -> Result<PictureRecord> {
        let missing = || StoreError::NoPicture(id.replace('\0', "\u{fffd}"));
        if id.contains('\0') {
            return Err(missing());
        }
        let found = picture::Entity::find_by_id(id)
            .one(&self.pools.reads)
            .await?;
        let row = found.ok_or_else(missing)?;
        let written = serde_json::from_value(row.written).unwrap_or_default();
        Ok(PictureRecord {
            id: row.id,
            width: row.width.try_into().unwrap_or_default(),
            height: row.height.try_into().unwrap_or_default(),
            written,
            webp: row.webp,
        })
    }
}
