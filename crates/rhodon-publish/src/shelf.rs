//! Where published files lie.

use std::fmt;
use std::path::Path as FilePath;
use std::sync::Arc;

use bytes::Bytes;
use object_store::aws::AmazonS3Builder;
use object_store::local::LocalFileSystem;
use object_store::memory::InMemory;
use object_store::path::Path;
use object_store::prefix::PrefixStore;
use object_store::{Error, ObjectStore, PutMode, PutOptions, PutPayload};
use serde::{Deserialize, Serialize};
use url::Url;

/// Hex digits of the content's hash in a name.
const DIGITS: usize = 16;

/// A file that was published.
#[derive(Clone, Debug, PartialEq, Eq, Serialize)]
pub struct Published {
    /// Its name: the theme's, and the hash of its content.
    pub file: String,
    /// Its size.
    pub bytes: usize,
    /// Whether it was not there before.
    pub new: bool,
}

/// One line of an index.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize)]
pub struct Entry {
    /// Name of the file.
    pub file: String,
    /// Number of the saved revision, where there was one.
    #[serde(skip_serializing_if = "Option::is_none", default)]
    pub revision: Option<i32>,
}

/// Which file of a theme is current, and which there were.
#[derive(Clone, Debug, Default, PartialEq, Eq, Serialize, Deserialize)]
pub struct Index {
    /// The file that is current; none once the theme is withdrawn.
    pub current: Option<String>,
    /// Every file, the first published first.
    pub files: Vec<Entry>,
}

/// Why something could not be published or read.
#[derive(Debug, thiserror::Error)]
pub enum ShelfError {
    /// The place is none.
    #[error("{place}: expected a folder, or an address such as s3://bucket/folder: {cause}")]
    Place {
        /// As it was given.
        place: String,
        /// Why not.
        cause: String,
    },
    /// The storage refuses or does not answer.
    #[error("the published files cannot be reached: {0}")]
    Storage(String),
    /// A name that no published file has.
    #[error("no published file is called {0:?}")]
    Missing(String),
    /// An index that cannot be read.
    #[error("the index {file} is damaged: {cause}")]
    Damaged {
        /// Its name.
        file: String,
        /// What is wrong with it.
        cause: String,
    },
}

impl From<Error> for ShelfError {
    fn from(error: Error) -> Self {
        Self::Storage(error.to_string())
    }
}

/// A folder or a bucket of published files. Cheap to clone.
#[derive(Clone)]
pub struct Shelf {
    store: Arc<dyn ObjectStore>,
    place: String,
}

impl fmt::Debug for Shelf {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        f.debug_struct("Shelf").field("place", &self.place).finish()
    }
}

impl fmt::Display for Shelf {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        f.write_str(&self.place)
    }
}

impl Shelf {
    /// A folder, which is made where it is not there, or `s3://bucket/folder`. Keys, region and
    /// endpoint of the latter are those of the usual `AWS_…` variables.
    ///
    /// # Errors
    /// A place that is none.
    pub fn at(place: &str) -> Result<Self, ShelfError> {
        let wrong = |cause: &dyn fmt::Display| ShelfError::Place {
            place: place.to_owned(),
            cause: cause.to_string(),
        };
        let store: Arc<dyn ObjectStore> = match Url::parse(place) {
            Ok(url) if url.scheme() == "s3" => {
                let bucket = AmazonS3Builder::from_env().with_url(place).build();
                let folder = Path::parse(url.path().trim_start_matches('/'));
                let folder = folder.map_err(|e| wrong(&e))?;
                Arc::new(PrefixStore::new(bucket.map_err(|e| wrong(&e))?, folder))
            }
            Ok(url) if url.scheme().len() > 1 => {
                return Err(wrong(&format!("nothing is known of {}", url.scheme())));
            }
            _ => {
                let folder = FilePath::new(place);
                std::fs::create_dir_all(folder).map_err(|e| wrong(&e))?;
                let store = LocalFileSystem::new_with_prefix(folder).map_err(|e| wrong(&e))?;
                Arc::new(store.with_automatic_cleanup(false))
            }
        };
        Ok(Self {
            store,
            place: place.to_owned(),
        })
    }

    /// A shelf that is forgotten with the process.
    pub fn in_memory() -> Self {
        Self {
            store: Arc::new(InMemory::new()),
            place: "memory".to_owned(),
        }
    }

    /// Publishes a style sheet under a theme's slug. The same content is the same file, however often
    /// it is published.
    ///
    /// # Errors
    /// The storage refuses, or the index is damaged; then nothing that was current changes.
    pub async fn publish(
        &self,
        slug: &str,
        text: &str,
        revision: Option<i32>,
    ) -> Result<Published, ShelfError> {
        let hash = blake3::hash(text.as_bytes()).to_hex();
        let file = format!("{slug}-{}.css", &hash[..DIGITS]);
        let mut index = self.index(slug).await?;
        let options = PutOptions::from(PutMode::Create);
        let payload = PutPayload::from(text.as_bytes().to_vec());
        let put = self.store.put_opts(&name(&file)?, payload, options).await;
        let new = match put {
            Ok(_) => true,
            Err(Error::AlreadyExists { .. }) => false,
            Err(error) => return Err(error.into()),
        };
        if !index.files.iter().any(|entry| entry.file == file) {
            index.files.push(Entry {
                file: file.clone(),
                revision,
            });
        }
        index.current = Some(file.clone());
        self.write_index(slug, &index).await?;
        Ok(Published {
            file,
            bytes: text.len(),
            new,
        })
    }

    /// Says that no file of a theme is current any more. The files stay: somebody may load them.
    ///
    /// # Errors
    /// As [`Shelf::publish`].
    pub async fn withdraw(&self, slug: &str) -> Result<Index, ShelfError> {
        let mut index = self.index(slug).await?;
        index.current = None;
        self.write_index(slug, &index).await?;
        Ok(index)
    }

    /// The index of a theme; an empty one where nothing was published.
    ///
    /// # Errors
    /// The storage does not answer, or the index is damaged.
    pub async fn index(&self, slug: &str) -> Result<Index, ShelfError> {
        let file = format!("{slug}.json");
        match self.store.get(&name(&file)?).await {
            Ok(found) => {
                let bytes = found.bytes().await?;
                serde_json::from_slice(&bytes).map_err(|cause| ShelfError::Damaged {
                    file,
                    cause: cause.to_string(),
                })
            }
            Err(Error::NotFound { .. }) => Ok(Index::default()),
            Err(error) => Err(error.into()),
        }
    }

    async fn write_index(&self, slug: &str, index: &Index) -> Result<(), ShelfError> {
        let file = format!("{slug}.json");
        let text = serde_json::to_string_pretty(index).unwrap_or_default();
        let payload = PutPayload::from(format!("{text}\n").into_bytes());
        self.store.put(&name(&file)?, payload).await?;
        Ok(())
    }

    /// The bytes of a published file or an index.
    ///
    /// # Errors
    /// There is none of that name.
    pub async fn read(&self, file: &str) -> Result<Bytes, ShelfError> {
        match self.store.get(&name(file)?).await {
            Ok(found) => Ok(found.bytes().await?),
            Err(Error::NotFound { .. }) => Err(ShelfError::Missing(file.to_owned())),
            Err(error) => Err(error.into()),
        }
    }
}

/// A name on the shelf: one part, which leads nowhere else.
fn name(file: &str) -> Result<Path, ShelfError> {
    let plain = |b: u8| b.is_ascii_alphanumeric() || b"-._".contains(&b);
    let is_name = !file.is_empty() && !file.starts_with('.') && file.bytes().all(plain);
    match is_name {
        true => Ok(Path::from(file)),
        false => Err(ShelfError::Missing(file.to_owned())),
    }
}
