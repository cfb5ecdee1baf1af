//! Schemes of app languages, as their toolkits draw them.

use rhodon_color::Rgb8;

use super::{Drawn, Made, PART, TEXT, drawn, laid};

/// App toolkits lay 8 % of the text's colour over what is pointed at.
pub fn app(theme: &Made, target: &str) -> Vec<Drawn> {
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
