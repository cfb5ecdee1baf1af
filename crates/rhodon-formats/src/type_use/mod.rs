//! How a project sets its pages, text and corners: what they stand on, the colours of text and lines, the faces of text, headings and code, the web fonts that bring
//! them, sizes, weights and the radius. Told from style sheets, the style elements of pages, and the keys of scripts and JSON.

mod coded;
mod font;
mod instead;
mod keyed;
mod layer;
mod leading;
mod markup;
mod number;
mod roles;
mod sheet;

use std::collections::HashSet;

use rhodon_color::Rgb8;
use rhodon_theme::{NumberField, Role, ShapeSettings, TypeSettings, WebFonts};

pub(crate) use self::font::parts as font_parts;
pub use self::instead::Instead;
use self::roles::Project;
pub use self::roles::RoleUse;
pub(crate) use self::roles::is_called;
use self::sheet::Sheet;
use crate::color_use::finder_for;
use crate::inventory::text_of;
use crate::read::{InputFile, key_words};

/// What can be set.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
#[allow(missing_docs)]
pub enum Setting {
    Body,
    Heading,
    Mono,
    Import,
    Base,
    Regular,
    Bold,
    Radius,
    Role(Role),
}

impl Setting {
    /// The role that it is.
    pub fn role(self) -> Option<Role> {
        match self {
            Self::Role(role) => Some(role),
            _ => None,
        }
    }

    /// The key by which documents have it, for a role its path; `page` for the ground of the pages.
    pub fn key(self) -> &'static str {
        match self {
            Self::Body => "body",
            Self::Heading => "heading",
            Self::Mono => "mono",
            Self::Import => "import",
            Self::Base => "base",
            Self::Regular => "regular",
            Self::Bold => "bold",
            Self::Radius => "radius",
            Self::Role(Role::SURFACE_BASE) => "page",
            Self::Role(role) => role.path(),
        }
    }
}

/// One thing that a project sets.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct TypeUse {
    /// The setting it becomes.
    pub setting: Setting,
    /// Its value, as CSS has it.
    pub value: String,
    /// The selector, variable or rule that says so.
    pub by: String,
}

/// What a project says of page, type and shape, as a document keeps it.
#[derive(Clone, Debug, Default, PartialEq)]
pub struct TypeInUse {
    /// Faces, sizes and weights.
    pub faces: TypeSettings,
    /// Corner radius.
    pub shape: ShapeSettings,
    /// Roles: what pages stand on, text, lines and links.
    pub roles: Vec<RoleUse>,
    /// What the other mode has instead of usual colours.
    pub instead: Vec<Instead>,
    /// What variables hold that are called after intents and fills, in the order in which they stand.
    pub leading: Vec<Rgb8>,
    /// Colours that the other mode alone has.
    pub of_other: HashSet<Rgb8>,
    /// Where each of them comes from.
    pub told: Vec<TypeUse>,
    /// Addresses of faces that no document takes.
    pub left: Vec<String>,
}

impl TypeUse {
    /// It in a sentence.
    pub fn sentence(&self) -> String {
        let Self { setting, value, by } = self;
        let what = match setting {
            Setting::Body => "Text is set in",
            Setting::Heading => "Headings are set in",
            Setting::Mono => "Code is set in",
            Setting::Import => "Faces come from",
            Setting::Base => "The size of text is",
            Setting::Regular => "The weight of text is",
            Setting::Bold => "The weight of headings is",
            Setting::Radius => "Corners have a radius of",
            Setting::Role(Role::SURFACE_BASE) => "The page is",
            Setting::Role(role) => return format!("{role} is {value}: {by}"),
        };
        format!("{what} {value}: {by}")
    }
}

/// A slot of faces: where they are declared, and the words by which variables are known that hold them.
struct Slot {
    setting: Setting,
    selectors: &'static [&'static str],
    words: &'static [&'static str],
}

const BODY: Slot = Slot {
    setting: Setting::Body,
    selectors: &["body", "html", ":root", ":host", "*"],
    words: &["body", "base", "text", "sans", "family", "families", "main"],
};
const HEADING: Slot = Slot {
    setting: Setting::Heading,
    selectors: &["h1", "h2", "h3", "h4", ".h1"],
    words: &["heading", "headings", "title", "display", "header"],
};
const MONO: Slot = Slot {
    setting: Setting::Mono,
    selectors: &["code", "pre", "kbd", "samp", "tt"],
    words: &["mono", "monospace", "code"],
};

/// Reads what files say of page, type and shape; files that are no style sheets or pages say nothing.
pub fn type_in_use(files: &[InputFile]) -> TypeInUse {
    let mut sheet = Sheet::default();
    for file in files {
        let Some(finder) = finder_for(&file.name) else {
            continue;
        };
        match (finder.id, text_of(file)) {
            ("style", Ok(text)) => {
                sheet.read(text);
                // Maps of a preprocessor hold colours under keys.
                let mut found = finder.find(text);
                found.retain(|one| one.name.as_ref().is_some_and(|name| name.contains('.')));
                coded::read(&file.name, &found, false, &mut sheet);
            }
            ("markup", Ok(text)) => markup::read(text, &mut sheet),
            ("script" | "json", Ok(text)) => {
                keyed::read(text, &mut sheet);
                coded::read(&file.name, &finder.find(text), false, &mut sheet);
            }
            ("resource" | "desktop-resource", Ok(text)) => {
                coded::read(&file.name, &finder.find(text), true, &mut sheet);
            }
            _ => {}
        }
    }
    let mut found = TypeInUse::default();
    faces(&sheet, &mut found);
    number::numbers(&sheet, &mut found);
    let project = Project::new(&sheet);
    roles::roles(&project, &mut found);
    instead::instead(&project, &mut found);
    leading::leading(&project, &mut found);
    found
}

fn faces(sheet: &Sheet, found: &mut TypeInUse) {
    let body = slot(sheet, &BODY);
    let same = body.as_ref().map(|(families, _)| families.clone());
    let heading = slot(sheet, &HEADING).filter(|(families, _)| Some(families) != same.as_ref());
    let mono = slot(sheet, &MONO);
    let mut take = |setting, slot: Option<(Vec<String>, String)>| {
        let (families, by) = slot?;
        let value = families.join(", ");
        found.told.push(TypeUse { setting, value, by });
        Some(families)
    };
    found.faces.body = take(BODY.setting, body);
    found.faces.heading = take(HEADING.setting, heading);
    found.faces.mono = take(MONO.setting, mono);
    let mut seen = HashSet::new();
    let of_fonts = sheet.imports.iter().filter(|a| brings_fonts(a));
    let addresses: Vec<String> = of_fonts.filter(|a| seen.insert(*a)).cloned().collect();
    found.faces.import = WebFonts::of(addresses.iter().cloned());
    let taken = found.faces.import.iter().flat_map(WebFonts::addresses);
    found.told.extend(taken.clone().map(|address| TypeUse {
        setting: Setting::Import,
        value: address.clone(),
        by: "@import".to_owned(),
    }));
    let is_taken = |address: &String| taken.clone().any(|taken| taken == address);
    found.left = addresses
        .iter()
        .filter(|address| !is_taken(address))
        .cloned()
        .collect();
}

/// Whether the sheet at an address looks as if it held faces: other sheets are not the theme's to load.
fn brings_fonts(address: &str) -> bool {
    let address = address.to_ascii_lowercase();
    address.contains("font") || address.contains("family=")
}

/// The families of a slot, and what says so: the last rule of the first selector that has one, or else
/// a variable of that name.
fn slot(sheet: &Sheet, slot: &Slot) -> Option<(Vec<String>, String)> {
    let by_rule = slot.selectors.iter().find_map(|selector| {
        let families = sheet.last(selector, "font-family", families)?;
        Some((families, (*selector).to_owned()))
    });
    by_rule.or_else(|| by_variable(sheet, slot))
}

/// Words of variables that hold faces.
pub(crate) const FACES: [&str; 6] = ["font", "fonts", "family", "families", "type", "typeface"];

/// A variable that is named after the slot. The earlier word of the slot wins, then the earlier variable.
fn by_variable(sheet: &Sheet, slot: &Slot) -> Option<(Vec<String>, String)> {
    let named = sheet
        .usual
        .variables
        .iter()
        .map(|variable| (words(&variable.name), variable));
    let of_slot: Vec<_> = named.filter(|(words, _)| slot.may_be(words)).collect();
    slot.words.iter().find_map(|word| {
        let mut called = of_slot
            .iter()
            .filter(|(words, _)| words.iter().any(|own| own == word));
        called.find_map(|(_, variable)| {
            let value = sheet.resolved(&variable.value)?;
            // A weight or a size is no face.
            let is_list = value.contains([',', '"', '\'']);
            let families = is_list.then(|| families(&value)).flatten()?;
            Some((families, variable.name.clone()))
        })
    })
}

impl Slot {
    /// Whether a variable of these words may hold its faces: text is what is called as neither of the others.
    fn may_be(&self, words: &[String]) -> bool {
        let has = |of: &[&str]| words.iter().any(|word| of.contains(&word.as_str()));
        let is_other = self.setting == BODY.setting && (has(HEADING.words) || has(MONO.words));
        has(&FACES) && !is_other
    }
}

/// The words of a variable's name, in small letters.
pub(crate) fn words(name: &str) -> Vec<String> {
    let words = key_words(name).into_iter();
    words.map(|word| word.to_lowercase()).collect()
}

/// Words that take a face from elsewhere (CSS Cascade 5, 7.3).
pub(crate) const WIDE: [&str; 5] = ["inherit", "initial", "unset", "revert", "revert-layer"];

/// What stands in no list of families.
const NO_NAME: [char; 9] = ['(', '{', ';', '#', '|', '<', '[', '=', '/'];

/// Families as a document keeps them; none where the value is no list of them.
fn families(value: &str) -> Option<Vec<String>> {
    let is_wide = WIDE.iter().any(|word| value.eq_ignore_ascii_case(word));
    if is_wide || value.contains(NO_NAME) {
        return None;
    }
    TypeSettings::families(value)
}

/// A field's number, unless it is the one that holds anyway.
fn fitting(field: &NumberField, n: f64) -> Option<f64> {
    let n = (n * 100.0).round() / 100.0;
    let fits = (field.low..=field.high).contains(&n) && (!field.whole || n.fract() == 0.0);
    (fits && n != field.default).then_some(n)
}
