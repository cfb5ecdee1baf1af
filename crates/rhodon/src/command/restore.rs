//! `rhodon restore`: an empty database filled with a backup, as a whole or not at all.
use std::borrow::Cow;
use std::fs::File;
use std::io::{BufReader, Read};
use std::path::Path;
use std::path::PathBuf;

use clap::Args;
use rhodon_store::{BackupError, BackupWriter};
use serde::Deserialize;
use serde_json::Value;
use zip::ZipArchive;

use super::backup::{CONTENTS, Contents, FORMAT, SETS, SITES, connect, database, io, uuid};
use super::serve::runtime;
use crate::output::{Failure, Printer};

/// Shown below the help.
const EXAMPLES: &str = "\
Examples:
  rhodon restore rhodon.zip --database postgres://rhodon@localhost/empty";

#[derive(Debug, Args)]
#[command(after_help = EXAMPLES)]
pub struct RestoreArgs {
    /// The archive.
    pub archive: PathBuf,
    /// PostgreSQL server, without themes.
    #[arg(long, env = "DATABASE_URL", hide_env_values = true)]
    pub database: String,
}

pub fn run(args: &RestoreArgs, printer: &mut Printer) -> Result<(), Failure> {
    let place = args.archive.display().to_string();
    let file = File::open(&args.archive).map_err(|cause| io(&place, cause))?;
    let archive = ZipArchive::new(BufReader::new(file));
    let archive =
        archive.map_err(|cause| Failure::bad(format!("{place}: {cause}: expected a backup")))?;
    let mut unpacking = Unpacking {
        place: place.clone(),
        archive,
    };
    let contents = runtime()?.block_on(async {
        let store = connect(&args.database).await?;
        let writer = store.write_backup().await.map_err(database)?;
        let contents = unpacking.everything(&writer).await?;
        writer.finish().await.map_err(database)?;
        Ok::<_, Failure>(contents)
    })?;
    printer.result(&contents, || contents.told(&args.database_name()))
}

/// The files of an archive whose paths begin and end so.
fn named<'a>(
    names: &'a [String],
    start: &'static str,
    end: &'static str,
) -> impl Iterator<Item = &'a String> {
    names
        .iter()
        .filter(move |n| n.starts_with(start) && n.ends_with(end))
}

/// An archive that is being read.
struct Unpacking {
    place: String,
    archive: ZipArchive<BufReader<File>>,
}

impl Unpacking {
    async fn everything(&mut self, writer: &BackupWriter) -> Result<Contents, Failure> {
        let told = self.contents()?;
        let names = self.archive.file_names();
        let names: Result<Vec<String>, _> = names.map(|n| n.map(Cow::into_owned)).collect();
        let names = names.map_err(|cause| self.refused("its names", &cause.to_string()))?;
        let mut found = Contents::none();
        self.themes(&names, writer, &mut found).await?;
        self.sets(writer, &mut found).await?;
        // Earlier backups know nothing of sites.
        if names.iter().any(|name| name == SITES) {
            self.sites(writer).await?;
        }
        self.pictures(&names, writer, &mut found).await?;
        self.pages(&names, writer, &mut found).await?;
        if found != told {
            let message = format!("expected {told:?}, found {found:?}: a part of it is missing");
            return Err(self.refused(CONTENTS, &message));
        }
        Ok(found)
    }

    /// Themes, then their revisions.
    async fn themes(
        &mut self,
        names: &[String],
        writer: &BackupWriter,
        found: &mut Contents,
    ) -> Result<(), Failure> {
        for name in named(names, "themes/", "/theme.json") {
            let theme = self.json(name)?;
            self.at(name, writer.theme(theme).await)?;
            found.themes += 1;
        }
        let is_revision = |n: &&String| n.contains("/revisions/") && !n.ends_with(".rhodon.json");
        for name in named(names, "themes/", ".json").filter(is_revision) {
            let mut revision = self.json(name)?;
            let spec = self.json(&name.replace(".json", ".rhodon.json"))?;
            if let Some(row) = revision.as_object_mut() {
                row.insert("spec".to_owned(), spec);
            }
            self.at(name, writer.revision(revision).await)?;
            found.revisions += 1;
        }
        Ok(())
    }

    /// Sets of the library.
    async fn sets(&mut self, writer: &BackupWriter, found: &mut Contents) -> Result<(), Failure> {
        let Value::Array(sets) = self.json(SETS)? else {
            return Err(self.refused(SETS, "expected a list"));
        };
        for set in sets {
            self.at(SETS, writer.set(set).await)?;
            found.sets += 1;
        }
        Ok(())
    }

    /// What was published, and what sites show of it.
    async fn sites(&mut self, writer: &BackupWriter) -> Result<(), Failure> {
        let Sites { themes, shown } = serde_json::from_value(self.json(SITES)?)
            .map_err(|cause| self.refused(SITES, &cause.to_string()))?;
        for theme in themes {
            self.at(SITES, writer.site_theme(theme).await)?;
        }
        for one in shown {
            self.at(SITES, writer.site_shown(one).await)?;
        }
        Ok(())
    }

    async fn pictures(
        &mut self,
        names: &[String],
        writer: &BackupWriter,
        found: &mut Contents,
    ) -> Result<(), Failure> {
        for name in named(names, "pictures/", ".json") {
            let picture = self.json(name)?;
            let webp = self.bytes(&name.replace(".json", ".webp"))?;
            self.at(name, writer.picture(picture, webp).await)?;
            found.pictures += 1;
        }
        Ok(())
    }

    /// Pages of one's own, then their files.
    async fn pages(
        &mut self,
        names: &[String],
        writer: &BackupWriter,
        found: &mut Contents,
    ) -> Result<(), Failure> {
        for name in named(names, "pages/", "/page.json") {
            let page = self.json(name)?;
            self.at(name, writer.page(page).await)?;
            found.pages += 1;
        }
        for name in named(names, "pages/", "") {
            let Some((id, path)) = name["pages/".len()..].split_once("/files/") else {
                continue;
            };
            let bytes = self.bytes(name)?;
            let done = writer.page_file(uuid(id)?, path.to_owned(), bytes).await;
            self.at(name, done)?;
        }
        Ok(())
    }

    fn contents(&mut self) -> Result<Contents, Failure> {
        let value = self.json(CONTENTS)?;
        match serde_json::from_value::<Contents>(value) {
            Ok(contents) if contents.format == FORMAT => Ok(contents),
            Ok(contents) => {
                let message = format!("expected format {FORMAT}, found {}", contents.format);
                Err(self.refused(CONTENTS, &message))
            }
            Err(cause) => Err(self.refused(CONTENTS, &cause.to_string())),
        }
    }

    fn json(&mut self, name: &str) -> Result<Value, Failure> {
        let bytes = self.bytes(name)?;
        serde_json::from_slice(&bytes).map_err(|cause| self.refused(name, &cause.to_string()))
    }

    fn bytes(&mut self, name: &str) -> Result<Vec<u8>, Failure> {
        let mut bytes = Vec::new();
        let read = match self.archive.by_name(name) {
            Ok(mut file) => file
                .read_to_end(&mut bytes)
                .map_err(|cause| cause.to_string()),
            Err(cause) => Err(cause.to_string()),
        };
        match read {
            Ok(_) => Ok(bytes),
            Err(cause) => Err(self.refused(name, &format!("{cause}: expected a backup"))),
        }
    }

    fn at(&self, name: &str, done: Result<(), BackupError>) -> Result<(), Failure> {
        done.map_err(|error| self.refused(name, &error.to_string()))
    }

    fn refused(&self, name: &str, message: &str) -> Failure {
        Failure::bad(format!("{}: {name}: {message}", self.place))
    }
}

/// What is remembered of sites.
#[derive(Deserialize)]
struct Sites {
    themes: Vec<Value>,
    shown: Vec<Value>,
}

impl RestoreArgs {
    /// What was filled, without its password.
    fn database_name(&self) -> String {
        let name = Path::new(&self.database).file_name().unwrap_or_default();
        name.to_string_lossy()
            .split('?')
            .next()
            .unwrap_or_default()
            .to_owned()
    }
}
