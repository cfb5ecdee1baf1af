//! Every target, proved by what consumes its files.
//!
//! `RHODON_TEST_DATABASE` is not needed here, but Node with the packages of `e2e/` is: `bin/test`
//! installs them.
#![allow(clippy::unwrap_used)]

mod android;
mod apps;
mod consumers;
mod css;
mod damaged;
mod foreign_tokens;
mod found_roles;
mod hostile;
mod list;
mod more;
mod options;
mod promises;
mod readers;
mod records;
mod scripts;
mod site_styles;
mod sites;
mod style;
mod support;
mod switch;
mod tokens;
mod type_use;
