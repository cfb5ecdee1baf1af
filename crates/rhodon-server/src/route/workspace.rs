//! The project's folder that themes are tied to, and what somebody decides about a tie.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use serde::{Deserialize, Serialize};
use serde_json::Value;
use utoipa::ToSchema;

use super::diff::DiffView;
use crate::bench::Bench;
use crate::error::ApiError;
use crate::json::JsonBody;
use crate::path::Path;
use crate::workspace::{Ask, Shown, State as Stands, Workspace};

/// The folder, where the server has one.
#[derive(Debug, Default, Serialize, ToSchema)]
pub struct WorkspaceView {
    /// Its name; nothing where the server was started without a folder.
    folder: Option<String>,
    /// Why it cannot be looked at.
    problem: Option<String>,
    ties: Vec<TieView>,
    /// Documents that are no theme.
    strangers: Vec<StrangerView>,
}

/// A document that is no theme, and why.
#[derive(Debug, Serialize, ToSchema)]
pub struct StrangerView {
    path: String,
    why: String,
}

/// A theme that is one with a document in the folder.
#[derive(Debug, Serialize, ToSchema)]
pub struct TieView {
    /// Slug of the theme.
    slug: String,
    name: String,
    /// Path of the document.
    path: String,
    #[schema(inline)]
    state: Stands,
    /// What is wrong and what to do.
    message: Option<String>,
    /// Files that somebody else changed, which stay as they are.
    kept: Vec<String>,
    /// How many files of targets are written.
    files: usize,
    /// Whether the files follow a change before it is saved.
    follows: bool,
}

fn view(workspace: &Workspace, shown: Shown) -> WorkspaceView {
    let ties = shown.ties.into_iter().map(|tie| TieView {
        slug: tie.slug,
        name: tie.name,
        path: tie.path,
        state: tie.state,
        message: tie.message,
        kept: tie.kept,
        files: tie.files,
        follows: tie.follows,
    });
    let strangers = shown.strangers.into_iter();
    WorkspaceView {
        folder: Some(workspace.name()),
        problem: shown.problem,
        ties: ties.collect(),
        strangers: strangers
            .map(|(path, why)| StrangerView { path, why })
            .collect(),
    }
}

/// The folder and how each tie stands.
#[utoipa::path(get, path = "/workspace", operation_id = "get_workspace", responses((status = 200, body = WorkspaceView)))]
pub(crate) async fn get(State(workspace): State<Option<Workspace>>) -> Json<WorkspaceView> {
    Json(match workspace {
        Some(workspace) => view(&workspace, workspace.shown()),
        None => WorkspaceView::default(),
    })
}

/// What somebody decides about a tie.
#[derive(Clone, Copy, Debug, Deserialize, ToSchema)]
#[serde(rename_all = "kebab-case")]
pub enum TieAsk {
    /// Ties the theme to a document of its slug, or takes a cut tie up again.
    Tie,
    /// Leaves the files as they are from now on.
    Cut,
    /// What the file says becomes the theme's next revision.
    TakeFile,
    /// What the theme says is written to the file.
    WriteFile,
    /// Files that somebody else changed are written over.
    Overwrite,
    /// Files follow a change before it is saved.
    Follow,
    /// Files wait until a change is saved.
    Wait,
    /// The change that files followed is left.
    Settle,
}

/// A decision about a tie.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct TieRequest {
    #[serde(rename = "do")]
    ask: TieAsk,
}

fn needed(workspace: Option<Workspace>) -> Result<Workspace, ApiError> {
    workspace.ok_or_else(|| {
        ApiError::not_found("this server has no folder: start it with --workspace DIR")
    })
}

/// Decides about the tie of a theme, and tells how all stand then.
#[utoipa::path(
    post, path = "/workspace/{slug}", operation_id = "decide_tie", params(("slug" = String, Path,)),
    request_body = TieRequest,
    responses((status = 200, body = WorkspaceView), (status = 404, body = ApiError), (status = 422, body = ApiError))
)]
pub(crate) async fn decide(
    State(workspace): State<Option<Workspace>>,
    State(bench): State<Bench>,
    Path(slug): Path<String>,
    JsonBody(body): JsonBody<TieRequest>,
) -> Result<Json<WorkspaceView>, ApiError> {
    let workspace = needed(workspace)?;
    let theme = bench.store.identity(&slug).await?;
    let ask = match body.ask {
        TieAsk::Tie => {
            workspace.tie(&slug).await?;
            None
        }
        TieAsk::Cut => {
            workspace.alter(theme, |tie| tie.cut = true).await?;
            None
        }
        TieAsk::Follow | TieAsk::Wait => {
            let follows = matches!(body.ask, TieAsk::Follow);
            workspace.alter(theme, |tie| tie.follows = follows).await?;
            None
        }
        TieAsk::Settle => return Ok(Json(view(&workspace, workspace.settle(theme).await))),
        TieAsk::TakeFile => Some(Ask::TakeFile),
        TieAsk::WriteFile => Some(Ask::WriteFile),
        TieAsk::Overwrite => Some(Ask::Overwrite),
    };
    let shown = workspace.look(ask.map(|ask| (theme, ask))).await;
    Ok(Json(view(&workspace, shown)))
}

/// A document that is not saved.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct DraftRequest {
    #[schema(schema_with = crate::schema::spec_schema)]
    spec: Value,
}

/// Lets the files of a theme show a change that is not saved, where they follow; at most ten times a
/// second.
#[utoipa::path(
    put, path = "/workspace/{slug}/draft", operation_id = "draft_files", params(("slug" = String, Path,)),
    request_body = DraftRequest,
    responses((status = 204), (status = 404, body = ApiError), (status = 422, body = ApiError))
)]
pub(crate) async fn draft(
    State(workspace): State<Option<Workspace>>,
    State(bench): State<Bench>,
    Path(slug): Path<String>,
    JsonBody(body): JsonBody<DraftRequest>,
) -> Result<StatusCode, ApiError> {
    let workspace = needed(workspace)?;
    let theme = bench.store.identity(&slug).await?;
    workspace.draft(theme, body.spec).await?;
    Ok(StatusCode::NO_CONTENT)
}

/// What the document in the folder says otherwise than the theme.
#[utoipa::path(
    get, path = "/workspace/{slug}/differences", operation_id = "tie_differences", params(("slug" = String, Path,)),
    responses((status = 200, body = DiffView), (status = 404, body = ApiError), (status = 422, body = ApiError))
)]
pub(crate) async fn differences(
    State(workspace): State<Option<Workspace>>,
    State(bench): State<Bench>,
    Path(slug): Path<String>,
) -> Result<Json<DiffView>, ApiError> {
    let workspace = needed(workspace)?;
    let theme = bench.store.identity(&slug).await?;
    Ok(Json(workspace.differs(theme).await?.into()))
}
