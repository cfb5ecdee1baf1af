//! What a target is, and the one way to write one.

use indexmap::IndexMap;
use rhodon_theme::{Derived, Mode, Resolved, Token, TokenKind, Value};
use serde::Serialize;

use crate::job::Job;
use crate::option::{OptionError, Settings, TargetOption};
use crate::stamp::Stamp;
use crate::write::{TARGETS, losses};

/// The kind of consumer, by which targets are listed.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Group {
    /// Style sheets and scripts for the web.
    Web,
    /// Configurations and themes of front-end frameworks.
    Frameworks,
    /// Resources and code of applications.
    Apps,
    /// Themes of site systems.
    Sites,
    /// What is kept, printed or read by design programs.
    Records,
}

impl Group {
    /// All of them, in the order in which they are shown.
    pub const ALL: [Self; 5] = [
        Self::Web,
        Self::Frameworks,
        Self::Apps,
        Self::Sites,
        Self::Records,
    ];

    /// Its title.
    pub fn name(self) -> &'static str {
        match self {
            Self::Web => "Web",
            Self::Frameworks => "Frameworks",
            Self::Apps => "Apps",
            Self::Sites => "Sites",
            Self::Records => "Records",
        }
    }

    /// What its targets are for.
    pub fn help(self) -> &'static str {
        match self {
            Self::Web => "Style sheets and scripts for the web.",
            Self::Frameworks => "Configurations and themes of front-end frameworks.",
            Self::Apps => "Resources and code of applications.",
            Self::Sites => "Themes of site systems.",
            Self::Records => "What is kept, printed or read by design programs.",
        }
    }

    /// Its name in lists.
    pub fn id(self) -> &'static str {
        match self {
            Self::Web => "web",
            Self::Frameworks => "frameworks",
            Self::Apps => "apps",
            Self::Sites => "sites",
            Self::Records => "records",
        }
    }
}

/// One file, complete.
#[derive(Clone, Debug, PartialEq, Eq, Serialize)]
pub struct File {
    /// Relative path with `/`.
    pub path: String,
    /// UTF-8 text with `\n` line ends.
    pub text: String,
    /// How many bytes of it tell where the file comes from.
    #[serde(skip)]
    pub head: usize,
}

impl File {
    /// The text without the head.
    pub fn body(&self) -> &str {
        &self.text[self.head..]
    }
}

/// Something a target cannot carry, by token.
#[derive(Clone, Debug, PartialEq, Eq, Serialize)]
pub struct Warning {
    /// Path of the token.
    pub token: String,
    /// What happens to it.
    pub message: String,
}

impl Warning {
    pub(crate) fn new(token: &str, message: impl Into<String>) -> Self {
        Self {
            token: token.to_owned(),
            message: message.into(),
        }
    }
}

/// A reason, with every token that it holds for.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct Loss<'a> {
    /// What happens to them.
    pub message: &'a str,
    /// Their paths.
    pub tokens: Vec<&'a str>,
}

impl<'a> Loss<'a> {
    /// Warnings by what they say, in the order in which they came.
    pub fn of(warnings: &'a [Warning]) -> Vec<Self> {
        let mut by_message: IndexMap<&str, Vec<&str>> = IndexMap::new();
        for warning in warnings {
            let tokens = by_message.entry(&warning.message).or_default();
            tokens.push(&warning.token);
        }
        let losses = by_message.into_iter();
        losses
            .map(|(message, tokens)| Self { message, tokens })
            .collect()
    }

    /// The first of its tokens, and how many more there are: `a, b and 3 more`.
    pub fn named(&self, most: usize) -> String {
        let first = &self.tokens[..most.min(self.tokens.len())];
        let named = first.join(", ");
        match self.tokens.len() - first.len() {
            0 => named,
            more => format!("{named} and {more} more"),
        }
    }
}

/// What a target wrote.
#[derive(Clone, Debug, Default, PartialEq, Eq)]
pub struct Output {
    /// Its files, in the order in which they are loaded.
    pub files: Vec<File>,
    /// What it could not carry.
    pub warnings: Vec<Warning>,
}

/// Why a target could not be written.
#[derive(Clone, Debug, PartialEq, Eq, thiserror::Error)]
pub enum ExportError {
    /// No target has that id.
    #[error("unknown target \"{id}\": expected one of {known}")]
    Unknown {
        /// As given.
        id: String,
        /// The ids there are.
        known: String,
    },
    /// No form of the document has that name.
    #[error("unknown form \"{name}\": expected one of {known}")]
    NoForm {
        /// As given.
        name: String,
        /// The forms there are.
        known: String,
    },
    /// A form is wrong.
    #[error("/forms/{name}: {error}")]
    Form {
        /// Its name.
        name: String,
        /// What is wrong with it, and where.
        error: crate::form::FormError,
    },
    /// A setting is wrong.
    #[error(transparent)]
    Option(#[from] OptionError),
    /// A choice that the document remembers is wrong.
    #[error("/handoff/{target}: {error}")]
    Remembered {
        /// Id of the target.
        target: &'static str,
        /// What is wrong with it.
        error: OptionError,
    },
    /// The files do not fit into one archive.
    #[error("the files could not be packed: {cause}")]
    Pack {
        /// Why not.
        cause: String,
    },
    /// Two tokens would have one name in the file.
    #[error("{first} and {second} would both be named {name}: expected different names")]
    Clash {
        /// Path of one token.
        first: String,
        /// Path of the other.
        second: String,
        /// The name in the file.
        name: String,
    },
    /// A token would be named by a word of the language.
    #[error("{token} would be named {word}, a reserved word of {language}: expected another name")]
    Reserved {
        /// Path of the token.
        token: String,
        /// The word.
        word: String,
        /// The language of the file.
        language: &'static str,
    },
}

/// The name of a token in code; none where the files do not hold it.
type NameOf = fn(&Settings, &Token) -> Option<String>;

/// What a target does with the values for people who ask for more contrast.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub(crate) enum MoreContrast {
    /// They stand in its files, and are used so.
    Written(&'static str),
    /// Its files refer to those of another target, which has them.
    Followed,
    /// There is no place for them.
    Left,
}

/// A kind of file that Rhodon writes.
#[derive(Debug)]
pub struct Target {
    /// Stable name.
    pub id: &'static str,
    /// Its kind, as people see it.
    pub name: &'static str,
    /// By which it is listed.
    pub group: Group,
    /// What can be set.
    pub options: &'static [TargetOption],
    /// Paths of its files; `…` stands for the names of tokens.
    pub files: &'static [&'static str],
    /// Keys inside its files by which people look for it.
    pub keys: &'static [&'static str],
    /// Where the files go and how they are loaded, in a sentence or two.
    pub usage: &'static str,
    /// How a token is called in code that uses the files, in light mode where the modes differ.
    pub(crate) token_name: Option<NameOf>,
    /// Whether it gives back the tokens of foreign types that a document keeps.
    pub(crate) carries_kept: bool,
    /// Whether it holds the themes beside the one at hand too.
    pub takes_family: bool,
    /// Whether it holds what differs for people who ask for more contrast.
    pub(crate) more: MoreContrast,
    pub(crate) write: fn(&Job<'_>) -> Result<Output, ExportError>,
}

/// A theme as targets see it.
#[derive(Clone, Copy, Debug)]
pub struct Source<'a> {
    /// What was decided.
    pub decided: &'a Resolved,
    /// What follows from it.
    pub theme: &'a Derived,
    /// What stands at the head of the files.
    pub stamp: &'a Stamp,
    /// Themes beside it, for targets that take several: those that extend it, or any others.
    pub beside: &'a [&'a Derived],
}

/// What the handoff of a document may say of any target besides its own options: the folder of a
/// project that its files go into.
pub const INTO: &str = "into";

/// The words of the `groups` option.
pub(crate) const SECTIONS: &[&str] = &["scales", "roles", "own", "type", "shape"];

/// The target of an id.
///
/// # Errors
/// An unknown id, with those there are.
pub fn find(id: &str) -> Result<&'static Target, ExportError> {
    TARGETS.iter().find(|t| t.id == id).copied().ok_or_else(|| {
        let known = TARGETS.iter().map(|t| t.id).collect::<Vec<_>>().join(", ");
        ExportError::Unknown {
            id: id.to_owned(),
            known,
        }
    })
}

impl Target {
    /// The defaults, overlaid with what is given.
    ///
    /// # Errors
    /// A setting that the target does not take.
    pub fn settings(
        &self,
        given: impl IntoIterator<Item = (String, String)>,
    ) -> Result<Settings, ExportError> {
        Ok(Settings::check(self.options, given)?)
    }

    /// The defaults, overlaid with the options that a document holds and with what is given.
    ///
    /// # Errors
    /// A setting that the target does not take, with its place in the document if it stands there.
    pub fn settings_of(
        &self,
        decided: &Resolved,
        given: impl IntoIterator<Item = (String, String)>,
    ) -> Result<Settings, ExportError> {
        let own = decided
            .merged
            .handoff
            .iter()
            .filter(|(slug, _)| slug.as_str() == self.id);
        let own =
            own.flat_map(|(_, options)| options.iter().map(|(k, v)| (k.to_string(), v.clone())));
        let own = own.filter(|(key, _)| key != INTO);
        let remembered =
            Settings::check(self.options, own).map_err(|error| ExportError::Remembered {
                target: self.id,
                error,
            })?;
        Ok(remembered.with(given)?)
    }

    /// Writes a theme with settings of this target.
    ///
    /// # Errors
    /// Names that clash in the files, or that are words of their language.
    pub fn export(
        &'static self,
        source: &Source<'_>,
        settings: Settings,
    ) -> Result<Output, ExportError> {
        let Source { decided, theme, .. } = *source;
        let job = Job::new(source, settings, self.usage_for(theme));
        let mut output = (self.write)(&job)?;
        crate::stamp::seal(&mut output.files);
        if !self.carries_kept {
            output.warnings.extend(kept(decided));
        }
        if self.more == MoreContrast::Left {
            output.warnings.extend(losses::raised(&job));
        }
        output.warnings.extend(unloaded_font(theme, &output.files));
        Ok(output)
    }

    /// How its files are loaded, with a scale and step that the theme has in the examples.
    pub fn usage_for(&self, theme: &Derived) -> String {
        let mut usage = self.usage.to_owned();
        if let (MoreContrast::Written(how), Some(_)) = (self.more, &theme.more) {
            usage.push_str(how);
        }
        let Some(scale) = theme.scales.first() else {
            return usage;
        };
        let step = scale.scale.base_step().label.as_str();
        usage
            .replace("petrol", scale.slug.as_str())
            .replace("600", step)
    }

    /// Whether its files are used by the names of tokens.
    pub fn has_names(&self) -> bool {
        self.token_name.is_some()
    }

    /// How each token that exports carry is called in the files, by path; none where they have no names.
    pub fn names<'a>(&self, theme: &'a Derived, settings: &Settings) -> Vec<(&'a str, String)> {
        let Some(token_name) = self.token_name else {
            return Vec::new();
        };
        theme
            .tokens
            .iter()
            .filter(|t| !t.omitted)
            .filter_map(|t| Some((&*t.path, token_name(settings, t)?)))
            .collect()
    }

    /// The command that writes the same in a pipeline, with every option that is not its default, and
    /// the revision that the files tell.
    pub fn command(&self, settings: &Settings, revision: Option<i32>) -> String {
        let set: String = settings
            .changed()
            .map(|(key, value)| format!(" --set {key}={}", quoted(value)))
            .collect();
        let revision = revision.map(|r| format!(" --revision {r}"));
        format!(
            "rhodon export theme.rhodon.json --target {}{set}{} --out .",
            self.id,
            revision.unwrap_or_default()
        )
    }
}

/// A word of a shell command. Options hold no quotes.
fn quoted(word: &str) -> String {
    let plain = |b: u8| b.is_ascii_alphanumeric() || b"-_.,/:@".contains(&b);
    if !word.is_empty() && word.bytes().all(plain) {
        word.to_owned()
    } else {
        format!("'{word}'")
    }
}

/// A web font that files name and do not load.
fn unloaded_font(theme: &Derived, files: &[File]) -> Option<Warning> {
    let address = theme.font_import.as_deref()?;
    let holds = |text: &str| files.iter().any(|f| f.body().contains(text));
    let faces = theme
        .tokens
        .iter()
        .filter(|t| t.kind == TokenKind::FontFamily);
    let named = faces
        .into_iter()
        .find(|t| match &t.cell(Mode::Light).value {
            Value::FontFamily(names) => names.first().is_some_and(|name| holds(name)),
            _ => false,
        });
    let token = named.filter(|_| !holds(address))?;
    let message = format!("these files name its web font and do not load it: load {address}");
    Some(Warning::new(&token.path, message))
}

/// Tokens of foreign types.
fn kept(decided: &Resolved) -> impl Iterator<Item = Warning> {
    decided.merged.kept.iter().map(|(path, token)| {
        let kind = token
            .get("$type")
            .and_then(|t| t.as_str())
            .unwrap_or("unknown");
        Warning::new(
            path.as_str(),
            format!(
                "this target has no place for the type {}",
                crate::stamp::comment_safe(kind)
            ),
        )
    })
}
