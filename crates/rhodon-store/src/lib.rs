//! Themes and their revisions in PostgreSQL.
//!
//! A theme row holds identity and the current revision; a revision row holds a whole spec.
//! Saving adds a revision, undo and redo move the current one: nothing is overwritten or
//! lost by editing, and deleting only marks.

mod backup;
mod entity;
mod error;
mod lineage;
mod live;
mod migration;
mod page;
mod picture;
mod pool;
mod record;
mod relatives;
mod row;
mod set;
mod site;
mod slug;
mod store;
mod tie;
mod write;

pub use backup::{BackupError, BackupReader, BackupWriter};
pub use error::StoreError;
pub use live::{Changes, Moved, News};
pub use page::{PageFile, PageRecord};
pub use picture::PictureRecord;
pub use record::{Relatives, RevisionRecord, Saved, ThemeRecord};
pub use set::{SetContent, SetOrder, SetPage, SetQuery, SetRecord, SharedAs};
pub use store::{Revisions, Save, Store};
pub use tie::Tie;
pub use write::Children;
