//! One export at work: the tokens it carries, and the files that they are written to.

use std::cell::OnceCell;

use foldhash::HashMap;
use rhodon_theme::{ColorValue, Derived, Mode, NamedScale, Resolved, Token, TokenKind};
use textwrap::WordSplitter;

use crate::option::{Settings, TargetOption};
use crate::output::File;
use crate::source::Source;
use crate::stamp::Stamp;

/// One export: what to write and how.
#[derive(Debug)]
pub(crate) struct Job<'a> {
    pub decided: &'a Resolved,
    pub theme: &'a Derived,
    pub stamp: &'a Stamp,
    pub settings: Settings,
    /// Themes beside this one.
    pub beside: &'a [&'a Derived],
    /// How the files are loaded.
    usage: String,
    by_path: OnceCell<HashMap<&'a str, &'a Token>>,
}

impl<'a> Job<'a> {
    pub(crate) fn new(source: &Source<'a>, settings: Settings, usage: String) -> Self {
        Self {
            decided: source.decided,
            theme: source.theme,
            stamp: source.stamp,
            settings,
            beside: source.beside,
            usage,
            by_path: OnceCell::new(),
        }
    }

    /// The same export of another theme.
    pub(crate) fn of<'b>(&self, theme: &'b Derived) -> Job<'b>
    where
        'a: 'b,
    {
        Job {
            decided: self.decided,
            theme,
            stamp: self.stamp,
            settings: self.settings.clone(),
            beside: self.beside,
            usage: String::new(),
            by_path: OnceCell::new(),
        }
    }

    /// Tokens that exports carry and that have another value in a mode of this theme than in the same
    /// theme at another level, which has the same tokens in the same order.
    pub(crate) fn differing(&self, usual: &Derived, mode: Mode) -> impl Iterator<Item = &'a Token> {
        let both = self.theme.tokens.iter().zip(&usual.tokens);
        both.filter(move |(raised, usual)| raised.cell(mode).value != usual.cell(mode).value)
            .map(|(raised, _)| raised)
            .filter(|token| self.carries(token))
    }

    /// A token by its path, left out of exports or not.
    pub(crate) fn token(&self, path: &str) -> Option<&'a Token> {
        let all = || self.theme.tokens.iter().map(|t| (&*t.path, t)).collect();
        self.by_path.get_or_init(all).get(path).copied()
    }

    /// Tokens that exports carry, less the sections that the `groups` option leaves out.
    pub(crate) fn tokens(&self) -> impl Iterator<Item = &'a Token> {
        self.theme.tokens.iter().filter(|t| self.carries(t))
    }

    fn carries(&self, token: &Token) -> bool {
        let section = token.section.id();
        !token.omitted && self.settings.includes(&TargetOption::GROUPS, section)
    }

    /// Of those, the colours.
    pub(crate) fn colors(&self) -> impl Iterator<Item = &'a Token> {
        self.tokens().filter(|t| t.kind == TokenKind::Color)
    }

    /// Of those, everything else.
    pub(crate) fn others(&self) -> impl Iterator<Item = &'a Token> {
        self.tokens().filter(|t| t.kind != TokenKind::Color)
    }

    /// Scales of which exports carry a step, with the paths and colours of those.
    pub(crate) fn scales(&self) -> impl Iterator<Item = (&'a NamedScale, Vec<Step<'a>>)> {
        let kept = |s: &&NamedScale| s.settings.off != Some(true);
        self.theme
            .scales
            .iter()
            .filter(kept)
            .map(|s| (s, carried_steps(s)))
            .filter(|(_, steps)| !steps.is_empty())
    }

    /// The colour of a role; a derived theme has every role that targets ask for.
    pub(crate) fn role(&self, path: &str, mode: Mode) -> ColorValue {
        let found = self.token(path).and_then(|t| t.cell(mode).value.color());
        debug_assert!(found.is_some(), "no role {path}");
        found
            .copied()
            .unwrap_or(ColorValue::opaque(rhodon_color::Rgb8::BLACK))
    }

    /// A file with the stamp and how it is loaded in comments on top.
    pub(crate) fn file(&self, path: &str, comment: Comment, body: &str) -> File {
        let Comment(open, close) = comment;
        let mut head = format!("{open}{}{close}\n", self.stamp.line(body));
        // A name such as data-mode stands whole, to be found and copied.
        let lines = textwrap::Options::new(WIDTH).word_splitter(WordSplitter::NoHyphenation);
        for line in textwrap::wrap(&self.usage, lines) {
            head.push_str(&format!("{open}{line}{close}\n"));
        }
        head.push('\n');
        File {
            path: path.to_owned(),
            text: format!("{head}{body}"),
            head: head.len(),
        }
    }
}

/// Characters in a line of what stands at the head of a file.
const WIDTH: usize = 76;

/// How a comment begins and ends.
#[derive(Clone, Copy, Debug)]
pub(crate) struct Comment(pub &'static str, pub &'static str);

impl Comment {
    /// `/* … */`
    pub(crate) const BLOCK: Self = Self("/* ", " */");
    /// `// …`, of which nothing reaches the compiled sheet.
    pub(crate) const LINE: Self = Self("// ", "");
    /// `<!-- … -->`
    pub(crate) const MARKUP: Self = Self("<!-- ", " -->");
}

/// Tokens in their order, each with the name of its group where that begins.
pub(crate) fn by_group<'a>(
    tokens: impl Iterator<Item = &'a Token>,
) -> impl Iterator<Item = (Option<&'a str>, &'a Token)> {
    let mut group = "";
    tokens.map(move |token| {
        let begins = token.group() != group;
        group = token.group();
        (begins.then_some(group), token)
    })
}

/// A step that exports carry.
#[derive(Clone, Copy, Debug)]
pub(crate) struct Step<'a> {
    pub label: &'a str,
    pub path: &'a str,
    pub color: ColorValue,
    /// Holds the scale's own colour.
    pub base: bool,
}

/// Every step of a scale.
pub(crate) fn all_steps(scale: &NamedScale) -> impl Iterator<Item = Step<'_>> {
    let all = scale.scale.steps.iter().zip(scale.paths.iter()).enumerate();
    all.map(|(i, (step, path))| Step {
        label: step.label.as_str(),
        path,
        color: ColorValue {
            code: step.color,
            alpha: 1.0,
            p3: step.p3,
        },
        base: i == scale.scale.base,
    })
}

fn carried_steps(scale: &NamedScale) -> Vec<Step<'_>> {
    let omitted = |s: &Step<'_>| scale.settings.omit.iter().any(|l| l.as_str() == s.label);
    all_steps(scale).filter(|s| !omitted(s)).collect()
}
