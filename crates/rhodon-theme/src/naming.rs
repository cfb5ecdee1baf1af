//! A readable name for a colour that came without one.

use rhodon_color::{Color, Rgb8};

/// Oklch hues from which a common word begins to fit, in degrees. Between 345° and 5° stands rose.
const HUES: &[(f64, &str)] = &[
    (0.0, "rose"),
    (14.0, "red"),
    (35.0, "orange"),
    (72.0, "amber"),
    (95.0, "yellow"),
    (114.0, "lime"),
    (134.0, "green"),
    (165.0, "teal"),
    (215.0, "blue"),
    (274.0, "violet"),
    (305.0, "purple"),
    (322.0, "magenta"),
    (345.0, "rose"),
];

/// Below this chroma a colour is seen as a grey.
const GREY: f64 = 0.015;
/// Below this chroma a colour is seen as soft.
const SOFT: f64 = 0.06;
/// From this chroma on a light colour is seen as a colour rather than as a pale ground.
const CLEAR: f64 = 0.1;
/// Above this chroma a colour is seen as vivid, however dark or light.
const VIVID: f64 = 0.2;

/// The name of a colour as it was typed: a CSS name is its own name, all else is named by its look.
pub fn name(text: &str, color: Color) -> String {
    let word = text.trim();
    let is_word = !word.is_empty() && word.bytes().all(|b| b.is_ascii_alphabetic());
    if is_word && Color::parse(word).is_ok() {
        return capitalised(&word.to_ascii_lowercase());
    }
    look(color.to_rgb8())
}

/// Whether a colour is seen as a grey, black and white among them.
pub fn is_grey(color: Rgb8) -> bool {
    color.to_oklch().c < GREY
}

/// What is seen, such as "Deep blue" or "Pale grey".
pub fn look(color: Rgb8) -> String {
    let (lightness, lch) = (color.lightness(), color.to_oklch());
    if lch.c < GREY {
        return grey(lightness).to_owned();
    }
    let hue = word(lch.h, lightness, lch.c);
    // Brown and olive are dark by themselves, pink is light.
    let (dark, pale) = match hue {
        "brown" | "olive" => (22.0, 78.0),
        "pink" => (35.0, 90.0),
        _ => (35.0, 82.0),
    };
    match lightness {
        _ if lch.c > VIVID => format!("Vivid {hue}"),
        l if l < dark => format!("Deep {hue}"),
        l if l > pale && lch.c < CLEAR => format!("Pale {hue}"),
        _ if lch.c < SOFT => format!("Soft {hue}"),
        _ => capitalised(hue),
    }
}

fn grey(lightness: f64) -> &'static str {
    match lightness {
        l if l < 4.0 => "Black",
        l if l < 35.0 => "Deep grey",
        l if l < 75.0 => "Grey",
        l if l < 98.0 => "Pale grey",
        _ => "White",
    }
}

/// The word for a hue, where lightness and strength make another of it.
fn word(hue: f64, lightness: f64, chroma: f64) -> &'static str {
    let plain = HUES
        .iter()
        .rev()
        .find(|(from, _)| hue >= *from)
        .map_or("rose", |(_, word)| word);
    match plain {
        "orange" | "amber" if lightness < 52.0 && chroma < 0.13 => "brown",
        "amber" | "yellow" | "lime" if lightness < 58.0 && chroma < 0.14 => "olive",
        "teal" if lightness >= 65.0 && hue >= 182.0 => "cyan",
        "rose" if lightness >= 65.0 => "pink",
        "magenta" if lightness < 45.0 => "purple",
        other => other,
    }
}

/// Whether two names are told apart by nobody.
pub(crate) fn is_same(a: &str, b: &str) -> bool {
    a.trim().to_lowercase() == b.trim().to_lowercase()
}

/// A word or name with its first letter large.
pub fn capitalised(word: &str) -> String {
    let mut chars = word.chars();
    chars
        .next()
        .map_or_else(String::new, |c| c.to_uppercase().chain(chars).collect())
}

/// Palettes hold these beside the colours of a brand. What is called so is a page or what is written on it,
/// and plays no intent unless somebody says so.
const GROUNDS: [&str; 7] = [
    "background",
    "body text",
    "border",
    "foreground",
    "page",
    "surface",
    "text",
];

/// Those of them that name the page itself.
const PAGES: [&str; 3] = ["background", "page", "surface"];

/// Whether a name is that of a page, or of what is written or drawn on it, and not of a brand's colour.
pub fn is_ground(name: &str) -> bool {
    GROUNDS.contains(&name.to_lowercase().as_str())
}

/// Whether a name is that of what pages stand on.
pub fn is_page(name: &str) -> bool {
    PAGES.contains(&name.to_lowercase().as_str())
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn names_say_what_is_seen() {
        for (code, seen) in [
            ("#0f5c7a", "Blue"),
            ("#ff0000", "Vivid red"),
            ("#dc143c", "Vivid red"),
            ("#c2410c", "Orange"),
            ("#e4572e", "Orange"),
            ("#ffa500", "Orange"),
            ("#ffc107", "Amber"),
            ("#ffff00", "Vivid yellow"),
            ("#8b4513", "Brown"),
            ("#5c3a21", "Brown"),
            ("#795548", "Soft brown"),
            ("#808000", "Olive"),
            ("#6b8e23", "Olive"),
            ("#d9e8c0", "Pale lime"),
            ("#00ff00", "Vivid green"),
            ("#008080", "Teal"),
            ("#00ffff", "Cyan"),
            ("#00005c", "Deep blue"),
            ("#7a4b8f", "Purple"),
            ("#4b0082", "Deep violet"),
            ("#800080", "Deep purple"),
            ("#ff00ff", "Vivid magenta"),
            ("#ff69b4", "Pink"),
            ("#ffc0cb", "Pink"),
            ("#000000", "Black"),
            ("#8a8a8a", "Grey"),
        ] {
            assert_eq!(look(code.parse().unwrap()), seen, "{code}");
        }
    }

    #[test]
    fn a_css_name_is_its_own_name() {
        let named = |text: &str| name(text, Color::parse(text).unwrap());
        assert_eq!(named("navy"), "Navy");
        assert_eq!(named(" RebeccaPurple "), "Rebeccapurple");
        assert_eq!(named("rgb(12, 34, 255)"), "Vivid blue");
    }
}
