//! Pictures that colours were taken from.

use sea_orm::sea_query::{Expr, OnConflict};
use sea_orm::{
    ActiveValue::NotSet, ActiveValue::Set, ConnectionTrait, DbBackend, EntityTrait, Statement,
};

use crate::entity::picture;
use crate::error::{Result, StoreError};
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
    /// Keeps a picture; one that is there already stays as it is, as if it came now.
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
        // Whoever brings it again wants it from now on.
        let there = OnConflict::column(picture::Column::Id)
            .value(picture::Column::CreatedAt, Expr::current_timestamp())
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

    /// Removes pictures that came longer ago than some days and that no revision of any theme names.
    /// How many there were.
    ///
    /// # Errors
    /// The database failed.
    pub async fn clear_pictures(&self, days: i32) -> Result<u64> {
        let tx = self.pools.begin().await?;
        let statement = Statement::from_sql_and_values(DbBackend::Postgres, UNNAMED, [days.into()]);
        let done = tx.execute_raw(statement).await?;
        commit(tx).await?;
        Ok(done.rows_affected())
    }
}

/// What a document says a brand colour came from names the picture (`brand[*].from.picture`).
const UNNAMED: &str = "
DELETE FROM picture
WHERE created_at < now() - make_interval(days => $1)
AND id NOT IN (
    SELECT hash FROM (
        SELECT jsonb_path_query(spec::jsonb, '$.brand[*].from.picture') #>> '{}' AS hash FROM revision
    ) named WHERE hash IS NOT NULL
)";
