//! What a theme is handed over as, named by one id: a target, or a form of its document.

use crate::error::ExportError;
use crate::form;
use crate::output::Output;
use crate::source::Source;
use crate::target::Target;
use crate::write::find;

/// A target, or `form:NAME`.
#[derive(Clone, Copy, Debug)]
pub enum Handover<'a> {
    /// A target.
    Target(&'static Target),
    /// A form of the document, by its name.
    Form(&'a str),
}

/// What was written, and what people are told of it.
#[derive(Clone, Debug)]
pub struct Written {
    /// Its name.
    pub name: String,
    /// The files, and what they do not carry.
    pub output: Output,
    /// The options it was written with.
    pub options: Vec<(&'static str, String)>,
    /// The command that writes the same in a pipeline.
    pub command: String,
    /// How the files are loaded.
    pub usage: String,
}

impl<'a> Handover<'a> {
    /// The one of an id. Whether a document has a form of that name shows when it is written.
    ///
    /// # Errors
    /// An unknown target.
    pub fn find(id: &'a str) -> Result<Self, ExportError> {
        match id.strip_prefix(form::PREFIX) {
            Some(name) => Ok(Self::Form(name)),
            None => Ok(Self::Target(find(id)?)),
        }
    }

    /// Its id.
    pub fn id(&self) -> String {
        match self {
            Self::Target(target) => target.id.to_owned(),
            Self::Form(name) => format!("{}{name}", form::PREFIX),
        }
    }

    /// The target, where it is one.
    pub fn target(&self) -> Option<&'static Target> {
        match self {
            Self::Target(target) => Some(target),
            Self::Form(_) => None,
        }
    }

    /// Whether it holds the themes beside the one at hand too.
    pub fn takes_family(&self) -> bool {
        self.target().is_some_and(|target| target.takes_family)
    }

    /// Writes it with the options that the document holds for it, overlaid with those that are given; a
    /// form has none.
    ///
    /// # Errors
    /// As [`Target::export`] and [`form::export`].
    pub fn write(
        &self,
        source: &Source<'_>,
        given: impl IntoIterator<Item = (String, String)>,
    ) -> Result<Written, ExportError> {
        match self {
            Self::Target(target) => {
                let settings = target.settings_of(source.decided, given)?;
                let options = settings.all().map(|(key, value)| (key, value.to_owned()));
                Ok(Written {
                    name: target.name.to_owned(),
                    options: options.collect(),
                    command: target.command(&settings, source.stamp.revision),
                    usage: target.usage_for(source.theme, &settings),
                    output: target.export(source, settings)?,
                })
            }
            Self::Form(name) => {
                let output = form::export(name, source)?;
                let file = output.files.first();
                Ok(Written {
                    name: format!("Form {name}"),
                    options: Vec::new(),
                    command: form::command(name),
                    usage: file.map(|f| form::usage(&f.path)).unwrap_or_default(),
                    output,
                })
            }
        }
    }
}

/// The custom properties of a theme as one style sheet, with the options that its document holds.
///
/// # Errors
/// As [`Target::export`].
pub fn style_sheet(source: &Source<'_>) -> Result<String, ExportError> {
    let written = Handover::find("css")?.write(source, [])?;
    let files = written.output.files.into_iter();
    Ok(files.map(|file| file.text).collect())
}
