//! Tables as SeaORM sees them; they do not leave this crate.
#![allow(missing_docs)]

pub(crate) mod color_set;
pub(crate) mod own_page;
pub(crate) mod own_page_file;
pub(crate) mod picture;
pub(crate) mod revision;
pub(crate) mod site_shown;
pub(crate) mod site_theme;
pub(crate) mod theme;
pub(crate) mod tie;
