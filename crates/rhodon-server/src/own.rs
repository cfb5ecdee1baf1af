//! Pages of one's own as they are shown: from an address of their own, under a policy by which nothing
//! in them runs, nothing is fetched from elsewhere, and nothing of this server is reached but their own
//! files.

use axum::extract::State;
use axum::http::{HeaderMap, HeaderName, HeaderValue, StatusCode, header};
use axum::response::{IntoResponse, Response};
use uuid::Uuid;

use crate::bench::Bench;
use crate::error::ApiError;
use crate::path::Path;
use crate::route::page;

/// The name of the version that nobody changed.
const CAME: &str = "as-it-came";

/// The policy of a page: its own files alone. Without scripts the browser also follows no `refresh`, and
/// forms and frames have no place to go.
fn policy(host: &str, id: Uuid) -> String {
    let own = format!("http://{host}/own/{id}/");
    format!(
        "sandbox allow-same-origin; default-src 'none'; style-src {own} 'unsafe-inline'; img-src {own} data:; \
         font-src {own} data:; media-src {own} data:; form-action 'none'; base-uri 'none'; frame-ancestors 'self'"
    )
}

/// A file of a page.
pub(crate) async fn serve(
    State(bench): State<Bench>,
    Path((id, version, path)): Path<(Uuid, String, String)>,
    headers: HeaderMap,
) -> Result<Response, ApiError> {
    let files = match version.as_str() {
        CAME => page::came(&bench, id).await?,
        other => page::version(id, other).ok_or_else(|| {
            ApiError::not_found("this version is not held any more: ask for it again")
        })?,
    };
    let Some(bytes) = files.get(&path) else {
        return Err(ApiError::not_found(format!("the page has no file {path}")));
    };
    let host = headers.get(header::HOST).and_then(|h| h.to_str().ok());
    let kind = mime_guess::from_path(&path).first_or_octet_stream();
    let charset = if kind.type_() == "text" {
        "; charset=utf-8"
    } else {
        ""
    };
    let mut response = (StatusCode::OK, bytes.clone()).into_response();
    let mut set = |name: HeaderName, value: &str| {
        if let Ok(value) = HeaderValue::from_str(value) {
            response.headers_mut().insert(name, value);
        }
    };
    set(header::CONTENT_TYPE, &format!("{kind}{charset}"));
    set(
        header::CONTENT_SECURITY_POLICY,
        &policy(host.unwrap_or_default(), id),
    );
    Ok(response)
}
