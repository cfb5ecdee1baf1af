//! What a check found, for pipelines and for people, and what only targets can find.

mod html;
mod sarif;
mod target_finding;

pub use html::html;
pub use sarif::sarif;
pub use target_finding::target_findings;
