//! `rhodon extract`
use std::fs;
use std::io::{self, Read};
use std::path::PathBuf;

use clap::{Args, ValueEnum};
use rhodon_picture::{Lean, MAX_BYTES, Picture};
use rhodon_theme::color_look;
use serde::Serialize;

use crate::input;
use crate::output::{Failure, Printer};
use crate::progress;
use crate::report::Refused;

/// Shown below the help.
const EXAMPLES: &str = "\
Examples:
  rhodon extract logo.png --count 5";

#[derive(Debug, Args)]
#[command(after_help = EXAMPLES)]
pub struct ExtractArgs {
    /// PNG, JPEG, WebP, GIF or SVG files; `-` reads one from standard input.
    #[arg(required = true)]
    pub pictures: Vec<PathBuf>,
    /// How many colours at most.
    #[arg(long, default_value_t = 8, value_parser = clap::value_parser!(u8).range(1..=12))]
    pub count: u8,
    /// Which colours are preferred.
    #[arg(long, value_enum)]
    pub lean: Option<Toward>,
}

#[derive(Clone, Copy, Debug, PartialEq, Eq, ValueEnum)]
pub enum Toward {
    /// Light ones.
    Lighter,
    /// Dark ones.
    Darker,
    /// Strong ones.
    Stronger,
    /// Soft ones.
    Softer,
}

#[derive(Serialize)]
struct Report<'a> {
    input: &'a str,
    ok: bool,
    width: u32,
    height: u32,
    colors: Vec<Found>,
}

#[derive(Serialize)]
struct Found {
    hex: String,
    share: f64,
    x: f64,
    y: f64,
    name: String,
}

pub fn run(args: &ExtractArgs, printer: &mut Printer) -> Result<(), Failure> {
    let lean = args.lean.map(Lean::from);
    let paths: Vec<String> = args
        .pictures
        .iter()
        .map(|p| p.display().to_string())
        .collect();
    let bar = progress::bar(paths.len(), "pictures");
    input::given(&paths, |item| {
        bar.inc(1);
        let read = bytes(&item.text).and_then(|b| Picture::read(&b).map_err(|e| e.to_string()));
        let picture = match read {
            Ok(picture) => picture,
            Err(error) => {
                let refused = Refused::new(&item.text, &error);
                return printer.bad(&item.place, &item.text, &error, &refused);
            }
        };
        let colors = picture.colors(usize::from(args.count), lean);
        let colors = colors.into_iter().map(|found| Found {
            hex: found.color.to_string(),
            share: found.share,
            x: found.x,
            y: found.y,
            name: color_look(found.color),
        });
        let report = Report {
            input: &item.text,
            ok: true,
            width: picture.width,
            height: picture.height,
            colors: colors.collect(),
        };
        printer.result(&report, || told(&report))
    })
}

/// The bytes of a file, or of standard input; never much more than is read of a picture.
fn bytes(path: &str) -> Result<Vec<u8>, String> {
    let most = MAX_BYTES as u64 + 1;
    let mut out = Vec::new();
    let done = if path == "-" {
        io::stdin().lock().take(most).read_to_end(&mut out)
    } else {
        fs::File::open(path).and_then(|file| file.take(most).read_to_end(&mut out))
    };
    done.map(|_| out).map_err(|e| e.to_string())
}

fn told(report: &Report<'_>) -> String {
    let mut out = format!("{}  {} × {}", report.input, report.width, report.height);
    for found in &report.colors {
        let (x, y) = (found.x * 100.0, found.y * 100.0);
        let share = found.share * 100.0;
        out += &format!(
            "\n  {}  {share:5.1} %  at {x:.0} %, {y:.0} %  {}",
            found.hex, found.name
        );
    }
    out
}

impl From<Toward> for Lean {
    fn from(toward: Toward) -> Self {
        match toward {
            Toward::Lighter => Self::Lighter,
            Toward::Darker => Self::Darker,
            Toward::Stronger => Self::Stronger,
            Toward::Softer => Self::Softer,
        }
    }
}
