//! `rhodon publish`
use std::path::{Path, PathBuf};

use clap::Args;
use rhodon_formats::{Source, Stamp, style_sheet};
use rhodon_publish::Shelf;
use rhodon_theme::{Slug, derive};
use serde_json::json;

use super::serve::runtime;
use crate::document::{self, ENDING};
use crate::output::{Failure, Printer};

/// Shown below the help.
const EXAMPLES: &str = "\
Examples:
  rhodon publish theme.rhodon.json --to public/themes";

#[derive(Debug, Args)]
#[command(after_help = EXAMPLES)]
pub struct PublishArgs {
    /// A theme document, or with --family a folder of them.
    pub spec: PathBuf,
    /// A folder, or s3://bucket/folder with the usual AWS_… variables.
    #[arg(long)]
    pub to: String,
    /// Every document of the folder.
    #[arg(long)]
    pub family: bool,
    /// Number of the saved revision, told at the head of the file and in the index.
    #[arg(long)]
    pub revision: Option<i32>,
}

pub fn run(args: &PublishArgs, printer: &mut Printer) -> Result<(), Failure> {
    let shelf = Shelf::at(&args.to).map_err(|e| Failure::bad(format!("--to: {e}")))?;
    let paths: Vec<PathBuf> = match args.family {
        true => document::in_folder(&args.spec)?
            .into_iter()
            .map(|(_, path)| path)
            .collect(),
        false => vec![args.spec.clone()],
    };
    let runtime = runtime()?;
    for path in paths {
        match one(&path, args.revision) {
            Ok((slug, text)) => {
                let published = runtime.block_on(shelf.publish(&slug, &text, args.revision));
                let published = published.map_err(|e| Failure::bad(format!("--to: {e}")))?;
                let report = json!({
                    "theme": slug, "file": published.file, "bytes": published.bytes, "new": published.new
                });
                printer.result(&report, || published.file.clone())?;
            }
            // One that cannot be published does not stop the others.
            Err(failure) => {
                printer.mark_bad();
                eprintln!("{failure}");
            }
        }
    }
    Ok(())
}

/// The slug of a theme and the style sheet that it is published as.
fn one(path: &Path, revision: Option<i32>) -> Result<(String, String), Failure> {
    let place = path.display().to_string();
    let decided = document::read(path)?;
    let theme = derive(&decided).map_err(|p| document::told(&place, &p))?;
    let stamp = Stamp {
        theme: theme.name.clone(),
        revision,
        date: None,
    };
    let source = Source::alone(&decided, &theme, &stamp);
    let text = style_sheet(&source).map_err(|e| Failure::bad(format!("{place}: {e}")))?;
    let stem = path
        .file_name()
        .and_then(|n| n.to_str()?.strip_suffix(ENDING));
    let slug = stem.and_then(|stem| stem.parse().ok());
    let slug: Slug = slug.unwrap_or_else(|| Slug::from_name(&theme.name, &Slug::theme()));
    Ok((slug.to_string(), text))
}
