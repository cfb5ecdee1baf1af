//! Colours where they stand in files: which places count is one rule for the inventory and for
//! whatever changes them. Nothing is run, and nothing is read beyond what is needed.
//!
//! A kind of file is one file here and one line in [`FINDERS`].

mod arguments;
mod comments;
mod components;
mod constructor;
mod entry;
mod json;
mod maker;
mod markup;
mod palette;
mod resource;
mod script;
mod settings;
mod spelling;
mod style;
mod written;

pub(crate) use self::arguments::bare;
pub use self::constructor::Order;
pub use self::written::{ColorUse, Written};

use self::comments::Marks;
pub(crate) use self::constructor::{respelt as respelt_numbers, respelt_call};
pub(crate) use self::entry::is_plain;
pub(crate) use self::script::{Held, values};
pub(crate) use self::spelling::{alpha_first, within};
pub(crate) use self::style::without_line_comments;

/// How colours are found in a kind of file.
#[derive(Debug)]
pub struct Finder {
    /// Stable name.
    pub id: &'static str,
    /// Endings of such files, without the dot.
    pub endings: &'static [&'static str],
    find: fn(&str, &mut Vec<ColorUse>),
    comments: Marks,
}

/// Every kind of file in which colours are found. A new one is one file and one line.
pub const FINDERS: &[Finder] = &[
    Finder {
        id: "style",
        endings: &["css", "scss", "less", "pcss", "qss"],
        find: style::find,
        comments: comments::SIGNS,
    },
    Finder {
        id: "indented-style",
        endings: &["sass", "styl"],
        find: style::find_indented,
        comments: comments::SIGNS,
    },
    Finder {
        id: "markup",
        endings: &["html", "htm", "svg", "vue", "svelte", "astro"],
        find: markup::find,
        comments: comments::TAGS,
    },
    Finder {
        id: "json",
        endings: &["json", "jsonc", "json5", "webmanifest"],
        find: json::find,
        comments: comments::SIGNS,
    },
    Finder {
        id: "resource",
        endings: &["xml"],
        find: resource::find,
        comments: comments::TAGS,
    },
    Finder {
        id: "desktop-resource",
        endings: &["xaml", "axaml"],
        find: resource::find_with_names,
        comments: comments::TAGS,
    },
    Finder {
        id: "script",
        endings: &[
            "js", "mjs", "cjs", "ts", "mts", "cts", "jsx", "tsx", "kt", "kts", "swift", "dart",
            "java", "php", "qml",
        ],
        find: script::find,
        comments: comments::SIGNS,
    },
    Finder {
        id: "compiled",
        endings: &[
            "c", "cc", "cpp", "cxx", "h", "hh", "hpp", "cs", "go", "rs", "m", "mm",
        ],
        find: script::find_compiled,
        comments: comments::SIGNS,
    },
    Finder {
        id: "hashed-script",
        endings: &["py", "rb"],
        find: script::find_hashed,
        comments: comments::HASH,
    },
    Finder {
        id: "palette",
        endings: &["gpl"],
        find: palette::find,
        comments: comments::HASH,
    },
    SETTINGS,
];

/// Settings of any program, and what any other text is read as.
const SETTINGS: Finder = Finder {
    id: "settings",
    endings: &[
        "ini",
        "conf",
        "cfg",
        "toml",
        "yaml",
        "yml",
        "properties",
        "env",
        "theme",
        "lua",
    ],
    find: settings::find,
    comments: comments::LINES,
};

/// Folders that hold what others made, or what is made anew at every build: passed over.
pub const NOT_OURS: &[&str] = &[
    "node_modules",
    ".git",
    "target",
    "dist",
    "build",
    "out",
    ".next",
    ".svelte-kit",
    "vendor",
    "coverage",
    "Pods",
    ".gradle",
];

impl Finder {
    /// Whether it reads style sheets as CSS has them.
    pub fn is_style(&self) -> bool {
        self.id == "style"
    }

    /// The colours of a text, in the order in which they stand.
    pub fn find(&self, text: &str) -> Vec<ColorUse> {
        let mut out = Vec::new();
        (self.find)(text, &mut out);
        out.sort_by_key(|found| found.range.start);
        out
    }

    /// The colours of a text and those that its comments mention, in the order in which they stand.
    pub fn find_with_comments(&self, text: &str) -> Vec<ColorUse> {
        let mut out = self.find(text);
        out.extend(comments::find(text, self.comments));
        out.sort_by_key(|found| (found.range.start, found.range.end));
        // What stands in a comment and was found anyway counts once.
        out.dedup_by(|b, a| b.range.start < a.range.end);
        out
    }
}

/// The finder for a file, by the ending of its name.
pub fn finder_for(name: &str) -> Option<&'static Finder> {
    let (_, ending) = name.rsplit_once('.')?;
    let ending = ending.to_ascii_lowercase();
    FINDERS
        .iter()
        .find(|f| f.endings.contains(&ending.as_str()))
}

/// The finder for a file that somebody chose by hand: what is of no known kind is read line by line.
pub fn finder_for_any(name: &str) -> &'static Finder {
    finder_for(name).unwrap_or(&SETTINGS)
}

/// Finds in a part, and tells places of the whole.
fn shifted(part: &str, by: usize, find: fn(&str, &mut Vec<ColorUse>), out: &mut Vec<ColorUse>) {
    let from = out.len();
    find(part, out);
    for found in &mut out[from..] {
        found.range = found.range.start + by..found.range.end + by;
    }
}
