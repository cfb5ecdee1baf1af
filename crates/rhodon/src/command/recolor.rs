//! `rhodon recolor`
use std::collections::HashSet;
use std::path::PathBuf;
use std::path::{Component, Path};

use clap::Args;
use rhodon_color::Rgb8;
use rhodon_formats::color_use::finder_for;
use rhodon_formats::read::InputFile;
use rhodon_formats::recolor::{ColorMap, FaceMap, Faces, Left, Loading, Plan, Recolored, recolor};
use rhodon_picture::{Repainted, repaint};
use serde::Serialize;

use super::diff::theme;
use crate::input;
use crate::output::{Failure, Printer, write_into};
use crate::progress;
use crate::report::Refused;

/// Shown below the help.
const EXAMPLES: &str = "\
Examples:
  rhodon recolor src --from old.rhodon.json --to new.rhodon.json --kin --out recoloured
  rhodon recolor site.css --map map.json --face \"Tern Sans=Anlow Text\"";

#[derive(Debug, Args)]
#[command(after_help = EXAMPLES)]
pub struct RecolorArgs {
    /// Style sheets, markup, JSON, resources, code, palettes and pictures, and folders of them.
    #[arg(required = true)]
    pub files: Vec<PathBuf>,
    /// Which colours become which: {"#0f5c7a": "#1f6f4a", …}; a new colour may be a reference with its
    /// colour, var(--brand, #1f6f4a).
    #[arg(long, required_unless_present_any = ["from", "face"], conflicts_with_all = ["from", "to"])]
    pub map: Option<PathBuf>,
    /// The theme document whose colours the files have.
    #[arg(long, requires = "to")]
    pub from: Option<PathBuf>,
    /// The theme document whose colours they get, token by token.
    #[arg(long, requires = "from")]
    pub to: Option<PathBuf>,
    /// A face and what takes its place: one face before the same others, or a whole list; may stand again.
    #[arg(long, value_name = "OLD=NEW")]
    pub face: Vec<String>,
    /// Take along relatives of brand colours that no token has: hover shades, tints, borders.
    #[arg(long)]
    pub kin: bool,
    /// Change the colours that comments mention too.
    #[arg(long)]
    pub comments: bool,
    /// Refer to tokens by var(--…) where a style sheet can.
    #[arg(long)]
    pub to_variables: bool,
    /// Folder for the files; without it one file goes to standard output.
    #[arg(long)]
    pub out: Option<PathBuf>,
}

#[derive(Serialize)]
struct Report<'a> {
    file: &'a str,
    changes: Vec<Change<'a>>,
    left: Vec<LeftReport<'a>>,
    /// Texts that could be read on the ground of their rule before.
    unreadable: Vec<Unreadable<'a>>,
    /// How many pixels of a picture are other ones.
    #[serde(skip_serializing_if = "Option::is_none")]
    pixels: Option<usize>,
}

#[derive(Serialize)]
struct Change<'a> {
    line: usize,
    column: usize,
    from: &'a str,
    to: &'a str,
}

#[derive(Serialize)]
struct LeftReport<'a> {
    line: usize,
    column: usize,
    text: &'a str,
    why: &'a str,
}

#[derive(Serialize)]
struct Unreadable<'a> {
    line: usize,
    text: &'a str,
    ground: &'a str,
    before: f64,
    after: f64,
}

/// A file with other colours.
enum Done {
    Text(Recolored),
    Picture(Repainted),
}

pub fn run(args: &RecolorArgs, printer: &mut Printer) -> Result<(), Failure> {
    let plan = plan(args)?;
    let mut files: Vec<(InputFile, String)> = Vec::new();
    for path in &args.files {
        let mut found = Vec::new();
        if let Err(failure) = input::collect(path, is_ours, &mut found) {
            printer.mark_bad();
            eprintln!("{failure}");
        }
        files.extend(found.into_iter().map(|file| {
            let goes_to = inside(&file.name, path);
            (file, goes_to)
        }));
    }
    if args.out.is_none() && !printer.is_json() && files.len() > 1 {
        return Err(Failure::bad(format!(
            "expected --out for {} files",
            files.len()
        )));
    }
    let mut written = HashSet::new();
    let mut loading = Loading::default();
    let bar = progress::bar(files.len(), "files");
    for (file, path) in bar.wrap_iter(files.iter()) {
        let done = match changed(file, &plan) {
            Ok(done) => done,
            Err(why) => {
                printer.bad(
                    &file.name,
                    &file.name,
                    &why,
                    &Refused::new(&file.name, &why),
                )?;
                continue;
            }
        };
        if let Some(folder) = &args.out {
            if !written.insert(path.clone()) {
                printer.mark_bad();
                eprintln!(
                    "{}: expected files of different names, found two for {path}",
                    file.name
                );
                continue;
            }
            write_into(folder, path, done.bytes())?;
        }
        if let Done::Text(text) = &done {
            loading.add(text);
        }
        let report = report(&file.name, &done);
        match (printer.is_json(), &args.out) {
            (true, _) => printer.result(&report, String::new)?,
            (false, None) => printer.bytes(done.bytes())?,
            (false, Some(folder)) => {
                let path = folder.join(path);
                printer.result(&report, || path.display().to_string())?;
            }
        }
        if !printer.is_json() {
            tell(&report);
        }
    }
    for face in loading.missing() {
        eprintln!(
            "{face}: none of the files loads this face: bring one of that name, or load its style sheet"
        );
    }
    Ok(())
}

fn plan(args: &RecolorArgs) -> Result<Plan, Failure> {
    let (map, between) = match (&args.map, &args.from, &args.to) {
        (Some(path), ..) => {
            let place = path.display().to_string();
            let text = input::text(path)?;
            let map = ColorMap::parse(&text).map_err(|e| Failure::bad(format!("{place}: {e}")))?;
            (map, FaceMap::default())
        }
        (None, Some(from), Some(to)) => {
            let (from, to) = (theme(from)?, theme(to)?);
            (ColorMap::between(&from, &to), FaceMap::between(&from, &to))
        }
        _ => (ColorMap::default(), FaceMap::default()),
    };
    Ok(Plan {
        map,
        faces: between.overlaid(faces(&args.face)?),
        kin: args.kin,
        comments: args.comments,
        to_variables: args.to_variables,
    })
}

fn faces(pairs: &[String]) -> Result<FaceMap, Failure> {
    let mut map = FaceMap::default();
    for pair in pairs {
        let read = pair
            .split_once('=')
            .filter(|(old, _)| !old.trim().is_empty())
            .and_then(|(old, new)| Some((old, Faces::typed(new)?)));
        let (old, new) = read.ok_or_else(|| {
            let expected = "expected a face and what takes its place, \"Old=New\"";
            Failure::bad(format!("--face: {expected}, found {pair:?}"))
        })?;
        map.add(old, new);
    }
    Ok(map)
}

fn is_picture(name: &str) -> bool {
    let ending = name
        .rsplit('.')
        .next()
        .unwrap_or_default()
        .to_ascii_lowercase();
    matches!(ending.as_str(), "png" | "webp" | "jpg" | "jpeg" | "gif")
}

fn is_ours(name: &str) -> bool {
    finder_for(name).is_some() || is_picture(name)
}

fn changed(file: &InputFile, plan: &Plan) -> Result<Done, String> {
    if !is_picture(&file.name) {
        return recolor(file, plan).map(Done::Text);
    }
    let pairs: Vec<(Rgb8, Rgb8)> = plan.map.pairs().collect();
    repaint(&file.bytes, &pairs)
        .map(Done::Picture)
        .map_err(|e| e.to_string())
}

impl Done {
    fn bytes(&self) -> &[u8] {
        match self {
            Self::Text(done) => done.text.as_bytes(),
            Self::Picture(done) => &done.bytes,
        }
    }
}

/// Where a file goes inside a folder: as it lies in the folder that was named, or as it was named itself;
/// where that leads elsewhere, under its last name.
fn inside(name: &str, named: &Path) -> String {
    let path = Path::new(name);
    let path = path
        .strip_prefix(named)
        .ok()
        .filter(|p| !p.as_os_str().is_empty())
        .unwrap_or(path);
    let path = path.strip_prefix(".").unwrap_or(path);
    if path.components().all(|c| matches!(c, Component::Normal(_))) {
        return path.display().to_string();
    }
    let last = path.file_name().unwrap_or(path.as_os_str());
    last.to_string_lossy().into_owned()
}

fn report<'a>(file: &'a str, done: &'a Done) -> Report<'a> {
    let (text, pixels) = match done {
        Done::Text(done) => (Some(done), None),
        Done::Picture(done) => (None, Some(done.changed)),
    };
    let left = |l: &'a Left| LeftReport {
        line: l.line,
        column: l.column,
        text: &l.text,
        why: &l.why,
    };
    let unreadable = |u: &'a rhodon_formats::recolor::Unreadable| Unreadable {
        line: u.line,
        text: &u.text,
        ground: &u.ground,
        before: u.before,
        after: u.after,
    };
    Report {
        file,
        changes: text.map(changes).unwrap_or_default(),
        left: text.iter().flat_map(|t| &t.left).map(left).collect(),
        unreadable: text
            .iter()
            .flat_map(|t| &t.unreadable)
            .map(unreadable)
            .collect(),
        pixels,
    }
}

/// Colours and faces that were changed, in their order.
fn changes(done: &Recolored) -> Vec<Change<'_>> {
    let colors = done.changes.iter().map(|c| Change {
        line: c.line,
        column: c.column,
        from: &c.from,
        to: &c.to,
    });
    let faces = done.faces.iter().filter_map(|f| {
        Some(Change {
            line: f.line,
            column: f.column,
            from: &f.from,
            to: f.to.as_deref()?,
        })
    });
    let mut all: Vec<Change<'_>> = colors.chain(faces).collect();
    all.sort_by_key(|change| (change.line, change.column));
    all
}

/// What was done and what was left, for people.
fn tell(report: &Report<'_>) {
    let Report {
        file,
        changes,
        left,
        ..
    } = report;
    match report.pixels {
        Some(pixels) => eprintln!("{file}: {pixels} pixels changed"),
        None => eprintln!("{file}: {} changed, {} left", changes.len(), left.len()),
    }
    for one in left.iter().filter(|l| l.why != "not in the map") {
        eprintln!(
            "{file}:{}:{}: {}: {}",
            one.line, one.column, one.text, one.why
        );
    }
    for one in &report.unreadable {
        let (before, after) = (one.before, one.after);
        eprintln!(
            "{file}:{}: {} on {} was {before:.2} : 1 and is {after:.2} : 1, expected 4.5",
            one.line, one.text, one.ground
        );
    }
}
