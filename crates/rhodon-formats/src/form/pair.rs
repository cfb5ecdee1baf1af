//! Colours that stand in twos, one for light and one for dark: `["#f4f7f9", "#10212b"]`.

use rhodon_theme::Mode;

use crate::color_use::ColorUse;

/// The mode of each colour that stands in a list of two, as files have them: light first.
pub(super) fn sides(text: &str, uses: &[ColorUse]) -> Vec<Option<Mode>> {
    let mut sides = vec![None; uses.len()];
    for at in 1..uses.len() {
        if sides[at - 1].is_none() && is_pair(text, &uses[at - 1], &uses[at]) {
            sides[at - 1] = Some(Mode::Light);
            sides[at] = Some(Mode::Dark);
        }
    }
    sides
}

fn is_pair(text: &str, first: &ColorUse, second: &ColorUse) -> bool {
    let is_beside = |c: char| c.is_whitespace() || matches!(c, '"' | '\'');
    let Some(between) = text.get(first.range.end..second.range.start) else {
        return false;
    };
    // Names of a list are those of the key before it; readers of lines give one to the first alone.
    let is_named_alike = second.name.is_none() || first.name == second.name;
    let before = text[..first.range.start].trim_end_matches(is_beside);
    // What a function is called with is no pair.
    let opens = before.ends_with('[')
        || before
            .strip_suffix('(')
            .is_some_and(|b| !b.ends_with(char::is_alphanumeric));
    is_named_alike
        && opens
        && between.trim_matches(is_beside) == ","
        && text[second.range.end..]
            .trim_start_matches(is_beside)
            .starts_with([']', ')'])
}
