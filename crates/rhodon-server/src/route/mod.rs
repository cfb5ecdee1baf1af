//! Routes by resource; each file has its handlers and the shapes they take and give.

pub(crate) mod against;
pub(crate) mod brand;
pub(crate) mod change;
pub(crate) mod check;
pub(crate) mod color;
pub(crate) mod community;
pub(crate) mod companion;
pub(crate) mod deleted;
pub(crate) mod derive;
pub(crate) mod diff;
pub(crate) mod event;
pub(crate) mod export;
pub(crate) mod family;
pub(crate) mod font;
pub(crate) mod form;
pub(crate) mod health;
pub(crate) mod inventory;
pub(crate) mod lineage;
pub(crate) mod near;
pub(crate) mod page;
pub(crate) mod picture;
pub(crate) mod published;
pub(crate) mod read;
pub(crate) mod recolor;
pub(crate) mod revision;
pub(crate) mod set;
pub(crate) mod site;
pub(crate) mod theme;
pub(crate) mod tuner;
pub(crate) mod vocabulary;
pub(crate) mod workspace;

use axum::extract::DefaultBodyLimit;
use utoipa::OpenApi;
use utoipa_axum::router::{OpenApiRouter, UtoipaMethodRouterExt};
use utoipa_axum::routes;

use crate::state::AppState;

#[derive(OpenApi)]
#[openapi(
    info(title = "Rhodon", description = "Brand colours into theme tokens."),
    components(schemas(theme::ChildrenChoice))
)]
struct ApiDescription;

/// The API without its state.
pub(crate) fn api() -> OpenApiRouter<AppState> {
    OpenApiRouter::with_openapi(ApiDescription::openapi()).nest(
        "/api",
        OpenApiRouter::new()
            .routes(routes!(health::health))
            .routes(routes!(brand::add))
            .routes(routes!(brand::rename))
            .routes(routes!(check::check_theme))
            .routes(routes!(color::color))
            .routes(routes!(color::colors))
            .routes(routes!(color::nearest))
            .routes(routes!(against::measure))
            .routes(routes!(near::near_tokens))
            .routes(routes!(color::start))
            .routes(routes!(companion::companions))
            .routes(routes!(derive::derive_theme))
            .routes(routes!(derive::preview))
            .routes(routes!(export::targets))
            .routes(routes!(export::export_theme))
            .routes(routes!(export::archive_theme))
            .routes(routes!(export::names_in_target))
            .routes(routes!(
                published::get,
                published::publish,
                published::withdraw
            ))
            .routes(routes!(site::sites))
            .routes(routes!(site::page))
            .routes(routes!(site::apply))
            .routes(routes!(read::read))
            .routes(routes!(family::list))
            .routes(routes!(family::theme_sheets))
            .routes(routes!(lineage::lineage))
            .routes(routes!(lineage::theme_below))
            .routes(routes!(lineage::try_parent))
            .routes(routes!(diff::diff_themes))
            .routes(routes!(family::family_archive))
            .routes(routes!(form::fill_form))
            .routes(routes!(form::learn_form))
            .routes(
                routes!(recolor::recolor_files).layer(DefaultBodyLimit::max(inventory::MAX_BODY)),
            )
            .routes(
                routes!(recolor::archive_recolored)
                    .layer(DefaultBodyLimit::max(inventory::MAX_BODY)),
            )
            .routes(routes!(recolor::recolor_picture).layer(DefaultBodyLimit::disable()))
            .routes(routes!(inventory::take).layer(DefaultBodyLimit::max(inventory::MAX_BODY)))
            .routes(
                routes!(page::get, page::keep, page::remove)
                    .layer(DefaultBodyLimit::max(page::MAX_BYTES + 1024 * 1024)),
            )
            .routes(routes!(page::recolored))
            .routes(routes!(picture::add))
            .routes(routes!(picture::get))
            .routes(routes!(picture::colors))
            .routes(routes!(picture::spot))
            .routes(routes!(tuner::tuner))
            .routes(routes!(set::find, set::keep))
            .routes(routes!(set::change, set::remove))
            .routes(routes!(set::file))
            .routes(routes!(set::read))
            .routes(routes!(community::find))
            .routes(routes!(community::share, community::withdraw))
            .routes(routes!(font::faces))
            .routes(routes!(font::sheet))
            .routes(routes!(font::file))
            .routes(routes!(theme::list, theme::create))
            .routes(routes!(theme::get, theme::save, theme::delete))
            .routes(routes!(theme::duplicate))
            .routes(routes!(deleted::list))
            .routes(routes!(deleted::restore))
            .routes(routes!(deleted::purge))
            .routes(routes!(change::try_change))
            .routes(routes!(change::change))
            .routes(routes!(vocabulary::vocabulary))
            .routes(routes!(revision::list))
            .routes(routes!(revision::get))
            .routes(routes!(revision::name))
            .routes(routes!(revision::undo))
            .routes(routes!(revision::redo))
            .routes(routes!(revision::bring_back))
            .routes(routes!(workspace::get))
            .routes(routes!(workspace::decide))
            .routes(routes!(workspace::draft))
            .routes(routes!(workspace::differences))
            .routes(routes!(event::events)),
    )
}
