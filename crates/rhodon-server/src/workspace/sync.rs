//! One look at the folder: what changed on one side goes to the other, what changed on both is told.

use std::collections::BTreeSet;
use std::sync::Arc;

use rhodon_store::{Saved, Tie};
use rhodon_theme::{Derived, Document, Resolved};
use uuid::Uuid;

use super::folder::{ENDING, Folder};
use super::step::{Stand, Step, step};
use super::targets::{Handed, Written, hand, handed, hash};
use super::{Ask, State, TieState};
use crate::bench::Bench;
use crate::error::ApiError;
use crate::route::export::beside;
use crate::saving::{self, Edit};

/// Looks in a row, at most: each may make possible what the one before could not do.
const MOST: usize = 8;

/// A folder and the database that it is looked at with.
#[derive(Clone, Debug)]
pub(super) struct Sync {
    pub folder: Folder,
    pub bench: Bench,
}

/// What a look found.
#[derive(Debug, Default)]
pub(super) struct Found {
    pub ties: Vec<TieState>,
    /// Documents that are no theme yet, and why.
    pub strangers: Vec<(String, String)>,
}

impl Sync {
    /// How the database knows the folder.
    pub(super) fn key(&self) -> String {
        self.folder.path().display().to_string()
    }

    /// Brings everything in step that can be; `ask` says what somebody decided about one theme.
    /// The files of themes that are `busy` show a change that is under way: they are left alone.
    pub(super) async fn look(
        &self,
        ask: Option<(Uuid, Ask)>,
        busy: &BTreeSet<Uuid>,
    ) -> Result<Found, String> {
        let mut found = Found::default();
        for round in 0..MOST {
            let ask = ask.filter(|_| round == 0);
            let before = self.ties().await?;
            found.strangers = self.adopt(&before).await?;
            let ties = self.ties().await?;
            let mut moved = ties.len() != before.len();
            found.ties.clear();
            for tie in ties {
                let asked = ask.filter(|(id, _)| *id == tie.theme).map(|(_, ask)| ask);
                let Some((state, took)) = self.one(tie, asked, busy).await? else {
                    continue;
                };
                moved |= took;
                found.ties.push(state);
            }
            if !moved {
                break;
            }
        }
        Ok(found)
    }

    pub(super) async fn ties(&self) -> Result<Vec<Tie>, String> {
        self.bench
            .store
            .ties(&self.key())
            .await
            .map_err(|e| e.to_string())
    }

    pub(super) async fn keep(&self, tie: &Tie) -> Result<(), String> {
        self.bench
            .store
            .keep_tie(&self.key(), tie)
            .await
            .map_err(|e| e.to_string())
    }

    /// Documents without a tie: one that was moved, one of a theme of that slug, or a new theme.
    async fn adopt(&self, ties: &[Tie]) -> Result<Vec<(String, String)>, String> {
        let folder = self.folder.clone();
        let paths = blocking(move || folder.documents()).await??;
        let (known, fresh): (Vec<_>, Vec<_>) = paths
            .into_iter()
            .partition(|path| ties.iter().any(|tie| tie.path == *path));
        let lost: Vec<&Tie> = ties.iter().filter(|t| !known.contains(&t.path)).collect();
        let mut strangers = Vec::new();
        for path in fresh {
            match self.tie_for(&path, ties, &lost).await {
                Ok(tie) => self.keep(&Tie { path, ..tie }).await?,
                Err(why) => strangers.push((path, why)),
            }
        }
        Ok(strangers)
    }

    /// The tie of a document that has none yet; `lost` are those whose document is not where it was.
    async fn tie_for(&self, path: &str, ties: &[Tie], lost: &[&Tie]) -> Result<Tie, String> {
        let is = self.read(path).await?.as_deref().map(hash);
        if let Some(moved) = lost.iter().find(|tie| Some(&tie.document) == is.as_ref()) {
            return Ok((*moved).clone());
        }
        let name = path.rsplit('/').next().unwrap_or_default();
        let slug = name.strip_suffix(ENDING).unwrap_or_default();
        let theme = match self.bench.store.identity(slug).await {
            Ok(theme) => theme,
            Err(_) => self.create(path).await?,
        };
        match ties.iter().find(|tie| tie.theme == theme) {
            Some(tie) if lost.contains(&tie) => Ok(tie.clone()),
            Some(tie) => Err(format!("the theme {slug} is tied to {} already", tie.path)),
            None => Ok(Tie {
                theme,
                ..Tie::default()
            }),
        }
    }

    async fn create(&self, path: &str) -> Result<Uuid, String> {
        let bytes = self.read(path).await?.unwrap_or_default();
        let document = parsed(path, &bytes)?;
        let made = saving::first(&self.bench, &document, &format!("from {path}")).await;
        Ok(made.map_err(|e| e.detail().to_owned())?.theme.id)
    }

    async fn read(&self, path: &str) -> Result<Option<Vec<u8>>, String> {
        let (folder, path) = (self.folder.clone(), path.to_owned());
        blocking(move || folder.read(&path)).await?
    }

    /// One theme and its document; whether the theme took what the file says. Nothing once the theme
    /// is deleted: its file stays.
    async fn one(
        &self,
        mut tie: Tie,
        ask: Option<Ask>,
        busy: &BTreeSet<Uuid>,
    ) -> Result<Option<(TieState, bool)>, String> {
        let saved = self.bench.store.by_identity(tie.theme).await;
        let Some(mut saved) = saved.map_err(|e| e.to_string())? else {
            return Ok(None);
        };
        let known = tie.clone();
        if tie.cut {
            return Ok(Some((TieState::of(&saved, &tie, State::Cut, None), false)));
        }
        let mut took = false;
        let waits = busy.contains(&tie.theme) && tie.revision == saved.theme.revision;
        let stands = match self.document(&mut tie, &mut saved, ask, &mut took).await {
            Ok(()) if waits => Ok(Written::default()),
            Ok(()) => self.targets(&mut tie, &saved, ask).await,
            Err(stands) => Err(stands),
        };
        if stands.is_ok() && tie != known {
            self.keep(&tie).await?;
        }
        let (state, message, kept) = match stands {
            Ok(Written { kept, failures, .. }) if failures.is_empty() => {
                (State::InStep, None, kept)
            }
            Ok(Written { kept, failures, .. }) => (State::Failed, Some(failures.join("; ")), kept),
            Err((state, message)) => (state, Some(message), Vec::new()),
        };
        let mut told = TieState::of(&saved, &tie, state, message);
        told.kept = kept;
        Ok(Some((told, took)))
    }

    /// Writes the theme's document into the folder; what is being written is kept first, so that it is known
    /// again after a fall.
    async fn write(&self, tie: &mut Tie, text: String) -> Result<(), String> {
        tie.writing = hash(text.as_bytes());
        self.keep(tie).await?;
        let (folder, path) = (self.folder.clone(), tie.path.clone());
        blocking(move || folder.write(&path, text.as_bytes())).await??;
        tie.document.clone_from(&tie.writing);
        Ok(())
    }

    /// The document itself. An error is how the two stand until somebody decides, and why.
    async fn document(
        &self,
        tie: &mut Tie,
        saved: &mut Saved,
        ask: Option<Ask>,
        took: &mut bool,
    ) -> Result<(), (State, String)> {
        let failed = |message: String| (State::Failed, message);
        let broken = |message: String| (State::Broken, message);
        let bytes = self.read(&tie.path).await.map_err(failed)?;
        let own = Document::read(&saved.revision.spec).map_err(|p| broken(p.to_string()))?;
        let theirs = bytes.as_deref().map(|bytes| parsed(&tie.path, bytes));
        let is = bytes.as_deref().map(hash);
        let stand = Stand {
            is_there: bytes.is_some(),
            is_same: theirs.as_ref().is_some_and(|t| t.as_ref() == Ok(&own)),
            file_changed: is.as_ref() != Some(&tie.document) && is.as_ref() != Some(&tie.writing),
            theme_changed: saved.theme.revision != tie.revision,
            is_new: tie.document.is_empty(),
        };
        let wanted = match ask {
            Some(Ask::TakeFile) => Step::Take,
            Some(Ask::WriteFile) => Step::Write,
            _ => step(stand),
        };
        match wanted {
            Step::InStep => tie.document = is.unwrap_or_default(),
            Step::Write => self.write(tie, own.written()).await.map_err(failed)?,
            Step::Take => {
                let theirs = theirs.unwrap_or_else(|| Err(format!("{} is gone", tie.path)));
                *saved = self
                    .take(tie, saved, theirs.map_err(broken)?)
                    .await
                    .map_err(broken)?;
                tie.document = is.unwrap_or_default();
                *took = true;
            }
            Step::Clash => {
                // What cannot be read is no side that one could choose.
                if let Some(Err(why)) = theirs {
                    return Err(broken(why));
                }
                let message = format!("{} and the theme both changed: choose one", tie.path);
                return Err((State::Clash, message));
            }
            Step::Gone => {
                let message = format!("{} is gone: write it again, or cut the tie", tie.path);
                return Err((State::Gone, message));
            }
        }
        tie.revision = saved.theme.revision;
        Ok(())
    }

    /// What the file says as the next revision.
    async fn take(&self, tie: &Tie, saved: &Saved, document: Document) -> Result<Saved, String> {
        let label = format!("from {}", tie.path);
        let edit = Edit {
            slug: &saved.theme.slug,
            base: saved.theme.revision,
            label: &label,
            topic: None,
        };
        let made = saving::next(&self.bench, &document, edit).await;
        let (saved, ..) = made.map_err(|e| format!("{}: {}", tie.path, e.detail()))?;
        Ok(saved)
    }

    /// The files of the targets, once the document is in step.
    async fn targets(
        &self,
        tie: &mut Tie,
        saved: &Saved,
        ask: Option<Ask>,
    ) -> Result<Written, (State, String)> {
        let failed = |error: ApiError| (State::Failed, error.detail().to_owned());
        let own = Document::read(&saved.revision.spec);
        let own = own.map_err(|p| (State::Broken, p.to_string()))?;
        let theme = self.bench.complete(own).await.map_err(failed)?;
        let trusted = match ask {
            Some(Ask::Overwrite) => None,
            // What a change that was not saved left there is ours.
            _ if tie.drafting => Some(tie.files.keys().cloned().collect()),
            _ => Some(BTreeSet::new()),
        };
        let written = |message: String| (State::Failed, message);
        let handed = self.handed(&theme, tie, Some(saved.theme.revision)).await;
        let handed = handed.map_err(written)?;
        if handed.hashes() != tie.files {
            // Whoever is stopped from here on left some of these: the next look may write over them.
            let paths = handed
                .files
                .keys()
                .filter(|path| !tie.files.contains_key(*path));
            let fresh: Vec<_> = paths.map(|path| (path.clone(), String::new())).collect();
            let mut ahead = tie.clone();
            ahead.files.extend(fresh);
            ahead.drafting = true;
            self.keep(&ahead).await.map_err(written)?;
        }
        let done = self.hand(handed, tie, trusted).await.map_err(written)?;
        tie.files.clone_from(&done.hashes);
        tie.drafting = false;
        Ok(done)
    }

    /// The files that a theme is handed over as.
    pub(super) async fn handed(
        &self,
        theme: &Resolved,
        tie: &Tie,
        revision: Option<i32>,
    ) -> Result<Handed, String> {
        let (theme, path) = (theme.clone(), tie.path.clone());
        let beside = self.beside(&theme, tie.theme).await?;
        let job = move || handed(&theme, &beside, &path, revision);
        let done = self.bench.work.run(job).await.and_then(|done| done);
        done.map_err(|error| error.detail().to_owned())
    }

    /// The themes below one, where one of its targets holds them too.
    async fn beside(&self, theme: &Resolved, id: Uuid) -> Result<Vec<Arc<Derived>>, String> {
        let saved = self.bench.store.by_identity(id).await;
        let slug = saved
            .map_err(|e| e.to_string())?
            .map(|saved| saved.theme.slug);
        let ids = theme.merged.handover();
        let found = beside(&self.bench, ids.iter().map(String::as_str), slug.as_deref()).await;
        found.map_err(|error| error.detail().to_owned())
    }

    /// Writes files of targets; `trusted` are those that may be overwritten whatever lies there, all of
    /// them where nothing is given.
    pub(super) async fn hand(
        &self,
        handed: Handed,
        tie: &Tie,
        trusted: Option<BTreeSet<String>>,
    ) -> Result<Written, String> {
        let (folder, last) = (self.folder.clone(), tie.files.clone());
        blocking(move || {
            let mut done = hand(&folder, &handed.files, &last, trusted.as_ref());
            done.failures.extend(handed.failures);
            done
        })
        .await
    }
}

/// Does what waits for a disk away from what answers requests.
async fn blocking<T: Send + 'static>(
    job: impl FnOnce() -> T + Send + 'static,
) -> Result<T, String> {
    tokio::task::spawn_blocking(job)
        .await
        .map_err(|e| e.to_string())
}

/// A document as it stands in a file, or where it is wrong.
pub(super) fn parsed(path: &str, bytes: &[u8]) -> Result<Document, String> {
    let text = std::str::from_utf8(bytes)
        .map_err(|_| format!("{path}: expected a theme document, found bytes that are no text"))?;
    Document::parse(text).map_err(|problems| {
        let told: Vec<String> = problems.0.iter().map(|p| format!("{path}: {p}")).collect();
        told.join("; ")
    })
}
