//! A pasted list of colours, in whatever notation it was found: one a line or separated by
//! commas or semicolons, codes by spaces too, with names in front or behind, in quotes, or with the
//! prefix of a program.

use rhodon_color::{Color, Notation};
use rhodon_theme::capitalised;

use super::{code, snippet};

/// The most entries that are read.
const MAX_ITEMS: usize = 200;

/// One entry of a list: a colour, or why it is none.
#[derive(Clone, Debug, PartialEq)]
pub struct ListItem {
    /// The entry as it was pasted.
    pub input: String,
    /// The name in front of it or behind.
    pub name: Option<String>,
    /// The colour in CSS, or a sentence that says what was expected.
    pub color: Result<String, String>,
}

/// Reads a pasted list; every entry becomes an item, in order.
pub fn color_list(text: &str) -> Vec<ListItem> {
    let by_line: Vec<ListItem> = text.lines().flat_map(line).take(MAX_ITEMS).collect();
    let colors = by_line.iter().filter(|item| item.color.is_ok()).count();
    // Keys that lead to a colour stand on lines before it. Nothing that lines tell is lost for them.
    let whole = code::is_one_piece(text).then(|| of_code(text)).flatten();
    whole
        .filter(|items| items.len() >= colors)
        .unwrap_or(by_line)
}

/// The colours of a piece of code, each as it is told.
fn of_code(text: &str) -> Option<Vec<ListItem>> {
    let found = code::in_code(text)?.into_iter().take(MAX_ITEMS);
    let input = |hex: &str| match text.trim().contains('\n') {
        // What stands around it has many lines.
        true => hex.to_owned(),
        false => text.trim().to_owned(),
    };
    let items = found.map(|(name, color)| {
        let hex = Notation::Hex.write(color);
        ListItem::read(&input(&hex), &name, hex)
    });
    Some(items.collect())
}

fn line(line: &str) -> Vec<ListItem> {
    if let Some(items) = of_code(line) {
        return items;
    }
    if let Some((name, code)) = snippet::channels(line) {
        return vec![ListItem::read(line.trim(), name, code.to_string())];
    }
    let entries = entries(line);
    let several = entries.len() > 1;
    let read = |entry: &String| match several && is_number(entry) {
        true => vec![ListItem::refused(entry, number_told(entry))],
        false => items(entry),
    };
    entries.iter().take(MAX_ITEMS).flat_map(read).collect()
}

/// Digits that stand beside something else are a number; alone they are a code.
fn is_number(text: &str) -> bool {
    text.len() < 6 && text.bytes().all(|b| b.is_ascii_digit())
}

fn number_told(number: &str) -> String {
    format!("expected a colour, found the number {number}")
}

/// What an entry tells: a colour, those within a piece of code, or that it is none.
fn items(entry: &str) -> Vec<ListItem> {
    let whole = item(entry);
    if whole.color.is_ok() {
        return vec![whole];
    }
    let codes = snippet::codes(entry).into_iter();
    let within: Vec<ListItem> = codes
        .map(|(name, color)| ListItem::read(entry, name, color.to_hex()))
        .collect();
    match within.is_empty() && !snippet::is_around(entry) {
        true => vec![whole],
        false => within,
    }
}

impl ListItem {
    /// An entry that is a colour, with what stands before or behind it.
    fn read(entry: &str, name: &str, color: String) -> Self {
        let name = tidy(name);
        Self {
            input: entry.to_owned(),
            name: (!name.is_empty()).then_some(name),
            color: Ok(color),
        }
    }

    fn refused(entry: &str, why: String) -> Self {
        Self {
            input: entry.to_owned(),
            name: None,
            color: Err(why),
        }
    }
}

/// Splits a line at commas and semicolons outside brackets and quotes.
fn entries(text: &str) -> Vec<String> {
    let mut out = vec![String::new()];
    let (mut depth, mut quote) = (0usize, None);
    for c in text.chars() {
        match c {
            '"' | '\'' if quote == Some(c) => quote = None,
            '"' | '\'' if quote.is_none() && depth == 0 => quote = Some(c),
            '(' => depth += 1,
            ')' => depth = depth.saturating_sub(1),
            _ => {}
        }
        if depth == 0 && quote.is_none() && matches!(c, ',' | ';') {
            out.push(String::new());
        } else if let Some(last) = out.last_mut() {
            last.push(c);
        }
    }
    let entries = out.iter().map(|e| e.trim()).filter(|e| !e.is_empty());
    entries.flat_map(codes).map(str::to_owned).collect()
}

/// The codes of an entry that is nothing but codes, else the entry.
fn codes(entry: &str) -> Vec<&str> {
    let words: Vec<&str> = entry.split_whitespace().collect();
    match words.iter().all(|w| is_coded(w) && read(w).is_some()) {
        true => words,
        false => vec![entry],
    }
}

fn item(entry: &str) -> ListItem {
    let whole = bare(entry);
    // A comment behind a colour is part of it to CSS, and its name to people.
    let alone = (!whole.contains("/*")).then(|| read(whole)).flatten();
    if let Some(color) = alone {
        return ListItem::read(entry, "", color);
    }
    for (name, value) in behind(whole).into_iter().chain(splits(whole)) {
        let value = bare(value);
        if let Some(color) = read(value).filter(|_| !is_number(value)) {
            return ListItem::read(entry, name, color);
        }
    }
    let value = splits(whole).next().map_or(whole, |(_, value)| bare(value));
    let error = match Color::parse_typed(value) {
        Ok(_) => number_told(value),
        Err(e) => e.to_string(),
    };
    ListItem::refused(entry, error)
}

/// Without the quotes around it.
fn bare(text: &str) -> &str {
    text.trim()
        .trim_matches(|c: char| matches!(c, '"' | '\'' | '`' | '{' | '}'))
        .trim()
}

/// The name behind a code or a function that an entry begins with.
fn behind(text: &str) -> Option<(&str, &str)> {
    let word = text.find(char::is_whitespace).unwrap_or(text.len());
    let end = match text[..word].contains('(') {
        true => text.find(')')? + 1,
        false => word,
    };
    let (value, name) = text.split_at(end);
    is_coded(value).then_some((name, value))
}

/// Whether a text can be nothing but a code or a function: no name, and no number in front of one.
fn is_coded(text: &str) -> bool {
    let is_long = matches!(text.len(), 6 | 8) && text.contains(|c: char| c.is_ascii_digit());
    is_long || text.contains(['#', '(']) || text.starts_with("0x") || text.starts_with("0X")
}

/// Ways to take a name off the front: at a colon or equals sign, at the first code or function,
/// at the last space.
fn splits(text: &str) -> impl Iterator<Item = (&str, &str)> {
    let at_sign = text.find([':', '=']).map(|i| (&text[..i], &text[i + 1..]));
    let at_code = text.find(['#']).map(|i| text.split_at(i));
    let at_call = text
        .find('(')
        .and_then(|i| text[..i].rfind(char::is_whitespace))
        .map(|i| text.split_at(i));
    let at_space = text.rfind(char::is_whitespace).map(|i| text.split_at(i));
    [at_sign, at_code, at_call, at_space].into_iter().flatten()
}

/// A name without the marks that programs and people put around it.
fn tidy(name: &str) -> String {
    let inner = name.rsplit(['{', '|']).find(|part| !part.trim().is_empty());
    let plain = bare(snippet::without_notations(inner.unwrap_or_default()))
        .trim_start_matches(['-', '–', '—', '$', '@', '.', '/', '*', '(', ' '])
        .trim_end_matches([':', '=', '*', '/', ')', ' ', ',', '-', '–', '—']);
    capitalised(snippet::without_keywords(&plain.replace(['-', '_'], " ")))
}

/// A colour as CSS writes it. `0x` in front of eight digits puts the opacity first.
fn read(text: &str) -> Option<String> {
    if let Some(digits) = text.strip_prefix("0x").or_else(|| text.strip_prefix("0X")) {
        // Four digits have no opacity in front: nobody writes `0xF05C`.
        let color = match digits.len() {
            8 => Color::from_hex_alpha_first(digits),
            _ => Color::from_hex(digits),
        };
        return color.map(|c| Notation::Hex.write(c));
    }
    let color = Color::parse_typed(text).ok()?;
    Some(if Color::parse(text).is_ok() {
        text.to_owned()
    } else {
        Notation::Hex.write(color)
    })
}

#[cfg(test)]
mod tests {
    use super::*;

    /// Names and colours of a list that is read whole.
    fn named(text: &str) -> Vec<(Option<String>, String)> {
        let items = color_list(text).into_iter();
        items.map(|i| (i.name, i.color.unwrap())).collect()
    }

    #[test]
    fn entries_are_read_in_whatever_notation() {
        let text = "#0f5c7a, 0xFFE4572E; rgb(138 154 43)\n\"Heather\": '7a4b8f';\n--brand-slate: #5c6b73;\n$sea = hsl(197, 78%, 27%)\nSand #f3e3c3\nteal\nDeep rgba(1, 2, 3, .5)";
        let wanted = [
            (None, "#0f5c7a"),
            (None, "#e4572e"),
            (None, "rgb(138 154 43)"),
            (Some("Heather"), "#7a4b8f"),
            (Some("Brand slate"), "#5c6b73"),
            (Some("Sea"), "hsl(197, 78%, 27%)"),
            (Some("Sand"), "#f3e3c3"),
            (None, "teal"),
            (Some("Deep"), "rgba(1, 2, 3, .5)"),
        ];
        assert_eq!(
            named(text),
            wanted.map(|(n, c)| (n.map(str::to_owned), c.to_owned()))
        );
    }

    #[test]
    fn names_may_stand_behind_and_codes_side_by_side() {
        let text = "#b23a48 Rust\nrgb(178, 58, 72) Red\n0f5c7a – deep_sea\n#8a9a2b /* Lichen */\n#111 #222 0x333333\n123456 0a0b0c\n2024 red\nBad 7a4b8f\n#5c6b73 (Slate)";
        let wanted = [
            (Some("Rust"), "#b23a48"),
            (Some("Red"), "rgb(178, 58, 72)"),
            (Some("Deep sea"), "#0f5c7a"),
            (Some("Lichen"), "#8a9a2b"),
            (None, "#111"),
            (None, "#222"),
            (None, "#333333"),
            (None, "#123456"),
            (None, "#0a0b0c"),
            (Some("2024"), "red"),
            (Some("Bad"), "#7a4b8f"),
            (Some("Slate"), "#5c6b73"),
        ];
        assert_eq!(
            named(text),
            wanted.map(|(n, c)| (n.map(str::to_owned), c.to_owned()))
        );
    }

    #[test]
    fn pieces_of_code_tables_and_brand_sheets_are_read() {
        for (text, wanted) in [
            (
                ":root {\n  --petrol: #0f5c7a; /* deep */\n  --buoy: rgb(228 87 46) !important;\n}",
                &[("Petrol", "#0f5c7a"), ("Buoy", "#e4572e")][..],
            ),
            (
                "$brand: #0f5c7a !default;\n// dark\n",
                &[("Brand", "#0f5c7a")],
            ),
            (
                "| Name | Code |\n|---|---|\n| Petrol | #0f5c7a |",
                &[("Petrol", "#0f5c7a")],
            ),
            ("val petrol = Color(0xFF0F5C7A)", &[("Petrol", "#0f5c7a")]),
            (
                "<color name=\"petrol\">#0f5c7a</color>",
                &[("Petrol", "#0f5c7a")],
            ),
            (
                ".a{color:#0f5c7a;background:#e4572e}",
                &[("Color", "#0f5c7a"), ("Background", "#e4572e")],
            ),
            (
                "Petrol  RGB 15 92 122  CMYK 88 25 0 52  #0F5C7A",
                &[("Petrol", "#0F5C7A")],
            ),
            (
                "Petrol: RGB 15/92/122, CMYK 88/25/0/52",
                &[("Petrol", "#0f5c7a")],
            ),
            (
                "Deep sea 15, 92, 122\n228 87 46",
                &[("Deep sea", "#0f5c7a"), ("", "#e4572e")],
            ),
            (
                "export const sea = '#0f5c7a'\nlet x = \"teal\"",
                &[("Sea", "#0f5c7a"), ("X", "teal")],
            ),
            ("R15 G92 B122 ", &[("", "#0f5c7a")]),
            (
                "--primary: 200 77% 38%;\n--color-sea: 15 92 122;\n--gap: 4 8 12;",
                &[
                    ("Primary", "#167aac"),
                    ("Sea", "#0f5c7a"),
                    ("Gap", "#04080c"),
                ],
            ),
            ("Color(0xFF1680AC)", &[("", "#1680ac")]),
            (
                "static const veil = Color.fromRGBO(22, 128, 172, 0.5);",
                &[("Veil", "#1680ac80")],
            ),
            (
                "static let reef = Color(red: 0.9, green: 0.34, blue: 0.12)",
                &[("Reef", "#e6571f")],
            ),
            // Resources of apps have the opacity first.
            (
                "<color name=\"colorPrimary\">#FF1680AC</color>",
                &[("Primary", "#1680ac")],
            ),
            (
                "primary: { main: \"#0b5474\" },\nsea: { 500: '#1680ac' },",
                &[("Primary", "#0b5474"), ("Sea 500", "#1680ac")],
            ),
            (
                "colors: {\n  primary: {\n    main: '#0b5474',\n    dark: \"rgb(6, 58, 80)\",\n  },\n},",
                &[("Primary", "#0b5474"), ("Primary dark", "#063a50")],
            ),
            ("rgb = 15, 92, 122", &[("", "#0f5c7a")]),
        ] {
            let items = color_list(text)
                .into_iter()
                .filter(|item| item.color.is_ok());
            let found: Vec<(String, String)> = items
                .map(|i| (i.name.unwrap_or_default(), i.color.unwrap()))
                .collect();
            let wanted: Vec<(String, String)> = wanted
                .iter()
                .map(|(name, code)| ((*name).to_owned(), (*code).to_owned()))
                .collect();
            assert_eq!(found, wanted, "{text}");
        }
        // A piece of code among other lines takes none of them away.
        let mixed = "sea: {\n  main: '#0b5474',\n}\nteal\nBuoy #e4572e";
        let names: Vec<_> = color_list(mixed)
            .into_iter()
            .filter(|i| i.color.is_ok())
            .map(|i| i.name)
            .collect();
        assert_eq!(
            names,
            [Some("Main".to_owned()), None, Some("Buoy".to_owned())]
        );
        // Numbers that are none of a colour are no code of three digits either.
        for text in [
            "15, 92",
            "15, 92, 122, 7",
            "15 92 300",
            "Petrol 300",
            "|---|",
            "a {",
        ] {
            assert!(color_list(text).iter().all(|i| i.color.is_err()), "{text}");
        }
        let step = Err("expected a colour, found the number 300".to_owned());
        assert_eq!(color_list("Petrol 300")[0].color, step);
    }

    #[test]
    fn a_bad_entry_is_refused_beside_the_good_ones() {
        let items = color_list("#0f5c7a\nbluish\n\nsea: rgb(1, 2)\n#e4572e");
        let messages: Vec<bool> = items.iter().map(|i| i.color.is_ok()).collect();
        assert_eq!(messages, [true, false, false, true]);
        assert_eq!(
            items[2].color,
            Err("expected 3 values in rgb(), found 2".to_owned())
        );
        assert_eq!(items[1].input, "bluish");
    }

    #[test]
    fn nothing_gives_nothing_and_much_is_cut() {
        assert_eq!(color_list(" \n;; ,\n"), []);
        assert_eq!(color_list(&"red,".repeat(500)).len(), MAX_ITEMS);
        assert_eq!(color_list(&"red\n".repeat(500)).len(), MAX_ITEMS);
    }
}
