//! Variables of style sheet preprocessors: every token under its name, with references kept and
//! in an order in which what is referred to comes first.

use foldhash::{HashMap, HashSet, HashSetExt};
use rhodon_color::Notation;
use rhodon_theme::{Derived, Mode, Section, Token};

use super::css_value;
use crate::error::ExportError;
use crate::job::{Job, Step, by_group};
use crate::name::Names;

/// How a preprocessor writes a map.
pub(crate) struct MapManner {
    pub open: &'static str,
    /// Behind each value.
    pub end: &'static str,
    pub close: &'static str,
}

/// Every token of a job as variables with a sign in front.
pub(crate) struct Variables<'a> {
    pub sign: char,
    pub names: Names<'a>,
    tokens: Vec<&'a Token>,
    by_path: HashMap<&'a str, &'a Token>,
    owners: HashMap<String, &'a str>,
}

impl<'a> Variables<'a> {
    pub(crate) fn new(job: &Job<'a>, sign: char, names: Names<'a>) -> Result<Self, ExportError> {
        let by_path = job.tokens().map(|t| (&*t.path, t)).collect();
        let owners = names
            .iter()
            .map(|(path, name)| (name.clone(), *path))
            .collect();
        let tokens = ordered(job, &by_path);
        let variables = Self {
            sign,
            names,
            tokens,
            by_path,
            owners,
        };
        variables.check_dark()?;
        Ok(variables)
    }

    /// The name of a token's dark value.
    fn dark_name(&self, path: &str) -> String {
        format!("dark-{}", self.names[path])
    }

    /// Names that stand beside those of tokens must not be theirs.
    fn check_dark(&self) -> Result<(), ExportError> {
        self.tokens
            .iter()
            .filter(|t| !t.is_modeless())
            .try_for_each(|t| {
                self.claim(&self.dark_name(&t.path), || {
                    format!("the dark value of {}", t.path)
                })
            })
    }

    /// Takes a name for something that is no token.
    ///
    /// # Errors
    /// Names the token that has it already.
    pub(crate) fn claim(&self, name: &str, what: impl Fn() -> String) -> Result<(), ExportError> {
        match self.owners.get(name) {
            None => Ok(()),
            Some(path) => Err(ExportError::Clash {
                first: (*path).to_owned(),
                second: what(),
                name: name.to_owned(),
            }),
        }
    }

    /// The variable that holds a token in a mode, with its sign.
    pub(crate) fn variable(&self, token: &Token, mode: Mode) -> String {
        let own = mode == Mode::Dark && !token.is_modeless();
        let name = if own {
            self.dark_name(&token.path)
        } else {
            self.names[&*token.path].clone()
        };
        format!("{}{name}", self.sign)
    }

    /// `$name: value` of every token that a mode defines: all in light, in dark those that differ.
    /// Behind each stands `end`, and a comment above each group.
    pub(crate) fn declarations(&self, mode: Mode, end: &str) -> String {
        let mut out = String::with_capacity(16 * 1024);
        let defined = |t: &&Token| mode == Mode::Light || !t.is_modeless();
        for (group, token) in by_group(self.tokens.iter().copied().filter(defined)) {
            if let Some(group) = group {
                out.push_str(&format!("\n// {group}\n"));
            }
            let (name, text) = (self.variable(token, mode), self.text(token, mode));
            out.push_str(&format!("{name}: {text}{end}\n"));
        }
        out
    }

    /// The kebab name and the variable of every token in a mode.
    pub(crate) fn entries(&self, mode: Mode) -> impl Iterator<Item = (&str, String)> {
        self.tokens
            .iter()
            .map(move |t| (self.names[&*t.path].as_str(), self.variable(t, mode)))
    }

    /// The kebab name and the value of every token that differs in a mode where more contrast is asked
    /// for, by the variable that it refers to where it is another token's.
    pub(crate) fn raised(&self, job: &Job<'_>, theme: &Derived, mode: Mode) -> Vec<(&str, String)> {
        let raised = job.of(theme);
        let named = raised.differing(job.theme, mode).map(|t| {
            let variable = |alias: &str| {
                let target = self
                    .by_path
                    .get(alias)
                    .filter(|t| t.section == Section::Scales)?;
                Some(self.variable(target, mode))
            };
            let cell = t.cell(mode);
            let referred = cell.alias.as_deref().and_then(variable);
            let text = referred.unwrap_or_else(|| css_value::value(&cell.value, Notation::Hex));
            (self.names[&*t.path].as_str(), text)
        });
        named.collect()
    }

    /// The variables of each scale's steps, by label.
    pub(crate) fn steps(
        &self,
        job: &Job<'a>,
    ) -> impl Iterator<Item = (&'a str, Vec<(&'a str, String)>)> {
        job.scales().filter_map(|(scale, steps)| {
            let named = |s: &Step<'a>| {
                self.names
                    .get(s.path)
                    .map(|n| (s.label, format!("{}{n}", self.sign)))
            };
            let entries: Vec<_> = steps.iter().filter_map(named).collect();
            (!entries.is_empty()).then_some((scale.slug.as_str(), entries))
        })
    }

    /// Writes a map of variables under a name that no token has.
    ///
    /// # Errors
    /// Names the token that has it.
    pub(crate) fn map(
        &self,
        name: &str,
        entries: impl IntoIterator<Item = (String, String)>,
        style: &MapManner,
        body: &mut String,
    ) -> Result<(), ExportError> {
        self.claim(name, || format!("the map {name}"))?;
        body.push_str(&format!("{}{name}: {}\n", self.sign, style.open));
        for (key, value) in entries {
            body.push_str(&format!("  {key}: {value}{}\n", style.end));
        }
        body.push_str(&format!("{}\n\n", style.close));
        Ok(())
    }

    fn text(&self, token: &Token, mode: Mode) -> String {
        let cell = token.cell(mode);
        let referred = cell
            .alias
            .as_deref()
            .and_then(|alias| self.by_path.get(alias));
        match referred {
            Some(target) => self.variable(target, mode),
            None => css_value::value(&cell.value, Notation::Hex),
        }
    }
}

/// Tokens in an order in which a reference stands behind what it refers to, in both modes.
fn ordered<'a>(job: &Job<'a>, by_path: &HashMap<&str, &'a Token>) -> Vec<&'a Token> {
    let mut out = Vec::with_capacity(by_path.len());
    let mut done = HashSet::with_capacity(by_path.len());
    for token in job.tokens() {
        let mut waiting = vec![token];
        while let Some(next) = waiting.last().copied() {
            let aliases = Mode::BOTH
                .iter()
                .filter_map(|m| next.cell(*m).alias.as_deref());
            let open = aliases
                .filter_map(|a| by_path.get(a))
                .find(|t| !done.contains(&*t.path) && !waiting.iter().any(|w| w.path == t.path));
            match open {
                Some(first) => waiting.push(first),
                None => {
                    waiting.pop();
                    if done.insert(&*next.path) {
                        out.push(next);
                    }
                }
            }
        }
    }
    out
}
