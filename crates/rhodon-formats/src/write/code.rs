//! Constants in the languages of apps: a class or object a mode, one line a token.

use rhodon_theme::{ColorValue, Mode, Token, TokenKind, Value};

use super::length;
use crate::job::{Job, by_group};
use crate::name::Names;

/// How a language writes values.
pub(crate) trait CodeStyle {
    /// A colour.
    fn color(&self, color: &ColorValue) -> String;
    /// A length in px, of text or of anything else.
    fn length(&self, px: f64, of_text: bool) -> String;
    /// A plain number.
    fn number(&self, n: f64) -> String;
    /// A font weight.
    fn weight(&self, n: u16) -> String;
    /// Font families, the first that exists is used.
    fn families(&self, names: &[String]) -> String;
    /// `name = value` as a member.
    fn member(&self, name: &str, kind: TokenKind, value: &str) -> String;
}

/// Members for the tokens of a mode.
pub(crate) fn members<'a>(
    style: &impl CodeStyle,
    tokens: impl Iterator<Item = &'a Token>,
    names: &Names<'_>,
    mode: Mode,
) -> String {
    let mut out = String::with_capacity(16 * 1024);
    for (group, token) in by_group(tokens) {
        let value = &token.cell(mode).value;
        let value = value_text(style, &token.path, value);
        let member = style.member(&names[&*token.path], token.kind, &value);
        if let Some(group) = group {
            let pad = &member[..member.len() - member.trim_start().len()];
            let gap = if out.is_empty() { "" } else { "\n" };
            out.push_str(&format!("{gap}{pad}// {group}\n"));
        }
        out.push_str(&member);
    }
    out
}

/// What differs in each mode where more contrast is asked for, under the title of its class or object.
pub(crate) fn members_of_more(
    style: &impl CodeStyle,
    usual: &Job<'_>,
    raised: &Job<'_>,
    names: &Names<'_>,
) -> [(&'static str, String); 2] {
    let titles = [
        ("LightMoreColors", Mode::Light),
        ("DarkMoreColors", Mode::Dark),
    ];
    titles.map(|(title, mode)| {
        let own = raised.differing(usual.theme, mode);
        (title, members(style, own, names, mode))
    })
}

fn value_text(style: &impl CodeStyle, path: &str, value: &Value) -> String {
    match value {
        Value::Color(c) => style.color(c),
        Value::Dimension(..) => style.length(
            length::px(value).unwrap_or_default(),
            length::is_text_size(path, value),
        ),
        Value::Number(n) => style.number(*n),
        Value::FontWeight(n) => style.weight(*n),
        Value::FontFamily(names) => style.families(names),
    }
}

/// `0xFF0F5C7A`: opacity first.
pub(crate) fn argb(color: &ColorValue) -> String {
    let [r, g, b] = [color.code.r, color.code.g, color.code.b];
    format!(
        "0x{:02X}{r:02X}{g:02X}{b:02X}",
        (color.alpha * 255.0).round() as u8
    )
}

/// Tokens with the same value in both modes, and those that differ.
pub(crate) fn by_mode<'a>(job: &Job<'a>) -> (Vec<&'a Token>, Vec<&'a Token>) {
    job.tokens().partition(|t| t.is_modeless())
}

/// The object that holds a token, in light mode where the modes differ.
pub(crate) fn home(token: &Token) -> &'static str {
    if token.is_modeless() {
        "ThemeColors"
    } else {
        "LightColors"
    }
}

/// A string literal; `$` begins an expression in some languages and is escaped where it does.
pub(crate) fn quoted(text: &str, dollar: bool) -> String {
    let mut out = String::from("\"");
    for c in text.chars() {
        match c {
            '"' | '\\' => out.extend(['\\', c]),
            '$' if dollar => out.push_str("\\$"),
            c => out.push(c),
        }
    }
    out.push('"');
    out
}

/// A number that is a decimal in every language.
pub(crate) fn decimal(n: f64) -> String {
    let text = n.to_string();
    if text.contains('.') {
        text
    } else {
        format!("{text}.0")
    }
}
