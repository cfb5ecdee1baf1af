//! `rhodon backup`: everything that is kept, as one archive of open files.
//!
//! ```text
//! backup.json                            what it holds
//! themes/SLUG/theme.json                 identity, and which revision is current
//! themes/SLUG/revisions/0001.json        what was changed, when
//! themes/SLUG/revisions/0001.rhodon.json the document
//! sets.json                              sets of colours
//! sites.json                             themes registered with hosts of sites, and what sites showed
//! pictures/ID.json, pictures/ID.webp     pictures that colours were taken from
//! pages/ID/page.json, pages/ID/files/…   pages of one's own
//! ```
use std::collections::HashSet;
use std::fs::{self, File};
use std::io::{BufWriter, Write};
use std::path::PathBuf;

use clap::Args;
use rhodon_store::{BackupError, BackupReader, Store};
use serde::{Deserialize, Serialize};
use serde_json::{Value, json};
use zip::ZipWriter;
use zip::write::SimpleFileOptions;

use super::serve::runtime;
use crate::output::{Failure, Printer};

/// Shown below the help.
const EXAMPLES: &str = "\
Examples:
  rhodon backup --database postgres://rhodon@localhost/rhodon --out rhodon.zip";

#[derive(Debug, Args)]
#[command(after_help = EXAMPLES)]
pub struct BackupArgs {
    /// PostgreSQL server.
    #[arg(long, env = "DATABASE_URL", hide_env_values = true)]
    pub database: String,
    /// The archive, which takes the place of one that is there.
    #[arg(long, value_name = "FILE")]
    pub out: PathBuf,
}

/// What an archive holds.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize)]
pub(super) struct Contents {
    /// Shape of the archive.
    pub format: u32,
    pub themes: usize,
    pub revisions: usize,
    pub sets: usize,
    pub pictures: usize,
    pub pages: usize,
}

impl Contents {
    /// Nothing yet.
    pub(super) fn none() -> Self {
        Self {
            format: FORMAT,
            ..Self::default()
        }
    }

    /// What is where, in words.
    pub(super) fn told(&self, place: &str) -> String {
        format!(
            "{place}: {} themes with {} revisions, {} sets, {} pictures, {} pages",
            self.themes, self.revisions, self.sets, self.pictures, self.pages
        )
    }
}

/// The shape of archives that this program writes and reads.
pub(super) const FORMAT: u32 = 1;
/// Where an archive says what it holds.
pub(super) const CONTENTS: &str = "backup.json";
/// Where it has the sets.
pub(super) const SETS: &str = "sets.json";
pub(super) const SITES: &str = "sites.json";

pub fn run(args: &BackupArgs, printer: &mut Printer) -> Result<(), Failure> {
    let place = args.out.display().to_string();
    let part = args.out.with_extension("zip.part");
    let made = runtime()?.block_on(async {
        let store = connect(&args.database).await?;
        let reader = store.read_backup().await.map_err(database)?;
        let file = File::create(&part).map_err(|cause| io(&place, cause))?;
        let mut zip = Packing(ZipWriter::new(BufWriter::new(file)));
        let contents = zip.everything(&reader).await?;
        zip.finish()?;
        Ok(contents)
    });
    // Half an archive is none.
    match made {
        Ok(contents) => {
            fs::rename(&part, &args.out).map_err(|cause| io(&place, cause))?;
            printer.result(&contents, || contents.told(&place))
        }
        Err(failure) => {
            let _ = fs::remove_file(&part);
            Err(failure)
        }
    }
}

pub(super) async fn connect(address: &str) -> Result<Store, Failure> {
    let store = Store::connect(address).await.map_err(database)?;
    store.migrate().await.map_err(database)?;
    Ok(store)
}

pub(super) fn database(error: impl Into<BackupError>) -> Failure {
    let error = error.into();
    Failure::bad(format!("the database: {error}"))
}

pub(super) fn io(place: &str, cause: std::io::Error) -> Failure {
    Failure::Io {
        place: place.to_owned(),
        cause,
    }
}

/// An archive that is being written.
struct Packing(ZipWriter<BufWriter<File>>);

impl Packing {
    async fn everything(&mut self, reader: &BackupReader) -> Result<Contents, Failure> {
        let mut contents = Contents::none();
        let mut taken = HashSet::new();
        for theme in reader.themes().await.map_err(database)? {
            contents.revisions += self.theme(reader, &theme, &mut taken).await?;
            contents.themes += 1;
        }
        let sets = reader.sets().await.map_err(database)?;
        contents.sets = sets.len();
        self.json(SETS, &sets.into())?;
        let [themes, shown] = reader.sites().await.map_err(database)?;
        self.json(SITES, &json!({ "themes": themes, "shown": shown }))?;
        for id in reader.pictures().await.map_err(database)? {
            let (picture, webp) = reader.picture(&id).await.map_err(database)?;
            let path = format!("pictures/{id}");
            self.json(&format!("{path}.json"), &picture)?;
            self.file(&format!("{path}.webp"), &webp)?;
            contents.pictures += 1;
        }
        for page in reader.pages().await.map_err(database)? {
            self.page(reader, &page).await?;
            contents.pages += 1;
        }
        let whole = serde_json::to_value(contents).unwrap_or_default();
        self.json(CONTENTS, &whole)?;
        Ok(contents)
    }

    /// A theme with its revisions, and how many those are.
    async fn theme(
        &mut self,
        reader: &BackupReader,
        theme: &Value,
        taken: &mut HashSet<String>,
    ) -> Result<usize, Failure> {
        let id = text(theme, "id");
        // Deleted themes may have had the name of one that is there.
        let mut folder = text(theme, "slug").to_owned();
        if !taken.insert(folder.clone()) {
            folder = format!("{folder}-{id}");
        }
        let folder = format!("themes/{folder}");
        self.json(&format!("{folder}/theme.json"), theme)?;
        let revisions = reader.revisions(uuid(id)?).await.map_err(database)?;
        let count = revisions.len();
        for mut revision in revisions {
            let number = revision["number"].as_i64().unwrap_or_default();
            let path = format!("{folder}/revisions/{number:04}");
            let spec = revision.as_object_mut().and_then(|r| r.remove("spec"));
            self.json(&format!("{path}.json"), &revision)?;
            self.json(&format!("{path}.rhodon.json"), &spec.unwrap_or_default())?;
        }
        Ok(count)
    }

    /// A page of one's own with its files.
    async fn page(&mut self, reader: &BackupReader, page: &Value) -> Result<(), Failure> {
        let id = text(page, "id");
        self.json(&format!("pages/{id}/page.json"), page)?;
        for (path, bytes) in reader.page_files(uuid(id)?).await.map_err(database)? {
            self.file(&format!("pages/{id}/files/{path}"), &bytes)?;
        }
        Ok(())
    }

    fn json(&mut self, path: &str, value: &Value) -> Result<(), Failure> {
        self.file(path, format!("{value:#}\n").as_bytes())
    }

    fn file(&mut self, path: &str, bytes: &[u8]) -> Result<(), Failure> {
        let options = SimpleFileOptions::default().large_file(bytes.len() > u32::MAX as usize);
        self.0
            .start_file(path, options)
            .map_err(|cause| io(path, cause.into()))?;
        self.0.write_all(bytes).map_err(|cause| io(path, cause))
    }

    fn finish(self) -> Result<(), Failure> {
        let failed = |cause| io("the archive", cause);
        let mut file = self.0.finish().map_err(|cause| failed(cause.into()))?;
        file.flush().map_err(failed)?;
        file.get_ref().sync_all().map_err(failed)
    }
}

fn text<'a>(row: &'a Value, key: &str) -> &'a str {
    row[key].as_str().unwrap_or_default()
}

pub(super) fn uuid(text: &str) -> Result<uuid::Uuid, Failure> {
    text.parse()
        .map_err(|_| Failure::bad(format!("expected an identity, found {text:?}")))
}
