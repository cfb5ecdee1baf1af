//! Inputs as arguments or as lines of standard input.

use std::fs;
use std::io::{self, BufRead, BufReader, Read, Stdin};
use std::panic::resume_unwind;
use std::path::Path;
use std::sync::mpsc::{self, SyncSender};
use std::thread;

use clap::Args;
use rayon::prelude::*;
use rhodon_color::Color;
use rhodon_formats::color_use::NOT_OURS;
use rhodon_formats::read::InputFile;
use walkdir::{DirEntry, WalkDir};

use crate::output::{Failure, Printer};

/// What commands take that go over values one by one.
#[derive(Debug, Args)]
pub struct Inputs {
    /// One each; `-` or none reads lines from standard input.
    pub values: Vec<String>,
}

/// One input and where it stood.
#[derive(Clone, Debug)]
pub struct Item {
    /// `line 3` or `argument 3`.
    pub place: String,
    /// The text.
    pub text: String,
}

fn from_stdin(values: &[String]) -> bool {
    values.is_empty() || (values.len() == 1 && values[0] == "-")
}

/// Room for what is read of standard input at once, in bytes: as much as a pipe holds.
const ROOM: usize = 64 * 1024;
/// Inputs from which they are spread over the cores.
const MANY: usize = 64;
/// How many a core takes at once.
const TAKEN: usize = 16;
/// How many are done before what they say is printed: room that is used again is not cleared again.
const BATCH: usize = 32 * TAKEN;

/// What comes of inputs, in their order.
enum Said {
    /// Parts to print.
    Parts(Vec<Printer>),
    /// Nothing more is there yet: whoever waits is told all of it.
    Pause,
}

/// How many batches may wait to be printed: what is printed gives its room to the next.
const WAITING: usize = 1;

/// Does a job for every input and prints what it says, in their order. Lines are done as they arrive, all
/// those that are there at once, and printed while the next are done.
pub fn each<Job>(values: &[String], printer: &mut Printer, job: Job) -> Result<(), Failure>
where
    Job: Fn(&Item, &mut Printer) -> Result<(), Failure> + Sync,
{
    if !from_stdin(values) {
        return given(values, |item| job(&item, printer));
    }
    let blank = printer.part();
    let (say, said) = mpsc::sync_channel(WAITING);
    thread::scope(|scope| {
        let done = scope.spawn(|| do_lines(&blank, &job, say));
        let printed = said.into_iter().try_for_each(|said| match said {
            Said::Parts(parts) => parts.into_iter().try_for_each(|part| printer.append(part)),
            Said::Pause => printer.flush(),
        });
        // Where printing failed, nobody listens to the rest and it ends by itself.
        let done = done.join().unwrap_or_else(|panic| resume_unwind(panic));
        printed.and(done)
    })
}

/// Does a job for lines as they arrive, until nobody listens.
fn do_lines<Job>(blank: &Printer, job: &Job, say: SyncSender<Said>) -> Result<(), Failure>
where
    Job: Fn(&Item, &mut Printer) -> Result<(), Failure> + Sync,
{
    let mut stdin = BufReader::with_capacity(ROOM, io::stdin());
    let mut number = 0;
    loop {
        let items = lines(&mut stdin, &mut number)?;
        if items.is_empty() {
            return Ok(());
        }
        for batch in items.chunks(BATCH) {
            if say.send(Said::Parts(at_once(batch, blank, job)?)).is_err() {
                return Ok(());
            }
        }
        if say.send(Said::Pause).is_err() {
            return Ok(());
        }
    }
}

fn at_once<Job>(items: &[Item], blank: &Printer, job: &Job) -> Result<Vec<Printer>, Failure>
where
    Job: Fn(&Item, &mut Printer) -> Result<(), Failure> + Sync,
{
    let part = |items: &[Item]| {
        let mut part = blank.part();
        items.iter().try_for_each(|item| job(item, &mut part))?;
        Ok(part)
    };
    if items.len() < MANY {
        return Ok(vec![part(items)?]);
    }
    items.par_chunks(TAKEN).map(part).collect()
}

/// The next line, and those behind it that are there already; none at the end.
fn lines(stdin: &mut BufReader<Stdin>, number: &mut usize) -> Result<Vec<Item>, Failure> {
    let (mut items, mut line) = (Vec::new(), Vec::new());
    loop {
        line.clear();
        if stdin.read_until(b'\n', &mut line).map_err(reading)? == 0 {
            return Ok(items);
        }
        *number += 1;
        // What is not UTF-8 is no colour either: it is refused where it stands.
        let text = String::from_utf8_lossy(&line);
        items.push(Item {
            place: format!("line {number}"),
            text: text.trim_end_matches(['\n', '\r']).to_owned(),
        });
        if !stdin.buffer().contains(&b'\n') {
            return Ok(items);
        }
    }
}

/// Calls `each` for every argument, in order.
pub fn given(
    values: &[String],
    mut each: impl FnMut(Item) -> Result<(), Failure>,
) -> Result<(), Failure> {
    for (i, text) in values.iter().enumerate() {
        each(Item {
            place: format!("argument {}", i + 1),
            text: text.clone(),
        })?;
    }
    Ok(())
}

/// All of standard input.
pub fn all() -> Result<String, Failure> {
    let mut text = String::new();
    io::stdin()
        .lock()
        .read_to_string(&mut text)
        .map_err(reading)?;
    Ok(text)
}

/// The text of a file.
pub fn text(path: &Path) -> Result<String, Failure> {
    fs::read_to_string(path).map_err(|cause| Failure::Io {
        place: path.display().to_string(),
        cause,
    })
}

/// A file under the name by which it was asked for.
pub fn file(path: &Path) -> Result<InputFile, Failure> {
    let name = path.display().to_string();
    match fs::read(path) {
        Ok(bytes) => Ok(InputFile { name, bytes }),
        Err(cause) => Err(Failure::Io { place: name, cause }),
    }
}

/// A file as it is named, or those files of a folder whose names are wanted; what others made is passed
/// over.
pub fn collect(
    path: &Path,
    is_wanted: fn(&str) -> bool,
    files: &mut Vec<InputFile>,
) -> Result<(), Failure> {
    if !path.is_dir() {
        files.push(file(path)?);
        return Ok(());
    }
    let ours = |entry: &DirEntry| {
        let name = entry.file_name().to_string_lossy();
        !(entry.file_type().is_dir() && entry.depth() > 0 && NOT_OURS.contains(&name.as_ref()))
    };
    let walk = WalkDir::new(path).sort_by_file_name().into_iter();
    for entry in walk.filter_entry(ours) {
        let entry = entry.map_err(|e| Failure::Io {
            place: path.display().to_string(),
            cause: e.into(),
        })?;
        let is_ours = is_wanted(&entry.file_name().to_string_lossy());
        if entry.file_type().is_file() && is_ours {
            files.push(file(entry.path())?);
        }
    }
    Ok(())
}

fn reading(cause: io::Error) -> Failure {
    Failure::Io {
        place: "standard input".to_owned(),
        cause,
    }
}

/// The most colours of one brand.
const MAX_BRAND: usize = 8;

/// The colours of a brand: separated by tabs, or, where there is none, by spaces, commas and
/// semicolons outside brackets.
///
/// # Errors
/// The colour that is wrong, and why.
pub fn brand(text: &str) -> Result<Vec<Color>, String> {
    let parts = if text.contains('\t') {
        text.split('\t').map(str::to_owned).collect()
    } else {
        split(text)
    };
    let parts: Vec<String> = parts.into_iter().filter(|p| !p.trim().is_empty()).collect();
    if !(1..=MAX_BRAND).contains(&parts.len()) {
        return Err(format!(
            "expected 1 to {MAX_BRAND} colours, found {}",
            parts.len()
        ));
    }
    parts
        .iter()
        .map(|p| Color::parse_typed(p).map_err(|e| format!("{p:?}: {e}")))
        .collect()
}

fn split(text: &str) -> Vec<String> {
    let mut depth = 0usize;
    let mut parts = vec![String::new()];
    for c in text.chars() {
        match c {
            '(' => depth += 1,
            ')' => depth = depth.saturating_sub(1),
            _ => {}
        }
        if depth == 0 && (c.is_whitespace() || matches!(c, ',' | ';')) {
            parts.push(String::new());
        } else if let Some(last) = parts.last_mut() {
            last.push(c);
        }
    }
    parts
}
