//! `rhodon export --watch`: the writing half of a tie to a project.
use std::collections::HashSet;
use std::ffi::OsString;
use std::path::Path;
use std::sync::mpsc::{Receiver, channel};
use std::time::Duration;

use notify::{Event, RecursiveMode, Watcher};

use super::export;
use super::export::ExportArgs;
use crate::document::{self, ENDING};
use crate::output::{Failure, Printer};

/// Programs save in several steps: what follows within this time is one change.
const STEPS: Duration = Duration::from_millis(40);

/// Writes once, and again at every change. A document that cannot be used is told, and the files stay as
/// they were until it can.
pub fn run(args: &ExportArgs, printer: &mut Printer) -> Result<(), Failure> {
    let Some(path) = args.spec.as_deref().filter(|p| *p != Path::new("-")) else {
        return Err(Failure::bad("--watch: expected a document in a file"));
    };
    let folder = match path.parent() {
        Some(folder) if !folder.as_os_str().is_empty() => folder,
        _ => Path::new("."),
    };
    let watching = |e: notify::Error| Failure::bad(format!("{}: {e}", folder.display()));
    let (tell, told) = channel();
    // The folder and not the file: many programs put another file in its place.
    let mut watcher = notify::recommended_watcher(tell).map_err(watching)?;
    watcher
        .watch(folder, RecursiveMode::NonRecursive)
        .map_err(watching)?;
    let mut names = HashSet::from([path.file_name().unwrap_or_default().to_owned()]);
    loop {
        match export::run(args, printer) {
            Ok(()) => {}
            Err(failure) if failure.is_closed_pipe() => return Err(failure),
            Err(failure) => eprintln!("{failure}"),
        }
        printer.flush()?;
        names.extend(parents(path));
        if !changed(&told, &names) {
            return Ok(());
        }
    }
}

/// The files of the documents that a document extends.
fn parents(path: &Path) -> Vec<OsString> {
    let Ok(theme) = document::read(path) else {
        return Vec::new();
    };
    let slugs = theme.lineage().filter_map(|d| d.extends.as_ref());
    slugs.map(|slug| format!("{slug}{ENDING}").into()).collect()
}

/// Waits until one of the files changes; false where nobody watches any more.
fn changed(told: &Receiver<notify::Result<Event>>, names: &HashSet<OsString>) -> bool {
    let concerns = |event: &Event| {
        let changes = !event.kind.is_access();
        changes
            && event
                .paths
                .iter()
                .any(|p| p.file_name().is_some_and(|n| names.contains(n)))
    };
    loop {
        match told.recv() {
            Err(_) => return false,
            Ok(Ok(event)) if concerns(&event) => break,
            Ok(_) => {}
        }
    }
    while told.recv_timeout(STEPS).is_ok() {}
    true
}
