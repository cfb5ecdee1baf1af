//! Files that a theme starts with, whatever they are.

use rhodon_formats::read::{InputFile, READERS, read};
use rhodon_theme::MAX_BRAND;

/// Name and colour of every brand colour that files come to.
fn brand(name: &str, text: &str) -> Vec<(String, String)> {
    let import = read(&[InputFile::text(name, text)]);
    assert_eq!(import.problems, [], "{text}");
    let brand = import.spec.unwrap().brand.into_iter();
    brand
        .map(|b| (b.name, b.color.to_rgb8().to_string()))
        .collect()
}

#[test]
fn a_theme_starts_with_the_colours_of_what_a_project_has() {
    let expected = [("Petrol", "#0f5c7a"), ("Buoy", "#e4572e")]
        .map(|(name, code)| (name.to_owned(), code.to_owned()));
    for (name, text) in [
        (
            "a.json",
            r##"{"version":3,"settings":{"color":{"palette":[
            {"slug":"sea","name":"Petrol","color":"#0f5c7a"},{"slug":"x","color":"#e4572e","name":"Buoy"}]}}}"##,
        ),
        (
            "a.json",
            r##"{"petrol":"#0f5c7a","buoy":{"value":"#e4572e"}}"##,
        ),
        (
            "a.toml",
            "[brand]\npetrol = \"#0f5c7a\"\nbuoy = 'rgb(228, 87, 46)'\n",
        ),
        (
            "a.php",
            "[ [ 'name' => 'Petrol', 'color' => '#0f5c7a' ], [ 'name' => 'Buoy', 'color' => '#e4572e' ] ]",
        ),
        ("a.txt", "Petrol: #0f5c7a\n#e4572e Buoy\n"),
    ] {
        assert_eq!(brand(name, text), expected, "{text}");
    }
    // Of those that are used alike the first comes first; one that nobody named is told by its look.
    assert_eq!(brand("a.ts", "f('#e4572e'); f('#0f5c7a')")[0].1, "#e4572e");
    assert_eq!(brand("a.json", r##"{"color":"#8a9a2b"}"##)[0].0, "Lime");
}

#[test]
fn a_list_with_something_else_in_it_says_so_and_keeps_the_rest() {
    let import = read(&[InputFile::text("a.txt", "Petrol: #0f5c7a\nsomething\n")]);
    assert_eq!(import.spec.unwrap().brand.len(), 1);
    let told: Vec<String> = import.problems.iter().map(ToString::to_string).collect();
    assert_eq!(told.len(), 1, "{told:?}");
    assert!(
        told[0].starts_with("a.txt: something: expected"),
        "{told:?}"
    );
}

#[test]
fn a_long_list_is_read_as_far_as_a_theme_goes_and_one_of_nothing_says_so() {
    let lines: String = (0..42).map(|i| format!("#0f5c{i:02x}\n")).collect();
    let import = read(&[InputFile::text("a.txt", lines)]);
    assert_eq!(import.spec.unwrap().brand.len(), MAX_BRAND);
    let told: Vec<String> = import.problems.iter().map(ToString::to_string).collect();
    assert_eq!(
        told,
        [
            "a.txt: #0f5c28: expected at most 40 colours",
            "a.txt: #0f5c29: expected at most 40 colours"
        ]
    );
    let nothing = read(&[InputFile::text("a.txt", "# a list\n")]);
    assert!(nothing.spec.is_none());
    assert_eq!(
        nothing.problems[0].message,
        "expected at least one colour, found none"
    );
    let unknown = read(&[InputFile::text("a.md", "# Title")]);
    assert!(unknown.problems[0].message.ends_with("found none of them"));
}

#[test]
fn every_file_that_can_be_read_is_offered() {
    let offered: Vec<String> = READERS
        .iter()
        .flat_map(|reader| (reader.endings)())
        .collect();
    for name in [
        "a.json",
        "a.tokens.json",
        "a.txt",
        "a.css",
        "a.php",
        "a.toml",
    ] {
        assert!(
            offered.iter().any(|ending| name.ends_with(ending)),
            "{name}"
        );
    }
    assert!(
        offered.iter().all(|ending| ending.starts_with('.')),
        "{offered:?}"
    );
}
