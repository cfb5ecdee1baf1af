//! What a reader is.

use super::import::{Import, InputFile};

/// A format that Rhodon reads. A new one is one file or folder beside this one, and one line in
/// [`super::READERS`].
#[derive(Debug)]
pub struct Reader {
    /// Stable name.
    pub id: &'static str,
    /// Its kind, as people see it.
    pub name: &'static str,
    /// How names of its files end.
    pub endings: fn() -> Vec<String>,
    /// Whether a file looks like one of its own.
    pub(crate) sniff: fn(&InputFile) -> bool,
    /// Reads files that belong together.
    pub(crate) read: fn(&[InputFile], &mut Import),
}
