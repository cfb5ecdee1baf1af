//! `rhodon backup` and `rhodon restore`: everything that is kept, as one archive of open files.
//!
//! ```text
//! backup.json                            what it holds
//! themes/SLUG/theme.json                 identity, and which revision is current
//! themes/SLUG/revisions/0001.json        what was changed, when
//! themes/SLUG/revisions/0001.rhodon.json the document
//! sets.json                              sets of colours
//! pictures/ID.json, pictures/ID.webp     pictures that colours were taken from
//! pages/ID/page.json, pages/ID/files/…   pages of one's own
//! ```

use std::borrow::Cow;
use std::collections::HashSet;
use std::fs::{self, File};
use std::io::{BufReader, BufWriter, Read, Write};
use std::path::Path;

use rhodon_store::{BackupError, BackupReader, BackupWriter, Store};
use serde::{Deserialize, Serialize};
use serde_json::Value;
use zip::write::SimpleFileOptions;
use zip::{ZipArchive, ZipWriter};

use super::serve::runtime;
use crate::cli::{BackupArgs, RestoreArgs};
use crate::output::{Failure, Printer};

/// What an archive holds.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize)]
struct Contents {
    /// Shape of the archive.
    format: u32,
    themes: usize,
    revisions: usize,
    sets: usize,
    pictures: usize,
    pages: usize,
}

const FORMAT: u32 = 1;
const CONTENTS: &str = "backup.json";
const SETS: &str = "sets.json";

pub fn backup(args: &BackupArgs, printer: &mut Printer) -> Result<(), Failure> {
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
            printer.result(&contents, || told(&contents, &place))
        }
        Err(failure) => {
            let _ = fs::remove_file(&part);
            Err(failure)
        }
    }
}

pub fn restore(args: &RestoreArgs, printer: &mut Printer) -> Result<(), Failure> {
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
    printer.result(&contents, || told(&contents, &args.database_name()))
}

async fn connect(address: &str) -> Result<Store, Failure> {
    let store = Store::connect(address).await.map_err(database)?;
    store.migrate().await.map_err(database)?;
    Ok(store)
}

fn database(error: impl Into<BackupError>) -> Failure {
    let error = error.into();
    Failure::bad(format!("the database: {error}"))
}

fn io(place: &str, cause: std::io::Error) -> Failure {
    Failure::Io {
        place: place.to_owned(),
        cause,
    }
}

fn told(c: &Contents, place: &str) -> String {
    format!(
        "{place}: {} themes with {} revisions, {} sets, {} pictures, {} pages",
        c.themes, c.revisions, c.sets, c.pictures, c.pages
    )
}

/// An archive that is being written.
struct Packing(ZipWriter<BufWriter<File>>);

impl Packing {
    async fn everything(&mut self, reader: &BackupReader) -> Result<Contents, Failure> {
        let mut contents = Contents {
            format: FORMAT,
            ..Contents::default()
        };
        let mut taken = HashSet::new();
        for theme in reader.themes().await.map_err(database)? {
            let id = text(&theme, "id");
            // Deleted themes may have had the name of one that is there.
            let mut folder = text(&theme, "slug").to_owned();
            if !taken.insert(folder.clone()) {
                folder = format!("{folder}-{id}");
            }
            let folder = format!("themes/{folder}");
            self.json(&format!("{folder}/theme.json"), &theme)?;
            let revisions = reader.revisions(uuid(id)?).await.map_err(database)?;
            for mut revision in revisions {
                let number = revision["number"].as_i64().unwrap_or_default();
                let path = format!("{folder}/revisions/{number:04}");
                let spec = revision.as_object_mut().and_then(|r| r.remove("spec"));
                self.json(&format!("{path}.json"), &revision)?;
                self.json(&format!("{path}.rhodon.json"), &spec.unwrap_or_default())?;
                contents.revisions += 1;
            }
            contents.themes += 1;
        }
        let sets = reader.sets().await.map_err(database)?;
        contents.sets = sets.len();
        self.json(SETS, &sets.into())?;
        for (picture, webp) in reader.pictures().await.map_err(database)? {
            let path = format!("pictures/{}", text(&picture, "id"));
            self.json(&format!("{path}.json"), &picture)?;
            self.file(&format!("{path}.webp"), &webp)?;
            contents.pictures += 1;
        }
        for page in reader.pages().await.map_err(database)? {
            let id = text(&page, "id");
            self.json(&format!("pages/{id}/page.json"), &page)?;
            for (path, bytes) in reader.page_files(uuid(id)?).await.map_err(database)? {
                self.file(&format!("pages/{id}/files/{path}"), &bytes)?;
            }
            contents.pages += 1;
        }
        let whole = serde_json::to_value(contents).unwrap_or_default();
        self.json(CONTENTS, &whole)?;
        Ok(contents)
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

fn uuid(text: &str) -> Result<uuid::Uuid, Failure> {
    text.parse()
        .map_err(|_| Failure::bad(format!("expected an identity, found {text:?}")))
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
        let mut found = Contents {
            format: FORMAT,
            ..Contents::default()
        };
        let of = |start: &'static str, end: &'static str| {
            let fits = move |n: &&String| n.starts_with(start) && n.ends_with(end);
            names.iter().filter(fits)
        };
        for name in of("themes/", "/theme.json") {
            let theme = self.json(name)?;
            self.at(name, writer.theme(theme).await)?;
            found.themes += 1;
        }
        let is_document = |name: &&String| name.ends_with(".rhodon.json");
        for name in of("themes/", ".json").filter(|n| n.contains("/revisions/") && !is_document(n))
        {
            let mut revision = self.json(name)?;
            let spec = self.json(&name.replace(".json", ".rhodon.json"))?;
            if let Some(row) = revision.as_object_mut() {
                row.insert("spec".to_owned(), spec);
            }
            self.at(name, writer.revision(revision).await)?;
            found.revisions += 1;
        }
        let Value::Array(sets) = self.json(SETS)? else {
            return Err(self.refused(SETS, "expected a list"));
        };
        for set in sets {
            self.at(SETS, writer.set(set).await)?;
            found.sets += 1;
        }
        for name in of("pictures/", ".json") {
            let picture = self.json(name)?;
            let webp = self.bytes(&name.replace(".json", ".webp"))?;
            self.at(name, writer.picture(picture, webp).await)?;
            found.pictures += 1;
        }
        for name in of("pages/", "/page.json") {
            let page = self.json(name)?;
            self.at(name, writer.page(page).await)?;
            found.pages += 1;
        }
        for name in of("pages/", "") {
            let Some((id, path)) = name["pages/".len()..].split_once("/files/") else {
                continue;
            };
            let bytes = self.bytes(name)?;
            let done = writer.page_file(uuid(id)?, path.to_owned(), bytes).await;
            self.at(name, done)?;
        }
        if found != told {
            let message = format!("expected {told:?}, found {found:?}: a part of it is missing");
            return Err(self.refused(CONTENTS, &message));
        }
        Ok(found)
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
