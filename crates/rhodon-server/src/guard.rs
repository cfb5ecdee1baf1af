//! Refuses requests for another host: a page elsewhere must not reach this server through a
//! name that it made point here.

use std::net::SocketAddr;
use std::sync::Arc;

use axum::extract::{Request, State};
use axum::http::{StatusCode, header};
use axum::middleware::Next;
use axum::response::{IntoResponse, Response};

use crate::error::ApiError;
use crate::front::SharedFront;

/// The port that addresses leave away.
const HTTP: u16 = 80;

/// The hosts under which this server may be called.
#[derive(Clone, Debug)]
pub(crate) struct Hosts {
    names: Arc<[String]>,
    front: SharedFront,
}

impl Hosts {
    /// The address itself, on loopback its other names, and those under which people reach it.
    pub(crate) fn of(address: SocketAddr, front: SharedFront) -> Self {
        let port = address.port();
        let mut hosts = vec![address.to_string()];
        hosts.extend(front.public.iter().map(|url| url.authority().to_owned()));
        if address.ip().is_loopback() || address.ip().is_unspecified() {
            hosts.extend(["127.0.0.1", "localhost", "[::1]"].map(|name| format!("{name}:{port}")));
        }
        if port == HTTP {
            // Browsers leave the usual port away.
            let bare: Vec<String> = hosts
                .iter()
                .filter_map(|h| h.strip_suffix(":80"))
                .map(str::to_owned)
                .collect();
            hosts.extend(bare);
        }
        Self {
            names: hosts.into(),
            front,
        }
    }

    fn allow(&self, host: &str) -> bool {
        self.names.iter().any(|h| h.eq_ignore_ascii_case(host))
    }
}

/// The layer.
pub(crate) async fn check(State(hosts): State<Hosts>, request: Request, next: Next) -> Response {
    let forwarded = hosts.front.forwarded_host(&request);
    let mut named = request.headers().get_all(header::HOST).iter();
    let (host, second) = (named.next().and_then(|h| h.to_str().ok()), named.next());
    let target = request.uri().authority().map(|a| a.as_str());
    // Both names of a request must be ours, and one must be there.
    let fine = second.is_none()
        && host.or(target).is_some()
        && host.is_none_or(|name| hosts.allow(name))
        && target.is_none_or(|name| hosts.allow(name))
        && forwarded.is_none_or(|name| hosts.allow(name));
    if fine {
        return next.run(request).await;
    }
    let client = hosts.front.client(&request).map(|ip| ip.to_string());
    tracing::warn!(
        path = request.uri().path(),
        client = client.as_deref().unwrap_or("unknown"),
        host = host.or(target).unwrap_or("none"),
        forwarded_host = forwarded.unwrap_or("none"),
        expected = %hosts.names.join(", "),
        "refused a request for another host: a name is added with --public-url",
    );
    refused()
}

fn refused() -> Response {
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
    use crate::front::Front;

    #[test]
    fn the_usual_port_may_be_left_away() {
        let here = SocketAddr::from(([127, 0, 0, 1], 80));
        let hosts = Hosts::of(here, SharedFront::default());
        assert!(hosts.allow("localhost") && hosts.allow("127.0.0.1:80"));
        assert!(!hosts.allow("evil.example"));
    }

    #[test]
    fn only_the_served_names_are_allowed() {
        let front = Front {
            public: vec!["https://themes.example".parse().unwrap()],
            ..Front::default()
        };
        let hosts = Hosts::of(SocketAddr::from(([127, 0, 0, 1], 4870)), front.into());
        for (host, fine) in [
            ("127.0.0.1:4870", true),
            ("LOCALHOST:4870", true),
            ("[::1]:4870", true),
            ("themes.example", true),
            ("127.0.0.1", false),
            ("127.0.0.1:4871", false),
            ("evil.example:4870", false),
            ("", false),
        ] {
            assert_eq!(hosts.allow(host), fine, "{host:?}");
        }
    }
}
