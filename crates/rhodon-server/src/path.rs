//! Parameters in an address whose every failure has the one shape.

use axum::extract::FromRequestParts;

use crate::error::ApiError;

/// Parameters of a path.
#[derive(Debug, FromRequestParts)]
#[from_request(via(axum::extract::Path), rejection(ApiError))]
pub struct Path<T>(pub T);

/// Parameters behind a path.
#[derive(Debug, FromRequestParts)]
#[from_request(via(axum::extract::Query), rejection(ApiError))]
pub struct Query<T>(pub T);
