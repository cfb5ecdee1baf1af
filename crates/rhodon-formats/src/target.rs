//! What a target is, and the one way to write one.

use rhodon_theme::{Derived, Resolved, Token};

use crate::error::ExportError;
use crate::job::Job;
use crate::losses;
use crate::option::{Settings, TargetOption};
use crate::output::{Output, Warning};
use crate::source::Source;
use crate::stamp::{comment_safe, seal};
use crate::web_font;

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
    /// The same for settings, where they have a say in it.
    pub(crate) usage_of: Option<fn(&Settings) -> &'static str>,
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

/// What the handoff of a document may say of any target besides its own options: the folder of a
/// project that its files go into.
pub const INTO: &str = "into";

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
        let usage = self.usage_for(theme, &settings);
        let job = Job::new(source, settings, usage);
        let mut output = (self.write)(&job)?;
        seal(&mut output.files);
        if !self.carries_kept {
            output.warnings.extend(kept(decided));
        }
        if self.more == MoreContrast::Left {
            output.warnings.extend(losses::raised(&job));
        }
        let unloaded = web_font::unloaded(theme, self.group, &output.files);
        output.warnings.extend(unloaded);
        Ok(output)
    }

    /// How its files are loaded, with a scale and step that the theme has in the examples.
    pub fn usage_for(&self, theme: &Derived, settings: &Settings) -> String {
        let mut usage = self
            .usage_of
            .map_or(self.usage, |of| of(settings))
            .to_owned();
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
                comment_safe(kind)
            ),
        )
    })
}
