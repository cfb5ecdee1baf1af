//! JSON bodies whose every failure has the one shape.

use axum::extract::FromRequest;

use crate::error::ApiError;

/// A JSON body.
#[derive(Debug, FromRequest)]
#[from_request(via(axum::Json), rejection(ApiError))]
pub struct JsonBody<T>(pub T);
