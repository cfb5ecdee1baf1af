//! Palettes of drawing programs: a line of three numbers and a name for each colour.

use rhodon_color::Rgb8;

use super::{ColorUse, Written};

/// Finds the colours of a palette.
pub(super) fn find(text: &str, out: &mut Vec<ColorUse>) {
    let mut at = 0;
    for line in text.split_inclusive('\n') {
        if let Some((length, code, name)) = entry(line) {
            let start = at + (line.len() - line.trim_start().len());
            out.push(ColorUse {
                range: start..start + length,
                color: code.into(),
                name: Some(name).filter(|n| !n.is_empty()),
                written: Written::Channels,
            });
        }
        at += line.len();
    }
}

/// Three numbers from 0 to 255 and what stands behind them.
fn entry(line: &str) -> Option<(usize, Rgb8, String)> {
    let trimmed = line.trim_start();
    let mut rest = trimmed;
    let mut channel = || {
        rest = rest.trim_start();
        let end = rest
            .bytes()
            .position(|b| !b.is_ascii_digit())
            .unwrap_or(rest.len());
        let value = rest[..end].parse::<u8>().ok()?;
        rest = &rest[end..];
        Some(value)
    };
    let (r, g, b) = (channel()?, channel()?, channel()?);
    if !rest.is_empty() && !rest.starts_with([' ', '\t', '\n', '\r']) {
        return None;
    }
    let length = trimmed.len() - rest.len();
    Some((length, Rgb8::new(r, g, b), rest.trim().to_owned()))
}
