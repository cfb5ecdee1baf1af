//! A stream of changed themes, as server-sent events.

use std::convert::Infallible;

use axum::extract::State;
use axum::response::sse::{Event, KeepAlive, Sse};
use futures_util::{Stream, StreamExt};
use serde::Serialize;
use tokio_stream::wrappers::BroadcastStream;
use utoipa::ToSchema;
use uuid::Uuid;

use crate::live::Live;

/// A theme has another current revision.
#[derive(Debug, Serialize, ToSchema)]
pub struct MovedView {
    id: Uuid,
    /// Number of the current revision; 0 once the theme is deleted.
    revision: i32,
}

/// Tells of every change of any theme, as `text/event-stream`; each event's data is a `MovedView`.
#[utoipa::path(get, path = "/events", responses((status = 200, content_type = "text/event-stream", body = MovedView)))]
pub(crate) async fn events(
    State(live): State<Live>,
) -> Sse<impl Stream<Item = Result<Event, Infallible>>> {
    let mut stopping = live.stopping();
    let changes = BroadcastStream::new(live.changes())
        // A window that fell behind misses some news; the next one tells it the newest revision.
        .filter_map(|moved| async { moved.ok() })
        .filter_map(|m| async move {
            Event::default()
                .json_data(MovedView {
                    id: m.id,
                    revision: m.revision,
                })
                .ok()
        })
        .map(Ok)
        .take_until(async move { drop(stopping.wait_for(|s| *s).await) });
    Sse::new(changes).keep_alive(KeepAlive::default())
}
