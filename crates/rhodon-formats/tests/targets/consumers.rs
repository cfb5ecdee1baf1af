//! What consumers draw with the exported values alone: for a button, a link, an alert, a field, a bar
//! and their hover states, every text reads at 4.5 : 1 and every part at 3 : 1, whatever the brand.

use proptest::prelude::*;
use rhodon_color::{Color, Rgb8, contrast_ratio};
use rhodon_theme::{Document, Mode};
use serde_json::Value;

use super::support::Made;

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

/// A framework that mixes alerts from an intent's neighbours, and writes text of its own choice
/// white where that reads and else in black that is not quite opaque.
fn react(theme: &Made) -> Vec<Drawn> {
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

/// A framework that washes grounds with a colour and lays text's own colour over what is pointed at.
fn vue(theme: &Made) -> Vec<Drawn> {
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

/// App toolkits lay 8 % of the text's colour over what is pointed at.
fn app(theme: &Made, target: &str) -> Vec<Drawn> {
    let text = theme.text(target, &[]);
    let mut out = Vec::new();
    for mode in ["Light", "Dark"] {
        let head = match target {
            "kotlin" => format!("val {mode}Scheme = "),
            _ => format!("const ColorScheme {}Scheme = ", mode.to_lowercase()),
        };
        let block = &text[text.find(&head).unwrap()..];
        let block = &block[..block.find("\n)").unwrap()];
        let get = |key: &str| {
            let line = block.lines().find(|l| {
                let line = l.trim_start();
                line.strip_prefix(key)
                    .is_some_and(|r| r.starts_with([' ', ':']))
            });
            let line = line.unwrap_or_else(|| panic!("{target} {key}"));
            let digits = &line[line.find("0x").unwrap() + 4..][..6];
            format!("#{}", digits.to_lowercase())
                .parse::<Rgb8>()
                .unwrap()
        };
        let page = [
            "surface",
            "background",
            "surfaceContainer",
            "surfaceContainerHigh",
            "surfaceContainerHighest",
        ]
        .map(get);
        for (main, on) in [
            ("primary", "onPrimary"),
            ("secondary", "onSecondary"),
            ("tertiary", "onTertiary"),
            ("error", "onError"),
        ] {
            let (color, ink) = (get(main), get(on));
            let what = |part: &str| format!("{target} {mode} {main} {part}");
            out.push(drawn(what("button"), ink, color, TEXT));
            out.push(drawn(
                what("button hover"),
                ink,
                laid(color, ink, 0.08),
                TEXT,
            ));
            for ground in page {
                out.push(drawn(what("text"), color, ground, TEXT));
                out.push(drawn(
                    what("text hover"),
                    color,
                    laid(ground, color, 0.08),
                    TEXT,
                ));
            }
            let (tint, on_tint) = (
                get(&format!("{main}Container")),
                format!("on{}{}Container", main[..1].to_uppercase(), &main[1..]),
            );
            out.push(drawn(what("container"), get(&on_tint), tint, TEXT));
        }
        let inverse_text = if target == "kotlin" {
            "inverseOnSurface"
        } else {
            "onInverseSurface"
        };
        out.push(drawn(
            "inverse",
            get(inverse_text),
            get("inverseSurface"),
            TEXT,
        ));
        out.push(drawn(
            "inverse action",
            get("inversePrimary"),
            get("inverseSurface"),
            TEXT,
        ));
        for ground in page {
            out.push(drawn(
                format!("{target} field"),
                get("onSurface"),
                ground,
                TEXT,
            ));
            out.push(drawn(
                format!("{target} label"),
                get("onSurfaceVariant"),
                ground,
                TEXT,
            ));
            out.push(drawn(
                format!("{target} outline"),
                get("outline"),
                ground,
                PART,
            ));
        }
    }
    out
}

/// A framework whose variables hold every state.
fn mantine(theme: &Made) -> Vec<Drawn> {
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

fn sass_overrides(theme: &Made) -> Vec<Drawn> {
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

fn scales_preset(theme: &Made) -> Vec<Drawn> {
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
