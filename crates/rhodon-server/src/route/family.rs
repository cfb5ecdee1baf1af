//! Families: all themes at once, whose each value of a child is, what a change means below, another
//! parent, two themes side by side.

use std::sync::Arc;

use axum::Json;
use axum::extract::{Query, State};
use axum::response::Response;
use chrono::{DateTime, Utc};
use rhodon_formats::{archive_files, bundle, find, form};
use rhodon_theme::{
    CellSource, Decision, Derived, Diff, Resolved, Whose, decisions, diff, sources,
};
use serde::{Deserialize, Serialize};
use serde_json::Value;
use utoipa::{IntoParams, ToSchema};

use super::check::counts;
use super::derive::{DeriveRequest, json, written};
use super::export::{with_source, zip};
use crate::bench::{Bench, derived};
use crate::error::ApiError;
use crate::family::{self, Member, a_few_at_once, below, derive_whole, members, moved, of_family};
use crate::json::JsonBody;
use crate::path::Path;
use crate::preview::{ChangeView, WakeView, sheets};
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
        let question = Question::new("sheets", &theme, &());
        if let Some(known) = response_cache::recall(&question) {
            return Ok(known);
        }
        let made = derived(&theme).map_err(|p| ApiError::invalid("/spec", p))?;
        let answer = written(&SheetsView {
            sheets: sheets(&theme, &made)?,
        })?;
        response_cache::keep(question, &answer);
        Ok::<_, ApiError>(answer)
    };
    Ok(json(bench.work.run(job).await??))
}

/// What a document has from its parent, and what it decides itself.
#[derive(Debug, Serialize, ToSchema)]
pub struct LineageView {
    /// The theme it extends; nothing where it extends none.
    parent: Option<ParentView>,
    /// The document complete with what it inherits.
    #[schema(schema_with = crate::openapi::spec_schema)]
    merged: Value,
    /// Every brand colour, a parent's in their places.
    brand: Vec<BrandOriginView>,
    /// What the document decides itself.
    decisions: Vec<DecisionView>,
    /// Whose each value is; empty where the document extends nothing.
    cells: Vec<CellSourceView>,
}

/// A parent.
#[derive(Debug, Serialize, ToSchema)]
pub struct ParentView {
    slug: String,
    name: String,
}

/// A brand colour, and whether it is the document's own.
#[derive(Debug, Serialize, ToSchema)]
pub struct BrandOriginView {
    slug: String,
    name: String,
    /// As it was written.
    color: String,
    own: bool,
}

/// Something that the document decides itself.
#[derive(Debug, Serialize, ToSchema)]
pub struct DecisionView {
    /// Its place, to give it back.
    place: String,
    /// In words.
    label: String,
    /// Whether the parent decides the same thing too.
    replaces: bool,
}

/// Whose a value is.
#[derive(Debug, Serialize, ToSchema)]
pub struct CellSourceView {
    path: String,
    /// `light`, `dark`, or none for both.
    #[schema(schema_with = crate::openapi::optional_mode_schema)]
    mode: Option<&'static str>,
    whose: WhoseView,
    /// The decisions it follows from, by their index in the list.
    from: Vec<usize>,
}

/// Whose a value is.
#[derive(Clone, Copy, Debug, Serialize, ToSchema)]
#[serde(rename_all = "lowercase")]
pub enum WhoseView {
    /// The document decides it.
    Own,
    /// The parent has the same.
    Inherited,
    /// It follows from decisions of the document.
    Derived,
}

impl From<CellSource> for CellSourceView {
    fn from(cell: CellSource) -> Self {
        let (whose, from) = match cell.whose {
            Whose::Own => (WhoseView::Own, Vec::new()),
            Whose::Inherited => (WhoseView::Inherited, Vec::new()),
            Whose::Derived(from) => (WhoseView::Derived, from),
        };
        Self {
            path: cell.path.to_string(),
            mode: cell.mode.map(|m| m.id()),
            whose,
            from,
        }
    }
}

impl From<&Decision> for DecisionView {
    fn from(decision: &Decision) -> Self {
        Self {
            place: decision.pointer(),
            label: decision.to_string(),
            replaces: decision.replaces,
        }
    }
}

/// What a document has from its parent, what it decides itself, and whose each value is.
#[utoipa::path(
    post, path = "/lineage", request_body = DeriveRequest,
    responses((status = 200, body = LineageView), (status = 422, body = ApiError))
)]
pub(crate) async fn lineage(
    State(bench): State<Bench>,
    JsonBody(body): JsonBody<DeriveRequest>,
) -> Result<Response, ApiError> {
    let theme = bench.read(body.spec).await?;
    let job = move || {
        let question = Question::new("lineage", &theme, &());
        if let Some(known) = response_cache::recall(&question) {
            return Ok(known);
        }
        let made = derived(&theme).map_err(|p| ApiError::invalid("/spec", p))?;
        let answer = written(&lineage_of(&theme, &made)?)?;
        response_cache::keep(question, &answer);
        Ok::<_, ApiError>(answer)
    };
    Ok(json(bench.work.run(job).await??))
}

fn lineage_of(theme: &Resolved, made: &Derived) -> Result<LineageView, ApiError> {
    let (own, cells) = sources(theme, made).map_err(|p| ApiError::invalid("/spec/extends", p))?;
    let brand = theme.merged.brand.iter().map(|color| BrandOriginView {
        slug: color.slug.to_string(),
        name: color.name.clone(),
        color: color.color.text().to_owned(),
        own: !theme.inherited.brand.contains(&color.slug),
    });
    let parent = theme.document().extends.as_ref().zip(theme.parent());
    Ok(LineageView {
        parent: parent.map(|(slug, parent)| ParentView {
            slug: slug.to_string(),
            name: parent.merged.name.clone(),
        }),
        merged: theme.merged.to_json(),
        brand: brand.collect(),
        decisions: own.iter().map(DecisionView::from).collect(),
        cells: cells.into_iter().map(CellSourceView::from).collect(),
    })
}

/// A document in the place of a theme's.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct BelowRequest {
    #[schema(schema_with = crate::openapi::spec_schema)]
    spec: Value,
    /// What to compare with; without it the theme as it is saved.
    #[schema(schema_with = crate::openapi::optional_spec_schema)]
    before: Option<Value>,
}

/// What a change does to one theme below.
#[derive(Debug, Serialize, ToSchema)]
pub struct BelowView {
    slug: String,
    name: String,
    /// How many values move.
    moved: usize,
    /// Pairs that can no longer be read, as `foreground on background (mode)`.
    unreadable: Vec<String>,
    /// Why nothing can be derived there any more.
    broken: Option<String>,
}

/// What a document in the place of a theme would move in the themes below it; what moves nothing is
/// left out.
#[utoipa::path(
    post, path = "/themes/{slug}/below", operation_id = "theme_below", params(("slug" = String, Path,)),
    request_body = BelowRequest,
    responses((status = 200, body = Vec<BelowView>), (status = 422, body = ApiError))
)]
pub(crate) async fn theme_below(
    State(bench): State<Bench>,
    Path(slug): Path<String>,
    JsonBody(body): JsonBody<BelowRequest>,
) -> Result<Json<Vec<BelowView>>, ApiError> {
    let before = match body.before {
        Some(before) => Some(bench.read_at("/before", before).await?),
        None => None,
    };
    let changed = bench.read(body.spec).await?;
    let found = below(&bench, &slug, before, changed).await?;
    Ok(Json(found.into_iter().map(BelowView::from).collect()))
}

impl From<family::Below> for BelowView {
    fn from(below: family::Below) -> Self {
        let (diff, broken) = match below.diff {
            Ok(diff) => (diff, None),
            Err(broken) => (Diff::default(), Some(broken)),
        };
        Self {
            slug: below.slug,
            name: below.name,
            moved: diff.changes.len(),
            unreadable: diff
                .unreadable
                .iter()
                .map(crate::preview::pair_told)
                .collect(),
            broken,
        }
    }
}

/// Another parent.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ParentRequest {
    #[schema(schema_with = crate::openapi::spec_schema)]
    spec: Value,
    /// Slug of the theme to extend; none sets it free, with what it inherited written out.
    parent: Option<String>,
}

/// What a document comes to under another parent.
#[derive(Debug, Serialize, ToSchema)]
pub struct ParentedView {
    /// The document to save.
    #[schema(schema_with = crate::openapi::spec_schema)]
    spec: Value,
    /// What it would move.
    wake: WakeView,
}

/// What a document would come to under another parent, or set free; nothing is saved.
#[utoipa::path(
    post, path = "/parent", operation_id = "try_parent", request_body = ParentRequest,
    responses((status = 200, body = ParentedView), (status = 422, body = ApiError))
)]
pub(crate) async fn try_parent(
    State(bench): State<Bench>,
    JsonBody(body): JsonBody<ParentRequest>,
) -> Result<Json<ParentedView>, ApiError> {
    let before = bench.read(body.spec).await?;
    let after = moved(&bench, &before, body.parent.as_deref()).await?;
    let spec = after.document().to_json();
    let (_, before) = derive_whole(&bench, before).await?;
    let (_, after) = derive_whole(&bench, after).await?;
    let wake = diff(&before, &after).into();
    Ok(Json(ParentedView { spec, wake }))
}

/// Two saved themes.
#[derive(Debug, Deserialize, IntoParams)]
#[serde(deny_unknown_fields)]
#[into_params(parameter_in = Query)]
pub(crate) struct Two {
    /// Slug of the one before.
    before: String,
    /// Slug of the one after.
    after: String,
}

/// Two themes side by side.
#[derive(Debug, Serialize, ToSchema)]
pub struct DiffView {
    /// Every value that differs.
    pub(super) changes: Vec<ChangeView>,
}

/// Every token in which two saved themes differ.
#[utoipa::path(
    get, path = "/diff", operation_id = "diff_themes", params(Two),
    responses((status = 200, body = DiffView), (status = 404, body = ApiError))
)]
pub(crate) async fn diff_themes(
    State(bench): State<Bench>,
    two: Result<Query<Two>, axum::extract::rejection::QueryRejection>,
) -> Result<Json<DiffView>, ApiError> {
    let expected = "expected the slugs of two themes, before=…&after=…";
    let Query(two) = two.map_err(|_| ApiError::value("/before", expected))?;
    let [before, after] = [
        saved(&bench, &two.before).await?,
        saved(&bench, &two.after).await?,
    ];
    let changes = diff(&before, &after).changes;
    Ok(Json(DiffView {
        changes: changes.into_iter().map(ChangeView::from).collect(),
    }))
}

async fn saved(bench: &Bench, slug: &str) -> Result<Arc<Derived>, ApiError> {
    let spec = bench.store.get(slug).await?.revision.spec;
    let theme = bench.read(spec).await?;
    Ok(derive_whole(bench, theme).await?.1)
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
    let jobs = family
        .into_iter()
        .map(|one| bench.work.run(move || packed(one)));
    let parts: Vec<Result<Parts, ApiError>> = a_few_at_once(jobs).await?;
    let parts: Vec<(String, String)> = parts.into_iter().collect::<Result<Vec<_>, _>>()?.concat();
    let bytes = bench.work.run(move || bundle(&parts)).await??;
    Ok(zip(&format!("{slug}-family.zip"), bytes.into()))
}

/// Files by path.
type Parts = Vec<(String, String)>;

fn packed(member: Member) -> Result<Parts, ApiError> {
    let slug = member.theme.slug;
    let whole = member
        .whole
        .map_err(|why| ApiError::value("/slug", format!("{slug}: {why}")))?;
    let saved = (
        Some(member.theme.revision),
        Some(member.current.created_at.date_naive()),
    );
    let mut ids: Vec<String> = whole.merged.packed().map(str::to_owned).collect();
    if ids.is_empty() {
        ids.push(USUAL.to_owned());
    }
    let (forms, ids): (Vec<_>, Vec<_>) = ids.iter().partition(|id| id.starts_with(form::PREFIX));
    let forms: Vec<&str> = forms
        .iter()
        .filter_map(|id| id.strip_prefix(form::PREFIX))
        .collect();
    // A target that this version does not know any more keeps nothing else back.
    let targets: Vec<_> = ids.iter().filter_map(|id| find(id).ok()).collect();
    let files = with_source(&whole, saved, |source| {
        Ok(archive_files(&targets, &forms, source)?.0)
    })?;
    let document = serde_json::to_string_pretty(&whole.document().to_json());
    let document = document.map_err(|cause| ApiError::unexpected(&cause))?;
    let mut parts = vec![(format!("{slug}.rhodon.json"), format!("{document}\n"))];
    parts.extend(
        files
            .into_iter()
            .map(|file| (format!("{slug}/{}", file.path), file.text)),
    );
    Ok(parts)
}
