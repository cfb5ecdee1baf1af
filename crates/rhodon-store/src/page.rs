//! A page of one's own beside a theme: its files as they came.

use sea_orm::ActiveValue::{NotSet, Set};
use sea_orm::{ActiveModelTrait, ColumnTrait, EntityTrait, QueryFilter, QueryOrder};
use uuid::Uuid;

use crate::entity::{own_page, own_page_file};
use crate::error::Result;
use crate::error::StoreError;
use crate::pool::commit;
use crate::row::live;
use crate::store::Store;

/// A file of a page.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct PageFile {
    /// Its path within the page.
    pub path: String,
    /// Its bytes.
    pub bytes: Vec<u8>,
}

/// A page that is kept.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct PageRecord {
    /// Identity: another page is another one.
    pub id: Uuid,
    /// Path of the file that is shown.
    pub entry: String,
    /// Its files, by path.
    pub files: Vec<PageFile>,
}

impl Store {
    /// Keeps a page beside a theme, in the place of the one that was there.
    ///
    /// # Errors
    /// No theme has that slug.
    pub async fn keep_page(&self, slug: &str, entry: &str, files: Vec<PageFile>) -> Result<Uuid> {
        let theme = live(&self.pools.reads, slug).await?;
        let tx = self.pools.begin().await?;
        let of_theme = own_page::Column::ThemeId.eq(theme.id);
        own_page::Entity::delete_many()
            .filter(of_theme)
            .exec(&tx)
            .await?;
        let id = Uuid::new_v4();
        let page = own_page::ActiveModel {
            id: Set(id),
            theme_id: Set(theme.id),
            entry: Set(entry.to_owned()),
            created_at: NotSet,
        };
        page.insert(&tx).await?;
        for file in files {
            let row = own_page_file::ActiveModel {
                page_id: Set(id),
                path: Set(file.path),
                bytes: Set(file.bytes),
            };
            own_page_file::Entity::insert(row)
                .exec_without_returning(&tx)
                .await?;
        }
        commit(tx).await?;
        Ok(id)
    }

    /// The page beside a theme, with its files.
    ///
    /// # Errors
    /// No theme has that slug, or it has no page.
    pub async fn page_of(&self, slug: &str) -> Result<PageRecord> {
        let theme = live(&self.pools.reads, slug).await?;
        let of_theme = own_page::Column::ThemeId.eq(theme.id);
        let found = own_page::Entity::find().filter(of_theme);
        let found = found.one(&self.pools.reads).await?;
        let missing = || StoreError::NoPage(slug.to_owned());
        self.with_files(found.ok_or_else(missing)?).await
    }

    /// A page by its identity, with its files.
    ///
    /// # Errors
    /// There is none.
    pub async fn page(&self, id: Uuid) -> Result<PageRecord> {
        let found = own_page::Entity::find_by_id(id);
        let found = found.one(&self.pools.reads).await?;
        let missing = || StoreError::NoPage(id.to_string());
        self.with_files(found.ok_or_else(missing)?).await
    }

    async fn with_files(&self, page: own_page::Model) -> Result<PageRecord> {
        let of_page = own_page_file::Column::PageId.eq(page.id);
        let files = own_page_file::Entity::find()
            .filter(of_page)
            .order_by_asc(own_page_file::Column::Path)
            .all(&self.pools.reads)
            .await?;
        let file = |row: own_page_file::Model| PageFile {
            path: row.path,
            bytes: row.bytes,
        };
        Ok(PageRecord {
            id: page.id,
            entry: page.entry,
            files: files.into_iter().map(file).collect(),
        })
    }

    /// Removes the page of a theme.
    ///
    /// # Errors
    /// No theme has that slug, or it has no page.
    pub async fn remove_page(&self, slug: &str) -> Result<()> {
        let theme = live(&self.pools.reads, slug).await?;
        let tx = self.pools.begin().await?;
        let of_theme = own_page::Column::ThemeId.eq(theme.id);
        let gone = own_page::Entity::delete_many().filter(of_theme);
        if gone.exec(&tx).await?.rows_affected == 0 {
            return Err(StoreError::NoPage(slug.to_owned()));
        }
        commit(tx).await
    }
}
