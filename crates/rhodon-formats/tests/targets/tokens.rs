//! Design tokens: out, in and out again without loss; other programs' files in and out.

use proptest::prelude::*;
use rhodon_formats::read::{Import, InputFile, read as read_files};
use rhodon_theme::Document;
use serde_json::{Value, json};

use super::support::{Made, demo, theme};

pub(super) fn read(files: &[(&str, String)]) -> Import {
    let sheets: Vec<InputFile> = files
        .iter()
        .map(|(name, text)| InputFile::text((*name).to_owned(), text.clone()))
        .collect();
    read_files(&sheets)
}

pub(super) fn written(theme: &Made, id: &str) -> Vec<(String, String)> {
    theme
        .files(id, &[])
        .into_iter()
        .map(|f| (f.path, f.text))
        .collect()
}

pub(super) fn read_back(files: &[(String, String)]) -> Document {
    let files: Vec<(&str, String)> = files.iter().map(|(p, t)| (p.as_str(), t.clone())).collect();
    let import = read(&files);
    assert_eq!(
        (import.problems.len(), import.notes.len()),
        (0, 0),
        "{:?} {:?}",
        import.problems,
        import.notes
    );
    import.spec.unwrap()
}

#[test]
fn the_files_are_what_the_format_asks_for() {
    let schema: Value = serde_json::from_str(include_str!("schema/tokens.json")).unwrap();
    let schema = jsonschema::validator_for(&schema).unwrap();
    let own = theme(json!({ "tokens": {
        "ferry.wake": { "value": "color(display-p3 1 0.2 0)", "description": "Behind a boat" },
        "ferry.wake.deep": { "value": "{ferry.wake}" },
        "ferry.gap": { "kind": "dimension", "value": "1.5rem" },
        "ferry.speed": { "kind": "number", "value": "17.5" },
    } }));
    for theme in [demo(), own] {
        for (path, text) in written(&theme, "tokens").iter().take(2) {
            schema
                .validate(&serde_json::from_str(text).unwrap())
                .unwrap_or_else(|e| panic!("{path}: {e} at {}", e.instance_path()));
        }
    }
}

#[test]
fn a_token_that_is_a_group_too_is_its_root() {
    let own = theme(json!({ "tokens": {
        "ferry.wake": { "value": "#abcdef" },
        "ferry.wake.deep": { "value": "{ferry.wake}" },
    } }));
    let content: Value = serde_json::from_str(&written(&own, "tokens")[0].1).unwrap();
    assert_eq!(
        content["ferry"]["wake"]["$root"]["$value"]["hex"],
        "#abcdef"
    );
    assert_eq!(
        content["ferry"]["wake"]["deep"]["$value"],
        "{ferry.wake.$root}"
    );
    assert_eq!(&read_back(&written(&own, "tokens")), own.decided.document());
}

/// Any document that reading accepts, out of parts that most documents have.
fn any_spec() -> impl Strategy<Value = Document> {
    let code = || any::<[u8; 3]>().prop_map(|[r, g, b]| format!("#{r:02x}{g:02x}{b:02x}"));
    let color = || {
        prop_oneof![
            4 => code(),
            1 => (0.0..1.0f64, 0.0..0.4f64, 0.0..360.0f64).prop_map(|(l, c, h)| format!("oklch({l:.3} {c:.3} {h:.1})")),
            1 => any::<[u8; 4]>().prop_map(|[r, g, b, a]| format!("rgb({r} {g} {b} / {}%)", a % 101)),
        ]
    };
    let opaque = || prop_oneof![4 => code(), 1 => Just("rebeccapurple".to_owned())];
    let name = || "\\PC{1,24}".prop_filter("blank", |s| !s.trim().is_empty());
    let brand = prop::collection::vec((name(), opaque()), 1..4);
    let scale = (
        prop::option::of(prop::sample::select(vec!["natural", "aligned", "mix"])),
        prop::option::of(-20.0..20.0f64),
        prop::collection::vec(1u8..99, 0..3),
        any::<bool>(),
    );
    let token = (
        prop::sample::select(vec![
            "color",
            "pair",
            "reference",
            "dimension",
            "number",
            "fontFamily",
            "fontWeight",
        ]),
        color(),
        color(),
        0u16..1000,
        prop::option::of(name()),
    );
    let tokens = prop::collection::vec(token, 0..8);
    let typography = (
        prop::option::of(name()),
        prop::option::of(8.0..32.0f64),
        prop::option::of(1u16..1000),
    );
    let handoff = prop::option::of(prop::sample::select(vec!["auto", "class"]));
    (name(), brand, scale, tokens, typography, prop::option::of(color()), handoff, prop::option::of(name())).prop_filter_map(
        "a document that contradicts itself",
        |(name, brand, (method, turn, alpha, zero), tokens, (family, base, bold), role, mode, kept)| {
            let brand: Vec<Value> = brand
                .into_iter()
                .enumerate()
                .map(|(i, (name, color))| json!({ "name": name, "slug": format!("brand-{i}"), "color": color }))
                .collect();
            let mut own = serde_json::Map::new();
            for (i, (kind, a, b, n, description)) in tokens.into_iter().enumerate() {
                let mut token = match kind {
                    "color" => json!({ "value": a }),
                    "pair" => json!({ "light": a, "dark": b }),
                    "reference" => json!({ "light": "{surface.base}", "dark": a }),
                    "dimension" => json!({ "kind": kind, "value": format!("{}rem", f64::from(n) / 16.0) }),
                    "number" => json!({ "kind": kind, "value": format!("{}", f64::from(n) / 7.0) }),
                    "fontFamily" => json!({ "kind": kind, "value": "Harbour Grotesk, serif" }),
                    _ => json!({ "kind": kind, "value": n.max(1).to_string() }),
                };
                token["description"] = json!(description);
                let path = if i % 3 == 2 { format!("part-{}.deep.own-{i}", i / 3) } else { format!("part-{}.own-{i}", i / 3) };
                own.insert(path, token);
            }
            let mut spec = json!({
                "format": 1, "name": name, "brand": brand, "tokens": own,
                "scales": { "brand-0": { "method": method, "turn": turn, "alpha": alpha, "zero": zero } },
                "type": { "body": family.map(|f| vec![f]), "base": base, "bold": bold },
                "roles": {}, "handoff": {}, "kept": {},
            });
            if let Some(color) = role {
                spec["roles"]["surface.sunken"] = json!({ "dark": color });
            }
            if let Some(mode) = mode {
                spec["handoff"]["css"] = json!({ "mode": mode });
            }
            if let Some(text) = kept {
                spec["kept"]["Motion.Quick in"] = json!({ "$type": "duration", "$value": { "value": 120, "unit": "ms" }, "$description": text });
            }
            let spec = Document::read(&spec).ok()?;
            rhodon_theme::derive(&rhodon_theme::Resolved::alone(spec.clone())).ok()?;
            Some(spec)
        },
    )
}

proptest! {
    #![proptest_config(rhodon_testing::cases(64))]

    #[test]
    fn out_in_and_out_again_gives_the_same_bytes(spec in any_spec()) {
        let once = Made::of(spec);
        for id in ["tokens", "spec"] {
            let files = written(&once, id);
            let again = Made::of(read_back(&files));
            prop_assert_eq!(&again.decided.merged, &once.decided.merged);
            prop_assert_eq!(&written(&again, id), &files);
        }
    }
}

/// Files of the demo with one value changed.
fn changed(path: &str, pointer: &str, value: Value) -> Import {
    let files: Vec<(String, String)> = written(&demo(), "tokens")
        .into_iter()
        .map(|(name, text)| {
            let mut content: Value = serde_json::from_str(&text).unwrap();
            if name == path {
                *content.pointer_mut(pointer).unwrap() = value.clone();
            }
            (name, content.to_string())
        })
        .collect();
    read(
        &files
            .iter()
            .map(|(n, t)| (n.as_str(), t.clone()))
            .collect::<Vec<_>>(),
    )
}

#[test]
fn what_was_changed_in_the_files_becomes_a_decision() {
    let red = json!({ "colorSpace": "srgb", "components": [1, 0, 0], "hex": "#ff0000" });
    let spec = |path: &str, pointer: &str, value: &Value| {
        let import = changed(path, pointer, value.clone());
        assert_eq!(import.problems, []);
        import.spec.unwrap().to_json()
    };
    let step = spec("tokens.json", "/petrol/300/$value", &red);
    assert_eq!(step["scales"]["petrol"]["pins"]["300"], "#ff0000");
    let brand = spec("tokens.json", "/petrol/600/$value", &red);
    assert_eq!(brand["brand"][0]["color"], "#ff0000");
    let light = spec("tokens.json", "/link/rest/$value", &json!("{petrol.800}"));
    assert_eq!(
        light["roles"]["link.rest"],
        json!({ "light": "{petrol.800}" })
    );
    let dark = spec("tokens.dark.json", "/surface/base/$value", &red);
    assert_eq!(dark["roles"]["surface.base"], json!({ "dark": "#ff0000" }));
    let own = spec("tokens.dark.json", "/ferry/wake/$value", &red);
    assert_eq!(own["tokens"]["ferry.wake"]["dark"], "#ff0000");
    assert_eq!(own["tokens"]["ferry.wake"]["light"], "{petrol.100}");
    let size = changed(
        "tokens.json",
        "/type/size/body/$value",
        json!({ "value": 2, "unit": "rem" }),
    );
    assert_eq!(size.notes.len(), 1);
    assert_eq!(&size.spec.unwrap(), demo().decided.document());
}

#[test]
fn what_was_added_to_the_files_becomes_an_own_token_or_is_kept() {
    let import = changed(
        "tokens.json",
        "/ferry",
        json!({
            "wake": { "$type": "color", "$value": "{petrol.100}", "$description": "Behind a boat on the sound map" },
            "Foam Line": { "$type": "color", "$value": "#eef" },
            "deep": { "$type": "color", "$value": "{petrol.800}" },
            "swell": { "$type": "duration", "$value": { "value": 2, "unit": "s" } },
        }),
    );
    assert_eq!(import.problems, []);
    assert_eq!(import.notes, ["ferry.Foam Line is now ferry.foam-line"]);
    let spec = import.spec.unwrap().to_json();
    assert_eq!(
        spec["tokens"]["ferry.foam-line"],
        json!({ "value": "#eef" })
    );
    assert_eq!(
        spec["tokens"]["ferry.deep"],
        json!({ "value": "{petrol.800}" })
    );
    assert_eq!(spec["kept"]["ferry.swell"]["$value"]["unit"], "s");
}

/// A family with a comma in its name stays one, over any number of readings.
#[test]
fn a_family_with_a_comma_in_its_name_comes_back() {
    let own = theme(json!({ "type": { "body": ["\"Harbour, Grotesk\", serif", "2nd Berth"] } }));
    let families = own.derived.token("type.family.body").unwrap();
    let families = families.cell(rhodon_theme::Mode::Light).value.clone();
    let names = ["Harbour, Grotesk", "serif", "2nd Berth"].map(str::to_owned);
    assert_eq!(families, rhodon_theme::Value::FontFamily(names.into()));
    let again = read_back(&written(&own, "tokens"));
    assert_eq!(again, own.decided.merged);
    assert_eq!(Document::read(&again.to_json()).unwrap(), again);
}

#[test]
fn a_kept_token_does_not_take_the_place_of_the_themes_own() {
    let kept = json!({ "$type": "duration", "$value": { "value": 2, "unit": "s" } });
    let theme = theme(json!({ "kept": { "p.600": kept, "motion.quick": kept } }));
    let files = written(&theme, "tokens");
    let light: Value = serde_json::from_str(&files[0].1).unwrap();
    assert_eq!(light["p"]["600"]["$type"], "color");
    assert_eq!(light["motion"]["quick"], kept);
    let told: Vec<_> = theme.export("tokens", &[]).unwrap().warnings;
    assert_eq!(
        told.iter().map(|w| &*w.token).collect::<Vec<_>>(),
        ["p.600"]
    );
    assert_eq!(&read_back(&files), theme.decided.document());
}

/// What was written under the earlier key is still read, choices and all.
#[test]
fn the_earlier_key_of_the_document_is_still_read() {
    let files = demo().files("tokens", &[]);
    assert!(files[0].text.contains("\"app.rhodon\": {"));
    let now: Vec<(String, String)> = files
        .iter()
        .map(|f| (f.path.clone(), f.text.clone()))
        .collect();
    let under_old = |(path, text): &(String, String)| {
        (path.clone(), text.replace("\"app.rhodon\"", "\"rhodon\""))
    };
    let earlier: Vec<(String, String)> = now.iter().map(under_old).collect();
    assert_eq!(read_back(&earlier), read_back(&now));
}
