//! Figures for whoever watches over a server, in the text form of Prometheus, at an address of its own.

use std::time::{Duration, Instant};

use axum::Router;
use axum::extract::{MatchedPath, Request};
use axum::middleware::Next;
use axum::response::Response;
use axum::routing::get;
use metrics::{counter, describe_counter, describe_gauge, describe_histogram, gauge, histogram};
use metrics_exporter_prometheus::{BuildError, Matcher, PrometheusBuilder, PrometheusHandle};
use rhodon_store::Store;
use tokio::net::TcpListener;

use crate::live::Live;
use crate::work::Work;

const REQUESTS: &str = "rhodon_http_requests_total";
const DURATIONS: &str = "rhodon_http_request_duration_seconds";
const DERIVES: &str = "rhodon_derive_duration_seconds";
const CONNECTIONS: &str = "rhodon_database_connections";
const IDLE: &str = "rhodon_database_idle_connections";
const STREAMS: &str = "rhodon_live_streams";
const WAITING: &str = "rhodon_jobs_waiting";

/// Upper ends of the classes of durations, in seconds.
const CLASSES: [f64; 12] = [
    0.001, 0.0025, 0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1.0, 5.0, 30.0,
];

/// How often what was counted is put into its classes.
const UPKEEP: Duration = Duration::from_secs(5);

/// Begins to count.
///
/// # Errors
/// Somebody else in the process counts already.
pub(crate) fn recorder() -> Result<PrometheusHandle, BuildError> {
    let builder = PrometheusBuilder::new()
        .set_buckets_for_metric(Matcher::Suffix("_seconds".to_owned()), &CLASSES)?;
    let handle = builder.install_recorder()?;
    describe_counter!(REQUESTS, "Requests answered, by method, route and status.");
    describe_histogram!(DURATIONS, "Time to the head of an answer, by route.");
    describe_histogram!(DERIVES, "Time that a document took to derive.");
    describe_gauge!(CONNECTIONS, "Connections to the database, by kind of work.");
    describe_gauge!(IDLE, "Those of them that nobody uses.");
    describe_gauge!(STREAMS, "Windows that are told of changes.");
    describe_gauge!(WAITING, "Computations that wait for their turn.");
    Ok(handle)
}

/// Counts a request and its time under the route that answered it. Only methods that a route has come here.
pub(crate) async fn count(request: Request, next: Next) -> Response {
    let begun = Instant::now();
    let method = request.method().as_str().to_owned();
    let route = request.extensions().get::<MatchedPath>();
    let route = route.map(|r| r.as_str().to_owned()).unwrap_or_default();
    let response = next.run(request).await;
    let status = response.status().as_u16().to_string();
    counter!(REQUESTS, "method" => method, "route" => route.clone(), "status" => status)
        .increment(1);
    histogram!(DURATIONS, "route" => route).record(begun.elapsed());
    response
}

/// Notes how long a document took.
pub(crate) fn derived(begun: Instant) {
    histogram!(DERIVES).record(begun.elapsed());
}

/// What is looked at when somebody asks.
#[derive(Clone, Debug)]
pub(crate) struct Watched {
    pub store: Store,
    pub live: Live,
    pub work: Work,
}

/// Answers at an address until the server ends.
pub(crate) async fn serve(listener: TcpListener, handle: PrometheusHandle, watched: Watched) {
    // What was counted since is put into its classes also where nobody asks.
    let kept = handle.clone();
    tokio::spawn(async move {
        let mut ticks = tokio::time::interval(UPKEEP);
        loop {
            ticks.tick().await;
            kept.run_upkeep();
        }
    });
    let show = move || {
        for (kind, open, idle) in watched.store.connections() {
            gauge!(CONNECTIONS, "kind" => kind).set(f64::from(open));
            gauge!(IDLE, "kind" => kind).set(idle as f64);
        }
        gauge!(STREAMS).set(watched.live.streams() as f64);
        gauge!(WAITING).set(watched.work.waiting() as f64);
        std::future::ready(handle.render())
    };
    let app = Router::new().route("/metrics", get(show));
    if let Err(cause) = axum::serve(listener, app).await {
        tracing::error!(%cause, "metrics are not served any more");
    }
}
