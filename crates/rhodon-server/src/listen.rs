//! Connections: accepted, watched by the clock, and ended within a while when the server stops.

use std::net::SocketAddr;
use std::pin::Pin;
use std::time::Duration;

use axum::extract::ConnectInfo;
use axum::{Extension, Router};
use hyper_util::rt::{TokioExecutor, TokioIo, TokioTimer};
use hyper_util::server::conn::auto::Builder;
use hyper_util::server::graceful::GracefulShutdown;
use hyper_util::service::TowerToHyperService;
use tokio::net::{TcpListener, TcpStream};
use tokio_io_timeout::TimeoutStream;
use tower::Layer;

/// The longest that the head of a request may take, or a connection be idle.
const HEAD_TIME: Duration = Duration::from_secs(15);
/// The longest that a client may leave an answer unread, or a body unsent.
const STALL_TIME: Duration = Duration::from_secs(20);
/// The longest that requests on their way are waited for when the server stops.
const DRAIN_TIME: Duration = Duration::from_secs(8);
/// The pause after a connection could not be accepted.
const PAUSE: Duration = Duration::from_millis(50);

/// Serves connections until `stopped` resolves, and then those that are open for a while.
pub(crate) async fn serve(listener: TcpListener, app: Router, stopped: impl Future<Output = ()>) {
    // Browsers speak HTTP/1.1 without TLS. Waiting to hear which version it is would have no limit.
    let mut builder = Builder::new(TokioExecutor::new()).http1_only();
    builder
        .http1()
        .timer(TokioTimer::new())
        .header_read_timeout(HEAD_TIME);
    let open = GracefulShutdown::new();
    let mut stopped = std::pin::pin!(stopped);
    loop {
        let accepted = tokio::select! {
            accepted = listener.accept() => accepted,
            () = &mut stopped => break,
        };
        match accepted {
            Ok((stream, peer)) => {
                // Around the whole application: a layer of the router's own would wrap every route anew.
                let app = Extension(ConnectInfo(peer)).layer(app.clone());
                connect(stream, &builder, &open, app);
            }
            Err(cause) => {
                // Too many open files, or a client that is gone again already.
                tracing::warn!(%cause, "a connection could not be accepted");
                tokio::time::sleep(PAUSE).await;
            }
        }
    }
    drop(listener);
    if tokio::time::timeout(DRAIN_TIME, open.shutdown())
        .await
        .is_err()
    {
        tracing::warn!("connections that did not end in time are cut");
    }
}

/// The application as one peer meets it.
type Served = <Extension<ConnectInfo<SocketAddr>> as Layer<Router>>::Service;

fn connect(
    stream: TcpStream,
    builder: &Builder<TokioExecutor>,
    open: &GracefulShutdown,
    app: Served,
) {
    // Small answers go out at once.
    let _ = stream.set_nodelay(true);
    let mut stream = TimeoutStream::new(stream);
    stream.set_write_timeout(Some(STALL_TIME));
    let stream: Pin<Box<TimeoutStream<TcpStream>>> = Box::pin(stream);
    let service = TowerToHyperService::new(app);
    let connection = builder
        .serve_connection(TokioIo::new(stream), service)
        .into_owned();
    let watched = open.watch(connection);
    tokio::spawn(async move {
        if let Err(cause) = watched.await {
            tracing::debug!(%cause, "a connection ended early");
        }
    });
}

/// The longest that the body of a request may stall.
pub(crate) const BODY_TIME: Duration = STALL_TIME;
