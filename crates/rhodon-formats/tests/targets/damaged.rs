//! Files of design tokens that somebody, or some program, has damaged: whatever is in them, the reader
//! answers with problems that have a place, and with a document that can be used.

use std::sync::LazyLock;

use proptest::prelude::*;
use rhodon_formats::read::{Import, InputFile, read};
use rhodon_theme::{Document, Resolved, derive};
use serde_json::{Map, Value, json};

use super::support::{Made, demo};

static WRITTEN: LazyLock<Vec<InputFile>> = LazyLock::new(|| {
    let files = demo().files("tokens", &[]);
    files
        .into_iter()
        .map(|f| InputFile::text(f.path, f.text))
        .collect()
});

fn sheet(name: &str, text: String) -> InputFile {
    InputFile::text(name, text)
}

/// What an answer must be, whatever was asked.
fn check(import: &Import) -> Result<(), TestCaseError> {
    for problem in &import.problems {
        let told = problem.to_string();
        prop_assert!(
            told.contains("expected")
                || told.contains("no ")
                || told.contains("circle")
                || told.contains("unknown key"),
            "{}",
            told
        );
        prop_assert!(told.len() < 4000, "{} bytes of problem", told.len());
    }
    let Some(spec) = &import.spec else {
        prop_assert!(!import.problems.is_empty(), "refused without a word");
        return Ok(());
    };
    prop_assert_eq!(&Document::read(&spec.to_json()), &Ok(spec.clone()));
    // A child's parent is elsewhere; every other document derives, and its tokens can be read again.
    if spec.extends.is_none() {
        let resolved = Resolved::alone(spec.clone());
        let derived = derive(&resolved);
        prop_assert!(derived.is_ok(), "{:?}", derived.err());
        if let Ok(output) = Made::of(spec.clone()).export("tokens", &[]) {
            let again: Vec<InputFile> = output
                .files
                .into_iter()
                .map(|f| InputFile::text(f.path, f.text))
                .collect();
            let again = read(&again);
            prop_assert_eq!(again.spec.as_ref(), Some(spec), "{:?}", again.problems);
        }
    }
    Ok(())
}

/// Values that a token may have, right or wrong.
fn value() -> impl Strategy<Value = Value> {
    const WORDS: &[&str] = &[
        "#0f5c7a",
        "#0F5C7A80",
        "rgb(1 2 3)",
        "bleu",
        "{a}",
        "{a.b}",
        "{base}",
        "{Base.500}",
        "{}",
        "{a",
        "12px",
        "1.5rem",
        "bold",
        "Anlow Sans",
        "",
        "color",
        "dimension",
        "shadow",
        "fontFamily",
        "\u{0}",
        "a\"b\n",
    ];
    prop_oneof![
        prop::sample::select(WORDS).prop_map(Value::from),
        prop::sample::select(&[0.0, 1.0, -1.0, 0.5, 400.0, 1e12][..]).prop_map(Value::from),
        Just(Value::Null),
        Just(json!(true)),
        Just(json!([])),
        Just(json!({})),
        Just(json!({ "colorSpace": "srgb", "components": [0.1, 0.4, 0.5] })),
        Just(
            json!({ "colorSpace": "oklch", "components": [0.5, 0.3, "none"], "alpha": 0.5, "hex": "#123456" })
        ),
        Just(json!({ "colorSpace": "display-p3", "components": [0, 1, 0] })),
        Just(json!({ "colorSpace": "nowhere", "components": [1] })),
        Just(json!({ "value": 4, "unit": "px" })),
        Just(json!({ "value": "4", "unit": "em" })),
        Just(json!(["Anlow Sans", "serif"])),
        Just(json!({ "$ref": "#/a/$value" })),
    ]
}

/// Groups and tokens of any shape.
fn tree() -> impl Strategy<Value = Value> {
    const KEYS: &[&str] = &[
        "a",
        "b",
        "Base",
        "500",
        "base",
        "$value",
        "$type",
        "$root",
        "$ref",
        "$extends",
        "$extensions",
        "$description",
        "$deprecated",
        "sets",
        "modifiers",
        "resolutionOrder",
        "contexts",
        "format",
        "name",
        "brand",
        "é",
        "a.b",
        "{x}",
        "primary",
        "surface",
        "",
    ];
    let key = || prop::sample::select(KEYS).prop_map(str::to_owned);
    let token = (value(), prop::option::of(value())).prop_map(|(value, kind)| {
        let mut token = json!({ "$value": value });
        if let Some(kind) = kind {
            token["$type"] = kind;
        }
        token
    });
    prop_oneof![3 => token, 1 => value()].prop_recursive(4, 24, 5, move |inner| {
        prop::collection::vec((key(), inner), 0..5)
            .prop_map(|pairs| Value::Object(pairs.into_iter().collect::<Map<_, _>>()))
    })
}

/// One place in a file, chosen by a number, and what happens to it.
fn damaged(file: &mut Value, at: usize, how: usize, with: Value) {
    fn places(value: &Value, pointer: String, out: &mut Vec<String>) {
        match value {
            Value::Object(map) => {
                for (key, child) in map {
                    let key = key.replace('~', "~0").replace('/', "~1");
                    places(child, format!("{pointer}/{key}"), out);
                }
            }
            Value::Array(list) => {
                for (i, child) in list.iter().enumerate() {
                    places(child, format!("{pointer}/{i}"), out);
                }
            }
            _ => {}
        }
        out.push(pointer);
    }
    let mut all = Vec::new();
    places(file, String::new(), &mut all);
    let pointer = &all[at % all.len()];
    let Some(place) = file.pointer_mut(pointer) else {
        return;
    };
    match (how % 4, place) {
        (0, place) => *place = with,
        (1, Value::Object(map)) => {
            let first = map.keys().next().cloned();
            first.map(|key| map.shift_remove(&key));
        }
        (2, Value::Object(map)) => {
            let first = map.keys().next().cloned();
            if let Some(child) = first.and_then(|key| map.shift_remove(&key)) {
                map.insert("another name".to_owned(), child);
            }
        }
        (_, Value::Object(map)) => drop(map.insert("$value".to_owned(), with)),
        (_, Value::Array(list)) => list.push(with),
        (_, place) => *place = Value::Null,
    }
}

proptest! {
    #![proptest_config(rhodon_testing::cases(96))]

    #[test]
    fn any_tree_is_read_or_refused(first in tree(), second in prop::option::of(tree())) {
        let mut whole = json!({ "base": { "$type": "color", "$value": "#0f5c7a" } });
        whole["more"] = first.clone();
        check(&read(&[sheet("a.json", first.to_string())]))?;
        check(&read(&[sheet("a.json", whole.to_string())]))?;
        if let Some(second) = second {
            check(&read(&[sheet("a.json", whole.to_string()), sheet("b.json", second.to_string())]))?;
        }
    }
}

proptest! {
    #![proptest_config(rhodon_testing::cases(40))]

    #[test]
    fn any_damage_is_told_or_does_no_harm(
        blows in prop::collection::vec((0usize..3, any::<usize>(), any::<usize>(), value()), 1..4),
        without in prop::option::of(0usize..3),
    ) {
        let mut files: Vec<(String, Value)> =
            WRITTEN.iter().map(|s| (s.name.clone(), serde_json::from_slice(&s.bytes).unwrap())).collect();
        for (file, at, how, with) in blows {
            damaged(&mut files[file].1, at, how, with);
        }
        if let Some(index) = without {
            files.remove(index);
        }
        let sheets: Vec<InputFile> =
            files.into_iter().map(|(name, value)| InputFile::text(name, value.to_string())).collect();
        check(&read(&sheets))?;
    }
}

proptest! {
    /// No text makes the reader panic.
    #[test]
    fn any_json_is_read_or_refused(text in r#"(\{|\}|\[|\]|"\$value"|"\$type"|"\$ref"|"a"|:|,|"color"|"\{a\}"|1|null| ){0,40}"#) {
        let _ = read(&[sheet("a.json", text)]);
    }

    #[test]
    fn any_shape_of_tokens_is_read_or_refused(names in prop::collection::vec("[a-zA-Z .$-]{0,6}", 1..6), value in "\\PC{0,12}", kind in "color|dimension|fontFamily|fontWeight|number|shadow") {
        let mut token = json!({ "$type": kind, "$value": value });
        for name in names {
            token = json!({ name: token });
        }
        let mut file = json!({ "base": { "$type": "color", "$value": "#0f5c7a" } });
        file["more"] = token;
        if let Some(spec) = read(&[sheet("a.json", file.to_string())]).spec {
            // What is read is a document that reads and derives.
            prop_assert_eq!(Document::read(&spec.to_json()), Ok(spec.clone()));
            Made::of(spec);
        }
    }
}

/// Design tokens read as one file.
fn imported(json: &str) -> rhodon_formats::read::Import {
    read(&[InputFile::text("tokens.json", json)])
}

#[test]
fn groups_that_extend_each_other_in_a_circle_are_told() {
    let found = imported(
        r##"{"g":{"t":{"$type":"color","$value":"#0f5c7a"},"x":{"$extends":"{g}"},"y":{"$extends":"{g}"}}}"##,
    );
    let told: Vec<String> = found.problems.iter().map(ToString::to_string).collect();
    assert_eq!(
        told,
        [
            "tokens.json: g.x: groups extend each other in a circle: g → g.x → g",
            "tokens.json: g.y: groups extend each other in a circle: g → g.y → g",
        ]
    );
    assert!(found.spec.is_some(), "the rest is read");
}

#[test]
fn what_comes_out_of_extended_groups_is_bounded() {
    // Each group holds the one before it twice: 2^24 tokens.
    let mut groups = vec![r##""a0":{"t":{"$type":"color","$value":"#0f5c7a"}}"##.to_owned()];
    for n in 1..=24 {
        let base = n - 1;
        groups.push(format!(
            r##""a{n}":{{"p":{{"$extends":"{{a{base}}}"}},"q":{{"$extends":"{{a{base}}}"}}}}"##
        ));
    }
    let found = imported(&format!("{{{}}}", groups.join(",")));
    let told = found
        .problems
        .iter()
        .any(|p| p.message.contains("add at most 50000 values"));
    assert!(told, "{:?}", found.problems.first());
}

#[test]
fn long_rows_of_groups_that_extend_the_next_are_read_or_told() {
    let row = |count: usize, to: fn(usize) -> usize| {
        let groups: Vec<String> = (0..count)
            .map(|n| {
                format!(
                    r##""a{n}":{{"$extends":"{{a{}}}","t{n}":{{"$type":"color","$value":"#0f5c7a"}}}}"##,
                    to(n)
                )
            })
            .collect();
        imported(&format!("{{{}}}", groups.join(",")))
    };
    let chain = row(20_000, |n| n + 1);
    assert!(
        chain
            .problems
            .iter()
            .any(|p| p.message.contains("at most 64 groups that extend"))
    );
    // Flat siblings of one base.
    let flat = row(3_000, |_| 0);
    assert!(flat.problems.len() <= 201);
}
