//! What consumers draw with the exported values alone: for a button, a link, an alert, a field, a bar
//! and their hover states, every text reads at 4.5 : 1 and every part at 3 : 1, whatever the brand.

mod app;
mod preset;
mod react;
mod sass;
mod ten_step;
mod vue;

use proptest::prelude::*;
use rhodon_color::{Color, Rgb8, contrast_ratio};
use rhodon_theme::Document;
use serde_json::Value;

use super::support::Made;
use app::app;
use preset::scales_preset;
use react::react;
use sass::sass_overrides;
use ten_step::mantine;
use vue::vue;

const TEXT: f64 = 4.5;
const PART: f64 = 3.0;

/// A foreground on a ground, with what it is.
struct Drawn {
    what: String,
    over: Rgb8,
    ground: Rgb8,
    need: f64,
}

fn drawn(what: impl Into<String>, over: Rgb8, ground: Rgb8, need: f64) -> Drawn {
    Drawn {
        what: what.into(),
        over,
        ground,
        need,
    }
}

/// `share` of a colour over another, channel by channel.
fn laid(ground: Rgb8, over: Rgb8, share: f64) -> Rgb8 {
    let mix = |g: u8, o: u8| (f64::from(g) * (1.0 - share) + f64::from(o) * share).round() as u8;
    let ([a, b, c], [x, y, z]) = (ground.channels(), over.channels());
    Rgb8::new(mix(a, x), mix(b, y), mix(c, z))
}

/// A colour mixed with white or black.
type Mix = fn(Rgb8, f64) -> Rgb8;

fn lighter(color: Rgb8, share: f64) -> Rgb8 {
    laid(color, Rgb8::WHITE, share)
}

fn darker(color: Rgb8, share: f64) -> Rgb8 {
    laid(color, Rgb8::BLACK, share)
}

fn code(value: &Value) -> Rgb8 {
    let text = value
        .as_str()
        .unwrap_or_else(|| panic!("{value} is no colour"));
    Color::parse(text).unwrap().to_rgb8()
}

/// The object or list that stands behind a text in a script. Our own strings hold no brackets here.
fn object(script: &str, name: &str) -> Value {
    let start = script.find(name).unwrap_or_else(|| panic!("no {name}")) + name.len();
    let mut depth = 0;
    let end = script[start..].find(|c| {
        depth += match c {
            '{' | '[' => 1,
            '}' | ']' => -1,
            _ => 0,
        };
        depth == 0
    });
    let text = script[start..=start + end.unwrap()].replace(" as const", "");
    // Scripts take numbers as keys, the parser does not.
    let quoted = |line: &str| match line.trim_start().split_once(": ") {
        Some((key, rest)) if key.bytes().all(|b| b.is_ascii_digit()) => {
            format!("\"{key}\": {rest}\n")
        }
        _ => format!("{line}\n"),
    };
    let text: String = text.lines().map(quoted).collect();
    json5::from_str(&text).unwrap_or_else(|e| panic!("{name}: {e}"))
}

fn entries(value: &Value) -> impl Iterator<Item = (&String, &Value)> {
    value.as_object().unwrap().iter()
}

proptest! {
    #![proptest_config(rhodon_testing::cases(24))]

    #[test]
    fn whatever_consumers_draw_can_be_read(codes in prop::collection::vec(any::<[u8; 3]>(), 1..=4)) {
        let colors: Vec<Color> = codes.iter().map(|[r, g, b]| Rgb8::new(*r, *g, *b).into()).collect();
        let theme = Made::of(Document::from_brand("Any", &colors));
        let all = [react(&theme), vue(&theme), app(&theme, "kotlin"), app(&theme, "dart"), mantine(&theme), sass_overrides(&theme), scales_preset(&theme)];
        for Drawn { what, over, ground, need } in all.into_iter().flatten() {
            let ratio = contrast_ratio(over, ground);
            prop_assert!(ratio >= need, "{}: {} on {} has {:.2}", what, over, ground, ratio);
        }
    }
}

/// The exact brand stays at hand under its own name where an intent became a readable colour.
#[test]
fn the_exact_brand_is_at_hand_beside_a_readable_one() {
    let yellow = Made::of(Document::from_brand(
        "Buoy",
        &[Color::parse("#ffd400").unwrap()],
    ));
    let label = yellow.derived.scales[0].scale.base_step().label.to_string();
    let slug = yellow.derived.scales[0].slug.to_string();
    let vue = object(&yellow.text("vue-theme", &[]), "export const themes = ");
    assert_ne!(vue["light"]["colors"]["primary"], "#ffd400");
    assert_eq!(vue["light"]["colors"][format!("{slug}-{label}")], "#ffd400");
    let exact = object(
        &yellow.text("vue-theme", &[("main", "exact")]),
        "export const themes = ",
    );
    assert_eq!(exact["light"]["colors"]["primary"], "#ffd400");
    let react = object(
        &yellow.text("react-theme", &[("main", "exact")]),
        "const lightPalette = ",
    );
    assert_eq!(react["primary"]["main"], "#ffd400");
}
