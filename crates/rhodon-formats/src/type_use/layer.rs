//! Blocks that hold in one mode alone: `@media (prefers-color-scheme: dark)`, `[data-theme="dark"] body`, `.night`.

use rhodon_theme::Mode;

use super::words;

/// What a block stands under.
#[derive(Clone, Debug, Default, PartialEq, Eq)]
pub(super) struct Around {
    /// Selectors of the innermost rule.
    pub(super) selectors: Vec<String>,
    /// The mode in which alone it holds.
    pub(super) mode: Option<Mode>,
}

/// What tells a mode in classes and attributes, and what may stand beside it there.
const TOLD: [(&str, Mode); 4] = [
    ("dark", Mode::Dark),
    ("night", Mode::Dark),
    ("light", Mode::Light),
    ("day", Mode::Light),
];
const BESIDE: [&str; 9] = [
    "data", "mode", "theme", "scheme", "color", "colour", "is", "site", "app",
];
/// What of a screen a question about the mode may go along with; other conditions say nothing of the rest.
const OTHER: [&str; 5] = ["width", "height", "print", "contrast", "not"];

/// The most selectors that a nested rule has.
const MOST_NESTED: usize = 32;

impl Around {
    /// Under an at-rule; none where it says nothing of how things usually are.
    pub(super) fn at_rule(&self, rule: &str, for_all: &[&str]) -> Option<Self> {
        if for_all.iter().any(|known| rule.starts_with(known)) {
            return Some(self.clone());
        }
        let asked = rule.strip_prefix("@media")?;
        let (_, asks) = asked.split_once("prefers-color-scheme")?;
        if OTHER.iter().any(|other| asked.contains(other)) {
            return None;
        }
        let mode = told(&words(asks))?;
        Some(Self {
            mode: Some(mode),
            ..self.clone()
        })
    }

    /// Under selectors; none where they are about a part that is dark or light, and no mode.
    pub(super) fn rule(&self, selectors: &[String]) -> Option<Self> {
        let whole = selectors.iter().flat_map(|one| self.nested(one));
        let parted: Vec<(Option<Mode>, String)> =
            whole.take(MOST_NESTED).map(|one| parted(&one)).collect();
        let usual = |(mode, _): &&(Option<Mode>, String)| mode.is_none();
        let mut plain: Vec<String> = Vec::new();
        plain.extend(parted.iter().filter(usual).map(|(_, rest)| rest.clone()));
        let is_part = |selector: &String| selector.contains("dark");
        if plain.iter().any(is_part) {
            return None;
        }
        if let (true, Some((mode, _))) = (plain.is_empty(), parted.first()) {
            return Some(Self {
                mode: *mode,
                selectors: parted.iter().map(|(_, rest)| rest.clone()).collect(),
            });
        }
        Some(Self {
            mode: self.mode,
            selectors: plain,
        })
    }
}

impl Around {
    /// A selector with those around it in the place of `&` (CSS Nesting 1, 3.1); without one it says enough alone.
    fn nested(&self, selector: &str) -> Vec<String> {
        if !selector.contains('&') || self.selectors.is_empty() {
            return vec![selector.to_owned()];
        }
        let outer = self.selectors.iter().take(MOST_NESTED);
        outer.map(|outer| selector.replace('&', outer)).collect()
    }
}

/// The mode that words tell.
pub(super) fn told(words: &[String]) -> Option<Mode> {
    let mut told = TOLD.iter();
    let (_, mode) = told.find(|(word, _)| words.iter().any(|own| own == word))?;
    Some(*mode)
}

/// A selector without what tells its mode, and that mode.
fn parted(selector: &str) -> (Option<Mode>, String) {
    let mut mode = None;
    let mut rest = Vec::new();
    for compound in selector.split_whitespace() {
        let (mut kept, mut is_told) = (String::new(), false);
        for simple in simples(compound) {
            match of_mode(simple) {
                Some(found) => (mode, is_told) = (Some(found), true),
                None if simple.starts_with(":not(") => {}
                None => kept.push_str(simple),
            }
        }
        // The root says no more than that it is all of it.
        let is_root = is_told && ["", ":root", "html", ":host"].contains(&kept.as_str());
        if !is_root {
            rest.push(kept);
        }
    }
    match (rest.is_empty(), mode) {
        (true, _) => (mode, ":root".to_owned()),
        (false, _) => (mode, rest.join(" ")),
    }
}

/// The simple selectors of a compound one: `html`, `.dark`, `[data-mode="dark"]`, `:not(…)`.
fn simples(compound: &str) -> Vec<&str> {
    let mut out = Vec::new();
    let (mut from, mut depth) = (0, 0_usize);
    for (at, sign) in compound.char_indices() {
        if depth == 0 && at > from && matches!(sign, '.' | '[' | ':' | '#') {
            out.push(&compound[from..at]);
            from = at;
        }
        match sign {
            '[' | '(' => depth += 1,
            ']' | ')' => depth = depth.saturating_sub(1),
            _ => {}
        }
    }
    out.push(&compound[from..]);
    out
}

/// The mode that a class or an attribute tells and nothing else.
fn of_mode(simple: &str) -> Option<Mode> {
    let is_told = simple.starts_with(['.', '[']);
    let words = is_told.then(|| words(simple))?;
    let is_known = |word: &String| {
        BESIDE.contains(&word.as_str()) || TOLD.iter().any(|(told, _)| told == word)
    };
    words.iter().all(is_known).then(|| told(&words))?
}

/// The value for a mode, where it says one for each (CSS Color 5, `light-dark()`).
pub(super) fn of_both(value: &str, mode: Mode) -> &str {
    let inner = value.trim().strip_prefix("light-dark(");
    let Some(inner) = inner.and_then(|inner| inner.strip_suffix(')')) else {
        return value;
    };
    let mut depth = 0_usize;
    let comma = inner.char_indices().find(|(_, sign)| {
        match sign {
            '(' => depth += 1,
            ')' => depth = depth.saturating_sub(1),
            _ => {}
        }
        *sign == ',' && depth == 0
    });
    match (comma, mode) {
        (Some((at, _)), Mode::Light) => inner[..at].trim(),
        (Some((at, _)), Mode::Dark) => inner[at + 1..].trim(),
        (None, _) => value,
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_mode_is_told_by_classes_and_attributes_and_not_by_parts() {
        let dark = Some(Mode::Dark);
        for (selector, mode, rest) in [
            (".dark", dark, ":root"),
            ("html.dark-mode body", dark, "body"),
            (":root[data-theme='dark'] a:hover", dark, "a:hover"),
            ("body.theme-dark", dark, "body"),
            (":root:not([data-mode=light])", None, ":root"),
            ("[data-color-scheme=light]", Some(Mode::Light), ":root"),
            (".btn-dark", None, ".btn-dark"),
            (".card > a", None, ".card > a"),
        ] {
            assert_eq!(parted(selector), (mode, rest.to_owned()), "{selector}");
        }
    }

    #[test]
    fn a_mode_is_told_by_what_is_nested() {
        let within = |outer: &[&str]| Around {
            selectors: outer.iter().map(|one| (*one).to_owned()).collect(),
            mode: None,
        };
        let rule = |outer: &[&str], inner: &str| within(outer).rule(&[inner.to_owned()]);
        let dark = |selectors: &[&str]| Around {
            mode: Some(Mode::Dark),
            ..within(selectors)
        };
        assert_eq!(
            rule(&[":root"], "&[data-theme=dark]"),
            Some(dark(&[":root"]))
        );
        assert_eq!(rule(&["body", "a"], ".dark &"), Some(dark(&["body", "a"])));
        assert_eq!(rule(&[".btn"], "&-dark"), None);
        assert_eq!(rule(&[".site"], "h1"), Some(within(&["h1"])));
    }

    #[test]
    fn one_of_both_is_a_modes() {
        let both = "light-dark(rgb(1, 2, 3), #fff)";
        assert_eq!(of_both(both, Mode::Light), "rgb(1, 2, 3)");
        assert_eq!(of_both(both, Mode::Dark), "#fff");
        assert_eq!(of_both("#abc", Mode::Dark), "#abc");
    }
}
