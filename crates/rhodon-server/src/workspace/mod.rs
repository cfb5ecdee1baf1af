//! A project's own folder: themes that are one with a document there. A saved revision writes the
//! document and the files of its targets, a document that changed on disk becomes a revision, and
//! where both changed somebody chooses.
//!
//! [`folder`] reaches the disk, [`step`] decides, [`targets`] writes what the document hands over,
//! [`sync`] does it theme by theme. The state that is shown lives here.

mod folder;
mod step;
mod sync;
mod targets;

use std::collections::{BTreeMap, BTreeSet};
use std::io;
use std::path::Path;
use std::sync::{Arc, Mutex, MutexGuard, PoisonError};
use std::time::Duration;

use notify::{RecursiveMode, Watcher};
use rhodon_store::{Saved, Tie};
use rhodon_theme::{Diff, Document, diff};
use serde::Serialize;
use tokio::sync::Notify;
use tokio::time::Instant;
use utoipa::ToSchema;
use uuid::Uuid;

use crate::bench::{Bench, derived};
use crate::error::ApiError;
use crate::live::Live;
use folder::{ENDING, Folder};
use sync::{Found, Sync, parsed};

/// Programs save in several steps: what follows within this time is one change.
const STEPS: Duration = Duration::from_millis(40);
/// How long a look waits for the next one where nothing tells of a change.
const REST: Duration = Duration::from_secs(5);
/// How long a change that is not saved is under way, after it last moved.
const RECENT: Duration = Duration::from_secs(2);
/// The least time from one draft on disk to the next.
const PACE: Duration = Duration::from_millis(100);

/// How a theme and its document stand.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, ToSchema)]
#[serde(rename_all = "kebab-case")]
pub(crate) enum State {
    /// Both say the same, and so do the files.
    InStep,
    /// Both changed.
    Clash,
    /// The document cannot be used.
    Broken,
    /// The document is not there any more.
    Gone,
    /// Something could not be read or written.
    Failed,
    /// Cut by hand.
    Cut,
}

/// What somebody decided about one theme.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub(crate) enum Ask {
    /// What the file says holds.
    TakeFile,
    /// What the theme says holds.
    WriteFile,
    /// Files that somebody else changed are written over.
    Overwrite,
}

/// A tie as it is shown.
#[derive(Clone, Debug)]
pub(crate) struct TieState {
    pub slug: String,
    pub name: String,
    pub path: String,
    pub state: State,
    pub message: Option<String>,
    /// Files that somebody else changed, which stay as they are.
    pub kept: Vec<String>,
    /// How many files of targets are written.
    pub files: usize,
    pub follows: bool,
}

impl TieState {
    fn of(saved: &Saved, tie: &Tie, state: State, message: Option<String>) -> Self {
        Self {
            slug: saved.theme.slug.clone(),
            name: saved.theme.name.clone(),
            path: tie.path.clone(),
            state,
            message,
            kept: Vec::new(),
            files: tie.files.len(),
            follows: tie.follows,
        }
    }
}

/// What is shown of the folder.
#[derive(Clone, Debug, Default)]
pub(crate) struct Shown {
    pub ties: Vec<TieState>,
    /// Documents that are no theme, and why.
    pub strangers: Vec<(String, String)>,
    /// Why the folder cannot be looked at.
    pub problem: Option<String>,
}

/// A folder that themes are tied to. Cheap to clone.
#[derive(Clone, Debug)]
pub struct Workspace(Arc<Inner>);

#[derive(Debug)]
struct Inner {
    sync: Sync,
    shown: Mutex<Shown>,
    /// One look at a time.
    turn: tokio::sync::Mutex<()>,
    wake: Notify,
    /// When a theme's files last followed a change that was not saved.
    drafts: tokio::sync::Mutex<BTreeMap<Uuid, Instant>>,
}

impl Workspace {
    /// A folder at a path.
    ///
    /// # Errors
    /// There is no folder there.
    pub(crate) fn at(path: &Path, bench: Bench) -> io::Result<Self> {
        let folder = Folder::at(path)?;
        Ok(Self(Arc::new(Inner {
            sync: Sync { folder, bench },
            shown: Mutex::default(),
            turn: tokio::sync::Mutex::default(),
            wake: Notify::new(),
            drafts: tokio::sync::Mutex::default(),
        })))
    }

    /// Looks at the folder now, and again whenever it or a theme changes, until the server stops.
    pub(crate) fn start(&self, live: &Live) {
        let (own, live) = (self.clone(), live.clone());
        tokio::spawn(async move {
            let mut stopping = live.stopping();
            tokio::select! {
                _ = stopping.wait_for(|s| *s) => {}
                () = own.keep_looking(&live) => {}
            }
        });
    }

    async fn keep_looking(&self, live: &Live) {
        let mut changes = live.changes();
        let mut watcher = None;
        loop {
            self.look(None).await;
            watcher = self.watch(watcher);
            tokio::select! {
                () = self.0.wake.notified() => {}
                _ = changes.recv() => {}
                () = tokio::time::sleep(REST) => {}
            }
            tokio::time::sleep(STEPS).await;
            while changes.try_recv().is_ok() {}
        }
    }

    /// Watches the folders that documents lie in; what appears elsewhere is found by the next look.
    fn watch(&self, known: Option<Watching>) -> Option<Watching> {
        let root = self.0.sync.folder.path();
        let paths = self.shown().ties.into_iter().map(|tie| tie.path);
        let mut folders: Vec<_> = paths
            .filter_map(|p| Some(root.join(p).parent()?.to_owned()))
            .collect();
        folders.push(root.to_owned());
        folders.sort();
        folders.dedup();
        if known.as_ref().is_some_and(|known| known.folders == folders) {
            return known;
        }
        let inner = Arc::downgrade(&self.0);
        let tell = move |event: notify::Result<notify::Event>| {
            if event.is_ok_and(|e| !e.kind.is_access())
                && let Some(inner) = inner.upgrade()
            {
                inner.wake.notify_one();
            }
        };
        let mut watcher = notify::recommended_watcher(tell)
            .inspect_err(|cause| tracing::warn!(%cause, "cannot watch the folder"))
            .ok()?;
        for folder in &folders {
            // One that went away meanwhile is looked at again by time.
            let _ = watcher.watch(folder, RecursiveMode::NonRecursive);
        }
        Some(Watching {
            folders,
            _watcher: watcher,
        })
    }

    /// Brings theme and folder in step, and tells how they stand.
    pub(crate) async fn look(&self, ask: Option<(Uuid, Ask)>) -> Shown {
        let _turn = self.0.turn.lock().await;
        let sync = &self.0.sync;
        let busy = self.busy().await;
        let looking = sync.look(ask, &busy);
        let found = match sync.bench.store.alone_with_folder(looking).await {
            Ok(found) => found,
            Err(error) => Err(error.to_string()),
        };
        let mut shown = self.locked();
        match found {
            Ok(Found { ties, strangers }) => {
                *shown = Shown {
                    ties,
                    strangers,
                    problem: None,
                }
            }
            Err(problem) => shown.problem = Some(problem),
        }
        shown.clone()
    }

    /// Themes whose files follow a change at the moment.
    async fn busy(&self) -> BTreeSet<Uuid> {
        let drafts = self.0.drafts.lock().await;
        let recent = drafts.iter().filter(|(_, at)| at.elapsed() < RECENT);
        recent.map(|(theme, _)| *theme).collect()
    }

    /// How things stood at the last look.
    pub(crate) fn shown(&self) -> Shown {
        self.locked().clone()
    }

    fn locked(&self) -> MutexGuard<'_, Shown> {
        // What is shown is replaced as a whole: it is never half of anything.
        self.0.shown.lock().unwrap_or_else(PoisonError::into_inner)
    }

    /// The name of the folder.
    pub(crate) fn name(&self) -> String {
        let name = self.0.sync.folder.path().file_name();
        name.map(|n| n.to_string_lossy().into_owned())
            .unwrap_or_default()
    }

    async fn tie_of(&self, theme: Uuid) -> Result<Option<Tie>, ApiError> {
        let ties = self.0.sync.ties().await.map_err(told)?;
        Ok(ties.into_iter().find(|tie| tie.theme == theme))
    }

    /// Ties a theme to a document of its slug, or takes up a tie that was cut.
    pub(crate) async fn tie(&self, slug: &str) -> Result<(), ApiError> {
        let theme = self.0.sync.bench.store.identity(slug).await?;
        let tie = self.tie_of(theme).await?.unwrap_or_else(|| Tie {
            theme,
            path: format!("{slug}{ENDING}"),
            ..Tie::default()
        });
        self.0
            .sync
            .keep(&Tie { cut: false, ..tie })
            .await
            .map_err(told)
    }

    /// Changes a tie that is there.
    pub(crate) async fn alter(
        &self,
        theme: Uuid,
        change: impl FnOnce(&mut Tie),
    ) -> Result<(), ApiError> {
        let _turn = self.0.turn.lock().await;
        let missing = || ApiError::not_found("this theme has no document in the folder");
        let mut tie = self.tie_of(theme).await?.ok_or_else(missing)?;
        change(&mut tie);
        self.0.sync.keep(&tie).await.map_err(told)
    }

    /// What the document in the folder would move.
    pub(crate) async fn differs(&self, theme: Uuid) -> Result<Diff, ApiError> {
        let missing = || ApiError::not_found("this theme has no document in the folder");
        let tie = self.tie_of(theme).await?.ok_or_else(missing)?;
        let sync = &self.0.sync;
        let bytes = sync
            .folder
            .read(&tie.path)
            .map_err(told)?
            .ok_or_else(missing)?;
        let theirs = parsed(&tie.path, &bytes).map_err(told)?;
        let saved = sync
            .bench
            .store
            .by_identity(theme)
            .await?
            .ok_or_else(missing)?;
        let own =
            Document::read(&saved.revision.spec).map_err(|p| ApiError::invalid("/spec", p))?;
        let (own, theirs) = (
            sync.bench.complete(own).await?,
            sync.bench.complete(theirs).await?,
        );
        let job =
            move || Ok::<_, rhodon_theme::Problems>(diff(&*derived(&own)?, &*derived(&theirs)?));
        let diff = sync.bench.work.run(job).await?;
        diff.map_err(|p| ApiError::invalid("/spec", p))
    }

    /// Lets the files show a change that is not saved, where somebody wants that; at most ten times a
    /// second. The next look writes what is saved.
    pub(crate) async fn draft(&self, theme: Uuid, spec: serde_json::Value) -> Result<(), ApiError> {
        let began = Instant::now();
        {
            let _turn = self.0.turn.lock().await;
            self.0.drafts.lock().await.insert(theme, began);
            let Some(mut tie) = self.tie_of(theme).await?.filter(|t| t.follows && !t.cut) else {
                return Ok(());
            };
            let sync = &self.0.sync;
            let resolved = sync.bench.read(spec).await?;
            if !tie.drafting {
                tie.drafting = true;
                sync.keep(&tie).await.map_err(told)?;
            }
            let ours = tie.files.keys().cloned().collect();
            let handed = sync.handed(&resolved, &tie, None).await.map_err(told)?;
            sync.hand(handed, &tie, Some(ours)).await.map_err(told)?;
        }
        // The answer keeps the pace: one change of a window is on its way at a time.
        tokio::time::sleep_until(began + PACE).await;
        Ok(())
    }

    /// The change that the files followed is left: they show what is saved.
    pub(crate) async fn settle(&self, theme: Uuid) -> Shown {
        self.0.drafts.lock().await.remove(&theme);
        self.look(None).await
    }
}

/// A watcher and what it watches.
struct Watching {
    folders: Vec<std::path::PathBuf>,
    _watcher: notify::RecommendedWatcher,
}

fn told(message: String) -> ApiError {
    ApiError::value("/folder", message)
}
