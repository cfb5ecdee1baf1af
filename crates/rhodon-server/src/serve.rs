//! Starting, serving, stopping.

use std::io;
use std::net::SocketAddr;
use std::path::PathBuf;
use std::time::Duration;

use axum::Router;
use axum::extract::{DefaultBodyLimit, Request};
use axum::http::{Method, StatusCode};
use axum::middleware::Next;
use axum::response::{IntoResponse, Response};
use axum::routing::get;
use rhodon_publish::site::Host;
use rhodon_publish::{Shelf, ShelfError};
use rhodon_store::{Store, StoreError};
use tokio::net::TcpListener;
use tower::ServiceBuilder;
use tower_http::catch_panic::CatchPanicLayer;
use tower_http::csrf::CsrfLayer;
use tower_http::request_id::{MakeRequestUuid, PropagateRequestIdLayer, SetRequestIdLayer};
use tower_http::timeout::RequestBodyTimeoutLayer;
use tower_http::trace::TraceLayer;

use crate::bench::Bench;
use crate::demo::{self, DemoError};
use crate::error::ApiError;
use crate::front::{Front, SharedFront};
use crate::guard::Hosts;
use crate::housekeeping;
use crate::live::Live;
use crate::route::published;
use crate::service::{Addresses, Services};
use crate::state::AppState;
use crate::work::Work;
use crate::workspace::Workspace;
use crate::{asset, fault, guard, header, listen, metrics, openapi, own, route};

/// The largest request body, in bytes.
const MAX_BODY: usize = 2 * 1024 * 1024;
/// The longest that a request may take.
const MAX_TIME: Duration = Duration::from_secs(30);

/// How to serve.
#[derive(Clone, Debug)]
pub struct Config {
    /// Address to listen on.
    pub listen: SocketAddr,
    /// PostgreSQL address.
    pub database: String,
    /// Load the demo if there is no theme.
    pub demo: bool,
    /// Outside services.
    pub services: Addresses,
    /// A project's folder that themes are tied to.
    pub workspace: Option<PathBuf>,
    /// Where published themes lie: a folder, or `s3://bucket/folder`.
    pub published: Option<String>,
    /// Address of a host of sites.
    pub sites: Option<String>,
    /// What permits to change anything there.
    pub sites_token: String,
    /// What stands between this server and people.
    pub front: Front,
    /// Where metrics are served, if anywhere.
    pub metrics: Option<SocketAddr>,
}

/// Why the server could not start.
#[derive(Debug, thiserror::Error)]
pub enum ServeError {
    /// The port is taken or not allowed.
    #[error(
        "cannot listen on {address}: {cause}. Choose another with --listen, --metrics or RHODON_PORT"
    )]
    Listen {
        /// The address.
        address: SocketAddr,
        /// Why not.
        cause: io::Error,
    },
    /// The database does not answer.
    #[error("cannot use the database: {0}. Start it, or name another in DATABASE_URL")]
    Database(#[from] StoreError),
    /// An address of an outside service is none.
    #[error("{0}")]
    Service(String),
    /// The place of published themes is none.
    #[error("cannot publish to {0}")]
    Published(#[from] ShelfError),
    /// The folder of a project is none.
    #[error("cannot use {} as the workspace: {cause}. Expected a folder", .path.display())]
    Workspace {
        /// Its path.
        path: PathBuf,
        /// Why not.
        cause: io::Error,
    },
    /// Metrics cannot be counted.
    #[error("cannot count metrics: {0}")]
    Metrics(#[from] metrics_exporter_prometheus::BuildError),
    /// The demo could not be loaded.
    #[error(transparent)]
    Demo(#[from] DemoError),
}

/// Serves until it is told to stop; `ready` is called once with the address.
///
/// # Errors
/// See [`ServeError`].
pub async fn serve(config: Config, ready: impl FnOnce(SocketAddr)) -> Result<(), ServeError> {
    let bind = async |address: SocketAddr| {
        let failed = |cause| ServeError::Listen { address, cause };
        let listener = TcpListener::bind(address).await.map_err(failed)?;
        let address = listener.local_addr().map_err(failed)?;
        Ok::<_, ServeError>((listener, address))
    };
    let services = Services::at(&config.services).map_err(ServeError::Service)?;
    let (listener, address) = bind(config.listen).await?;
    let store = Store::connect(&config.database).await?;
    store.migrate().await?;
    if config.demo {
        demo::load(&store).await?;
    }
    let live = Live::start(config.database);
    let app = App::new(store, live.clone(), services)
        .with_workspace(config.workspace)?
        .with_published(config.published.as_deref())?
        .with_sites(config.sites.as_deref(), &config.sites_token)?
        .behind(config.front);
    if let Some(address) = config.metrics {
        let (listener, _) = bind(address).await?;
        let handle = metrics::recorder()?;
        let watched = metrics::Watched {
            store: app.0.store.clone(),
            live: app.0.live.clone(),
            work: app.0.bench.work.clone(),
        };
        tokio::spawn(metrics::serve(listener, handle, watched));
    }
    tokio::spawn(housekeeping::keep(app.0.store.clone()));
    ready(address);
    let streams = live.clone();
    let stopping = async move {
        stopped().await;
        // Open streams would keep the server from ending.
        streams.stop();
    };
    listen::serve(listener, app.router(address), stopping).await;
    Ok(())
}

/// What the application is made of.
#[derive(Clone, Debug)]
pub struct App(AppState);

impl App {
    /// The application on a store.
    pub fn new(store: Store, live: Live, services: Services) -> Self {
        let bench = Bench {
            store: store.clone(),
            work: Work::new(),
        };
        Self(AppState {
            store,
            live,
            bench,
            services,
            workspace: None,
            shelf: None,
            sites: None,
            front: SharedFront::default(),
        })
    }

    /// Is reached under other addresses, by proxies.
    pub fn behind(mut self, front: Front) -> Self {
        self.0.front = front.into();
        self
    }

    /// Ties themes to a project's folder, where one is given.
    ///
    /// # Errors
    /// There is no folder there.
    pub fn with_workspace(mut self, path: Option<PathBuf>) -> Result<Self, ServeError> {
        if let Some(path) = path {
            let workspace = Workspace::at(&path, self.0.bench.clone());
            let workspace = workspace.map_err(|cause| ServeError::Workspace { path, cause })?;
            workspace.start(&self.0.live);
            self.0.workspace = Some(workspace);
        }
        Ok(self)
    }

    /// Publishes to a place, where one is given.
    ///
    /// # Errors
    /// A place that is none.
    pub fn with_published(mut self, place: Option<&str>) -> Result<Self, ServeError> {
        self.0.shelf = place.map(Shelf::at).transpose()?;
        Ok(self)
    }

    /// Knows a host of sites, where one is given.
    ///
    /// # Errors
    /// An address that is none.
    pub fn with_sites(mut self, address: Option<&str>, token: &str) -> Result<Self, ServeError> {
        let host = address.map(|address| Host::at(address, token)).transpose();
        self.0.sites = host.map_err(|e| ServeError::Service(format!("RHODON_SITES: {e}")))?;
        Ok(self)
    }

    /// Everything that it answers, at an address.
    pub fn router(self, address: SocketAddr) -> Router {
        router(self.0, address)
    }
}

fn router(state: AppState, address: SocketAddr) -> Router {
    let (api, _) = route::api().split_for_parts();
    let document = openapi::openapi();
    let origin = own_origins(&state.front).with_rejection_response(|_| other_origin());
    let hosts = Hosts::of(address, state.front.clone());
    let layers = ServiceBuilder::new()
        .layer(SetRequestIdLayer::x_request_id(MakeRequestUuid))
        .layer(TraceLayer::new_for_http().make_span_with(span))
        .layer(PropagateRequestIdLayer::x_request_id())
        .layer(axum::middleware::from_fn(header::add))
        .layer(CatchPanicLayer::custom(fault::answer))
        .layer(axum::middleware::from_fn_with_state(hosts, guard::check))
        .layer(origin)
        .layer(axum::middleware::from_fn(in_time))
        .layer(RequestBodyTimeoutLayer::new(listen::BODY_TIME))
        .layer(DefaultBodyLimit::max(MAX_BODY));
    let shown = state.bench.clone();
    let shelf = state.shelf.clone();
    api.with_state(state)
        .route(
            "/own/{id}/{version}/{*path}",
            get(own::serve).with_state(shown),
        )
        .route(
            &format!("{}/{{file}}", published::PLACE),
            get(published::serve).with_state(shelf),
        )
        .route(
            "/api/openapi.json",
            get(move || async move { axum::Json(document) }),
        )
        .route_layer(axum::middleware::from_fn(metrics::count))
        .method_not_allowed_fallback(other_method)
        .fallback(asset::serve)
        .layer(layers)
}

/// Pages of this server itself, under each of its addresses.
fn own_origins(front: &Front) -> CsrfLayer {
    let mut layer = CsrfLayer::new();
    for url in &front.public {
        match layer.clone().add_trusted_origin(url.to_string()) {
            Ok(more) => layer = more,
            Err(cause) => tracing::warn!(%url, %cause, "pages there cannot change anything"),
        }
    }
    layer
}

/// What the log says beside everything that happens during a request.
fn span<B>(request: &axum::http::Request<B>) -> tracing::Span {
    let id = request.headers().get("x-request-id");
    tracing::info_span!(
        "request",
        method = %request.method(),
        path = request.uri().path(),
        id = id.and_then(|id| id.to_str().ok()).unwrap_or_default(),
    )
}

/// Ends what takes too long, in the one shape of refusals.
async fn in_time(request: Request, next: Next) -> Response {
    match tokio::time::timeout(MAX_TIME, next.run(request)).await {
        Ok(response) => response,
        Err(_) => {
            let detail = format!("this took longer than {} s", MAX_TIME.as_secs());
            let status = StatusCode::SERVICE_UNAVAILABLE;
            ApiError::new(status, "/problems/too-slow", "It took too long", detail).into_response()
        }
    }
}

async fn other_method(method: Method) -> ApiError {
    let detail = format!("expected a method that is documented for this address, found {method}");
    ApiError::new(
        StatusCode::METHOD_NOT_ALLOWED,
        "/problems/other-method",
        "Another method",
        detail,
    )
}

fn other_origin() -> Response {
    let detail = "expected a request from this server's own pages";
    ApiError::new(
        StatusCode::FORBIDDEN,
        "/problems/other-origin",
        "Another origin",
        detail,
    )
    .into_response()
}

/// Resolves at Ctrl+C or SIGTERM.
async fn stopped() {
    use tokio::signal::unix::{SignalKind, signal};
    match signal(SignalKind::terminate()) {
        Ok(mut terminate) => {
            tokio::select! {
                _ = tokio::signal::ctrl_c() => {}
                _ = terminate.recv() => {}
            }
        }
        Err(_) => drop(tokio::signal::ctrl_c().await),
    }
}
