//! The readers there are, and the one way to read files.

use super::import::{Import, InputFile, ReadProblem};
use super::reader::Reader;
use super::{colors, document, text_list, tokens};

/// Every reader; the first that knows one of the files reads them all.
pub const READERS: &[&Reader] = &[
    &document::READER,
    &tokens::READER,
    &text_list::READER,
    &colors::READER,
];

/// The most bytes that are read, all files together.
const MAX_BYTES: usize = 16 * 1024 * 1024;

/// Reads files that belong together, by the first reader that knows one of them.
pub fn read(files: &[InputFile]) -> Import {
    let mut import = Import::default();
    let Some(first) = files.first() else {
        import
            .problems
            .push(ReadProblem::new("files", "", "expected at least one file"));
        return import;
    };
    if files.iter().map(|f| f.bytes.len()).sum::<usize>() > MAX_BYTES {
        let most = MAX_BYTES / 1024 / 1024;
        let message = format!("expected at most {most} MB in all files together");
        import
            .problems
            .push(ReadProblem::new(&first.name, "", message));
        return import;
    }
    match READERS.iter().find(|reader| files.iter().any(reader.sniff)) {
        Some(reader) => (reader.read)(files, &mut import),
        None => {
            let known: Vec<_> = READERS.iter().map(|r| r.name.to_lowercase()).collect();
            let message = format!("expected a {}, found none of them", known.join(" or "));
            import
                .problems
                .push(ReadProblem::new(&first.name, "", message));
        }
    }
    import
}
