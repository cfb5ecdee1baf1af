//! From a new document to a saved revision: it derives, so do the themes that extend it, then it is
//! saved and told. Whatever changes a theme goes through here.

use std::sync::Arc;

use axum::http::{HeaderMap, StatusCode, header};
use axum::response::Response;
use rhodon_store::{RevisionRecord, Save, Saved, Store, StoreError};
use rhodon_theme::{Derived, Document, Resolved, Slug};

use crate::bench::{Bench, derived};
use crate::error::ApiError;
use crate::theme_view::answer;

/// A change of a theme, as somebody asked for it.
#[derive(Clone, Copy, Debug)]
pub(crate) struct Edit<'a> {
    /// Which theme.
    pub slug: &'a str,
    /// The revision that was edited.
    pub base: i32,
    /// What was changed, in words.
    pub label: &'a str,
    /// The kind of change: such changes in a row are one step of undo.
    pub topic: Option<&'a str>,
}

/// How often a change is looked at anew because a theme around it changed meanwhile.
const TRIES: usize = 8;

/// Makes a change that was found good by looking at the themes around it. Where one of them changed
/// before it was written, all is looked at anew.
async fn settled<T, F>(
    bench: &Bench,
    theme: Option<(&str, i32)>,
    extends: Option<&Slug>,
    change: impl Fn(Bench) -> F,
) -> Result<T, ApiError>
where
    F: Future<Output = Result<T, ApiError>>,
{
    let mut tries = 0;
    loop {
        tries += 1;
        let seen = bench.store.relatives(theme, extends).await?;
        let careful = Bench {
            store: bench.store.seeing(seen),
            work: bench.work.clone(),
        };
        match change(careful).await {
            Err(error) if error.is_relatives_moved() && tries < TRIES => {}
            done => return done,
        }
    }
}

/// A revision that was saved, with the theme and what it comes to.
pub(crate) type Made = (Saved, Resolved, Arc<Derived>);

/// Saves a document as the next revision, where all themes around it still derive with it.
pub(crate) async fn next(
    bench: &Bench,
    document: &Document,
    edit: Edit<'_>,
) -> Result<Made, ApiError> {
    let extends = document.extends.as_ref();
    settled(
        bench,
        Some((edit.slug, edit.base)),
        extends,
        |bench| async move {
            let theme = bench.complete(document.clone()).await?;
            let made = holds(&bench, edit.slug, &theme).await?;
            let save = Save {
                spec: document,
                label: edit.label,
                base: edit.base,
                topic: edit.topic,
            };
            Ok((bench.store.save(edit.slug, save).await?, theme, made))
        },
    )
    .await
}

/// Saves a document as the first revision of a theme, where it derives with its parents.
pub(crate) async fn first(
    bench: &Bench,
    document: &Document,
    label: &str,
) -> Result<Saved, ApiError> {
    settled(bench, None, document.extends.as_ref(), |bench| async move {
        let theme = bench.complete(document.clone()).await?;
        usable(&bench, &theme).await?;
        Ok(bench.store.create(document, label).await?)
    })
    .await
}

/// Makes another revision of a theme current, where all themes around it still derive with it.
pub(crate) async fn step<F>(
    bench: &Bench,
    (slug, base): (&str, i32),
    target: RevisionRecord,
    go: impl Fn(Store) -> F,
) -> Result<Saved, ApiError>
where
    F: Future<Output = Result<Saved, StoreError>>,
{
    let document = bench.document(target.spec).await?;
    let (document, go) = (&document, &go);
    settled(
        bench,
        Some((slug, base)),
        document.extends.as_ref(),
        |bench| async move {
            let theme = bench.complete(document.clone()).await?;
            holds(&bench, slug, &theme).await?;
            Ok(go(bench.store).await?)
        },
    )
    .await
}

/// As [`next`], and answers with it. Where the answer is to tell what the screens show of it,
/// `before` is given: the theme as it was, where that still can be read.
pub(crate) async fn save(
    bench: &Bench,
    document: &Document,
    edit: Edit<'_>,
    before: Option<Option<Resolved>>,
) -> Result<Response, ApiError> {
    let (saved, theme, made) = next(bench, document, edit).await?;
    let shown = before.map(|before| (theme, made, before));
    answer(bench, saved, shown, StatusCode::OK).await
}

/// A document that may take the place of a theme's: it derives, and so do the themes that extend it.
async fn holds(bench: &Bench, slug: &str, theme: &Resolved) -> Result<Arc<Derived>, ApiError> {
    let made = usable(bench, theme).await?;
    children_hold(bench, slug, theme).await?;
    Ok(made)
}

/// A document that derives; nothing else is saved.
async fn usable(bench: &Bench, theme: &Resolved) -> Result<Arc<Derived>, ApiError> {
    let theme = theme.clone();
    let made = bench.work.run(move || derived(&theme)).await?;
    made.map_err(|p| ApiError::invalid("/spec", p))
}

/// Themes that extend this one must still derive with it, where they did before.
async fn children_hold(bench: &Bench, slug: &str, theme: &Resolved) -> Result<(), ApiError> {
    let mut line = vec![(slug.to_owned(), theme.clone())];
    while let Some((slug, parent)) = line.pop() {
        for (child, current) in bench.store.children(&slug).await? {
            let Ok(document) = Document::read(&current.spec) else {
                continue;
            };
            let after = parent.clone().extended_by(document.clone());
            let before = bench.complete(document).await?;
            let job = move || {
                let broken = derived(&after).err().filter(|_| derived(&before).is_ok());
                (after, broken)
            };
            let (after, broken) = bench.work.run(job).await?;
            if let Some(problems) = broken {
                return Err(ApiError::breaks_child(&child.name, &problems));
            }
            line.push((child.slug, after));
        }
    }
    Ok(())
}

/// The revision that a write says it is based on: one strong entity tag, or `*` for whatever is
/// current (RFC 9110, 13.1.1).
pub(crate) async fn base_revision(
    bench: &Bench,
    slug: &str,
    headers: &HeaderMap,
) -> Result<i32, ApiError> {
    let value = headers
        .get(header::IF_MATCH)
        .and_then(|v| v.to_str().ok())
        .map(str::trim);
    if value == Some("*") {
        return Ok(bench.store.get(slug).await?.theme.revision);
    }
    let tag = value.and_then(|v| v.strip_prefix('"')?.strip_suffix('"'));
    let plain = |text: &&str| !text.starts_with('0') && text.bytes().all(|b| b.is_ascii_digit());
    tag.filter(plain)
        .and_then(|text| text.parse().ok())
        .ok_or_else(|| {
            let detail = "expected the revision that was edited in If-Match, such as \"41\"";
            ApiError::new(
                StatusCode::PRECONDITION_REQUIRED,
                "/problems/no-revision",
                "No revision",
                detail,
            )
        })
}

/// The longest label that is kept.
const MAX_LABEL: usize = 300;

/// What a change says it is, where it says so within bounds.
pub(crate) fn checked_label(label: &str) -> Result<String, ApiError> {
    let label = label.trim();
    let length = label.chars().count();
    if length == 0 || length > MAX_LABEL || label.chars().any(char::is_control) {
        return Err(ApiError::value(
            "/label",
            format!("expected 1 to {MAX_LABEL} characters"),
        ));
    }
    Ok(label.to_owned())
}
