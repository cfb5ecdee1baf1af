//! How a command ends, and how it prints.

use std::borrow::Cow;
use std::fmt::Display;
use std::fs;
use std::io::{self, BufWriter, Stdout, Write};
use std::path::{Component, Path};
use std::process::ExitCode;

use anstream::{AutoStream, ColorChoice};
use serde::Serialize;

use crate::input::Item;
use crate::report::Refused;
use crate::swatch::with_swatches;

/// How a command that ran to its end went.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Outcome {
    /// Everything was done.
    Done,
    /// The check found failures.
    Failed,
    /// Some input was bad; the rest was done.
    BadInput,
}

impl From<Outcome> for ExitCode {
    fn from(outcome: Outcome) -> Self {
        match outcome {
            Outcome::Done => Self::SUCCESS,
            Outcome::Failed => Self::from(1),
            Outcome::BadInput => Self::from(2),
        }
    }
}

/// Why a command stopped.
#[derive(Debug, thiserror::Error)]
pub enum Failure {
    /// Something given is wrong; one line each.
    #[error("{0}")]
    Bad(String),
    /// Reading or writing failed.
    #[error("{place}: {cause}")]
    Io {
        /// What was read or written.
        place: String,
        /// Why it failed.
        cause: io::Error,
    },
}

impl Failure {
    /// An input that is wrong: place, what, what was expected.
    pub fn bad(message: impl Into<String>) -> Self {
        Self::Bad(message.into())
    }

    /// Whether the reader of our output went away, which is its right.
    pub fn is_closed_pipe(&self) -> bool {
        matches!(self, Self::Io { cause, .. } if cause.kind() == io::ErrorKind::BrokenPipe)
    }
}

impl From<Failure> for ExitCode {
    fn from(failure: Failure) -> Self {
        if failure.is_closed_pipe() {
            Self::SUCCESS
        } else {
            Self::from(2)
        }
    }
}

/// Standard output, as JSON lines or for people, or a part of it that is put in its place later.
#[derive(Debug)]
pub struct Printer {
    out: Out,
    json: bool,
    /// Whether colours are shown beside their codes.
    color: bool,
    bad: bool,
    failed: bool,
    /// Room for the line that is being written.
    line: Vec<u8>,
}

/// Room for what a part says, in bytes: a few scales, so that it is rarely moved.
const PART: usize = 48 * 1024;

/// Where what is printed goes.
#[derive(Debug)]
enum Out {
    Standard(BufWriter<Stdout>),
    /// What a part says on standard output, and on standard error.
    Part(Vec<u8>, String),
}

impl Write for Out {
    fn write(&mut self, bytes: &[u8]) -> io::Result<usize> {
        match self {
            Self::Standard(out) => out.write(bytes),
            Self::Part(out, _) => out.write(bytes),
        }
    }

    fn write_all(&mut self, bytes: &[u8]) -> io::Result<()> {
        match self {
            Self::Standard(out) => out.write_all(bytes),
            Self::Part(out, _) => out.write_all(bytes),
        }
    }

    fn flush(&mut self) -> io::Result<()> {
        match self {
            Self::Standard(out) => out.flush(),
            Self::Part(..) => Ok(()),
        }
    }
}

impl Printer {
    /// Prints JSON if asked to.
    pub fn new(json: bool) -> Self {
        Self {
            out: Out::Standard(BufWriter::new(io::stdout())),
            json,
            color: AutoStream::choice(&io::stdout()) != ColorChoice::Never,
            bad: false,
            failed: false,
            line: Vec::new(),
        }
    }

    /// A printer for a part that is made beside others.
    pub fn part(&self) -> Self {
        Self {
            out: Out::Part(Vec::with_capacity(PART), String::new()),
            json: self.json,
            color: self.color,
            bad: false,
            failed: false,
            line: Vec::new(),
        }
    }

    /// Prints what a part says.
    pub fn append(&mut self, part: Self) -> Result<(), Failure> {
        self.bad |= part.bad;
        self.failed |= part.failed;
        let Out::Part(out, told) = part.out else {
            return Ok(());
        };
        if !told.is_empty() {
            self.tell(&told);
        }
        self.bytes(&out)
    }

    /// One result: as a JSON line, or as text for people.
    pub fn result(
        &mut self,
        value: &impl Serialize,
        text: impl FnOnce() -> String,
    ) -> Result<(), Failure> {
        if self.json {
            self.line(value)
        } else {
            let text = text();
            let shown = match self.color {
                true => Cow::Owned(with_swatches(&text)),
                false => Cow::Borrowed(&text),
            };
            writeln!(self.out, "{shown}").map_err(written)
        }
    }

    /// A document that is kept in a file: as a JSON line, or laid out as it is.
    pub fn document(&mut self, value: &serde_json::Value) -> Result<(), Failure> {
        if self.json {
            self.line(value)
        } else {
            self.raw(&pretty(value))
        }
    }

    /// A line of input that is wrong: told on standard error, kept in the JSON, and the rest goes on.
    pub fn bad(
        &mut self,
        place: &str,
        input: &str,
        message: &str,
        value: &impl Serialize,
    ) -> Result<(), Failure> {
        self.bad = true;
        self.tell(&format!("{place}: {:?}: {message}\n", shortened(input)));
        if self.json { self.line(value) } else { Ok(()) }
    }

    /// An input that is refused as a whole, by what is wrong with it.
    pub fn refused(&mut self, item: &Item, error: impl Display) -> Result<(), Failure> {
        let error = error.to_string();
        let value = Refused::new(&item.text, &error);
        self.bad(&item.place, &item.text, &error, &value)
    }

    /// Says something on standard error.
    fn tell(&mut self, lines: &str) {
        match &mut self.out {
            Out::Standard(_) => eprint!("{lines}"),
            Out::Part(_, told) => told.push_str(lines),
        }
    }

    /// Notes that some input was wrong and has been told.
    pub fn mark_bad(&mut self) {
        self.bad = true;
    }

    /// Notes that a check found what it must not.
    pub fn mark_failed(&mut self) {
        self.failed = true;
    }

    fn line(&mut self, value: &impl Serialize) -> Result<(), Failure> {
        self.line.clear();
        sonic_rs::to_writer(&mut self.line, value)
            .map_err(|cause| written(io::Error::other(cause)))?;
        self.line.push(b'\n');
        self.out.write_all(&self.line).map_err(written)
    }

    /// Text as it is.
    pub fn raw(&mut self, text: &str) -> Result<(), Failure> {
        self.bytes(text.as_bytes())
    }

    /// Bytes as they are.
    pub fn bytes(&mut self, bytes: &[u8]) -> Result<(), Failure> {
        self.out.write_all(bytes).map_err(written)
    }

    /// Lets what is printed so far be read.
    pub fn flush(&mut self) -> Result<(), Failure> {
        self.out.flush().map_err(written)
    }

    /// Flushes, and tells how it went.
    pub fn finish(mut self) -> Result<Outcome, Failure> {
        self.out.flush().map_err(written)?;
        Ok(if self.bad {
            Outcome::BadInput
        } else if self.failed {
            Outcome::Failed
        } else {
            Outcome::Done
        })
    }
}

/// The most letters of an input that are repeated in an error.
const MOST: usize = 120;

fn shortened(input: &str) -> Cow<'_, str> {
    match input.char_indices().nth(MOST) {
        Some((end, _)) => format!("{} …", &input[..end]).into(),
        None => input.into(),
    }
}

fn written(cause: io::Error) -> Failure {
    Failure::Io {
        place: "standard output".to_owned(),
        cause,
    }
}

impl Printer {
    /// Whether results are JSON lines.
    pub fn is_json(&self) -> bool {
        self.json
    }
}

/// Writes a file inside a folder, with the folders that it needs. It is there as a whole or not at all, and
/// one that is the same already stays untouched.
pub fn write_into(folder: &Path, file: &str, bytes: &[u8]) -> Result<(), Failure> {
    let relative = Path::new(file);
    if relative
        .components()
        .any(|c| !matches!(c, Component::Normal(_)))
    {
        return Err(Failure::bad(format!(
            "{file}: expected a path inside the folder"
        )));
    }
    let path = folder.join(relative);
    let io = |cause| Failure::Io {
        place: path.display().to_string(),
        cause,
    };
    if let Some(parent) = path.parent() {
        fs::create_dir_all(parent).map_err(io)?;
    }
    if fs::read(&path).is_ok_and(|there| there == bytes) {
        return Ok(());
    }
    let mut name = path.file_name().unwrap_or_default().to_owned();
    name.push(".part");
    let part = path.with_file_name(name);
    fs::write(&part, bytes).map_err(io)?;
    fs::rename(&part, &path).map_err(io)
}

/// JSON for files that people read.
pub fn pretty(value: &serde_json::Value) -> String {
    format!("{value:#}\n")
}
