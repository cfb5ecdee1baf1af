//! What is wrong with a document, and where.

use std::fmt;

use schemars::JsonSchema;
use serde::Serialize;

/// One problem at one place.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, JsonSchema)]
pub struct Problem {
    /// The place, as a JSON Pointer (RFC 6901).
    pub pointer: String,
    /// What was wrong and what was expected, as one sentence without a full stop.
    pub message: String,
}

/// What is wrong with text that is no JSON, and where.
pub fn not_json(error: &serde_json::Error) -> String {
    let place = format!("line {} column {}", error.line(), error.column());
    if error.is_eof() {
        return format!("expected JSON, found text that breaks off at {place}");
    }
    let told = error.to_string();
    let mistake = told
        .rsplit_once(" at line")
        .map_or(&*told, |(what, _)| what);
    format!("expected JSON, found a mistake at {place}: {mistake}")
}

impl Problem {
    /// The problem with its place in words, for people who see a screen and no document.
    pub fn sentence(&self) -> String {
        match place_in_words(&self.pointer) {
            Some(place) => format!("{place}: {}", self.message),
            None => self.message.clone(),
        }
    }
}

/// Where a pointer leads, as people call it.
fn place_in_words(pointer: &str) -> Option<String> {
    let parts: Vec<String> = pointer
        .split('/')
        .skip(1)
        .map(|p| p.replace("~1", "/").replace("~0", "~"))
        .collect();
    let parts: Vec<&str> = parts.iter().map(String::as_str).collect();
    let words = match parts.as_slice() {
        [] => return None,
        ["brand"] => "brand colours".to_owned(),
        ["brand", index, rest @ ..] => {
            let place = index.parse::<usize>().map_or(0, |i| i + 1);
            [&[format!("brand colour {place}")], &owned(rest)[..]]
                .concat()
                .join(", ")
        }
        ["scales", slug] | ["intents", slug] | ["tokens", slug] => (*slug).to_owned(),
        ["scales", slug, "alpha", ..] => format!("alpha steps of {slug}"),
        ["scales", slug, "steps", ..] => format!("step names of {slug}"),
        ["scales", slug, "pins", label] => format!("{slug} {label}"),
        ["scales", slug, "to"] => format!("the end of {slug}"),
        ["scales", slug, key, label] => format!("{key} of {slug} {label}"),
        ["scales", slug, key, ..] | ["intents", slug, key, ..] => format!("{key} of {slug}"),
        ["roles", path] => (*path).to_owned(),
        ["roles" | "tokens", path, mode, ..] => format!("{path} ({mode})"),
        ["type" | "shape", rest @ ..] if !rest.is_empty() => rest.join(", "),
        ["handoff", target, option] => format!("{option} of {target}"),
        other => other.join(", "),
    };
    Some(words)
}

fn owned(parts: &[&str]) -> Vec<String> {
    parts.iter().map(|p| (*p).to_owned()).collect()
}

impl fmt::Display for Problem {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        let place = if self.pointer.is_empty() {
            "the document"
        } else {
            &self.pointer
        };
        write!(f, "{place}: {}", self.message)
    }
}

/// Every problem found in one reading; never empty when returned as an error.
#[derive(Clone, Debug, Default, PartialEq, Eq, Serialize, JsonSchema)]
#[serde(transparent)]
pub struct Problems(
    /// The first of them, at most [`MOST`].
    pub Vec<Problem>,
    /// How many more there are.
    #[serde(skip)]
    usize,
);

/// The most problems that are told one by one.
pub(crate) const MOST: usize = 100;

impl Problems {
    /// A single problem.
    pub fn one(pointer: impl Into<String>, message: impl Into<String>) -> Self {
        let mut problems = Self::default();
        problems.add(pointer, message);
        problems
    }

    pub(crate) fn add(&mut self, pointer: impl Into<String>, message: impl Into<String>) {
        if self.0.len() == MOST {
            self.1 += 1;
            return;
        }
        self.0.push(Problem {
            pointer: shortened(&pointer.into(), 400),
            message: shortened(&message.into(), 1000),
        });
    }

    /// All of them, those that are only counted too.
    pub fn len(&self) -> usize {
        self.0.len() + self.1
    }

    /// Whether there is none.
    pub fn is_empty(&self) -> bool {
        self.0.is_empty()
    }

    /// How many there are beyond those that are told one by one.
    pub fn more(&self) -> usize {
        self.1
    }

    pub(crate) fn into_result<T>(self, value: T) -> Result<T, Self> {
        if self.is_empty() {
            Ok(value)
        } else {
            Err(self)
        }
    }
}

impl fmt::Display for Problems {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        let mut lines: Vec<String> = self.0.iter().map(Problem::to_string).collect();
        if self.1 > 0 {
            lines.push(format!("and {} more", self.1));
        }
        f.write_str(&lines.join("\n"))
    }
}

impl std::error::Error for Problems {}

/// Text cut to a number of characters.
fn shortened(text: &str, most: usize) -> String {
    match text.char_indices().nth(most) {
        Some((end, _)) => format!("{}…", &text[..end]),
        None => text.to_owned(),
    }
}

/// Somebody's text in quotes, cut to what is needed to know it again.
pub(crate) fn quoted(text: &str) -> String {
    format!("\"{}\"", shortened(text, 80))
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn places_are_told_in_words() {
        for (pointer, words) in [
            ("/scales/red/alpha/0", "alpha steps of red: no"),
            ("/scales/red/lightness/300", "lightness of red 300: no"),
            ("/scales/red/strength", "strength of red: no"),
            ("/brand/1/color", "brand colour 2, color: no"),
            ("/roles/link.rest/dark", "link.rest (dark): no"),
            ("/tokens/ferry.wake", "ferry.wake: no"),
            ("/type/base", "base: no"),
            ("/handoff/css/mode", "mode of css: no"),
            ("", "no"),
        ] {
            let problem = Problem {
                pointer: pointer.into(),
                message: "no".into(),
            };
            assert_eq!(problem.sentence(), words);
        }
    }

    #[test]
    fn many_problems_are_told_up_to_a_hundred_and_counted() {
        let mut problems = Problems::default();
        for i in 0..1000 {
            problems.add(format!("/{i}"), "x".repeat(5000));
        }
        assert_eq!(
            (problems.0.len(), problems.len(), problems.more()),
            (100, 1000, 900)
        );
        assert!(problems.to_string().ends_with("\nand 900 more"));
        assert!(problems.0[0].message.len() < 1010);
    }
}
