//! A theme as targets and forms see it.

use rhodon_theme::{Derived, Resolved};

use crate::stamp::Stamp;

/// A theme as targets see it.
#[derive(Clone, Copy, Debug)]
pub struct Source<'a> {
    /// What was decided.
    pub decided: &'a Resolved,
    /// What follows from it.
    pub theme: &'a Derived,
    /// What stands at the head of the files.
    pub stamp: &'a Stamp,
    /// Themes beside it, for targets that take several: those that extend it, or any others.
    pub beside: &'a [&'a Derived],
}

impl<'a> Source<'a> {
    /// A theme with none beside it.
    pub fn alone(decided: &'a Resolved, theme: &'a Derived, stamp: &'a Stamp) -> Self {
        Self {
            decided,
            theme,
            stamp,
            beside: &[],
        }
    }
}
