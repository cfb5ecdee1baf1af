//! Refuses requests for another host: a page elsewhere must not reach this server through a
//! name that it made point here.

use std::net::SocketAddr;
use std::sync::Arc;

use axum::extract::{Request, State};
use axum::http::{StatusCode, Uri, header};
use axum::middleware::Next;
use axum::response::{IntoResponse, Response};

use crate::error::ApiError;

/// The hosts under which this server may be called.
#[derive(Clone, Debug)]
pub(crate) struct Hosts(Arc<[String]>);

impl Hosts {
    /// The address itself and, on loopback, its other names.
    pub(crate) fn of(address: SocketAddr) -> Self {
        let port = address.port();
        let mut hosts = vec![address.to_string()];
        if address.ip().is_loopback() || address.ip().is_unspecified() {
            hosts.extend(["127.0.0.1", "localhost", "[::1]"].map(|name| format!("{name}:{port}")));
        }
        Self(hosts.into())
    }

    fn allow(&self, host: &str) -> bool {
        self.0.iter().any(|h| h.eq_ignore_ascii_case(host))
    }
}

/// The layer.
pub(crate) async fn check(State(hosts): State<Hosts>, request: Request, next: Next) -> Response {
    let host = request
        .headers()
        .get(header::HOST)
        .and_then(|h| h.to_str().ok());
    let target = request.uri().authority().map(|a| a.as_str());
    match host.or(target) {
        Some(name) if hosts.allow(name) => next.run(request).await,
        _ => refused(request.uri()),
    }
}

fn refused(uri: &Uri) -> Response {
    tracing::warn!(path = uri.path(), "refused a request for another host");
    let detail = "expected the host that this server was started for";
    ApiError::new(
        StatusCode::MISDIRECTED_REQUEST,
        "/problems/other-host",
        "Another host",
        detail,
    )
    .into_response()
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn only_the_served_names_are_allowed() {
        let hosts = Hosts::of(SocketAddr::from(([127, 0, 0, 1], 4870)));
        for (host, fine) in [
            ("127.0.0.1:4870", true),
            ("LOCALHOST:4870", true),
            ("[::1]:4870", true),
            ("127.0.0.1", false),
            ("127.0.0.1:4871", false),
            ("evil.example:4870", false),
            ("", false),
        ] {
            assert_eq!(hosts.allow(host), fine, "{host:?}");
        }
    }
}
