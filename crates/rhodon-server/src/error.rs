//! Every refusal as one shape: `application/problem+json` (RFC 9457).

use std::num::NonZeroUsize;

use axum::Json;
use axum::extract::rejection::{JsonRejection, PathRejection, QueryRejection};
use axum::http::{HeaderValue, StatusCode, header};
use axum::response::{IntoResponse, Response};
use rhodon_formats::ExportError;
use rhodon_store::{RevisionRecord, StoreError};
use rhodon_theme::{InheritError, Problem, Problems};
use serde::Serialize;
use utoipa::ToSchema;

/// A refusal. `type` is stable, `detail` is a plain sentence for people.
#[derive(Debug, Serialize, ToSchema)]
#[schema(as = Problem)]
pub struct ApiError {
    /// `/problems/…`, stable.
    #[serde(rename = "type")]
    kind: &'static str,
    /// Short name of the kind.
    title: &'static str,
    /// HTTP status.
    status: u16,
    /// What was wrong and what was expected.
    detail: Box<str>,
    /// Places in the request body, where there are some.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    problems: Vec<Place>,
    /// How many more places there are beyond those that are told.
    #[serde(skip_serializing_if = "Option::is_none")]
    #[schema(value_type = Option<usize>)]
    more: Option<NonZeroUsize>,
    /// For a stale write: what is current now.
    #[serde(skip_serializing_if = "Option::is_none")]
    current: Option<Box<SavedState>>,
    /// For a stale write: what the write was based on.
    #[serde(skip_serializing_if = "Option::is_none")]
    base: Option<Box<SavedState>>,
    /// For a fault of the server: the id under which the log tells more.
    #[serde(skip_serializing_if = "Option::is_none")]
    id: Option<Box<str>>,
}

/// One place in the request body.
#[derive(Debug, Serialize, ToSchema)]
pub struct Place {
    /// JSON Pointer (RFC 6901) from the root of the body.
    pointer: String,
    /// What was wrong there and what was expected.
    message: String,
}

/// A revision that takes part in a clash.
#[derive(Debug, Serialize, ToSchema)]
pub struct SavedState {
    /// Number of the revision.
    revision: i32,
    /// What it changed, in words.
    label: String,
    /// Its document.
    #[schema(schema_with = crate::schema::spec_schema)]
    spec: serde_json::Value,
}

impl From<RevisionRecord> for SavedState {
    fn from(r: RevisionRecord) -> Self {
        Self {
            revision: r.number,
            label: r.label,
            spec: r.spec,
        }
    }
}

impl ApiError {
    /// A refusal of a kind.
    pub fn new(
        status: StatusCode,
        kind: &'static str,
        title: &'static str,
        detail: impl Into<String>,
    ) -> Self {
        Self {
            kind,
            title,
            status: status.as_u16(),
            detail: detail.into().into(),
            problems: Vec::new(),
            more: None,
            current: None,
            base: None,
            id: None,
        }
    }

    /// A fault of the server, with the id that the log also has.
    pub fn fault(id: String) -> Self {
        let detail = format!("Something went wrong on the server. The log tells more under {id}.");
        Self {
            id: Some(id.into()),
            ..Self::new(
                StatusCode::INTERNAL_SERVER_ERROR,
                "/problems/fault",
                "Server fault",
                detail,
            )
        }
    }

    /// A fault with a cause, which goes to the log under its id.
    pub fn unexpected(cause: &dyn std::fmt::Display) -> Self {
        let id = uuid::Uuid::new_v4().to_string();
        tracing::error!(%id, %cause, "a request could not be answered");
        Self::fault(id)
    }

    /// A database that does not answer as it should; the cause goes to the log.
    fn away(cause: &dyn std::fmt::Display, detail: &'static str) -> Self {
        let id = uuid::Uuid::new_v4().to_string();
        tracing::error!(%id, %cause, "database");
        let title = "The database does not answer";
        Self {
            id: Some(id.into()),
            ..Self::new(
                StatusCode::SERVICE_UNAVAILABLE,
                "/problems/database",
                title,
                detail,
            )
        }
    }

    /// A document that cannot be used, with every place in it; `at` is where it stands in the body.
    pub fn invalid(at: &str, problems: Problems) -> Self {
        let detail = problems
            .0
            .first()
            .map(Problem::sentence)
            .unwrap_or_default();
        let more = NonZeroUsize::new(problems.more());
        let places = problems.0.into_iter().map(|p| Place {
            pointer: format!("{at}{}", p.pointer),
            message: p.message,
        });
        Self {
            problems: places.collect(),
            more,
            ..Self::new(
                StatusCode::UNPROCESSABLE_ENTITY,
                "/problems/invalid-theme",
                "The theme cannot be used",
                detail,
            )
        }
    }

    /// One wrong value at one place.
    pub fn value(pointer: &str, message: impl Into<String>) -> Self {
        let message = message.into();
        Self {
            problems: vec![Place {
                pointer: pointer.to_owned(),
                message: message.clone(),
            }],
            ..Self::new(
                StatusCode::UNPROCESSABLE_ENTITY,
                "/problems/invalid-value",
                "A value cannot be used",
                message,
            )
        }
    }

    /// A change after which a theme that extends this one could not be derived any more.
    pub fn breaks_child(child: &str, problems: &Problems) -> Self {
        let first = problems
            .0
            .first()
            .map(Problem::sentence)
            .unwrap_or_default();
        let detail = format!("\"{child}\" extends this theme and would not work with it: {first}");
        Self::new(
            StatusCode::CONFLICT,
            "/problems/breaks-child",
            "Another theme needs it",
            detail,
        )
    }

    /// A part of an address that cannot be read.
    fn address(what: &str, status: StatusCode, cause: &str) -> Self {
        Self::new(
            status,
            "/problems/invalid-request",
            "The request cannot be read",
            format!("expected {what} of the documented form: {cause}"),
        )
    }

    /// What went wrong, in a sentence.
    pub fn detail(&self) -> &str {
        &self.detail
    }

    /// Nothing is there.
    pub fn not_found(detail: impl Into<String>) -> Self {
        Self::new(
            StatusCode::NOT_FOUND,
            "/problems/not-found",
            "Not found",
            detail,
        )
    }
}

impl IntoResponse for ApiError {
    fn into_response(self) -> Response {
        let status = StatusCode::from_u16(self.status).unwrap_or(StatusCode::INTERNAL_SERVER_ERROR);
        let mut response = (status, Json(self)).into_response();
        let kind = HeaderValue::from_static("application/problem+json");
        response.headers_mut().insert(header::CONTENT_TYPE, kind);
        response
    }
}

/// The kind of problem that is worth another look.
const RELATIVES_MOVED: &str = "/problems/relatives-moved";

impl ApiError {
    /// Whether a theme around the one that was to be written changed in between.
    pub(crate) fn is_relatives_moved(&self) -> bool {
        self.kind == RELATIVES_MOVED
    }
}

impl From<JsonRejection> for ApiError {
    fn from(rejection: JsonRejection) -> Self {
        let status = rejection.status();
        if status == StatusCode::PAYLOAD_TOO_LARGE {
            return Self::new(
                status,
                "/problems/too-large",
                "The request is too large",
                "expected at most 2 MiB",
            );
        }
        let detail = format!(
            "expected JSON of the documented shape: {}",
            rejection.body_text()
        );
        Self::new(
            status,
            "/problems/invalid-request",
            "The request cannot be read",
            detail,
        )
    }
}

impl From<PathRejection> for ApiError {
    fn from(rejection: PathRejection) -> Self {
        Self::address("an address", rejection.status(), &rejection.body_text())
    }
}

impl From<QueryRejection> for ApiError {
    fn from(rejection: QueryRejection) -> Self {
        Self::address("parameters", rejection.status(), &rejection.body_text())
    }
}

impl From<StoreError> for ApiError {
    fn from(error: StoreError) -> Self {
        let detail = error.to_string();
        match error {
            StoreError::NoTheme(_)
            | StoreError::NoRevision { .. }
            | StoreError::NoPicture(_)
            | StoreError::NoSet(_)
            | StoreError::NoPage(_) => Self::not_found(detail),
            StoreError::NothingTo(_) => Self::new(
                StatusCode::CONFLICT,
                "/problems/nothing-to-do",
                "Nothing to do",
                detail,
            ),
            StoreError::SlugTaken(_) => Self::new(
                StatusCode::CONFLICT,
                "/problems/name-taken",
                "The name is taken",
                detail,
            ),
            StoreError::RelativesMoved => Self::new(
                StatusCode::CONFLICT,
                RELATIVES_MOVED,
                "Themes around it changed",
                format!("{detail}. Nothing was saved: try again."),
            ),
            StoreError::HasChildren { .. } => Self::new(
                StatusCode::CONFLICT,
                "/problems/has-children",
                "Other themes extend it",
                detail,
            ),
            StoreError::ParentGone { .. } => Self::new(
                StatusCode::CONFLICT,
                "/problems/parent-gone",
                "Its parent is gone",
                detail,
            ),
            StoreError::Unreadable { .. } => Self::unexpected(&detail),
            StoreError::Unconfirmed(cause) => Self::away(
                &cause,
                "The database did not confirm the change: it may have been saved. Look again before you repeat it.",
            ),
            StoreError::Inherit(error) => error.into(),
            StoreError::Stale {
                current, based_on, ..
            } => Self {
                current: Some(Box::new((*current).into())),
                base: based_on.map(|r| Box::new((*r).into())),
                ..Self::new(
                    StatusCode::CONFLICT,
                    "/problems/stale-revision",
                    "The theme has changed",
                    detail,
                )
            },
            StoreError::Database(cause) => Self::away(
                &cause,
                "The database does not answer. Nothing was saved; try again in a moment.",
            ),
        }
    }
}

impl From<InheritError> for ApiError {
    fn from(error: InheritError) -> Self {
        Self::value("/spec/extends", error.to_string())
    }
}

impl From<ExportError> for ApiError {
    fn from(error: ExportError) -> Self {
        let pointer = match error {
            ExportError::Unknown { .. } | ExportError::NoForm { .. } => "/target",
            ExportError::Pack { .. } => "/targets",
            ExportError::Option(_) => "/options",
            ExportError::Remembered { .. }
            | ExportError::Clash { .. }
            | ExportError::Reserved { .. }
            | ExportError::Form { .. } => "/spec",
        };
        Self::value(pointer, error.to_string())
    }
}
