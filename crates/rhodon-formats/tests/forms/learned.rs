//! Forms that are learned from an example.

use rhodon_formats::form::{fill, learn};
use rhodon_formats::read::InputFile;
use rhodon_theme::Value;

use super::pieces::{KINDS, next};
use super::theme;

#[test]
fn a_form_learned_from_an_example_gives_the_example_back() {
    let theme = theme("#0f5c7a");
    let code = |path: &str| match &theme
        .token(path)
        .unwrap()
        .cell(rhodon_theme::Mode::Light)
        .value
    {
        Value::Color(color) => color.code,
        other => panic!("{other}"),
    };
    let (fill_code, edge) = (code("primary.fill"), code("border.strong"));
    let example = format!(
        "/* {{{{ not a place }}}} {{% nor this %}} {{# nor that */\n.scheme {{ primary: {}; edge: {edge}; odd: #123abc; veil: rgba(15, 92, 122, .25) }}\n",
        fill_code.to_string().to_uppercase()
    );
    let learned = learn(
        &InputFile::text("brand/scheme.css", example.clone()),
        &theme,
    )
    .unwrap();
    assert_eq!(fill(&learned.form, &theme, &[]).unwrap().text, example);
    assert_eq!(learned.open.len(), 1, "{:?}", learned.form.slots);
    assert_eq!(learned.form.file, "scheme.css");
    // With another theme, what a token stands behind changes, and the rest stays.
    let other = super::theme("#a33a1e");
    let text = fill(&learned.form, &other, &[]).unwrap().text;
    assert!(
        text.contains("#A33A1E") && text.contains("#123abc") && text.contains(", .25)"),
        "{text}"
    );
}

#[test]
fn an_example_of_a_format_that_nobody_knows_is_learned() {
    let theme = theme("#0f5c7a");
    let example = "; of a host\n[frame]\nbar = #0f5c7a\nbadge = 0xFF0F5C7A\n[colors]\nalarm: red\n";
    for name in ["host.ini", "host.zzz", "host"] {
        let learned = learn(&InputFile::text(name, example), &theme).unwrap();
        let slots: Vec<&str> = learned.form.slots.keys().map(|n| n.as_str()).collect();
        assert_eq!(slots, ["bar", "badge", "alarm"], "{name}");
        assert_eq!(fill(&learned.form, &theme, &[]).unwrap().text, example);
        let other = fill(&learned.form, &super::theme("#a33a1e"), &[])
            .unwrap()
            .text;
        assert!(
            other.contains("bar = #a33a1e\nbadge = 0xFFA33A1E\n"),
            "{other}"
        );
    }
    let bytes = vec![0x89, b'P', 0xff];
    let picture = InputFile {
        name: "host.bin".into(),
        bytes,
    };
    assert!(
        learn(&picture, &theme)
            .unwrap_err()
            .starts_with("expected UTF-8 text")
    );
}

#[test]
fn an_example_with_bare_arguments_is_learned() {
    let theme = theme("#0f5c7a");
    let example = ":root { --sea: 15 92 122; --veil: 15, 92, 122 }\n.a { color: rgb(var(--sea)); fill: rgba(var(--veil), .5) }\n";
    let learned = learn(&InputFile::text("host.css", example), &theme).unwrap();
    assert_eq!(fill(&learned.form, &theme, &[]).unwrap().text, example);
    let other = super::theme("#a33a1e");
    let text = fill(&learned.form, &other, &[]).unwrap().text;
    assert!(
        text.contains("--sea: 163 58 30; --veil: 163, 58, 30 }"),
        "{text}"
    );
}

#[test]
fn an_example_with_colors_of_numbers_is_learned() {
    let theme = theme("#0f5c7a");
    let example = "let sea = Color(red: 0.059, green: 0.361, blue: 0.478)\nval veil = Color.argb(128, 15, 92, 122)\n";
    let learned = learn(&InputFile::text("Theme.swift", example), &theme).unwrap();
    assert_eq!(fill(&learned.form, &theme, &[]).unwrap().text, example);
    let other = super::theme("#a33a1e");
    let text = fill(&learned.form, &other, &[]).unwrap().text;
    let expected = "let sea = Color(red: 0.639, green: 0.227, blue: 0.118)\nval veil = Color.argb(128, 163, 58, 30)\n";
    assert_eq!(text, expected);
}

#[test]
fn examples_of_every_kind_are_learned_and_come_back_to_the_byte() {
    let theme = theme("#0f5c7a");
    let mut seed = 5;
    for i in 0..300 {
        let (ending, pieces) = KINDS[i % KINDS.len()];
        let text: String = (0..8)
            .map(|_| pieces[next(&mut seed) % pieces.len()].0)
            .collect();
        let Ok(learned) = learn(
            &InputFile::text(format!("{i}.{ending}"), text.clone()),
            &theme,
        ) else {
            continue;
        };
        let near: Vec<_> = learned.near.iter().map(|(name, _)| name).collect();
        let mut form = learned.form;
        // A token that is only near prints its own colour: the example's colours are put in their places.
        assert!(near.is_empty() || !form.slots.is_empty());
        for name in near.clone() {
            form.slots.shift_remove(name);
        }
        if near.is_empty() {
            assert_eq!(
                fill(&form, &theme, &[]).unwrap().text,
                text,
                "{}",
                form.text
            );
        }
    }
}

#[test]
fn codes_that_only_programs_know_are_places_and_come_back_in_their_spelling() {
    let theme = theme("#0f5c7a");
    for (name, example, expected) in [
        (
            "deck.json",
            r#"{"buoyColor": "0F5C7A"}"#,
            r#"{"buoyColor": "A33A1E"}"#,
        ),
        (
            "deck.ini",
            "[Colors]\nbuoy=15,92,122\nrail = 0f5c7a\n",
            "[Colors]\nbuoy=163,58,30\nrail = a33a1e\n",
        ),
        (
            "deck.css",
            "@define-color buoy #0f5c7a;\n",
            "@define-color buoy #a33a1e;\n",
        ),
    ] {
        let learned = learn(&InputFile::text(name, example), &theme).unwrap();
        assert_eq!(fill(&learned.form, &theme, &[]).unwrap().text, example);
        let text = fill(&learned.form, &super::theme("#a33a1e"), &[])
            .unwrap()
            .text;
        assert_eq!(text, expected, "{name}");
    }
    let learned = learn(
        &InputFile::text("deck.css", "@define-color buoy #0f5c7a;"),
        &theme,
    )
    .unwrap();
    assert_eq!(learned.form.slots.keys().next().unwrap().as_str(), "buoy");
}

/// A key that stands under several headings is one slot under each.
#[test]
fn headings_tell_keys_apart() {
    let example = "[Colors:Deck]\nPlain=1,2,3\nRail=7,8,9\n[Colors:Hull]\nPlain=4,5,6\n";
    let learned = learn(&InputFile::text("ship.colors", example), &theme("#0f5c7a")).unwrap();
    let slots: Vec<&str> = learned.form.slots.keys().map(|n| n.as_str()).collect();
    assert_eq!(slots, ["colors_deck_plain", "rail", "colors_hull_plain"]);
}

#[test]
fn the_level_of_grey_that_a_file_defines_itself_is_a_reference() {
    let example = r##"{"gray50": "#0f5c7a", "railColor": "gray50", "deckColor": "grey7"}"##;
    let learned = learn(&InputFile::text("own.json", example), &theme("#0f5c7a")).unwrap();
    assert_eq!(learned.form.slots.len(), 2, "{:?}", learned.form.slots);
    assert!(learned.form.text.contains(r#""railColor": "gray50""#));
}
