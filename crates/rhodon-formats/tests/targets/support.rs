//! Themes to export, and the consumers that read what comes out.

use std::path::{Path, PathBuf};
use std::process::Command;

use rhodon_formats::{ExportError, File, Output, Source, Stamp, find};
use rhodon_theme::{Derived, Document, Mode, Resolved, Token, derive};
use serde_json::{Value, json};

/// A theme and what follows from it.
pub struct Made {
    pub decided: Resolved,
    pub derived: Derived,
}

impl Made {
    pub fn of(spec: Document) -> Self {
        let decided = Resolved::alone(spec);
        let derived = derive(&decided).unwrap();
        Self { decided, derived }
    }

    pub fn export(&self, id: &str, set: &[(&str, &str)]) -> Result<Output, ExportError> {
        let stamp = Stamp {
            theme: self.derived.name.clone(),
            revision: Some(41),
            date: Some("2026-11-25".to_owned()),
        };
        let set = set.iter().map(|(k, v)| ((*k).to_owned(), (*v).to_owned()));
        let target = find(id)?;
        let source = Source::alone(&self.decided, &self.derived, &stamp);
        target.export(&source, target.settings(set)?)
    }

    pub fn files(&self, id: &str, set: &[(&str, &str)]) -> Vec<File> {
        self.export(id, set)
            .unwrap_or_else(|e| panic!("{id}: {e}"))
            .files
    }

    pub fn text(&self, id: &str, set: &[(&str, &str)]) -> String {
        self.files(id, set).remove(0).text
    }

    /// Tokens that exports carry.
    pub fn tokens(&self) -> impl Iterator<Item = &Token> {
        self.derived.tokens.iter().filter(|t| !t.omitted)
    }

    /// Path and code of every colour in a mode.
    pub fn colors(&self, mode: Mode) -> impl Iterator<Item = (&str, String)> {
        self.tokens().filter_map(move |t| {
            t.cell(mode)
                .value
                .color()
                .map(|c| (&*t.path, c.to_string()))
        })
    }
}

pub fn demo() -> Made {
    let text = include_str!("../../../../demo/brindle-sound-ferries.rhodon.json");
    Made::of(Document::parse(text).unwrap())
}

/// A theme of one brand colour and more decisions.
pub fn theme(extra: Value) -> Made {
    let mut spec = json!({ "format": 1, "name": "Tern", "brand": [{ "name": "P", "slug": "p", "color": "#0f5c7a" }] });
    for (key, value) in extra.as_object().unwrap() {
        spec[key] = value.clone();
    }
    Made::of(Document::read(&spec).unwrap())
}

/// Writes files below a folder.
pub fn lay(folder: &Path, files: &[File]) {
    for file in files {
        let path = folder.join(&file.path);
        std::fs::create_dir_all(path.parent().unwrap()).unwrap();
        std::fs::write(path, &file.text).unwrap();
    }
}

/// A folder that goes with the test.
pub fn folder() -> tempfile::TempDir {
    tempfile::tempdir_in(env!("CARGO_TARGET_TMPDIR")).unwrap()
}

fn consumers() -> PathBuf {
    Path::new(env!("CARGO_MANIFEST_DIR"))
        .join("../../e2e/consumers")
        .canonicalize()
        .unwrap()
}

/// Runs a consumer in Node; it prints JSON.
pub fn node(script: &str, folder: &Path) -> Value {
    let run = Command::new("node")
        .arg(consumers().join(script))
        .arg(folder)
        .output();
    let output = run.expect("Node is needed: run the tests through bin/test");
    let errors = String::from_utf8_lossy(&output.stderr);
    assert!(
        output.status.success(),
        "{script}: {errors}{}",
        String::from_utf8_lossy(&output.stdout)
    );
    serde_json::from_slice(&output.stdout).unwrap_or_else(|e| panic!("{script}: {e}: {errors}"))
}

/// Reads a file as its consumer would, where that needs no other program.
pub fn parse(file: &File) -> Result<(), String> {
    let text = &file.text;
    let told = |e: &dyn std::fmt::Display| format!("{}: {e}", file.path);
    match file.path.rsplit('.').next().unwrap_or_default() {
        "css" => super::css::check_syntax(text).map_err(|e| told(&e)),
        "json" => serde_json::from_str::<Value>(text)
            .map(|_| ())
            .map_err(|e| told(&e)),
        "xml" | "svg" => roxmltree::Document::parse(text)
            .map(|_| ())
            .map_err(|e| told(&e)),
        // Lines for the head of somebody's page.
        "html" if file.path.ends_with(".head.html") => {
            let page = format!("<head>{text}</head>");
            roxmltree::Document::parse(&page)
                .map(|_| ())
                .map_err(|e| told(&e))
        }
        "html" => {
            let body = text
                .strip_prefix("<!doctype html>\n")
                .ok_or("a document type comes first")?;
            roxmltree::Document::parse(body)
                .map(|_| ())
                .map_err(|e| told(&e))
        }
        "kt" => grammar(&tree_sitter_kotlin_ng::LANGUAGE.into(), text).map_err(|e| told(&e)),
        "swift" => grammar(&tree_sitter_swift::LANGUAGE.into(), text).map_err(|e| told(&e)),
        "dart" => grammar(&tree_sitter_dart_orchard::LANGUAGE.into(), text).map_err(|e| told(&e)),
        "php" => grammar(&tree_sitter_php::LANGUAGE_PHP.into(), text).map_err(|e| told(&e)),
        "gpl" => super::records::check_palette(text).map_err(|e| told(&e)),
        "scss" => super::style::check_sass(&file.path, text).map_err(|e| told(&e)),
        "ts" | "js" | "less" => Ok(()),
        other => Err(format!("no consumer for .{other}")),
    }
}

fn grammar(language: &tree_sitter::Language, text: &str) -> Result<(), String> {
    let mut parser = tree_sitter::Parser::new();
    parser.set_language(language).map_err(|e| e.to_string())?;
    let tree = parser.parse(text, None).ok_or("the parser gave up")?;
    if !tree.root_node().has_error() {
        return Ok(());
    }
    let mut cursor = tree.walk();
    let mut fault = tree.root_node();
    while let Some(child) = fault
        .children(&mut cursor)
        .find(|c| c.has_error() || c.is_missing())
    {
        fault = child;
    }
    let line = fault.start_position().row;
    Err(format!(
        "a syntax error in line {}: {}",
        line + 1,
        text.lines().nth(line).unwrap_or_default()
    ))
}

/// `primary.fill-hover` as `primaryFillHover`.
pub fn camel(path: &str) -> String {
    let words: Vec<&str> = path.split(['.', '-']).collect();
    let rest = words[1..].iter().map(|w| w[..1].to_uppercase() + &w[1..]);
    words[0].to_owned() + &rest.collect::<String>()
}
