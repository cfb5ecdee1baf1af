//! The Sass framework's variables, as it draws with them.

use rhodon_color::{Color, Rgb8};

use super::{Drawn, Made, PART, TEXT, drawn};

/// `$name: value !default;`, and `--…-name: value;` of a rule.
fn sass_value(text: &str, name: &str) -> Rgb8 {
    let line = text.lines().find_map(|l| {
        let (key, value) = l
            .trim()
            .trim_start_matches("--#{$prefix}")
            .split_once(": ")?;
        (key.trim_start_matches('$') == name).then_some(value)
    });
    let value = line.unwrap_or_else(|| panic!("no {name}"));
    let value = value.trim_end_matches(';').trim_end_matches(" !default");
    Color::parse(value).unwrap().to_rgb8()
}

pub fn sass_overrides(theme: &Made) -> Vec<Drawn> {
    let files = theme.files("sass-overrides", &[]);
    let (before, states) = (&files[0].text, &files[2].text);
    let mut out = Vec::new();
    for (end, root) in [("", ""), ("-dark", "[data-bs-theme=\"dark\"] ")] {
        let get = |name: &str| sass_value(before, &format!("{name}{end}"));
        let page = ["body-bg", "body-secondary-bg", "body-tertiary-bg"].map(get);
        for ground in page {
            for text in [
                "body-color",
                "body-secondary-color",
                "body-tertiary-color",
                "link-color",
                "link-hover-color",
                "headings-color",
                "code-color",
                "form-invalid-color",
                "form-valid-color",
            ] {
                out.push(drawn(
                    format!("overrides {text}{end}"),
                    get(text),
                    ground,
                    TEXT,
                ));
            }
        }
        // Edges and rings of fields: variables in light mode, rules behind the components in dark mode.
        let rule = |state: &str| {
            let head = format!(".form-check-input{state} {{");
            states.split_once(&head).expect("a rule").1
        };
        let drawn_by = |key: &str, state: &str| match end {
            "" => get(key),
            _ => sass_value(rule(state), "border-color"),
        };
        for (what, color) in [
            ("edge", drawn_by("input-border-color", "")),
            ("ring", drawn_by("input-focus-border-color", ":focus")),
            ("wrong", get("form-invalid-border-color")),
            ("right", get("form-valid-border-color")),
        ] {
            let name = format!("overrides field {what}{end}");
            out.push(drawn(name, color, page[0], PART));
        }
        for intent in &theme.derived.intents {
            let name = intent.name.as_str();
            let rule = |kind: &str| {
                let head = format!("\n{root}.btn-{kind}{name} {{");
                let start = states.find(&head).unwrap_or_else(|| panic!("{head}")) + head.len();
                &states[start..start + states[start..].find("\n}").unwrap()]
            };
            let (filled, outlined) = (rule(""), rule("outline-"));
            for state in ["", "hover-", "active-"] {
                let value = |key: &str| sass_value(filled, &format!("btn-{state}{key}"));
                out.push(drawn(
                    format!("overrides {name} {state}"),
                    value("color"),
                    value("bg"),
                    TEXT,
                ));
            }
            for ground in page {
                let color = sass_value(outlined, "btn-color");
                out.push(drawn(
                    format!("overrides outline {name}"),
                    color,
                    ground,
                    TEXT,
                ));
            }
        }
        for intent in [
            "primary",
            "secondary",
            "success",
            "info",
            "warning",
            "danger",
        ] {
            let part = |part: &str| get(&format!("{intent}-{part}"));
            out.push(drawn(
                format!("overrides alert {intent}{end}"),
                part("text-emphasis"),
                part("bg-subtle"),
                TEXT,
            ));
        }
    }
    out
}
