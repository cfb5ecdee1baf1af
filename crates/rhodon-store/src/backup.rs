//! Everything that is kept, out and in again: themes with their revisions, pictures, sets, pages of
//! one's own, and what is remembered of sites. What ties a theme to a folder of one machine stays there.
//!
//! Rows come as JSON in which what is large stands beside it: a revision's document, a picture, a file.

use sea_orm::entity::prelude::Uuid;
use sea_orm::{
    AccessMode, ColumnTrait, ConnectionTrait, DatabaseTransaction, DbBackend, DbErr, EntityTrait,
    FromQueryResult, IntoActiveModel, IsolationLevel, PaginatorTrait, QueryFilter, QueryOrder,
    QuerySelect, Statement,
};
use serde::Serialize;
use serde::de::DeserializeOwned;
use serde_json::Value;

use crate::entity::{
    color_set, own_page, own_page_file, picture, revision, site_shown, site_theme, theme,
};
use crate::error::StoreError;
use crate::pool::commit;
use crate::store::Store;

/// Why a backup could not be read or written.
#[derive(Debug, thiserror::Error)]
pub enum BackupError {
    /// What comes back would stand among what is there.
    #[error(
        "the database holds {themes} themes, {sets} sets and {pictures} pictures already: expected an empty one"
    )]
    #[allow(missing_docs)]
    NotEmpty {
        themes: u64,
        sets: u64,
        pictures: u64,
    },
    /// A part is not what was written there.
    #[error("{place}: {cause}")]
    Part {
        /// Which part.
        place: String,
        /// What is wrong with it.
        cause: serde_json::Error,
    },
    /// The database failed.
    #[error(transparent)]
    Store(#[from] StoreError),
}

impl From<DbErr> for BackupError {
    fn from(error: DbErr) -> Self {
        Self::Store(error.into())
    }
}

type Result<T> = std::result::Result<T, BackupError>;

/// What was kept at one moment, whatever is saved meanwhile.
#[derive(Debug)]
pub struct BackupReader(DatabaseTransaction);

/// What comes back, as a whole or not at all.
#[derive(Debug)]
pub struct BackupWriter(DatabaseTransaction);

/// A point of a set's colour, as PostgreSQL writes it.
#[derive(FromQueryResult)]
struct Point {
    lab: String,
}

impl Store {
    /// Begins to read everything.
    ///
    /// # Errors
    /// The database failed.
    pub async fn read_backup(&self) -> Result<BackupReader> {
        let level = IsolationLevel::RepeatableRead;
        Ok(BackupReader(
            self.pools.begin_at(level, AccessMode::ReadOnly).await?,
        ))
    }

    /// Begins to write everything into an empty database.
    ///
    /// # Errors
    /// It is not empty, or it failed.
    pub async fn write_backup(&self) -> Result<BackupWriter> {
        let tx = self.pools.begin().await?;
        let themes = theme::Entity::find().count(&tx).await?;
        let sets = color_set::Entity::find().count(&tx).await?;
        let pictures = picture::Entity::find().count(&tx).await?;
        match themes + sets + pictures {
            0 => Ok(BackupWriter(tx)),
            _ => Err(BackupError::NotEmpty {
                themes,
                sets,
                pictures,
            }),
        }
    }
}

impl BackupReader {
    /// Themes, deleted ones too, in the order in which they were made.
    ///
    /// # Errors
    /// The database failed.
    pub async fn themes(&self) -> Result<Vec<Value>> {
        let all = theme::Entity::find().order_by_asc(theme::Column::Id);
        rows(all.all(&self.0).await?)
    }

    /// The revisions of a theme, the first one first, each with its document under `spec`.
    ///
    /// # Errors
    /// The database failed.
    pub async fn revisions(&self, theme: Uuid) -> Result<Vec<Value>> {
        let own = revision::Entity::find().filter(revision::Column::ThemeId.eq(theme));
        let own = own.order_by_asc(revision::Column::Number);
        rows(own.all(&self.0).await?)
    }

    /// Sets of colours, each with its points under `points`.
    ///
    /// # Errors
    /// The database failed.
    pub async fn sets(&self) -> Result<Vec<Value>> {
        let all = color_set::Entity::find().order_by_asc(color_set::Column::Id);
        let mut out = Vec::new();
        for set in all.all(&self.0).await? {
            let sql = "SELECT lab::text AS lab FROM color_set_point WHERE set_id = $1";
            let asked = Statement::from_sql_and_values(DbBackend::Postgres, sql, [set.id.into()]);
            let points = Point::find_by_statement(asked).all(&self.0).await?;
            let points: Vec<String> = points.into_iter().map(|p| p.lab).collect();
            let mut row = row(&set)?;
            row["points"] = points.into();
            out.push(row);
        }
        Ok(out)
    }

    /// Ids of the pictures that colours were taken from.
    ///
    /// # Errors
    /// The database failed.
    pub async fn pictures(&self) -> Result<Vec<String>> {
        let ids = picture::Entity::find()
            .select_only()
            .column(picture::Column::Id);
        let ids = ids.order_by_asc(picture::Column::Id).into_tuple();
        Ok(ids.all(&self.0).await?)
    }

    /// A picture: what is known of it, and itself.
    ///
    /// # Errors
    /// The database failed.
    pub async fn picture(&self, id: &str) -> Result<(Value, Vec<u8>)> {
        let found = picture::Entity::find_by_id(id).one(&self.0).await?;
        let found = found.ok_or_else(|| StoreError::NoPicture(id.to_owned()))?;
        Ok((row(&found)?, found.webp))
    }

    /// Themes that were registered with hosts of sites, and those that sites showed before.
    ///
    /// # Errors
    /// The database failed.
    pub async fn sites(&self) -> Result<[Vec<Value>; 2]> {
        let themes = site_theme::Entity::find()
            .order_by_asc(site_theme::Column::Host)
            .order_by_asc(site_theme::Column::Name);
        let shown = site_shown::Entity::find().order_by_asc(site_shown::Column::Until);
        Ok([
            rows(themes.all(&self.0).await?)?,
            rows(shown.all(&self.0).await?)?,
        ])
    }

    /// Pages of one's own.
    ///
    /// # Errors
    /// The database failed.
    pub async fn pages(&self) -> Result<Vec<Value>> {
        let all = own_page::Entity::find().order_by_asc(own_page::Column::Id);
        rows(all.all(&self.0).await?)
    }

    /// The files of such a page, by path.
    ///
    /// # Errors
    /// The database failed.
    pub async fn page_files(&self, page: Uuid) -> Result<Vec<(String, Vec<u8>)>> {
        let own = own_page_file::Entity::find().filter(own_page_file::Column::PageId.eq(page));
        let files = own
            .order_by_asc(own_page_file::Column::Path)
            .all(&self.0)
            .await?;
        Ok(files.into_iter().map(|f| (f.path, f.bytes)).collect())
    }
}

impl BackupWriter {
    /// A theme.
    ///
    /// # Errors
    /// It is not what was written, or the database failed.
    pub async fn theme(&self, value: Value) -> Result<()> {
        self.insert::<theme::Entity>(read("a theme", value)?).await
    }

    /// A revision with its document under `spec`.
    ///
    /// # Errors
    /// See [`BackupWriter::theme`].
    pub async fn revision(&self, value: Value) -> Result<()> {
        self.insert::<revision::Entity>(read("a revision", value)?)
            .await
    }

    /// A set of colours with its points under `points`.
    ///
    /// # Errors
    /// See [`BackupWriter::theme`].
    pub async fn set(&self, mut value: Value) -> Result<()> {
        let points = value.as_object_mut().and_then(|set| set.remove("points"));
        let points: Vec<String> = read("the points of a set", points.unwrap_or_default())?;
        let set: color_set::Model = read("a set", value)?;
        let id = set.id;
        self.insert::<color_set::Entity>(set).await?;
        for point in points {
            let sql = "INSERT INTO color_set_point (set_id, lab) VALUES ($1, $2::cube)";
            let values = [id.into(), point.into()];
            let statement = Statement::from_sql_and_values(DbBackend::Postgres, sql, values);
            self.0.execute_raw(statement).await?;
        }
        Ok(())
    }

    /// A picture.
    ///
    /// # Errors
    /// See [`BackupWriter::theme`].
    pub async fn picture(&self, value: Value, webp: Vec<u8>) -> Result<()> {
        let picture: picture::Model = read("a picture", value)?;
        self.insert::<picture::Entity>(picture::Model { webp, ..picture })
            .await
    }

    /// A theme that was registered with a host of sites.
    ///
    /// # Errors
    /// See [`BackupWriter::theme`].
    pub async fn site_theme(&self, value: Value) -> Result<()> {
        let row = read("a registered theme", value)?;
        self.insert::<site_theme::Entity>(row).await
    }

    /// A theme that a site showed before.
    ///
    /// # Errors
    /// See [`BackupWriter::theme`].
    pub async fn site_shown(&self, value: Value) -> Result<()> {
        let row = read("what a site showed", value)?;
        self.insert::<site_shown::Entity>(row).await
    }

    /// A page of one's own.
    ///
    /// # Errors
    /// See [`BackupWriter::theme`].
    pub async fn page(&self, value: Value) -> Result<()> {
        self.insert::<own_page::Entity>(read("a page", value)?)
            .await
    }

    /// A file of such a page.
    ///
    /// # Errors
    /// The database failed.
    pub async fn page_file(&self, page_id: Uuid, path: String, bytes: Vec<u8>) -> Result<()> {
        let file = own_page_file::Model {
            page_id,
            path,
            bytes,
        };
        self.insert::<own_page_file::Entity>(file).await
    }

    /// Keeps all of it.
    ///
    /// # Errors
    /// The database failed, and nothing is kept.
    pub async fn finish(self) -> Result<()> {
        Ok(commit(self.0).await?)
    }

    async fn insert<E>(&self, model: E::Model) -> Result<()>
    where
        E: EntityTrait,
        E::Model: IntoActiveModel<E::ActiveModel>,
    {
        E::insert(model.into_active_model())
            .exec_without_returning(&self.0)
            .await?;
        Ok(())
    }
}

fn rows<T: Serialize>(models: Vec<T>) -> Result<Vec<Value>> {
    models.iter().map(row).collect()
}

fn row(model: &impl Serialize) -> Result<Value> {
    serde_json::to_value(model).map_err(|cause| BackupError::Part {
        place: "a row of the database".to_owned(),
        cause,
    })
}

fn read<T: DeserializeOwned>(place: &str, value: Value) -> Result<T> {
    serde_json::from_value(value).map_err(|cause| BackupError::Part {
        place: place.to_owned(),
        cause,
    })
}
