//! What a child has from its parent and what it decides itself; what a change means for the themes
//! below; another parent.

use axum::Json;
use axum::extract::State;
use axum::response::Response;
use rhodon_theme::{CellSource, Decision, Derived, Diff, Resolved, Whose, diff, sources};
use serde::{Deserialize, Serialize};
use serde_json::Value;
use utoipa::ToSchema;

use super::derive::{DeriveRequest, json, written};
use crate::bench::{Bench, derived};
use crate::error::ApiError;
use crate::family::{self, below, derive_whole, moved};
use crate::json::JsonBody;
use crate::path::Path;
use crate::preview::{WakeView, lost_told};
use crate::response_cache::{self, Question};

/// What a document has from its parent, and what it decides itself.
#[derive(Debug, Serialize, ToSchema)]
pub struct LineageView {
    /// The theme it extends; nothing where it extends none.
    parent: Option<ParentView>,
    /// The document complete with what it inherits.
    #[schema(schema_with = crate::schema::spec_schema)]
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
    /// What is decided, as it is written, where that is a colour, a reference, a word or a number.
    value: Option<String>,
    /// Whether the parent decides the same thing too.
    replaces: bool,
    /// What the parent decides, as `value`.
    before: Option<String>,
}

/// Whose a value is.
#[derive(Debug, Serialize, ToSchema)]
pub struct CellSourceView {
    path: String,
    /// `light`, `dark`, or none for both.
    #[schema(schema_with = crate::schema::optional_mode_schema)]
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
            value: decision.value.clone(),
            replaces: decision.replaces,
            before: decision.before.clone(),
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
        response_cache::answered(Question::new("lineage", &theme, &()), || {
            let made = derived(&theme).map_err(|p| ApiError::invalid("/spec", p))?;
            written(&lineage_of(&theme, &made)?)
        })
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
    #[schema(schema_with = crate::schema::spec_schema)]
    spec: Value,
    /// What to compare with; without it the theme as it is saved.
    #[schema(schema_with = crate::schema::optional_spec_schema)]
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
    responses(
        (status = 200, body = Vec<BelowView>), (status = 404, body = ApiError), (status = 422, body = ApiError)
    )
)]
pub(crate) async fn theme_below(
    State(bench): State<Bench>,
    Path(slug): Path<String>,
    JsonBody(body): JsonBody<BelowRequest>,
) -> Result<Json<Vec<BelowView>>, ApiError> {
    // There may be none below it, but there is no below without it.
    bench.store.get(&slug).await?;
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
            moved: diff.moved(),
            unreadable: lost_told(&diff),
            broken,
        }
    }
}

/// Another parent.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ParentRequest {
    #[schema(schema_with = crate::schema::spec_schema)]
    spec: Value,
    /// Slug of the theme to extend; none sets it free, with what it inherited written out.
    parent: Option<String>,
}

/// What a document comes to under another parent.
#[derive(Debug, Serialize, ToSchema)]
pub struct ParentedView {
    /// The document to save.
    #[schema(schema_with = crate::schema::spec_schema)]
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
