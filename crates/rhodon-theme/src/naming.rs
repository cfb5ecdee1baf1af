//! A readable name for a colour that came without one.

use rhodon_color::Rgb8;

/// Oklch hues from which a common word begins to fit, in degrees.
const HUES: &[(f64, &str)] = &[
    (0.0, "rose"),
    (18.0, "red"),
    (42.0, "orange"),
    (72.0, "amber"),
    (96.0, "yellow"),
    (116.0, "lime"),
    (136.0, "green"),
    (168.0, "teal"),
    (200.0, "cyan"),
    (235.0, "blue"),
    (275.0, "violet"),
    (315.0, "magenta"),
    (345.0, "rose"),
];

/// Such as "Deep blue" or "Pale grey".
pub fn name(color: Rgb8) -> String {
    let (lightness, lch) = (color.lightness(), color.to_oklch());
    if lch.c < 0.015 {
        return match lightness {
            l if l < 4.0 => "Black",
            l if l < 35.0 => "Deep grey",
            l if l < 75.0 => "Grey",
            l if l < 98.0 => "Pale grey",
            _ => "White",
        }
        .to_owned();
    }
    let hue = HUES
        .iter()
        .rev()
        .find(|(from, _)| lch.h >= *from)
        .map_or("rose", |(_, word)| word);
    let quality = match lightness {
        l if l < 35.0 => "Deep",
        l if l > 82.0 => "Pale",
        _ if lch.c < 0.06 => "Soft",
        _ if lch.c > 0.19 => "Vivid",
        _ => return hue[..1].to_uppercase() + &hue[1..],
    };
    format!("{quality} {hue}")
}

#[cfg(test)]
mod tests {
    #[test]
    fn names_say_what_is_seen() {
        for (code, name) in [
            ("#0f5c7a", "Cyan"),
            ("#ff0000", "Vivid red"),
            ("#000000", "Black"),
            ("#00005c", "Deep blue"),
            ("#d9e8c0", "Pale lime"),
        ] {
            assert_eq!(super::name(code.parse().unwrap()), name, "{code}");
        }
    }
}
