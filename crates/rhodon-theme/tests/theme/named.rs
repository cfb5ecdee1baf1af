//! Brand colours whose name speaks of a part, and parts that are switched.

use rhodon_theme::{
    Derived, Document, Mode, NewBrand, Operation, Part, Resolved, Slug, add_named, apply, derive,
};
use serde_json::{Value, json};

fn typed(colors: &[(&str, &str)]) -> Document {
    let mut document = Document::empty();
    "Quay".clone_into(&mut document.name);
    for (name, color) in colors {
        add_named(&mut document, name, color.parse().unwrap(), None);
    }
    document
}

fn page(theme: &Derived, mode: Mode) -> String {
    theme
        .token("surface.base")
        .unwrap()
        .cell(mode)
        .value
        .to_string()
}

fn derived(document: &Document) -> Derived {
    derive(&Resolved::alone(document.clone())).unwrap()
}

fn slug(text: &str) -> Slug {
    text.parse().unwrap()
}

#[test]
fn pages_stand_on_the_colour_that_is_called_after_them() {
    let document = typed(&[
        ("Plum", "#7a1f5c"),
        ("Surface", "#f3ead7"),
        ("Page", "#14202b"),
    ]);
    let said = serde_json::to_value(&document).unwrap();
    let page_is = json!({ "light": "{surface-color.100}", "dark": "{page.900}" });
    assert_eq!(said["roles"], json!({ "surface.base": page_is }));
    let theme = derived(&document);
    assert_eq!(page(&theme, Mode::Light), "#f3ead7");
    assert_eq!(page(&theme, Mode::Dark), "#14202b");
    assert_eq!(theme.intent("primary").unwrap().scale, 0);
}

#[test]
fn the_first_to_be_called_after_the_page_has_it_and_others_leave_it() {
    let document = typed(&[
        ("Plum", "#7a1f5c"),
        ("Background", "#fff8ee"),
        ("Surface", "#ffffff"),
    ]);
    assert_eq!(page(&derived(&document), Mode::Light), "#fff8ee");
    for name in ["Surface shade", "Text", "Border", "Sand"] {
        let document = typed(&[("Plum", "#7a1f5c"), (name, "#f3ead7")]);
        assert!(document.roles.is_empty(), "{name}");
    }
}

#[test]
fn a_colour_added_later_is_the_page_unless_somebody_said_what_is() {
    let add = |spec: Value| {
        let theme = Resolved::alone(Document::read(&spec).unwrap());
        let colors = vec![NewBrand {
            name: "Surface".into(),
            color: "#f3ead7".into(),
            from: None,
            steps: Vec::new(),
        }];
        let added = apply(&Operation::AddBrand(colors), &theme).unwrap();
        page(&derived(&added.document), Mode::Light)
    };
    let brand = json!([{ "name": "Plum", "slug": "plum", "color": "#7a1f5c" }]);
    assert_eq!(
        add(json!({ "format": 1, "name": "Quay", "brand": brand })),
        "#f3ead7"
    );
    let said = json!({ "surface.base": { "light": "#ffffff" } });
    assert_eq!(
        add(json!({ "format": 1, "name": "Quay", "brand": brand, "roles": said })),
        "#ffffff"
    );
}

#[test]
fn steps_that_nothing_uses_are_left_out_and_nothing_else_changes() {
    let document = typed(&[("Plum", "#7a1f5c"), ("Sand", "#f3ead7")]);
    let theme = Resolved::alone(document);
    let changed = apply(&Operation::LeaveOutUnused(None), &theme).unwrap();
    let (before, after) = (derive(&theme).unwrap(), derived(&changed.document));
    let mut left = 0;
    let used = |path: &str| {
        let cells = before
            .tokens
            .iter()
            .flat_map(|t| Mode::BOTH.map(|m| t.cell(m)));
        let more = before
            .more
            .iter()
            .flat_map(|more| &more.cells)
            .map(|raised| &raised.cell);
        cells
            .chain(more)
            .any(|cell| cell.alias.as_deref() == Some(path))
    };
    for (old, new) in before.tokens.iter().zip(&after.tokens) {
        assert_eq!(old.path, new.path);
        assert_eq!(old.cell(Mode::Light).value, new.cell(Mode::Light).value);
        if new.omitted {
            left += 1;
            assert!(!used(&old.path), "{}", old.path);
        }
    }
    assert!(left > 20, "{left}");
    assert!(!after.token("plum.700").unwrap().omitted && !after.token("sand.100").unwrap().omitted);
    assert!(
        changed
            .notes
            .iter()
            .any(|note| note.starts_with("Plum: 50,")),
        "{:?}",
        changed.notes
    );
    // Nothing is left to do, and what is no scale is told.
    let again = Resolved::alone(changed.document);
    let refused = |slug_| {
        apply(&Operation::LeaveOutUnused(slug_), &again)
            .unwrap_err()
            .to_string()
    };
    assert!(refused(None).contains("every step of every scale is used"));
    assert!(refused(Some(slug("fog"))).contains("there is no scale fog"));
}

#[test]
fn a_part_that_is_recast_is_as_if_the_document_said_so() {
    let document = typed(&[
        ("Plum", "#7a1f5c"),
        ("Moss", "#1f7a4c"),
        ("Sand", "#f3ead7"),
    ]);
    let theme = Resolved::alone(document.clone());
    let mut said = serde_json::to_value(&document).unwrap();
    said["intents"] = json!({ "primary": { "scale": "moss" } });
    let said = derived(&Document::read(&said).unwrap());
    let recast = derive(&theme.recast(Part::Primary, &slug("moss"))).unwrap();
    assert_eq!(recast.tokens, said.tokens);
    // A colour between light and dark tints the page; a light one is the page.
    let tinted = derive(&theme.recast(Part::Surface, &slug("moss"))).unwrap();
    assert_ne!(page(&tinted, Mode::Light), page(&said, Mode::Light));
    assert_ne!(page(&tinted, Mode::Light), "#1f7a4c");
    let sand = derive(&theme.recast(Part::Surface, &slug("sand"))).unwrap();
    assert_eq!(page(&sand, Mode::Light), "#f3ead7");
    let failing = [tinted, sand]
        .iter()
        .flat_map(|t| t.pairs.clone())
        .filter(|p| !p.pass)
        .count();
    assert_eq!(failing, 0);
}
