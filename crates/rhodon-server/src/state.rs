//! What the server holds while it runs.

use axum::extract::FromRef;
use rhodon_publish::Shelf;
use rhodon_publish::site::Host;
use rhodon_store::Store;

use crate::bench::Bench;
use crate::front::SharedFront;
use crate::live::Live;
use crate::service::Services;
use crate::workspace::Workspace;

/// What handlers ask parts of.
#[derive(Clone, Debug, FromRef)]
pub(crate) struct AppState {
    pub store: Store,
    pub live: Live,
    pub bench: Bench,
    pub services: Services,
    pub workspace: Option<Workspace>,
    pub shelf: Option<Shelf>,
    pub sites: Option<Host>,
    pub front: SharedFront,
}
