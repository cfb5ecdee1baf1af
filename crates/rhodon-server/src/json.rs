//! JSON bodies whose every failure has the one shape.

use axum::body::Bytes;
use axum::extract::FromRequest;
use axum::http::{HeaderMap, StatusCode, header};
use serde::de::DeserializeOwned;

use crate::error::ApiError;

/// A JSON body.
#[derive(Debug, FromRequest)]
#[from_request(via(axum::Json), rejection(ApiError))]
pub struct JsonBody<T>(pub T);

/// A JSON body that was taken as bytes first.
///
/// # Errors
/// As [`JsonBody`]: not JSON by its type, not JSON by its text, or of another shape.
pub(crate) fn parse<T: DeserializeOwned>(headers: &HeaderMap, body: &Bytes) -> Result<T, ApiError> {
    let kind = headers
        .get(header::CONTENT_TYPE)
        .and_then(|v| v.to_str().ok())
        .unwrap_or_default();
    if !kind.starts_with("application/json") {
        let status = StatusCode::UNSUPPORTED_MEDIA_TYPE;
        let detail = "expected Content-Type: application/json";
        return Err(ApiError::new(
            status,
            "/problems/invalid-request",
            "The request cannot be read",
            detail,
        ));
    }
    Ok(axum::Json::<T>::from_bytes(body)?.0)
}
