//! Damages files of every kind for as long as one likes and reads them: no reader may panic or take long,
//! whatever is in a file.
//! `cargo run --release -p rhodon-formats --example reader_survey -- SECONDS [READER…]`

use std::io::Cursor;
use std::panic::{AssertUnwindSafe, catch_unwind};
use std::time::{Duration, Instant};

use fastrand::Rng;
use indexmap::IndexMap;
use rhodon_formats::color_use::FINDERS;
use rhodon_formats::form::{fill, learn};
use rhodon_formats::inventory::{NEAR, inventory};
use rhodon_formats::read::{InputFile, color_list, read};
use rhodon_formats::recolor::{ColorMap, Faces, Plan, recolor};
use rhodon_formats::{Room, Source, Stamp, TARGETS, bundle, unpack};
use rhodon_theme::{Derived, Document, Form, Resolved, derive};

/// Pieces that mean something in one format or another, and what opens without closing.
const PIECES: &[&str] = &[
    "/*",
    "*/",
    "//",
    "<!--",
    "-->",
    "url(",
    "\"",
    "'",
    "`",
    "${",
    "{",
    "}",
    "((",
    "))",
    "[",
    "]",
    "<style>",
    "</script>",
    "\\",
    "\0",
    "\u{feff}",
    "#fff",
    "#0f5c7a80",
    "rgb(",
    "oklch(0.5 0.1 200 / ",
    "color-mix(in ",
    "var(--",
    "{{",
    "}}",
    "{% for i in range(99999) %}",
    "{% endfor %}",
    "|",
    "1e999",
    "-0",
    "null",
    "{}",
    "\"$value\":",
    "\"$ref\":\"#/",
    "{a.b}",
    "\r",
    "\r\n",
    "\u{202e}",
    "é",
    "@import ",
    ":root{",
    "--x:",
];

type Read = Box<dyn Fn(&[u8])>;

/// One way into the application for bytes from outside.
struct Door {
    name: String,
    seeds: Vec<Vec<u8>>,
    read: Read,
}

fn main() {
    let mut args = std::env::args().skip(1);
    let seconds = args.next().and_then(|s| s.parse().ok()).unwrap_or(10);
    let wanted: Vec<String> = args.collect();
    let mut failed = false;
    for door in doors() {
        if wanted.is_empty() || wanted.contains(&door.name) {
            failed |= !survey(&door, Duration::from_secs(seconds));
        }
    }
    std::process::exit(i32::from(failed));
}

/// Reads damaged files for a while and tells of them; whether none panicked or took a second.
fn survey(door: &Door, time: Duration) -> bool {
    let (mut rng, started) = (Rng::with_seed(41), Instant::now());
    let (mut count, mut panics, mut slowest) = (0u64, 0u64, Duration::ZERO);
    while started.elapsed() < time {
        let bytes = damaged(&door.seeds, &mut rng);
        let (began, busy) = (Instant::now(), time_on_core());
        let read = catch_unwind(AssertUnwindSafe(|| (door.read)(&bytes)));
        let busy = time_on_core().zip(busy).map(|(now, then)| now - then);
        slowest = slowest.max(busy.unwrap_or_else(|| began.elapsed()));
        count += 1;
        if read.is_err() {
            panics += 1;
            let kept = std::env::temp_dir().join(format!("rhodon-{}-{panics}", door.name));
            println!("{}: panicked, see {}", door.name, kept.display());
            std::fs::write(kept, &bytes).expect("room for a file");
        }
    }
    println!(
        "{}: {count} files, {panics} panics, slowest {slowest:?}",
        door.name
    );
    panics == 0 && slowest < Duration::from_secs(1)
}

/// How long this thread has had a core, where the system tells: a busy machine does not make a reader slow.
fn time_on_core() -> Option<Duration> {
    let told = std::fs::read_to_string("/proc/thread-self/schedstat").ok()?;
    let nanoseconds = told.split(' ').next()?.parse().ok()?;
    Some(Duration::from_nanos(nanoseconds))
}

/// A file with some of it cut, doubled, moved, overwritten, or taken from another one.
fn damaged(seeds: &[Vec<u8>], rng: &mut Rng) -> Vec<u8> {
    let mut out = seeds[rng.usize(..seeds.len())].clone();
    for _ in 0..rng.usize(1..8) {
        let at = rng.usize(..=out.len());
        let length = 1 << rng.u32(0..13);
        let end = (at + rng.usize(..=length)).min(out.len());
        match rng.u8(..7) {
            0 => out.truncate(at),
            1 => drop(out.drain(at..end)),
            2 => {
                let part = out[at..end].to_vec();
                out.splice(at..at, part);
            }
            3 => out
                .splice(at..end, PIECES[rng.usize(..PIECES.len())].bytes())
                .for_each(drop),
            4 => {
                let piece = PIECES[rng.usize(..PIECES.len())];
                let often = 1 << rng.u32(0..13);
                out.splice(at..at, piece.repeat(often).into_bytes());
            }
            5 => {
                let other = &seeds[rng.usize(..seeds.len())];
                let from = rng.usize(..=other.len());
                out.splice(at..end, other[from..(from + 400).min(other.len())].to_vec());
            }
            _ => out
                .iter_mut()
                .skip(at)
                .take(4)
                .for_each(|byte| *byte = rng.u8(..)),
        }
    }
    out.truncate(2_000_000);
    out
}

fn doors() -> Vec<Door> {
    let text = include_str!("../../../demo/brindle-sound-ferries.rhodon.json");
    let document = Document::parse(text).expect("the demo theme");
    let exported = exported(&document);
    let seeds = |endings: &[&str]| -> Vec<Vec<u8>> {
        let fits = |name: &str| endings.iter().any(|e| name.ends_with(&format!(".{e}")));
        let files = exported.iter().filter(|(name, _)| fits(name));
        files.map(|(_, text)| text.clone().into_bytes()).collect()
    };
    let mut doors = vec![
        as_file("document", "theme.json", vec![text.as_bytes().to_vec()]),
        as_file(
            "tokens",
            "tokens.json",
            vec![exported["tokens.json"].clone().into_bytes()],
        ),
        list(seeds(&["gpl", "css"])),
        archive(&exported),
        form(&document, seeds(&["css", "kt", "xml"])),
        map(),
    ];
    doors.extend(FINDERS.iter().map(|finder| {
        let mut own = seeds(finder.endings);
        own.push(b"a { color: #0f5c7a } <p style=\"color: rgb(1 2 3)\"> 15 92 122 Petrol".to_vec());
        found(finder.id, finder.endings[0], own)
    }));
    doors
}

/// Files of every target.
fn exported(document: &Document) -> IndexMap<String, String> {
    let decided = Resolved::alone(document.clone());
    let theme = derive(&decided).expect("the demo theme");
    let stamp = Stamp {
        theme: theme.name.clone(),
        revision: Some(41),
        date: None,
    };
    let source = Source::alone(&decided, &theme, &stamp);
    let files = TARGETS.iter().flat_map(|target| {
        let settings = target.settings([]).expect("no option is asked for");
        target
            .export(&source, settings)
            .map_or(Vec::new(), |output| output.files)
    });
    files.map(|file| (file.path, file.text)).collect()
}

/// A file that a theme is read from.
fn as_file(name: &str, file: &'static str, seeds: Vec<Vec<u8>>) -> Door {
    let read = move |bytes: &[u8]| {
        let import = read(&[InputFile {
            name: file.to_owned(),
            bytes: bytes.to_vec(),
        }]);
        if let Some(document) = import.spec {
            let _ = derive(&Resolved::alone(document));
        }
    };
    Door {
        name: name.to_owned(),
        seeds,
        read: Box::new(read),
    }
}

/// A kind of file in which colours are found, counted, changed and learned from.
fn found(id: &str, ending: &'static str, seeds: Vec<Vec<u8>>) -> Door {
    let map = ColorMap::parse(r##"{"#0f5c7a": "#7a4b8f", "#fff": "var(--page, #eee)"}"##);
    let mut plan = Plan {
        map: map.expect("a map"),
        kin: true,
        comments: true,
        to_variables: true,
        ..Plan::default()
    };
    for face in ["Vess", "Vess Sans", "Tern", "Arial", "Anlow Display"] {
        let new = Faces::typed("Quay's \"Own\", serif");
        plan.faces.add(face, new.expect("faces"));
    }
    let read = move |bytes: &[u8]| {
        let file = InputFile {
            name: format!("some.{ending}"),
            bytes: bytes.to_vec(),
        };
        let _ = recolor(&file, &plan);
        let _ = inventory(std::slice::from_ref(&file), NEAR);
        let _ = rhodon_formats::read::read(&[file]);
    };
    Door {
        name: id.to_owned(),
        seeds,
        read: Box::new(read),
    }
}

/// A pasted list of colours.
fn list(seeds: Vec<Vec<u8>>) -> Door {
    Door {
        name: "list".to_owned(),
        seeds,
        read: Box::new(|bytes| drop(color_list(&String::from_utf8_lossy(bytes)))),
    }
}

fn archive(files: &IndexMap<String, String>) -> Door {
    let files: Vec<_> = files
        .iter()
        .map(|(name, text)| (name.clone(), text.clone()))
        .collect();
    let room = Room {
        entries: 5_000,
        bytes: 20_000_000,
    };
    let read = move |bytes: &[u8]| drop(unpack(Cursor::new(bytes), room, |_| true));
    Door {
        name: "archive".to_owned(),
        seeds: vec![
            bundle(&files[..9]).expect("an archive"),
            bundle(&files[..2]).expect("an archive"),
        ],
        read: Box::new(read),
    }
}

/// A form learned from an example, and one that somebody wrote.
fn form(document: &Document, seeds: Vec<Vec<u8>>) -> Door {
    let theme: Derived = derive(&Resolved::alone(document.clone())).expect("the demo theme");
    let read = move |bytes: &[u8]| {
        let text = String::from_utf8_lossy(bytes).into_owned();
        if let Ok(learned) = learn(&InputFile::text("some.css", text.clone()), &theme) {
            let _ = fill(&learned.form, &theme, &[]);
        }
        let form = Form {
            file: "some.css".to_owned(),
            slots: IndexMap::new(),
            text,
            pack: None,
        };
        let _ = fill(&form, &theme, &[]);
    };
    let mut seeds = seeds;
    seeds.push(
        b"{% for scale in scales %}{{ scale.slug }}: {{ token(scale.steps[0].path) | hex }}{% endfor %}\n{{ theme.name }}".to_vec(),
    );
    Door {
        name: "form".to_owned(),
        seeds,
        read: Box::new(read),
    }
}

/// A map of old colours to new ones.
fn map() -> Door {
    Door {
        name: "map".to_owned(),
        seeds: vec![
            br##"{"#0f5c7a": "#7a4b8f", "#fff": "var(--page, #eee)", "rgb(1 2 3 / 50%)": null}"##
                .to_vec(),
        ],
        read: Box::new(|bytes| drop(ColorMap::parse(&String::from_utf8_lossy(bytes)))),
    }
}
