//! The React component theme, as its framework draws it.

use rhodon_color::{Rgb8, contrast_ratio};
use rhodon_theme::Mode;

use super::{Drawn, Made, Mix, TEXT, code, darker, drawn, entries, laid, lighter, object};

/// A framework that mixes alerts from an intent's neighbours, and writes text of its own choice
/// white where that reads and else in black that is not quite opaque.
pub fn react(theme: &Made) -> Vec<Drawn> {
    let text = theme.text("react-theme", &[]);
    let mut out = Vec::new();
    for mode in Mode::BOTH {
        let palette = object(&text, &format!("const {}Palette = ", mode.id()));
        let page = [
            &palette["background"]["default"],
            &palette["background"]["paper"],
        ]
        .map(code);
        let own_ink = |ground: Rgb8| match contrast_ratio(Rgb8::WHITE, ground) >= TEXT {
            true => Rgb8::WHITE,
            false => darker(ground, 0.87),
        };
        for (name, intent) in entries(&palette).filter(|(_, v)| v.get("contrastText").is_some()) {
            let [main, dark, light, ink] =
                ["main", "dark", "light", "contrastText"].map(|key| code(&intent[key]));
            let is_black = main.lightness() < 3.0;
            assert!(
                is_black || dark.luminance() < main.luminance(),
                "{name} {}",
                mode.id()
            );
            let what = |part: &str| format!("react {} {name} {part}", mode.id());
            out.push(drawn(what("button"), ink, main, TEXT));
            out.push(drawn(what("button hover"), ink, dark, TEXT));
            for ground in page {
                out.push(drawn(what("link"), main, ground, TEXT));
                out.push(drawn(
                    what("quiet hover"),
                    main,
                    laid(ground, main, 0.04),
                    TEXT,
                ));
            }
            let (mixed, ground): (Mix, Mix) = match mode {
                Mode::Light => (darker, lighter),
                Mode::Dark => (lighter, darker),
            };
            out.push(drawn(
                what("alert"),
                mixed(light, 0.6),
                ground(light, 0.9),
                TEXT,
            ));
            let filled = if mode == Mode::Dark { dark } else { main };
            out.push(drawn(what("filled alert"), own_ink(filled), filled, TEXT));
        }
        for ground in page {
            let on = |path: [&str; 2]| code(&palette[path[0]][path[1]]);
            out.push(drawn("react field", on(["text", "primary"]), ground, TEXT));
            out.push(drawn(
                "react label",
                on(["text", "secondary"]),
                ground,
                TEXT,
            ));
            let hover = code(&palette["action"]["hover"]);
            out.push(drawn(
                "react row hover",
                on(["text", "primary"]),
                hover,
                TEXT,
            ));
        }
        let options = &text[text.find(&format!("const {}Theme = ", mode.id())).unwrap()..];
        let bar = object(options, "colorPrimary: ");
        out.push(drawn(
            "react bar",
            code(&bar["color"]),
            code(&bar["backgroundColor"]),
            TEXT,
        ));
    }
    out
}
