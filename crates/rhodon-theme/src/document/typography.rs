//! Type faces, sizes, weights, corner radius and border width, as a document sets them.

use super::field::Node;
use super::number::{BASE, BOLD, BORDER, NumberField, RADIUS, RATIO, REGULAR};
use super::problem::Problems;
use super::settings::settings;
use crate::font_family::{as_entry, entry_families};

settings! {
    /// Type faces, sizes and weights. Sizes run by a ratio from the base.
    TypeSettings {
        /// Families for running text, the first that exists is used.
        body: Vec<String> = families,
        /// Families for headings; default as for text.
        heading: Vec<String> = families,
        /// Families for code and figures.
        mono: Vec<String> = families,
        /// Address of a web-font stylesheet that exports import; `https` only.
        import: String = web_font,
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

fn web_font(node: &Node<'_>, problems: &mut Problems) -> Option<String> {
    let text = node.text(1000, problems)?;
    let plain = !text.contains(['"', '\'', '(', ')', '\\', ' ', '<', '>']);
    if text.starts_with("https://") && plain {
        return Some(text);
    }
    problems.add(
        &node.pointer,
        "expected an https address without quotes, brackets or spaces",
    );
    None
}
