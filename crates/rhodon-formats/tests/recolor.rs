//! Files with other colours: every byte outside the colours stays, each change has the spelling of what
//! was there, and there and back is the same file.
#![allow(clippy::unwrap_used)]

mod pieces;

use pieces::{KINDS, next};
use rhodon_color::{Color, Rgb8, contrast_ratio, hue_turn};
use rhodon_formats::color_use::finder_for;
use rhodon_formats::read::InputFile;
use rhodon_formats::recolor::{ColorMap, Plan, Recolored, recolor};
use rhodon_theme::{Document, derive};

fn plan(map: &str) -> Plan {
    Plan {
        map: ColorMap::parse(map).unwrap(),
        ..Plan::default()
    }
}

fn done(name: &str, text: &str, plan: &Plan) -> Recolored {
    recolor(&InputFile::text(name, text), plan).unwrap()
}

fn text_of(name: &str, text: &str, map: &str) -> String {
    done(name, text, &plan(map)).text
}

/// Puts the changes into the old text by their lines and columns alone.
fn replayed(old: &str, found: &Recolored) -> String {
    let starts: Vec<usize> = std::iter::once(0)
        .chain(old.match_indices('\n').map(|(at, _)| at + 1))
        .collect();
    let (mut out, mut at) = (String::new(), 0);
    for change in &found.changes {
        let start = starts[change.line - 1] + change.column - 1;
        assert!(old[start..].starts_with(&change.from), "{change:?}");
        out += &old[at..start];
        out += &change.to;
        at = start + change.from.len();
    }
    out + &old[at..]
}

#[test]
fn of_two_thousand_files_nothing_but_colours_changes_and_back_is_the_same() {
    let there = plan(
        r##"{"#0f5c7a": "#a33a1e", "#d2b48c": "#31402f", "#ff0000": "#0b7d45", "#aabbcc": "#445566",
            "#010203": "#fd1e02", "#8a9a2b": "#2b3c9a", "#0000ff": "#c0ffee", "#40bf40": "#9f1239"}"##,
    );
    let back = plan(
        r##"{"#a33a1e": "#0f5c7a", "#31402f": "#d2b48c", "#0b7d45": "#ff0000", "#445566": "#aabbcc",
            "#fd1e02": "#010203", "#2b3c9a": "#8a9a2b", "#c0ffee": "#0000ff", "#9f1239": "#40bf40"}"##,
    );
    let (mut seed, mut changed) = (11, 0);
    for i in 0..2000 {
        let (ending, pieces) = KINDS[i % KINDS.len()];
        let count = 1 + next(&mut seed) % 9;
        let text: String = (0..count)
            .map(|_| pieces[next(&mut seed) % pieces.len()].0)
            .collect();
        let name = format!("{i}.{ending}");
        let found = done(&name, &text, &there);
        assert_eq!(replayed(&text, &found), found.text);
        changed += found.changes.len();
        let finder = finder_for(&name).unwrap();
        let (before, after) = (finder.find(&text), finder.find(&found.text));
        assert_eq!(before.len(), after.len(), "{text}\n{}", found.text);
        for (old, new) in before.iter().zip(&after) {
            assert_eq!(old.color.alpha8(), new.color.alpha8(), "{text}");
        }
        let again = done(&name, &found.text, &back);
        let codes = |text: &str| {
            finder
                .find(text)
                .iter()
                .map(|f| f.color.to_hex())
                .collect::<Vec<_>>()
        };
        assert_eq!(codes(&again.text), codes(&text), "{}", found.text);
        if before
            .iter()
            .all(|f| text[f.range.clone()].starts_with('#') && f.range.len() != 4)
        {
            assert_eq!(again.text, text);
        }
    }
    assert!(changed > 3000, "{changed}");
}

#[test]
fn every_spelling_keeps_its_kind() {
    let map = r##"{"#0f5c7a": "#a33a1e", "red": "#aabbcc"}"##;
    for (name, old, new) in [
        (
            "a.css",
            "a{color:#0F5C7A;fill:rgba(15,92,122,.5)}",
            "a{color:#A33A1E;fill:rgba(163,58,30,.5)}",
        ),
        (
            "host.zzz",
            "bar = #0F5C7A\nbadge=0xff0f5c7a ; #0f5c7a\ncolor: red\n",
            "bar = #A33A1E\nbadge=0xffa33a1e ; #0f5c7a\ncolor: #aabbcc\n",
        ),
        (
            "a.css",
            "a{color:red}.red{color:#F00}",
            "a{color:#aabbcc}.red{color:#ABC}",
        ),
        (
            "a.css",
            "#red{x:url(#0f5c7a);content:'#0f5c7a'} /* #0f5c7a */",
            "#red{x:url(#0f5c7a);content:'#0f5c7a'} /* #0f5c7a */",
        ),
        (
            "a.kt",
            "val a = Color(0xFF_0F5C7A), id = 0xFF0F5C7A",
            "val a = Color(0xFF_A33A1E), id = 0xFF0F5C7A",
        ),
        (
            "a.swift",
            "let a = Color(red: 0.059, green: 0.361, blue: 0.478), b = UIColor(red: 15/255, green: 92/255, blue: 122/255, alpha: 0.5)",
            "let a = Color(red: 0.639, green: 0.227, blue: 0.118), b = UIColor(red: 163/255, green: 58/255, blue: 30/255, alpha: 0.5)",
        ),
        (
            "a.dart",
            "final a = Color.fromARGB(255, 15, 92, 122); final b = Color.fromRGBO(15, 92, 122, 0.5); move(15, 92, 122);",
            "final a = Color.fromARGB(255, 163, 58, 30); final b = Color.fromRGBO(163, 58, 30, 0.5); move(15, 92, 122);",
        ),
        (
            "a.xml",
            "<color name=\"a\">#800f5c7a</color>",
            "<color name=\"a\">#80a33a1e</color>",
        ),
        (
            "a.xaml",
            "<Grid Background=\"Red\" Fill=\"#800F5C7A\" Name=\"Red\"/>",
            "<Grid Background=\"#aabbcc\" Fill=\"#80A33A1E\" Name=\"Red\"/>",
        ),
        (
            "a.go",
            "a := color.RGBA{R: 0x0F, G: 0x5C, B: 0x7A, A: 0xFF}; b := size{15, 92, 122}",
            "a := color.RGBA{R: 0xA3, G: 0x3A, B: 0x1E, A: 0xFF}; b := size{15, 92, 122}",
        ),
        ("a.gpl", "  15  92 122\tPetrol\n", "  163  58 30\tPetrol\n"),
        (
            "a.json",
            "{\"a\": \"#0f5c7a\", \"b\": \"0f5c7a\"}",
            "{\"a\": \"#a33a1e\", \"b\": \"0f5c7a\"}",
        ),
        (
            "a.html",
            "<p style='color:#0f5c7a' id=red bgcolor=red>#0f5c7a",
            "<p style='color:#a33a1e' id=red bgcolor=#aabbcc>#0f5c7a",
        ),
    ] {
        assert_eq!(text_of(name, old, map), new);
    }
}

#[test]
fn a_line_without_opacity_holds_for_each_and_one_with_it_for_that_alone() {
    let sheet = "a{color:#0f5c7a;fill:#0f5c7a80;stroke:rgb(15 92 122 / 25%)}";
    let map = r##"{"#0f5c7a": "#a33a1e", "#0f5c7a80": "#aabbcc"}"##;
    assert_eq!(
        text_of("a.css", sheet, map),
        "a{color:#a33a1e;fill:#aabbcc80;stroke:rgb(163 58 30 / 25%)}"
    );
    let map = r##"{"#0f5c7a80": "#aabbcc40"}"##;
    let found = done("a.css", sheet, &plan(map));
    assert_eq!(
        found.text,
        "a{color:#0f5c7a;fill:#aabbcc40;stroke:rgb(15 92 122 / 25%)}"
    );
    assert_eq!(
        found.left.iter().map(|l| &*l.why).collect::<Vec<_>>(),
        ["not in the map"; 2]
    );
}

#[test]
fn a_reference_stands_where_one_can_be_resolved() {
    let map = r##"{"#0f5c7a": "var(--brand, #a33a1e)"}"##;
    let sheet = "$b: #0f5c7a;\na { color: #0f5c7a; fill: #0f5c7a80 }\n";
    assert_eq!(
        text_of("a.scss", sheet, map),
        "$b: #a33a1e;\na { color: var(--brand); fill: #a33a1e80 }\n"
    );
    assert_eq!(text_of("a.json", "[\"#0f5c7a\"]", map), "[\"#a33a1e\"]");
}

/// What stands in the brackets of a function elsewhere keeps its kind, and is no place for a variable.
#[test]
fn bare_arguments_stay_bare() {
    let map = r##"{"#0f5c7a": "#a33a1e"}"##;
    let old = ":root { --sea: 196.82 78.1% 26.86%; --sea-2: 15, 92, 122 } .a { color: hsl(var(--sea)); fill: rgba(var(--sea-2), .5) }";
    let new = text_of("a.css", old, map);
    let code = |name: &str, call: &str| {
        let from = new.find(name).unwrap() + name.len();
        let value = new[from..].split([';', '}']).next().unwrap().trim();
        Color::parse(&format!("{call}({value})")).unwrap().to_hex()
    };
    assert_eq!(code("--sea:", "hsl"), "#a33a1e", "{new}");
    assert_eq!(code("--sea-2:", "rgb"), "#a33a1e", "{new}");
    assert!(new.contains("--sea-2: 163, 58, 30 }"), "{new}");
    let back = text_of("a.css", &new, r##"{"#a33a1e": "#0f5c7a"}"##);
    assert_eq!(code("--sea:", "hsl"), "#a33a1e");
    assert!(back.contains("--sea-2: 15, 92, 122 }"), "{back}");
    let reference = r##"{"#0f5c7a": "var(--brand, #a33a1e)"}"##;
    assert_eq!(text_of("a.css", old, reference), new);
}

#[test]
fn maps_that_cannot_be_read_are_told_by_their_place() {
    for (map, why) in [
        ("[]", "expected an object"),
        ("{", "expected JSON"),
        (r##"{"petrol": "#fff"}"##, "/petrol: expected"),
        (
            r##"{"#0f5c7a": 7}"##,
            "/#0f5c7a: expected a colour, found 7",
        ),
        (
            r##"{"#0f5c7a": "var(--x)"}"##,
            "expected a property with its colour",
        ),
        (
            r##"{"#0f5c7a": "var(--x;}, red)"}"##,
            "expected a property with its colour",
        ),
    ] {
        let told = ColorMap::parse(map).unwrap_err().to_string();
        assert!(told.contains(why), "{told}");
    }
}

fn between(old: &str, new: &str) -> ColorMap {
    let theme = |code: &str| {
        let document = Document::from_brand("T", &[Color::parse(code).unwrap()]);
        let mut document = document;
        document.brand[0].slug = "brand".parse().unwrap();
        derive(&rhodon_theme::Resolved::alone(document)).unwrap()
    };
    ColorMap::between(&theme(old), &theme(new))
}

#[test]
fn from_one_theme_to_another_the_place_decides_and_what_it_does_not_is_asked() {
    let map = between("#0f5c7a", "#a33a1e");
    // A code that is one thing in one place and another elsewhere.
    let line = map
        .lines()
        .iter()
        .find(|l| l.choices().len() > 1 && l.opacity.is_none())
        .unwrap();
    let token = |path: &str| {
        let of = |l: &&rhodon_formats::recolor::MapLine| {
            l.new.iter().any(|n| n.token.as_deref() == Some(path))
        };
        map.lines().iter().find(of).unwrap().clone()
    };
    let fill = token("primary.fill");
    let sheet = format!(
        ":root {{ --primary-fill: {}; }}\n.button-primary {{ background: {}; }}\n.x {{ width: {}; }}\n",
        fill.old, fill.old, line.old
    );
    let found = done(
        "a.css",
        &sheet,
        &Plan {
            map: map.clone(),
            ..Plan::default()
        },
    );
    assert_eq!(found.changes.len(), 2);
    assert!(
        found.changes.iter().all(|c| c.to == "#a33a1e"),
        "{:?}",
        found.changes
    );
    assert!(
        found.left[0].doubtful && found.left[0].why.starts_with("could become #"),
        "{:?}",
        found.left
    );
    let variables = Plan {
        map,
        to_variables: true,
        ..Plan::default()
    };
    let found = done("a.css", &sheet, &variables);
    assert_eq!(found.changes[1].to, "var(--primary-fill)");
}

#[test]
fn relatives_go_along_in_their_order_and_what_became_unreadable_is_told() {
    let mut seed = 3;
    let mut told = 0;
    for _ in 0..200 {
        let mut code = || {
            Rgb8::new(
                next(&mut seed) as u8,
                next(&mut seed) as u8,
                next(&mut seed) as u8,
            )
        };
        let (old, new) = (code(), code());
        let (hover, edge, tint) = (mixed(old, 0, 20), mixed(old, 0, 45), mixed(old, 255, 80));
        let ink = if contrast_ratio(old, Rgb8::WHITE) > 4.5 {
            Rgb8::WHITE
        } else {
            Rgb8::BLACK
        };
        let sheet = format!(
            ".a {{ background: {old}; color: {ink} }}\n.a:hover {{ background: {hover} }}\n.a {{ border-color: {edge} }}\n.t {{ background: {tint} }}\n"
        );
        let plan = Plan {
            kin: true,
            ..plan(&format!("{{\"{old}\": \"{new}\"}}"))
        };
        let found = done("a.css", &sheet, &plan);
        let of = |was: Rgb8| {
            let change = found.changes.iter().find(|c| c.from == was.to_string());
            change.map_or(was, |c| c.to.parse().unwrap())
        };
        assert_eq!(of(old), new);
        let order = [edge, hover, old, tint].map(|c| of(c).lightness());
        let all_moved = found.changes.len() == 4;
        if all_moved {
            assert!(
                order.windows(2).all(|w| w[0] <= w[1] + 0.6),
                "{sheet} {order:?}"
            );
        }
        for change in found.changes.iter().filter(|c| c.kin) {
            let (was, is): (Rgb8, Rgb8) =
                (change.from.parse().unwrap(), change.to.parse().unwrap());
            let turn = hue_turn(old.to_oklch().h, was.to_oklch().h);
            let turned = hue_turn(new.to_oklch().h, is.to_oklch().h);
            let is_told = new.to_oklch().c > 0.05 && is.to_oklch().c > 0.05;
            assert!(
                !is_told || (turn - turned).abs() < 4.0,
                "{change:?} {turn} {turned}"
            );
        }
        let before = contrast_ratio(ink, old);
        let after = contrast_ratio(ink, new);
        let lost = after < 4.5 && after < before;
        assert_eq!(!found.unreadable.is_empty(), lost, "{sheet}");
        told += usize::from(lost);
    }
    assert!(told > 20, "{told}");
}

/// A mix in percent with a grey.
fn mixed(code: Rgb8, grey: u16, percent: u16) -> Rgb8 {
    let [r, g, b] = code
        .channels()
        .map(|v| ((u16::from(v) * (100 - percent) + grey * percent) / 100) as u8);
    Rgb8::new(r, g, b)
}

#[test]
fn comments_stay_unless_they_are_asked_for() {
    let map = r##"{"#0f5c7a": "#a33a1e"}"##;
    for (name, text) in [
        (
            "a.css",
            "/* #0f5c7a, rgb(15,92,122) */ a{color:#0f5c7a;b:url(https://x.y/#0f5c7a);c:'/* #0f5c7a */'} // #0f5c7a\n",
        ),
        (
            "a.html",
            "<!-- #0f5c7a, rgb(15,92,122) --><p style='color:#0f5c7a'>#0f5c7a",
        ),
        ("a.ts", "// #0f5c7a, rgb(15,92,122)\nconst a = '#0f5c7a';\n"),
    ] {
        let found = done(name, text, &plan(map));
        assert_eq!(found.changes.len(), 1, "{name}");
        let all = done(
            name,
            text,
            &Plan {
                comments: true,
                ..plan(map)
            },
        );
        assert_eq!(replayed(text, &all), all.text);
        let wanted = if name == "a.css" { 4 } else { 3 };
        assert_eq!(all.changes.len(), wanted, "{}", all.text);
    }
}
