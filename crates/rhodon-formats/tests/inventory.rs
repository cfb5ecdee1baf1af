//! Colours in use: counts, places, names and families over generated files of every kind, with what
//! only looks like a colour among them.
#![allow(clippy::unwrap_used)]

mod pieces;

use std::collections::BTreeMap;

use pieces::{KINDS, next};
use proptest::prelude::*;
use rhodon_color::{Rgb8, difference};
use rhodon_formats::color_use::{FINDERS, finder_for};
use rhodon_formats::inventory::{Inventory, NEAR, inventory};
use rhodon_formats::read::InputFile;

fn text_at(text: &str, line: usize, column: usize) -> &str {
    let line = text.lines().nth(line - 1).unwrap();
    let at = line.char_indices().nth(column - 1).unwrap().0;
    &line[at..]
}

#[test]
fn two_thousand_files_are_counted_right_to_the_place() {
    let (mut seed, mut files) = (7, Vec::new());
    let mut expected: BTreeMap<String, usize> = BTreeMap::new();
    for i in 0..2000 {
        let (ending, pieces) = KINDS[i % KINDS.len()];
        let mut text = String::new();
        for _ in 0..1 + next(&mut seed) % 9 {
            let (piece, codes) = pieces[next(&mut seed) % pieces.len()];
            text.push_str(piece);
            for code in codes {
                *expected.entry((*code).to_owned()).or_default() += 1;
            }
        }
        files.push(InputFile::text(format!("src/{i}.{ending}"), text));
    }
    let found = inventory(&files, NEAR);
    let counts: BTreeMap<String, usize> = found
        .colors
        .iter()
        .map(|used| (used.hex.clone(), used.places.len()))
        .collect();
    assert_eq!(counts, expected);
    for used in &found.colors {
        for place in &used.places {
            let file = files.iter().find(|f| *f.name == *place.file).unwrap();
            let text = std::str::from_utf8(&file.bytes).unwrap();
            assert!(
                text_at(text, place.line, place.column).starts_with(&place.text),
                "{place:?}"
            );
        }
    }
    let order: Vec<_> = found
        .colors
        .iter()
        .map(|u| (usize::MAX - u.places.len(), &u.hex))
        .collect();
    assert!(order.is_sorted());
}

#[test]
fn every_piece_by_itself_has_its_colours_in_order() {
    for (ending, pieces) in KINDS {
        for (piece, codes) in *pieces {
            let finder = finder_for(&format!("x.{ending}")).unwrap();
            let found: Vec<String> = finder
                .find(piece)
                .iter()
                .map(|f| f.color.to_hex())
                .collect();
            assert_eq!(&found, codes, "{ending}: {piece}");
        }
    }
    assert!(finder_for("photo.png").is_none() && finder_for("README").is_none());
}

fn of(name: &str, text: &str) -> Inventory {
    inventory(&[InputFile::text(name, text)], NEAR)
}

#[test]
fn names_are_those_of_variables_keys_and_resources() {
    let names = |file: &str, text: &str| of(file, text).colors[0].names.clone();
    assert_eq!(
        names("a.css", ":root{--petrol:#0f5c7a}.a{color:#0f5c7a}"),
        ["--petrol"]
    );
    assert_eq!(names("a.scss", "$petrol: #0f5c7a !default;"), ["$petrol"]);
    assert_eq!(names("a.less", "@petrol: #0f5c7a;"), ["@petrol"]);
    assert_eq!(
        names("a.json", r##"{"brand":{"petrol":{"$value":"#0f5c7a"}}}"##),
        ["brand.petrol"]
    );
    assert_eq!(
        names("a.xml", r##"<color name="petrol">#0f5c7a</color>"##),
        ["petrol"]
    );
    assert_eq!(
        names("a.kt", "val petrol: Color = Color(0xFF0F5C7A)"),
        ["petrol"]
    );
    assert_eq!(names("a.gpl", "15 92 122 Petrol\n"), ["Petrol"]);
    assert_eq!(
        names(
            "a.toml",
            "[x]\nedge = { width = 2, \"glow-bar\" = '#0f5c7a' }\n"
        ),
        ["glow-bar"]
    );
    assert_eq!(names("a.yml", "- petrol: 0x0f5c7a\n"), ["petrol"]);
    assert_eq!(names("a.php", "'petrol' => '#0f5c7a',"), ["petrol"]);
    // In a list of entries it is the name beside it.
    for (file, text) in [
        (
            "a.php",
            "array( array( 'slug' => 'sea', 'name' => __( 'Petrol', 'x' ), 'color' => '#0f5c7a' ) );",
        ),
        (
            "a.json",
            r##"{"palette":[{"slug":"sea","color":"#0f5c7a","name":"Petrol"}]}"##,
        ),
        (
            "a.ts",
            "[{ name: 'Petrol', id: 7, value: { is: 1 }, hex: '#0f5c7a' }]",
        ),
        (
            "a.kt",
            "[{ label = \"Petrol\", color = Color(0xFF0F5C7A) }]",
        ),
        (
            "a.yaml",
            "colors:\n  - name: Petrol\n    value: '#0f5c7a'\n  - name: Buoy\n    value: teal\n",
        ),
        (
            "a.toml",
            "[[colors]]\nhex = \"#0f5c7a\"\nname = \"Petrol\"\n\n[[colors]]\nname = \"Buoy\"\n",
        ),
        (
            "a.yml",
            "- { name: Petrol, value: '#0f5c7a' }\n- { name: Buoy, value: '#e4572e' }\n",
        ),
    ] {
        let found = of(file, text);
        let petrol = found.colors.iter().find(|used| used.hex == "#0f5c7a");
        assert_eq!(petrol.unwrap().names, ["Petrol"], "{text}");
    }
    assert_eq!(
        names("a.sass", "$petrol: #0f5c7a\n#add\n  color: #0f5c7a\n"),
        ["$petrol"]
    );
}

#[test]
fn families_have_no_chain_and_the_most_used_comes_first() {
    // Each stands near the next, the ends do not.
    let text = ".a{color:#505050}.b{color:#505050}.c{color:#545454}.d{color:#585858}.e{color:#5c5c5c}.f{color:#0f5c7a}";
    let found = of("a.css", text);
    for used in &found.colors {
        for other in &used.near {
            let code: Rgb8 = other.parse().unwrap();
            assert!(
                difference(used.code(), code) <= NEAR,
                "{} {other}",
                used.hex
            );
        }
    }
    let by = |hex: &str| found.colors.iter().find(|u| u.hex == hex).unwrap();
    assert!(!by("#545454").near.is_empty());
    assert!(!by("#505050").near.contains(&"#5c5c5c".to_owned()));
    assert!(by("#0f5c7a").near.is_empty());
    let veiled = of("b.css", ".a{color:#0f5c7a}.b{color:#0f5c7b80}");
    assert!(
        veiled.colors.iter().all(|u| u.near.is_empty()),
        "opacity tells them apart"
    );
}

#[test]
fn a_scale_is_known_by_the_names_of_its_steps() {
    let steps = [
        (100, "#e4f0f5"),
        (300, "#86b9cd"),
        (500, "#0f5c7a"),
        (700, "#0a3f54"),
        (900, "#052029"),
    ];
    let text: String = steps
        .iter()
        .map(|(n, hex)| format!("--sea-{n}: {hex};"))
        .collect();
    let found = of(
        "a.css",
        &format!(":root {{ {text} --h1: #111; --z-100: #222 }}"),
    );
    assert_eq!(found.scales.len(), 1);
    assert_eq!(found.scales[0].name, "sea");
    assert_eq!(found.scales[0].base(&[]), Some("#0f5c7a"));
    assert_eq!(found.scales[0].steps.len(), 5);
}

#[test]
fn counted_steps_are_a_scale_where_they_run_and_what_is_only_numbered_is_none() {
    let run = [
        "#e3f0f5", "#b9d9e6", "#8bc0d6", "#5ca6c5", "#3993b8", "#1680ac", "#1378a5", "#065081",
    ];
    let steps = |codes: &[&str], stem: &str| -> String {
        let lines = codes.iter().enumerate();
        lines
            .map(|(i, hex)| format!("--{stem}-{}: {hex};", i + 1))
            .collect()
    };
    let mut dark = run;
    dark.reverse();
    let chart = [
        "#e76e50", "#2a9d90", "#274754", "#e8c468", "#f4a462", "#0f5c7a",
    ];
    let text = format!(
        ":root {{ {} {} --h1: #111; --h2: #222; --h3: #333; --h4: #444; --h5: #555 }} .dark {{ {} }}",
        steps(&run, "sea"),
        steps(&chart, "chart"),
        steps(&dark, "sea"),
    );
    let found = of("a.css", &text);
    let names: Vec<&str> = found.scales.iter().map(|scale| &*scale.name).collect();
    assert_eq!(names, ["sea"]);
    let codes: Vec<&str> = found.scales[0]
        .steps
        .iter()
        .map(|(_, hex)| &**hex)
        .collect();
    assert_eq!(
        codes, run,
        "the first mode has them, whatever the other says"
    );
    // It is known by its strongest step.
    assert_eq!(found.scales[0].base(&[]), Some("#1680ac"));
    // Four are too few, and with a gap they are not counted.
    assert!(of("a.css", &steps(&run[..4], "sea")).scales.is_empty());
    let gap = steps(&run, "sea").replace("--sea-3", "--lake");
    assert!(of("a.css", &format!("a {{ {gap} }}")).scales.is_empty());
}

#[test]
fn what_is_not_looked_into_is_told() {
    let files = [
        InputFile {
            name: "a.css".into(),
            bytes: vec![0x2e, 0xff, 0xfe],
        },
        InputFile::text("photo.png", "x"),
    ];
    let found = inventory(&files, NEAR);
    assert_eq!(
        found.skipped[0].1,
        "expected UTF-8 text, found another byte at 1"
    );
    assert_eq!(
        found.skipped[1].1,
        "no kind of text in which colours are found"
    );
}

#[test]
fn deep_nesting_ends() {
    for (name, open) in [
        ("a.css", "a{"),
        ("a.css", "(("),
        ("a.json", "[["),
        ("a.html", "<g>"),
        ("a.ts", "`${"),
        ("a.ts", "('a',"),
        ("a.ini", "a="),
        ("a.ini", "#fff "),
    ] {
        of(name, &format!("{} #0f5c7a", open.repeat(100_000)));
    }
}

proptest! {
    #![proptest_config(ProptestConfig { cases: 400, failure_persistence: None, ..ProptestConfig::default() })]

    /// Any text is read to its end, and what is found stands where it is said to.
    #[test]
    fn no_text_is_too_odd(kind in 0..FINDERS.len(), parts in prop::collection::vec(0usize..60, 0..40), odd in ".{0,12}") {
        let all: Vec<&str> = KINDS.iter().flat_map(|(_, pieces)| pieces.iter().map(|p| p.0)).collect();
        let mut text = odd;
        for part in parts {
            let piece = all[part % all.len()];
            let cut = piece.char_indices().nth(part % 17).map_or(piece.len(), |c| c.0);
            text.push_str(&piece[cut..]);
        }
        let found = FINDERS[kind].find(&text);
        for used in &found {
            prop_assert!(text.get(used.range.clone()).is_some_and(|t| !t.is_empty()));
        }
        for pair in found.windows(2) {
            prop_assert!(pair[0].range.end <= pair[1].range.start, "{:?}", pair);
        }
    }
}

/// A sheet without line ends, as builds write them: each place of it is counted from the one before.
#[test]
fn one_long_line_has_columns_in_characters() {
    let text = format!("é{{}}\n{}", "a{color:#0f5c7a;x:ø}".repeat(60_000));
    let found = inventory(&[InputFile::text("a.css", text)], NEAR);
    let places = &found.colors[0].places;
    assert_eq!(places.len(), 60_000);
    for (i, place) in places.iter().enumerate().step_by(9_973) {
        assert_eq!((place.line, place.column), (2, 20 * i + 9));
    }
}
