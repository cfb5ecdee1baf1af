//! The front end, embedded at build time.

use axum::body::Body;
use axum::http::{HeaderMap, HeaderValue, Method, StatusCode, Uri, header};
use axum::response::{IntoResponse, Response};
use rust_embed::RustEmbed;

use crate::error::ApiError;
use crate::header::content_security_policy;

#[derive(RustEmbed)]
#[folder = "../../web/dist"]
#[allow_missing = true]
struct Assets;

/// Where the front end's pages have the nonce of their response.
const NONCE: &str = "__CSP_NONCE__";
/// Files whose name changes with their content.
const HASHED: &str = "assets/";

/// A file of the front end; every other address that looks like a page is the application itself.
pub(crate) async fn serve(method: Method, uri: Uri, headers: HeaderMap) -> Response {
    let path = uri.path().trim_start_matches('/');
    if path == "api" || path.starts_with("api/") {
        return ApiError::not_found(format!("nothing is at {}", uri.path())).into_response();
    }
    if method != Method::GET && method != Method::HEAD {
        let detail = format!("expected GET or HEAD for a page, found {method}");
        let status = StatusCode::METHOD_NOT_ALLOWED;
        return ApiError::new(status, "/problems/other-method", "Another method", detail)
            .into_response();
    }
    if path.ends_with(".html") || !path.rsplit('/').next().unwrap_or_default().contains('.') {
        return page(if path.ends_with(".html") {
            path
        } else {
            "index.html"
        });
    }
    let gzip = accepts_gzip(&headers);
    let packed = gzip.then(|| Assets::get(&format!("{path}.gz"))).flatten();
    let is_packed = packed.is_some();
    let Some(file) = packed.or_else(|| Assets::get(path)) else {
        return ApiError::not_found(format!("nothing is at {}", uri.path())).into_response();
    };
    let kind = Assets::get(path)
        .map(|f| f.metadata.mimetype().to_owned())
        .unwrap_or_default();
    let mut response = Body::from(file.data).into_response();
    let out = response.headers_mut();
    if let Ok(kind) = HeaderValue::from_str(&kind) {
        out.insert(header::CONTENT_TYPE, kind);
    }
    if is_packed {
        out.insert(header::CONTENT_ENCODING, HeaderValue::from_static("gzip"));
    }
    out.insert(header::VARY, HeaderValue::from_static("accept-encoding"));
    if path.starts_with(HASHED) {
        out.insert(
            header::CACHE_CONTROL,
            HeaderValue::from_static("public, max-age=31536000, immutable"),
        );
    }
    response
}

pub(crate) fn accepts_gzip(headers: &HeaderMap) -> bool {
    let value = headers
        .get(header::ACCEPT_ENCODING)
        .and_then(|v| v.to_str().ok())
        .unwrap_or_default();
    value.split(',').any(|part| {
        let mut words = part.split(';').map(str::trim);
        words.next() == Some("gzip") && !words.any(|q| q == "q=0" || q == "q=0.0")
    })
}

fn page(path: &str) -> Response {
    let Some(file) = Assets::get(path) else {
        let detail =
            "the front end is not built: run `npm ci && npm run build` in web/, or bin/start";
        return ApiError::new(
            StatusCode::NOT_FOUND,
            "/problems/no-front-end",
            "No front end",
            detail,
        )
        .into_response();
    };
    let nonce = uuid::Uuid::new_v4().simple().to_string();
    let html = String::from_utf8_lossy(&file.data).replace(NONCE, &nonce);
    let mut response = axum::response::Html(html).into_response();
    if let Ok(policy) = HeaderValue::from_str(&content_security_policy(Some(&nonce))) {
        response
            .headers_mut()
            .insert(header::CONTENT_SECURITY_POLICY, policy);
    }
    response
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn gzip_is_sent_only_where_it_is_wanted() {
        for (value, wanted) in [
            ("gzip, br", true),
            ("br;q=1, gzip;q=0.5", true),
            ("gzip;q=0", false),
            ("", false),
        ] {
            let mut headers = HeaderMap::new();
            headers.insert(
                header::ACCEPT_ENCODING,
                HeaderValue::from_str(value).unwrap(),
            );
            assert_eq!(accepts_gzip(&headers), wanted, "{value}");
        }
    }
}
