//! The React ten-step theme, as its framework draws it.

use serde_json::Value;

use super::{Drawn, Made, TEXT, code, drawn, object};

/// A framework whose variables hold every state.
pub fn mantine(theme: &Made) -> Vec<Drawn> {
    let text = theme.text("mantine", &[]);
    let names = object(&text, "const intents: string[] = ")
        .as_array()
        .cloned();
    let names = names.unwrap_or_default();
    let variables = object(&text, "CSSVariablesResolver = () => (");
    let mut out = Vec::new();
    for mode in ["light", "dark"] {
        let get = |key: &str| {
            let found = variables[mode].get(format!("--mantine-{key}"));
            code(found.unwrap_or_else(|| panic!("mantine {mode} {key}")))
        };
        let page = ["color-body", "color-default", "color-default-hover"].map(get);
        assert!(names.iter().any(|n| n == "warning"), "{names:?}");
        for name in names.iter().filter_map(Value::as_str) {
            let part = |part: &str| get(&format!("color-{name}-{part}"));
            let what = |part: &str| format!("mantine {mode} {name} {part}");
            out.push(drawn(
                what("filled"),
                part("contrast"),
                part("filled"),
                TEXT,
            ));
            out.push(drawn(
                what("filled hover"),
                part("contrast"),
                part("filled-hover"),
                TEXT,
            ));
            out.push(drawn(
                what("light"),
                part("light-color"),
                part("light"),
                TEXT,
            ));
            out.push(drawn(
                what("light hover"),
                part("light-color"),
                part("light-hover"),
                TEXT,
            ));
            out.push(drawn(
                what("outline hover"),
                part("outline"),
                part("outline-hover"),
                TEXT,
            ));
            for ground in page {
                out.push(drawn(what("outline"), part("outline"), ground, TEXT));
                out.push(drawn(what("text"), part("text"), ground, TEXT));
            }
        }
        for ground in page {
            for key in [
                "color-text",
                "color-dimmed",
                "color-anchor",
                "color-error",
                "color-placeholder",
            ] {
                out.push(drawn(
                    format!("mantine {mode} {key}"),
                    get(key),
                    ground,
                    TEXT,
                ));
            }
        }
    }
    out
}
