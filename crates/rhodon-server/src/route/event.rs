//! A stream of changed themes, as server-sent events.

use std::convert::Infallible;

use axum::extract::State;
use axum::response::sse::{Event, KeepAlive, Sse};
use futures_util::{Stream, StreamExt};
use rhodon_store::News;
use serde::Serialize;
use tokio_stream::wrappers::BroadcastStream;
use tokio_stream::wrappers::errors::BroadcastStreamRecvError;
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
/// An event named `again` says that some were missed: look again.
#[utoipa::path(get, path = "/events", responses((status = 200, content_type = "text/event-stream", body = MovedView)))]
pub(crate) async fn events(
    State(live): State<Live>,
) -> Sse<impl Stream<Item = Result<Event, Infallible>>> {
    let mut stopping = live.stopping();
    let changes = BroadcastStream::new(live.changes())
        .filter_map(|news| async move { event(news) })
        .map(Ok)
        .take_until(async move { drop(stopping.wait_for(|s| *s).await) });
    Sse::new(changes).keep_alive(KeepAlive::default())
}

fn event(news: Result<News, BroadcastStreamRecvError>) -> Option<Event> {
    match news {
        Ok(News::Moved(m)) => Event::default()
            .json_data(MovedView {
                id: m.id,
                revision: m.revision,
            })
            .ok(),
        // A window that fell behind, or a server that lost the database for a while.
        Ok(News::Missed) | Err(_) => Some(Event::default().event("again").data("")),
    }
}
