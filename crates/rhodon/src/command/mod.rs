//! One file per command.

pub(crate) mod backup;
pub(crate) mod check;
pub(crate) mod color;
pub(crate) mod companions;
pub(crate) mod contrast;
pub(crate) mod derive;
pub(crate) mod diff;
pub(crate) mod export;
pub(crate) mod extract;
pub(crate) mod fill;
pub(crate) mod import;
pub(crate) mod inventory;
pub(crate) mod manual;
pub(crate) mod new;
pub(crate) mod publish;
pub(crate) mod recolor;
pub(crate) mod restore;
pub(crate) mod scale;
pub(crate) mod schema;
pub(crate) mod serve;
pub(crate) mod site;
pub(crate) mod standin;
pub(crate) mod targets;
pub(crate) mod vision;
pub(crate) mod watch;
