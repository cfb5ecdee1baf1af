//! Trouble on request, for tests: services are slow, fail, or answer nonsense.

use std::sync::{Arc, Mutex, PoisonError};
use std::time::Duration;

use axum::body::{Body, Bytes};
use axum::extract::{Request, State};
use axum::http::{StatusCode, header};
use axum::middleware::Next;
use axum::response::{IntoResponse, Response};
use axum::routing::put;
use axum::{Json, Router};
use serde::Deserialize;

use crate::answer::Refusal;

/// How long a slow answer takes.
const SLOW: Duration = Duration::from_secs(10);

/// How everything is answered.
#[derive(Clone, Copy, Debug, Default, Deserialize)]
#[serde(rename_all = "lowercase")]
enum Kind {
    /// As it should be.
    #[default]
    None,
    /// After ten seconds.
    Slow,
    /// With an error of the server.
    Failing,
    /// With a page that is no answer.
    Nonsense,
    /// Half of it.
    Cut,
}

/// The trouble that stands. Cheap to clone.
#[derive(Clone, Debug, Default)]
pub(crate) struct Trouble(Arc<Mutex<Kind>>);

#[derive(Deserialize)]
#[serde(deny_unknown_fields)]
struct Wanted {
    kind: Kind,
}

pub(crate) fn routes(trouble: Trouble) -> Router {
    let set = async |State(trouble): State<Trouble>, Json(wanted): Json<Wanted>| {
        *trouble.0.lock().unwrap_or_else(PoisonError::into_inner) = wanted.kind;
        StatusCode::NO_CONTENT
    };
    Router::new()
        .route("/trouble", put(set))
        .with_state(trouble)
}

/// The layer that makes it.
pub(crate) async fn make(State(trouble): State<Trouble>, request: Request, next: Next) -> Response {
    let kind = *trouble.0.lock().unwrap_or_else(PoisonError::into_inner);
    match kind {
        Kind::None => next.run(request).await,
        Kind::Slow => {
            tokio::time::sleep(SLOW).await;
            next.run(request).await
        }
        Kind::Failing => Refusal(
            StatusCode::INTERNAL_SERVER_ERROR,
            "trouble on request".to_owned(),
        )
        .into_response(),
        Kind::Nonsense => {
            let page = "<!doctype html><title>Welcome</title><p>Sign in to the harbour's network.";
            ([(header::CONTENT_TYPE, "text/html")], page).into_response()
        }
        Kind::Cut => cut(next.run(request).await).await,
    }
}

/// Announces the whole and sends half.
async fn cut(response: Response) -> Response {
    let (parts, body) = response.into_parts();
    let bytes = axum::body::to_bytes(body, usize::MAX)
        .await
        .unwrap_or_else(|_| Bytes::new());
    let half = bytes.slice(..bytes.len() / 2);
    Response::from_parts(parts, Body::from(half))
}
