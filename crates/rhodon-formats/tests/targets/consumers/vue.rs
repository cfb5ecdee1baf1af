//! The Vue component theme, as its framework draws it.

use super::{Drawn, Made, TEXT, code, drawn, entries, laid, object};

/// A framework that washes grounds with a colour and lays text's own colour over what is pointed at.
pub fn vue(theme: &Made) -> Vec<Drawn> {
    let themes = object(&theme.text("vue-theme", &[]), "export const themes = ");
    let mut out = Vec::new();
    for (mode, theme) in entries(&themes) {
        let colors = &theme["colors"];
        let page = ["background", "surface", "surface-light"].map(|key| code(&colors[key]));
        let intents = entries(colors).filter(|(key, _)| {
            let on = colors.get(format!("on-{key}"));
            on.is_some() && !key.contains("surface") && *key != "background"
        });
        for (name, main) in intents {
            let (main, ink) = (code(main), code(&colors[format!("on-{name}")]));
            let what = |part: &str| format!("vue {mode} {name} {part}");
            out.push(drawn(what("button"), ink, main, TEXT));
            out.push(drawn(
                what("button hover"),
                ink,
                laid(main, ink, 0.04),
                TEXT,
            ));
            for ground in page {
                out.push(drawn(what("text"), main, ground, TEXT));
                out.push(drawn(what("alert"), main, laid(ground, main, 0.12), TEXT));
            }
        }
        let [text, tip, on_tip] =
            ["on-surface", "surface-variant", "on-surface-variant"].map(|key| code(&colors[key]));
        out.push(drawn("vue tooltip", on_tip, tip, TEXT));
        let muted = theme["variables"]["medium-emphasis-opacity"]
            .as_f64()
            .unwrap();
        for ground in page {
            out.push(drawn("vue field", text, ground, TEXT));
            out.push(drawn("vue label", laid(ground, text, muted), ground, TEXT));
        }
    }
    out
}
