//! A panic becomes a problem with an id that is also in the log.

use std::any::Any;

use axum::response::{IntoResponse, Response};

use crate::error::ApiError;

/// Answers for a handler that panicked.
pub(crate) fn answer(panic: Box<dyn Any + Send + 'static>) -> Response {
    let id = uuid::Uuid::new_v4().to_string();
    let text = panic
        .downcast_ref::<String>()
        .map(String::as_str)
        .or_else(|| panic.downcast_ref::<&str>().copied());
    tracing::error!(%id, panic = text.unwrap_or("no message"), "a handler panicked");
    ApiError::fault(id).into_response()
}
