//! The preset of scales, as its framework draws it.

use super::{Drawn, Made, PART, TEXT, code, drawn, entries, object};

pub fn scales_preset(theme: &Made) -> Vec<Drawn> {
    let preset = object(&theme.text("scales-preset", &[]), "export const preset = ");
    let mut out = Vec::new();
    for mode in ["light", "dark"] {
        let scheme = &preset["semantic"]["colorScheme"][mode];
        let content = code(&scheme["content"]["background"]);
        let component = |name: &str| &preset["components"][name]["colorScheme"][mode];
        for (name, button) in entries(&component("button")["root"]) {
            for ground in ["background", "hoverBackground", "activeBackground"] {
                out.push(drawn(
                    format!("preset {mode} {name} {ground}"),
                    code(&button["color"]),
                    code(&button[ground]),
                    TEXT,
                ));
            }
        }
        for kind in ["outlined", "text"] {
            for (name, button) in entries(&component("button")[kind]) {
                let color = code(&button["color"]);
                for ground in [
                    content,
                    code(&button["hoverBackground"]),
                    code(&button["activeBackground"]),
                ] {
                    out.push(drawn(
                        format!("preset {mode} {kind} {name}"),
                        color,
                        ground,
                        TEXT,
                    ));
                }
            }
        }
        for kind in ["message", "tag", "badge"] {
            for (name, label) in entries(component(kind)) {
                out.push(drawn(
                    format!("preset {mode} {kind} {name}"),
                    code(&label["color"]),
                    code(&label["background"]),
                    TEXT,
                ));
            }
        }
        let field = &scheme["formField"];
        for text in ["color", "placeholderColor", "invalidPlaceholderColor"] {
            out.push(drawn(
                format!("preset {mode} field {text}"),
                code(&field[text]),
                code(&field["background"]),
                TEXT,
            ));
        }
        for edge in ["borderColor", "focusBorderColor", "invalidBorderColor"] {
            out.push(drawn(
                format!("preset {mode} field {edge}"),
                code(&field[edge]),
                code(&field["background"]),
                PART,
            ));
        }
    }
    out
}
