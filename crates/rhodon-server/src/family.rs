//! All themes at once: each complete with its parents, and what a change of one means below it.

use std::collections::HashMap;
use std::sync::Arc;

use futures_util::{StreamExt, TryStreamExt, stream};
use rhodon_store::{RevisionRecord, ThemeRecord};
use rhodon_theme::{Derived, Diff, Document, Resolved, Slug, diff};

use crate::bench::{Bench, derived};
use crate::error::ApiError;

/// A theme of the family, as it stands.
#[derive(Clone, Debug)]
pub(crate) struct Member {
    pub theme: ThemeRecord,
    pub current: RevisionRecord,
    /// Its document with its parents, or why it has none.
    pub whole: Result<Resolved, String>,
}

/// Every theme that is there, the last changed first, from one look at the database.
pub(crate) async fn members(bench: &Bench) -> Result<Vec<Member>, ApiError> {
    let listed = bench.store.list().await?;
    let job = move || {
        let read = |(theme, current): &(ThemeRecord, RevisionRecord)| {
            let slug: Slug = theme.slug.parse().ok()?;
            Some((slug, Document::read(&current.spec).ok()?))
        };
        let documents: HashMap<Slug, Document> = listed.iter().filter_map(read).collect();
        let member = |(theme, current): (ThemeRecord, RevisionRecord)| {
            let whole = Document::read(&current.spec)
                .map_err(|problems| problems.to_string())
                .and_then(|document| {
                    let find = |slug: &Slug| documents.get(slug).cloned();
                    Resolved::follow(document, find).map_err(|e| e.to_string())
                });
            Member {
                theme,
                current,
                whole,
            }
        };
        listed.into_iter().map(member).collect()
    };
    bench.work.run(job).await
}

/// What a change of a theme does to one below it.
#[derive(Debug)]
pub(crate) struct Below {
    pub slug: String,
    pub name: String,
    /// What it moves there, or why nothing can be derived there any more.
    pub diff: Result<Diff, String>,
}

/// What every theme below one would come to with another document in that one's place, against what
/// it comes to with the one before, or as it stands: those that nothing moves are left out.
pub(crate) async fn below(
    bench: &Bench,
    slug: &str,
    before: Option<Resolved>,
    changed: Resolved,
) -> Result<Vec<Below>, ApiError> {
    let members = members(bench).await?;
    let mut by_parent: HashMap<&str, Vec<&Member>> = HashMap::new();
    for member in &members {
        if let Some(parent) = member.theme.parent.as_deref() {
            by_parent.entry(parent).or_default().push(member);
        }
    }
    let mut jobs = Vec::new();
    let mut line = vec![(slug, before, changed)];
    while let Some((slug, above, parent)) = line.pop() {
        for member in by_parent.remove(slug).unwrap_or_default() {
            // What could not be derived before is not this change's doing.
            let Ok(stands) = &member.whole else { continue };
            let under = |parent: &Resolved| parent.clone().extended_by(stands.document().clone());
            let before = above.as_ref().map(&under);
            let after = under(&parent);
            line.push((&member.theme.slug, before.clone(), after.clone()));
            let before = before.unwrap_or_else(|| stands.clone());
            jobs.push(one_below(bench, &member.theme, before, after));
        }
    }
    let found: Vec<Option<Below>> = a_few_at_once(jobs).await?;
    Ok(found.into_iter().flatten().collect())
}

/// Jobs of one request at the same time; more would leave no place to wait for others.
const AT_ONCE: usize = 8;

/// Does jobs in their order, a few at once.
pub(crate) async fn a_few_at_once<T>(
    jobs: impl IntoIterator<Item = impl Future<Output = Result<T, ApiError>>>,
) -> Result<Vec<T>, ApiError> {
    stream::iter(jobs).buffered(AT_ONCE).try_collect().await
}

async fn one_below(
    bench: &Bench,
    theme: &ThemeRecord,
    before: Resolved,
    after: Resolved,
) -> Result<Option<Below>, ApiError> {
    let job = move || {
        let before = derived(&before).ok()?;
        Some(match derived(&after) {
            Ok(after) => Ok(diff(&before, &after)),
            Err(problems) => Err(problems.to_string()),
        })
    };
    let found = bench.work.run(job).await?;
    let found = found.filter(|one| one.as_ref().map_or(true, |d| *d != Diff::default()));
    Ok(found.map(|diff| Below {
        slug: theme.slug.clone(),
        name: theme.name.clone(),
        diff,
    }))
}

/// What the themes below a saved one come to, in the order of their names; those that come to nothing
/// are left out.
pub(crate) async fn below_of(
    bench: &Bench,
    slug: Option<&str>,
) -> Result<Vec<Arc<Derived>>, ApiError> {
    let Some(slug) = slug else {
        return Ok(Vec::new());
    };
    let mut family = of_family(members(bench).await?, slug);
    family.retain(|member| member.theme.slug != slug);
    family.sort_by(|a, b| a.theme.name.cmp(&b.theme.name));
    let job = move || {
        let wholes = family
            .iter()
            .filter_map(|member| member.whole.as_ref().ok());
        wholes.filter_map(|whole| derived(whole).ok()).collect()
    };
    bench.work.run(job).await
}

/// A theme and all below it.
pub(crate) fn of_family(members: Vec<Member>, slug: &str) -> Vec<Member> {
    let mut known = vec![slug.to_owned()];
    let mut at = 0;
    while let Some(parent) = known.get(at).cloned() {
        let children = members
            .iter()
            .filter(|m| m.theme.parent.as_deref() == Some(&parent));
        known.extend(children.map(|m| m.theme.slug.clone()));
        at += 1;
    }
    let mut family = members;
    family.retain(|m| known.contains(&m.theme.slug));
    family
}

/// What a theme comes to under another parent, or alone with everything written out.
pub(crate) async fn moved(
    bench: &Bench,
    theme: &Resolved,
    parent: Option<&str>,
) -> Result<Resolved, ApiError> {
    let Some(parent) = parent else {
        return Ok(Resolved::alone(theme.written_out()));
    };
    let slug = parent
        .parse()
        .map_err(|e| ApiError::value("/parent", format!("\"{parent}\": {e}")))?;
    let document = Document {
        extends: Some(slug),
        ..theme.document().clone()
    };
    bench.complete(document).await
}

/// Derives, in its turn.
pub(crate) async fn derive_whole(
    bench: &Bench,
    theme: Resolved,
) -> Result<(Resolved, Arc<Derived>), ApiError> {
    let job = move || derived(&theme).map(|made| (theme, made));
    let made = bench.work.run(job).await?;
    made.map_err(|problems| ApiError::invalid("/spec", problems))
}
