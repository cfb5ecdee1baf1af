//! Type faces, sizes, weights, corner radius and border width, as a document sets them.

use serde_json::Value;

use super::field::Node;
use super::number::{BASE, BOLD, BORDER, NumberField, RADIUS, RATIO, REGULAR};
use super::problem::Problems;
use super::settings::settings;
use crate::font_family::{as_entry, entry_families, font_families};

settings! {
    /// Type faces, sizes and weights. Sizes run by a ratio from the base.
    TypeSettings {
        /// Families for running text, the first that exists is used.
        body: Vec<String> = families,
        /// Families for headings; default as for text.
        heading: Vec<String> = families,
        /// Families for code and figures.
        mono: Vec<String> = families,
        /// Address of a web-font style sheet that exports import, or a list of them; `https`, or `http` of
        /// the machine itself.
        import: WebFonts = web_fonts,
        /// Size of running text in px; default 16.
        #[schemars(range(min = BASE.low, max = BASE.high))]
        base: f64 = number(&BASE),
        /// Ratio of neighbouring sizes; default 1.2.
        #[schemars(range(min = RATIO.low, max = RATIO.high))]
        ratio: f64 = number(&RATIO),
        /// Weight of running text; default 400.
        #[schemars(range(min = REGULAR.low, max = REGULAR.high))]
        regular: u16 = whole(&REGULAR),
        /// Weight of headings and labels; default 600.
        #[schemars(range(min = BOLD.low, max = BOLD.high))]
        bold: u16 = whole(&BOLD),
    }
}

settings! {
    /// Corner radius and border width.
    ShapeSettings {
        /// Corner radius of a field or button in px; default 6.
        #[schemars(range(min = RADIUS.low, max = RADIUS.high))]
        radius: f64 = number(&RADIUS),
        /// Border width in px; default 1.
        #[schemars(range(min = BORDER.low, max = BORDER.high))]
        border: f64 = number(&BORDER),
    }
}

fn number(field: &'static NumberField) -> impl Fn(&Node<'_>, &mut Problems) -> Option<f64> {
    |node, problems| field.read(node, problems)
}

fn whole(field: &'static NumberField) -> impl Fn(&Node<'_>, &mut Problems) -> Option<u16> {
    |node, problems| field.read_whole(node, problems)
}

impl TypeSettings {
    /// The families of a list as CSS has it, each as a document keeps it; none where there is none.
    pub fn families(list: &str) -> Option<Vec<String>> {
        let names = font_families(list);
        let entries: Vec<String> = names.iter().map(|name| as_entry(name)).collect();
        (!entries.is_empty()).then_some(entries)
    }
}

fn families(node: &Node<'_>, problems: &mut Problems) -> Option<Vec<String>> {
    let found = node.list(20, problems, |n, p| {
        let text = n.text(200, p)?;
        // In quotes again where it would read as several otherwise.
        let names = entry_families(&text).into_iter();
        Some(names.map(|name| as_entry(&name)).collect::<Vec<_>>())
    });
    let found: Vec<String> = found.into_iter().flatten().collect();
    if found.is_empty() {
        problems.add(&node.pointer, "expected at least one font family");
    }
    Some(found)
}

/// Addresses of web-font style sheets, each once, in their order. A single one is written as it is.
#[derive(Clone, Debug, Default, PartialEq, Eq, serde::Serialize, schemars::JsonSchema)]
#[serde(into = "OneOrMore")]
#[schemars(with = "OneOrMore")]
pub struct WebFonts(Vec<String>);

impl WebFonts {
    /// Those of some addresses that a document takes; none where it takes none.
    pub fn of(addresses: impl IntoIterator<Item = String>) -> Option<Self> {
        let taken: Vec<String> = addresses
            .into_iter()
            .filter(|address| is_taken(address))
            .take(MOST_SHEETS)
            .collect();
        (!taken.is_empty()).then_some(Self(taken))
    }

    /// The addresses.
    pub fn addresses(&self) -> &[String] {
        &self.0
    }
}

#[derive(serde::Serialize, schemars::JsonSchema)]
#[serde(untagged)]
enum OneOrMore {
    One(String),
    More(Vec<String>),
}

impl From<WebFonts> for OneOrMore {
    fn from(WebFonts(mut addresses): WebFonts) -> Self {
        match addresses.len() {
            1 => Self::One(addresses.remove(0)),
            _ => Self::More(addresses),
        }
    }
}

/// The most addresses: three slots of faces, each with room for a second sheet.
const MOST_SHEETS: usize = 6;

fn web_fonts(node: &Node<'_>, problems: &mut Problems) -> Option<WebFonts> {
    let listed = match node.value {
        Value::Array(_) => node.list(MOST_SHEETS, problems, |n, p| web_font(&n, p)),
        _ => vec![web_font(node, problems)?],
    };
    let mut addresses: Vec<String> = Vec::with_capacity(listed.len());
    for address in listed {
        if !addresses.contains(&address) {
            addresses.push(address);
        }
    }
    (!addresses.is_empty()).then_some(WebFonts(addresses))
}

fn web_font(node: &Node<'_>, problems: &mut Problems) -> Option<String> {
    let text = node.text(1000, problems)?;
    if is_taken(&text) {
        return Some(text);
    }
    let expected = "expected an https address without quotes, brackets or spaces";
    problems.add(&node.pointer, format!("{expected}, found {text:?}"));
    None
}

/// Whether an address can stand in every export and is loaded safely.
fn is_taken(address: &str) -> bool {
    let plain = !address.contains(['"', '\'', '(', ')', '\\', ' ', '<', '>']);
    plain && (address.starts_with("https://") || is_of_this_machine(address))
}

/// Whether an address leads to the machine itself, which is as good as `https` (W3C Secure Contexts, 3.1).
fn is_of_this_machine(address: &str) -> bool {
    let authority = address
        .strip_prefix("http://")
        .and_then(|rest| rest.split(['/', '?', '#']).next());
    // With an `@` in it, what looks like a host is a user of another one.
    let own = authority.filter(|authority| !authority.contains('@'));
    let host = own.and_then(|authority| authority.split(':').next());
    host.is_some_and(|host| ["127.0.0.1", "localhost"].contains(&host))
}
