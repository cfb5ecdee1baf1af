//! All themes at once: each with its state, the sheets that paint its picture, and a family as one
//! archive.

use std::sync::Arc;

use axum::Json;
use axum::extract::State;
use axum::response::Response;
use chrono::{DateTime, Utc};
use rhodon_formats::{Handover, archive_files, bundle};
use rhodon_theme::{Derived, Resolved, decisions};
use serde::Serialize;
use utoipa::ToSchema;

use super::derive::{json, written};
use super::export::{beside, with_family, zip};
use crate::bench::{Bench, derived};
use crate::counts::counts;
use crate::error::ApiError;
use crate::family::{Member, a_few_at_once, members, of_family};
use crate::path::Path;
use crate::preview::sheets;
use crate::response_cache::{self, Question};

/// A theme on the page of all themes.
#[derive(Debug, Serialize, ToSchema)]
#[serde(rename_all = "camelCase")]
pub struct MemberView {
    slug: String,
    name: String,
    /// Slug of the theme it extends.
    parent: Option<String>,
    revision: i32,
    updated_at: DateTime<Utc>,
    /// What the current revision changed, in words.
    label: String,
    /// Codes of its brand colours, inherited ones in their places.
    colors: Vec<String>,
    /// What it decides itself, in words; empty where it has no parent.
    own: Vec<String>,
    /// Findings that count.
    errors: usize,
    warnings: usize,
    /// Why it comes to nothing.
    broken: Option<String>,
}

/// Every theme with its state, the last changed first.
#[utoipa::path(get, path = "/family", operation_id = "list_family", responses((status = 200, body = Vec<MemberView>)))]
pub(crate) async fn list(State(bench): State<Bench>) -> Result<Json<Vec<MemberView>>, ApiError> {
    let all = members(&bench).await?;
    let jobs = all
        .into_iter()
        .map(|one| bench.work.run(move || member(one)));
    Ok(Json(a_few_at_once(jobs).await?))
}

fn member(member: Member) -> MemberView {
    let state = member
        .whole
        .as_ref()
        .map_err(Clone::clone)
        .and_then(|whole| {
            let made = derived(whole).map_err(|problems| problems.to_string())?;
            Ok((whole, counts(whole, &made)))
        });
    let whole = member.whole.as_ref().ok();
    let codes = |whole: &Resolved| {
        let brand = whole.merged.brand.iter();
        brand
            .map(|b| b.color.value().to_rgb8().to_string())
            .collect()
    };
    let own = |whole: &Resolved| {
        let own = whole.parent().map(|_| decisions(whole));
        own.into_iter().flatten().map(|d| d.to_string()).collect()
    };
    MemberView {
        colors: whole.map(codes).unwrap_or_default(),
        own: whole.map(own).unwrap_or_default(),
        errors: state.as_ref().map_or(0, |(_, counts)| counts.errors),
        warnings: state.as_ref().map_or(0, |(_, counts)| counts.warnings),
        broken: state.err(),
        slug: member.theme.slug,
        name: member.theme.name,
        parent: member.theme.parent,
        revision: member.theme.revision,
        updated_at: member.theme.updated_at,
        label: member.current.label,
    }
}

/// The sheets that paint a picture of a saved theme.
#[derive(Debug, Serialize, ToSchema)]
pub struct SheetsView {
    /// The exported style sheets, in the order in which they are loaded.
    sheets: Vec<String>,
}

/// The style sheets of a saved theme, as its own export writes them.
#[utoipa::path(
    get, path = "/themes/{slug}/sheets", operation_id = "theme_sheets", params(("slug" = String, Path,)),
    responses((status = 200, body = SheetsView), (status = 404, body = ApiError))
)]
pub(crate) async fn theme_sheets(
    State(bench): State<Bench>,
    Path(slug): Path<String>,
) -> Result<Response, ApiError> {
    let saved = bench.store.get(&slug).await?;
    let theme = bench.read(saved.revision.spec).await?;
    let job = move || {
        response_cache::answered(Question::new("sheets", &theme, &()), || {
            let made = derived(&theme).map_err(|p| ApiError::invalid("/spec", p))?;
            written(&SheetsView {
                sheets: sheets(&theme, &made)?,
            })
        })
    };
    Ok(json(bench.work.run(job).await??))
}

/// Targets of a theme that names none.
const USUAL: &str = "css";

/// One archive (ZIP) of a theme and all that extend it: every document, and beside it a folder with
/// the files of the targets that it is handed to.
#[utoipa::path(
    get, path = "/themes/{slug}/family.zip", operation_id = "family_archive", params(("slug" = String, Path,)),
    responses(
        (status = 200, content_type = "application/zip", body = Vec<u8>),
        (status = 404, body = ApiError), (status = 422, body = ApiError)
    )
)]
pub(crate) async fn family_archive(
    State(bench): State<Bench>,
    Path(slug): Path<String>,
) -> Result<Response, ApiError> {
    bench.store.get(&slug).await?;
    let family = of_family(members(&bench).await?, &slug);
    let parts: Vec<Parts> =
        a_few_at_once(family.into_iter().map(|one| packed(&bench, one))).await?;
    let parts = parts.concat();
    let bytes = bench.work.run(move || bundle(&parts)).await??;
    Ok(zip(&format!("{slug}-family.zip"), bytes.into()))
}

/// Files by path.
type Parts = Vec<(String, String)>;

async fn packed(bench: &Bench, member: Member) -> Result<Parts, ApiError> {
    let slug = &member.theme.slug;
    let whole = member.whole.as_ref();
    let whole = whole.map_err(|why| ApiError::value("/slug", format!("{slug}: {why}")))?;
    let mut ids = whole.merged.handover();
    if ids.is_empty() {
        ids.push(USUAL.to_owned());
    }
    let beside = beside(bench, ids.iter().map(String::as_str), Some(slug)).await?;
    bench
        .work
        .run(move || parts_of(&member, &ids, &beside))
        .await?
}

/// The document of a theme, and a folder with the files that it is handed over as.
fn parts_of(member: &Member, ids: &[String], beside: &[Arc<Derived>]) -> Result<Parts, ApiError> {
    let Member {
        theme,
        current,
        whole,
    } = member;
    let slug = &theme.slug;
    let whole: &Resolved = whole
        .as_ref()
        .map_err(|why| ApiError::value("/slug", why.clone()))?;
    let saved = (Some(theme.revision), Some(current.created_at.date_naive()));
    // A target that this version does not know any more keeps nothing else back.
    let handed: Vec<Handover<'_>> = ids
        .iter()
        .filter_map(|id| Handover::find(id).ok())
        .collect();
    let files = with_family(whole, beside, saved, |source| {
        Ok(archive_files(&handed, source)?.0)
    })?;
    let document = whole.document().written();
    let mut parts = vec![(format!("{slug}.rhodon.json"), document)];
    let inside = |path: &str| format!("{slug}/{path}");
    parts.extend(
        files
            .into_iter()
            .map(|file| (inside(&file.path), file.text)),
    );
    Ok(parts)
}
