//! How far long work is, on standard error where that is a terminal.

use std::io::{IsTerminal, stdout};

use indicatif::{ProgressBar, ProgressStyle};

/// A bar over `total` pieces of something, which goes away when it is dropped. Results that are printed to a
/// terminal say themselves how far it is, and a bar would stand among them.
pub fn bar(total: usize, what: &'static str) -> ProgressBar {
    if stdout().is_terminal() {
        return ProgressBar::hidden();
    }
    let style = ProgressStyle::with_template("{bar:30} {pos} of {len} {msg}");
    let bar = ProgressBar::new(total as u64).with_message(what);
    match style {
        Ok(style) => bar.with_style(style),
        // The template is our own.
        Err(_) => bar,
    }
}
