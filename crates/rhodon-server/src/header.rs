//! Headers of every response.

use axum::extract::Request;
use axum::http::{HeaderName, HeaderValue, header};
use axum::middleware::Next;
use axum::response::Response;

const FIXED: [(HeaderName, &str); 4] = [
    (header::X_CONTENT_TYPE_OPTIONS, "nosniff"),
    (header::REFERRER_POLICY, "no-referrer"),
    (
        HeaderName::from_static("cross-origin-opener-policy"),
        "same-origin",
    ),
    (
        HeaderName::from_static("cross-origin-resource-policy"),
        "same-origin",
    ),
];

/// The policy of pages; style elements need the nonce of their response.
pub(crate) fn content_security_policy(nonce: Option<&str>) -> String {
    let style = nonce.map(|n| format!(" 'nonce-{n}'")).unwrap_or_default();
    format!(
        "default-src 'none'; script-src 'self'; style-src 'self'{style}; img-src 'self' data: blob:; font-src 'self'; \
         connect-src 'self'; frame-src 'self'; frame-ancestors 'self'; base-uri 'none'; form-action 'none'"
    )
}

/// The layer.
pub(crate) async fn add(request: Request, next: Next) -> Response {
    let mut response = next.run(request).await;
    let headers = response.headers_mut();
    for (name, value) in FIXED {
        // What a response says itself holds.
        headers
            .entry(name)
            .or_insert(HeaderValue::from_static(value));
    }
    if !headers.contains_key(header::CONTENT_SECURITY_POLICY)
        && let Ok(policy) = HeaderValue::from_str(&content_security_policy(None))
    {
        headers.insert(header::CONTENT_SECURITY_POLICY, policy);
    }
    if !headers.contains_key(header::CACHE_CONTROL) {
        headers.insert(header::CACHE_CONTROL, HeaderValue::from_static("no-store"));
    }
    response
}
