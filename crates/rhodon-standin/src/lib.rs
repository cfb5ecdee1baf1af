//! Small simulated services that stand in for outside ones, so that everything can be used and tried
//! without a network: a community that shares sets of colours, a service of web fonts,
//! and a host of sites that show a theme. What they
//! hold is made up and forgotten when they end, but for what sites show, where a file keeps it.

mod answer;
mod community;
mod fonts;
mod made_up;
mod sites;
mod trouble;

use std::net::SocketAddr;
use std::path::Path;

use axum::routing::get;
use axum::{Json, Router};
use serde_json::{Value, json};
use tokio::net::TcpListener;

use crate::trouble::Trouble;

/// All services under one address; what sites show is kept in a file where one is given.
///
/// # Errors
/// The file is there and cannot be read, or cannot be written.
pub fn router(kept: Option<&Path>) -> std::io::Result<Router> {
    let trouble = Trouble::default();
    let services = Router::new()
        .merge(community::routes())
        .merge(fonts::routes())
        .merge(sites::routes(kept)?)
        .layer(axum::middleware::from_fn_with_state(
            trouble.clone(),
            trouble::make,
        ));
    Ok(Router::new()
        .route("/", get(description))
        .merge(trouble::routes(trouble))
        .merge(services))
}

/// Serves what [`router`] gives until the process ends; `ready` is called once with the address.
///
/// # Errors
/// The address is taken or not allowed.
pub async fn serve(
    listen: SocketAddr,
    router: Router,
    ready: impl FnOnce(SocketAddr),
) -> std::io::Result<()> {
    let listener = TcpListener::bind(listen).await?;
    ready(listener.local_addr()?);
    axum::serve(listener, router).await
}

/// What can be asked here.
async fn description() -> Json<Value> {
    Json(json!({
        "name": "Stand-in services",
        "GET /community/sets": "word, owner, near (codes with commas), order (newest or random), seed, page",
        "GET /community/sets/{id}": "one set",
        "POST /community/sets": "shares a set; the answer holds the key to withdraw it",
        "DELETE /community/sets/{id}": "withdraws a set: authorization: Bearer KEY",
        "GET /fonts/faces": "the catalogue",
        "GET /fonts/sheet": "a style sheet: family, weights such as 400..700",
        "GET /fonts/files/{file}": "a font file",
        "GET /sites": "what sites take, what they show, and the themes that are registered",
        "GET /sites/{id}/page": "the page of a site, kept for a minute",
        "PUT /sites/{id}/theme": "{\"name\", \"version\"}: shows a theme, or none: authorization: Bearer TOKEN",
        "PUT /site-themes/{name}": "{\"url\", \"slots\"}: registers a theme: authorization: Bearer TOKEN",
        "DELETE /site-themes/{name}": "forgets a theme that no site shows",
        "PUT /trouble": "{\"kind\": none, slow, failing, nonsense or cut}: how everything is answered from now on",
    }))
}
