//! A project's folder. Nothing outside it is read or written, whatever paths and links say: every
//! file is opened by way of the folder itself (`cap-std`). A file is there as a whole or not at all.

use std::io::{self, Write};
use std::path::{Component, Path, PathBuf};

use cap_std::ambient_authority;
use cap_std::fs::Dir;
use cap_tempfile::TempFile;

/// Ending of theme documents.
pub(crate) const ENDING: &str = ".rhodon.json";
/// Folders that hold no source of a project.
const PASSED_OVER: [&str; 5] = ["node_modules", "target", "dist", "build", "out"];
/// How deep documents are sought.
const MAX_DEPTH: usize = 8;
/// The most documents of one folder.
const MAX_DOCUMENTS: usize = 1000;
/// The largest document, in bytes.
const MAX_BYTES: u64 = 2 * 1024 * 1024;

/// A folder on disk; it may come and go.
#[derive(Clone, Debug)]
pub(crate) struct Folder(PathBuf);

impl Folder {
    /// The folder at a path.
    ///
    /// # Errors
    /// There is none.
    pub(crate) fn at(path: &Path) -> io::Result<Self> {
        let path = path.canonicalize()?;
        Dir::open_ambient_dir(&path, ambient_authority())?;
        Ok(Self(path))
    }

    pub(crate) fn path(&self) -> &Path {
        &self.0
    }

    fn open(&self) -> Result<Dir, String> {
        Dir::open_ambient_dir(&self.0, ambient_authority())
            .map_err(|cause| format!("the folder {} cannot be opened: {cause}", self.0.display()))
    }

    /// Paths of every theme document, sorted. Folders that cannot be read are passed over.
    pub(crate) fn documents(&self) -> Result<Vec<String>, String> {
        let mut found = Vec::new();
        seek(&self.open()?, "", 0, &mut found);
        found.sort();
        Ok(found)
    }

    /// The bytes of a file; none where there is none.
    pub(crate) fn read(&self, path: &str) -> Result<Option<Vec<u8>>, String> {
        let told = |cause| told(path, "read", &cause);
        let root = self.open()?;
        match root.metadata(path) {
            Ok(about) if about.len() > MAX_BYTES => Err(format!(
                "{path} is larger than {} MB",
                MAX_BYTES / 1024 / 1024
            )),
            Ok(_) => Ok(Some(root.read(path).map_err(told)?)),
            Err(cause) if cause.kind() == io::ErrorKind::NotFound => Ok(None),
            Err(cause) => Err(told(cause)),
        }
    }

    /// Writes a file with the folders that it needs, by putting a whole one in its place.
    pub(crate) fn write(&self, path: &str, bytes: &[u8]) -> Result<(), String> {
        if !is_inside(path) {
            return Err(format!("{path}: expected a path inside the folder"));
        }
        let root = self.open()?;
        self.put(&root, Path::new(path), bytes)
            .map_err(|cause| told(path, "written", &cause))
    }

    fn put(&self, root: &Dir, path: &Path, bytes: &[u8]) -> io::Result<()> {
        let name = path.file_name().unwrap_or_default();
        let folder = match path.parent().filter(|p| *p != Path::new("")) {
            Some(parent) => match root.open_dir(parent) {
                Err(cause) if cause.kind() == io::ErrorKind::NotFound => {
                    root.create_dir_all(parent)?;
                    root.open_dir(parent)?
                }
                opened => opened?,
            },
            None => root.try_clone()?,
        };
        let mut file = TempFile::new(&folder)?;
        file.write_all(bytes)?;
        file.as_file().sync_data()?;
        file.replace(name)
    }
}

/// Whether a path leads to a file inside whatever folder it is meant for.
pub(crate) fn is_inside(path: &str) -> bool {
    let normal = |c: Component<'_>| matches!(c, Component::Normal(_));
    !path.is_empty() && !path.contains(['\0', '\\']) && Path::new(path).components().all(normal)
}

fn told(path: &str, done: &str, cause: &io::Error) -> String {
    use io::ErrorKind::{PermissionDenied, ReadOnlyFilesystem, StorageFull};
    match cause.kind() {
        PermissionDenied => {
            format!("{path} cannot be {done}: it is not permitted, or it leads out of the folder")
        }
        ReadOnlyFilesystem => format!("{path} cannot be {done}: the disk is read-only"),
        StorageFull => format!("{path} cannot be {done}: the disk is full"),
        _ => format!("{path} cannot be {done}: {cause}"),
    }
}

fn seek(folder: &Dir, at: &str, depth: usize, found: &mut Vec<String>) {
    let Ok(entries) = folder.entries() else {
        return;
    };
    for entry in entries.flatten() {
        let (Ok(kind), Ok(name)) = (entry.file_type(), entry.file_name().into_string()) else {
            continue;
        };
        let path = format!("{at}{name}");
        if kind.is_dir() {
            let passed = name.starts_with('.') || PASSED_OVER.contains(&name.as_str());
            if let (false, true, Ok(below)) = (passed, depth < MAX_DEPTH, entry.open_dir()) {
                seek(&below, &format!("{path}/"), depth + 1, found);
            }
        } else if name.ends_with(ENDING) && found.len() < MAX_DOCUMENTS {
            found.push(path);
        }
    }
}

#[cfg(test)]
#[allow(clippy::unwrap_used)]
mod tests {
    use std::fs;

    use super::*;

    /// A folder for a test, which stays in the system's place for such.
    fn folder() -> PathBuf {
        let path = std::env::temp_dir().join(format!("rhodon-{}", uuid::Uuid::now_v7()));
        fs::create_dir(&path).unwrap();
        path
    }

    #[test]
    fn documents_are_found_but_in_what_is_no_source() {
        let path = folder();
        for name in [
            "a.rhodon.json",
            "deep/er/b.rhodon.json",
            "node_modules/x/c.rhodon.json",
            ".git/d.rhodon.json",
            "e.json",
        ] {
            let file = path.join(name);
            fs::create_dir_all(file.parent().unwrap()).unwrap();
            fs::write(file, "{}").unwrap();
        }
        let found = Folder::at(&path).unwrap().documents().unwrap();
        assert_eq!(found, ["a.rhodon.json", "deep/er/b.rhodon.json"]);
    }

    #[test]
    fn nothing_outside_is_read_or_written() {
        let path = folder();
        let outside = path.with_extension("outside");
        fs::create_dir(&outside).unwrap();
        fs::write(outside.join("secret"), "secret").unwrap();
        std::os::unix::fs::symlink(&outside, path.join("link")).unwrap();
        std::os::unix::fs::symlink(outside.join("secret"), path.join("file")).unwrap();
        let folder = Folder::at(&path).unwrap();
        for way in [
            "../secret",
            "/etc/passwd",
            "a/../../x",
            "",
            "a\\b",
            "a\0b",
            ".",
        ] {
            let refused = folder.write(way, b"x").unwrap_err();
            assert!(
                refused.contains("expected a path inside"),
                "{way}: {refused}"
            );
        }
        assert!(
            folder
                .write("link/x", b"x")
                .unwrap_err()
                .contains("leads out")
        );
        assert!(
            folder
                .read("link/secret")
                .unwrap_err()
                .contains("leads out")
        );
        assert!(folder.read("file").is_err());
        // A link that leads out is replaced, not written through.
        folder.write("file", b"own").unwrap();
        assert_eq!(fs::read(outside.join("secret")).unwrap(), b"secret");
        assert_eq!(fs::read_dir(&outside).unwrap().count(), 1);
    }

    #[test]
    fn a_file_is_replaced_as_a_whole_and_trouble_is_told() {
        let path = folder();
        let folder = Folder::at(&path).unwrap();
        folder.write("src/styles/theme.css", b"one").unwrap();
        folder.write("src/styles/theme.css", b"two").unwrap();
        assert_eq!(
            folder.read("src/styles/theme.css").unwrap().unwrap(),
            b"two"
        );
        assert_eq!(fs::read_dir(path.join("src/styles")).unwrap().count(), 1);
        assert_eq!(folder.read("nothing").unwrap(), None);
        assert!(folder.write("src/styles/theme.css/x", b"").is_err());
        fs::remove_dir_all(&path).unwrap();
        assert!(folder.documents().unwrap_err().contains("cannot be opened"));
    }
}
