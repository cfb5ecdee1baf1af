//! Colours beside their codes, where a terminal shows them.

use anstyle::{RgbColor, Style};

/// Text in which a patch of its colour stands before every hex code.
pub fn with_swatches(text: &str) -> String {
    let mut out = String::with_capacity(text.len() * 2);
    let mut rest = text;
    while let Some(at) = rest.find('#') {
        let (before, code) = rest.split_at(at);
        out.push_str(before);
        let length = 1 + code[1..]
            .bytes()
            .take_while(u8::is_ascii_alphanumeric)
            .count();
        if let Some(color) = of(&code[1..length]) {
            let patch = Style::new().bg_color(Some(color.into()));
            out.push_str(&format!("{patch}  {patch:#} "));
        }
        out.push_str(&code[..length]);
        rest = &code[length..];
    }
    out.push_str(rest);
    out
}

/// The colour of six or eight hex digits; what is see-through is shown as if it were not.
fn of(digits: &str) -> Option<RgbColor> {
    if !matches!(digits.len(), 6 | 8) {
        return None;
    }
    let part = |at: usize| u8::from_str_radix(digits.get(at..at + 2)?, 16).ok();
    Some(RgbColor(part(0)?, part(2)?, part(4)?))
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_patch_stands_before_every_code_and_nothing_else_changes() {
        let patch = |r, g, b| format!("\u{1b}[48;2;{r};{g};{b}m  \u{1b}[0m ");
        for (text, expected) in [
            ("#0f5c7a", format!("{}#0f5c7a", patch(15, 92, 122))),
            (
                "on #FFFFFF80.",
                format!("on {}#FFFFFF80.", patch(255, 255, 255)),
            ),
            (
                "#1 of #12, #zzzzzz, #0f5c7a0 and C#",
                "#1 of #12, #zzzzzz, #0f5c7a0 and C#".to_owned(),
            ),
            ("é#00000é", "é#00000é".to_owned()),
        ] {
            assert_eq!(with_swatches(text), expected);
        }
    }
}
