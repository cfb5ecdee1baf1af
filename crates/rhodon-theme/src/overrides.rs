//! What the user wrote by hand, with references followed: roles and own tokens.
//!
//! Every reference is followed once, whatever its chain shares with others: a document of
//! thousands of tokens that refer to each other costs no more than its length.

use std::collections::{HashMap, HashSet};
use std::fmt;
use std::sync::Arc;

use indexmap::IndexMap;

use crate::document::{Problems, Resolved, Typed};
use crate::label::TokenPath;
use crate::reason::Reason;
use crate::token::Mode;
use crate::value::{ColorValue, Origin, Value, Written};

/// A role set by hand, in one mode.
#[derive(Clone, Debug)]
pub(crate) struct SetRole {
    /// Its colour, or the path of a derived role whose colour it takes.
    pub value: Result<ColorValue, Arc<str>>,
    pub alias: Option<Arc<str>>,
    pub origin: Origin,
}

impl SetRole {
    pub(crate) fn reason(&self) -> Reason {
        match &self.alias {
            Some(path) => format!("set to {path}").into(),
            None => "set to a colour".into(),
        }
    }
}

/// Where a chain of references ends.
#[derive(Clone, Debug)]
pub(crate) enum End {
    /// At a value.
    Value(Value),
    /// At a path that is neither set by hand nor a step: a derived role, or nothing at all.
    Path(Arc<str>),
}

/// References that come back to where they began.
#[derive(Clone, Debug)]
pub(crate) struct Circle(Arc<[Arc<str>]>);

/// What a path comes to.
type Followed = Result<End, Circle>;
/// Written values by path, in the order of the document.
type WrittenValues<'a> = IndexMap<&'a str, &'a Typed<Written>>;

/// Everything written by hand, ready to be looked up.
#[derive(Debug)]
pub(crate) struct Overrides<'a> {
    roles: [HashMap<&'a str, SetRole>; 2],
    written: [WrittenValues<'a>; 2],
    followed: [HashMap<&'a str, Followed>; 2],
}

impl<'a> Overrides<'a> {
    /// Follows all references, to `steps` too, which are made only where something is written.
    ///
    /// # Errors
    /// References that form a circle, with the circle spelt out, or that lead to a value of
    /// another kind.
    pub(crate) fn new(
        theme: &'a Resolved,
        steps: impl FnOnce() -> HashMap<Arc<str>, Value>,
    ) -> Result<Self, Problems> {
        let is_bare = theme.merged.roles.is_empty() && theme.merged.tokens.is_empty();
        let steps = if is_bare { HashMap::new() } else { steps() };
        let mut problems = Problems::default();
        let written = Mode::BOTH.map(|mode| written(theme, mode));
        let followed = [
            follow_all(&written[0], &steps),
            follow_all(&written[1], &steps),
        ];
        let mut overrides = Self {
            roles: Default::default(),
            written,
            followed,
        };
        for mode in Mode::BOTH {
            overrides.set_roles(theme, mode, &mut problems);
        }
        for path in theme.merged.tokens.keys() {
            let circle = |mode| overrides.follow(path.as_str(), mode).err();
            if let Some(circle) = Mode::BOTH.into_iter().find_map(circle) {
                problems.add(format!("/tokens/{path}"), circle.to_string());
            }
        }
        problems.into_result(overrides)
    }

    fn set_roles(&mut self, theme: &'a Resolved, mode: Mode, problems: &mut Problems) {
        for path in theme.merged.roles.keys() {
            let Some(written) = self.written[mode as usize].get(path.as_str()) else {
                continue;
            };
            let place = || format!("/roles/{path}/{}", mode.id());
            let value = match self.follow(path.as_str(), mode) {
                Ok(End::Value(Value::Color(color))) => Ok(color),
                Ok(End::Path(role)) => Err(role),
                Ok(End::Value(_)) => {
                    problems.add(place(), "expected a colour, found a token of another kind");
                    continue;
                }
                Err(circle) => {
                    problems.add(place(), circle.to_string());
                    continue;
                }
            };
            let alias = written.target().map(|target| target.as_str().into());
            let inherited = theme.inherited.roles[mode as usize].contains(path);
            let origin = Origin::decided(inherited);
            self.roles[mode as usize].insert(
                path.as_str(),
                SetRole {
                    value,
                    alias,
                    origin,
                },
            );
        }
    }

    /// A role set by hand.
    pub(crate) fn role(&self, path: &str, mode: Mode) -> Option<&SetRole> {
        self.roles[mode as usize].get(path)
    }

    /// What was written for a path.
    pub(crate) fn written(&self, path: &TokenPath, mode: Mode) -> Option<&Written> {
        self.written[mode as usize]
            .get(path.as_str())
            .map(|typed| typed.value())
    }

    /// Where the references of a path end; one that nobody wrote ends at itself.
    ///
    /// # Errors
    /// A circle, spelt out.
    pub(crate) fn follow(&self, path: &str, mode: Mode) -> Followed {
        let known = self.followed[mode as usize].get(path);
        known.cloned().unwrap_or_else(|| Ok(End::Path(path.into())))
    }
}

/// Roles and own tokens of a mode, by path.
fn written(theme: &Resolved, mode: Mode) -> WrittenValues<'_> {
    let roles = theme
        .merged
        .roles
        .iter()
        .map(|(path, v)| (path.as_str(), v.get(mode)));
    let tokens = theme
        .merged
        .tokens
        .iter()
        .map(|(path, t)| (path.as_str(), t.get(mode)));
    roles
        .chain(tokens)
        .filter_map(|(path, value)| Some((path, value?)))
        .collect()
}

/// Follows every written path, each link of a chain once.
fn follow_all<'a>(
    written: &WrittenValues<'a>,
    steps: &HashMap<Arc<str>, Value>,
) -> HashMap<&'a str, Followed> {
    let mut known: HashMap<&'a str, Followed> = HashMap::with_capacity(written.len());
    for start in written.keys() {
        let (chain, end) = chain_from(start, written, steps, &known);
        known.extend(chain.into_iter().map(|path| (path, end.clone())));
    }
    known
}

/// The links from a path that are not known yet, and what all of them come to.
fn chain_from<'a>(
    start: &'a str,
    written: &WrittenValues<'a>,
    steps: &HashMap<Arc<str>, Value>,
    known: &HashMap<&'a str, Followed>,
) -> (Vec<&'a str>, Followed) {
    let mut chain: Vec<&'a str> = Vec::new();
    let mut places: HashMap<&'a str, usize> = HashMap::new();
    let mut at = start;
    loop {
        if let Some(end) = known.get(at) {
            return (chain, end.clone());
        }
        if let Some(first) = places.insert(at, chain.len()) {
            let links = chain[first..].iter().map(|link| Arc::from(*link));
            let end = Err(Circle(links.collect()));
            return (chain, end);
        }
        match written.get(at).map(|typed| typed.value()) {
            Some(Written::Literal(value)) => {
                chain.push(at);
                return (chain, Ok(End::Value(value.clone())));
            }
            Some(Written::Reference(next)) => {
                chain.push(at);
                at = next.as_str();
            }
            None => {
                let step = steps.get(at).map(|value| End::Value(value.clone()));
                return (chain, Ok(step.unwrap_or_else(|| End::Path(at.into()))));
            }
        }
    }
}

/// The roles and own tokens that stand in a circle of references, in a mode.
pub(crate) fn circling(theme: &Resolved, mode: Mode) -> HashSet<Arc<str>> {
    let followed = follow_all(&written(theme, mode), &HashMap::new());
    let circles = followed.into_values().filter_map(Result::err);
    circles
        .flat_map(|Circle(links)| links.iter().cloned().collect::<Vec<_>>())
        .collect()
}

/// The most links of a circle that are spelt out.
const SPELT: usize = 12;

impl fmt::Display for Circle {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        f.write_str("tokens refer to each other in a circle: ")?;
        for link in self.0.iter().take(SPELT) {
            write!(f, "{link} → ")?;
        }
        if self.0.len() > SPELT {
            f.write_str("… → ")?;
        }
        f.write_str(self.0.first().map_or("", |first| first))
    }
}
