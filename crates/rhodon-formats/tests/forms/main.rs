//! Forms: filled, learned from an example, wrong, and hostile.
#![allow(clippy::unwrap_used)]

mod called;
mod learned;
#[path = "../pieces/mod.rs"]
mod pieces;

use std::sync::LazyLock;
use std::time::Instant;

use proptest::prelude::*;
use rhodon_color::{Color, Rgb8};
use rhodon_formats::form::{MAX_OUTPUT, fill};
use rhodon_theme::{Derived, Document, Form, Resolved, Severity, derive};
use serde_json::json;

fn theme(code: &str) -> Derived {
    let text =
        json!({ "format": 1, "name": "Ferry", "brand": [{ "name": "Petrol", "color": code }] });
    derive(&Resolved::alone(
        Document::parse(&text.to_string()).unwrap(),
    ))
    .unwrap()
}

/// A form as a document has it.
fn form(text: &str, slots: serde_json::Value) -> Form {
    let document = json!({ "format": 1, "name": "T", "brand": [{ "name": "Petrol", "color": "#0f5c7a" }],
        "forms": { "own": { "file": "own.txt", "text": text, "slots": slots } } });
    let document = Document::parse(&document.to_string()).unwrap();
    document.forms.values().next().unwrap().clone()
}

fn filled(text: &str, slots: serde_json::Value) -> String {
    fill(&form(text, slots), &theme("#0f5c7a"), &[])
        .unwrap()
        .text
}

fn told(text: &str) -> String {
    let slots = json!({ "brand": { "token": "petrol.500" } });
    fill(&form(text, slots), &theme("#0f5c7a"), &[])
        .unwrap_err()
        .to_string()
}

#[test]
fn slots_tokens_and_filters_print_colours_in_every_notation() {
    let slots = json!({
        "brand": { "color": "#0F5C7A" },
        "veil": { "color": "#0f5c7a80", "filter": "argb | upper" },
        "ground": { "token": "surface.base", "mode": "dark" },
    });
    for (text, wanted) in [
        ("{{ brand }}\n", "#0f5c7a\n"),
        ("{{ brand | hex | upper }}", "#0F5C7A"),
        ("{{ brand | bare }} {{ veil }}", "0f5c7a 800F5C7A"),
        ("{{ brand | rgb }};{{ brand.r }}", "15, 92, 122;15"),
        (
            "{{ brand | alpha(0.5) }} {{ brand | alpha(0.5) | argb }}",
            "#0f5c7a80 800f5c7a",
        ),
        (
            "{{ brand | on_text }} {{ brand | mix('#ffffff', 0) }}",
            "#ffffff #0f5c7a",
        ),
        (
            "{{ brand | like('RGB( 1,2,3 )') }} {{ brand | like('0xFF000000') }}",
            "RGB( 15,92,122 ) 0xFF0F5C7A",
        ),
        (
            "{{ '--' ~ brand }} {% set n = 1 + 2 %}{{ n + 3 }} {{ brand.r * 2 }}",
            "--#0f5c7a 6 30",
        ),
        (
            "{% raw %}{{ ' {% macro %}{% endraw %}{{ brand }}",
            "{{ ' {% macro %}#0f5c7a",
        ),
        (
            "{% if brand is defined and 3 is odd %}{{ {'a': {'b': 1}}.a.b }}{% endif %}",
            "1",
        ),
        (
            "{% for c in [brand, '#fff'] %}{{ c | bare }} {% endfor %}",
            "0f5c7a ffffff ",
        ),
        ("{% for n in range(3) %}{{ n }},{% endfor %}", "0,1,2,"),
    ] {
        assert_eq!(filled(text, slots.clone()), wanted, "{text}");
    }
    let ground = filled("{{ ground }}", slots);
    let theme = theme("#0f5c7a");
    let cell = theme
        .token("surface.base")
        .unwrap()
        .cell(rhodon_theme::Mode::Dark);
    assert_eq!(ground, cell.value.to_string());
}

#[test]
fn loops_go_over_scales_roles_modes_and_a_family() {
    let scales = filled(
        "{% for s in scales %}{{ s.slug }}:{% for step in s.steps %}{{ step.label }}={{ step.color }} {% endfor %}\n{% endfor %}",
        json!({}),
    );
    assert!(scales.starts_with("petrol:50=#"), "{scales}");
    let roles = filled(
        "{% for r in roles %}{% if r.path == 'link.rest' %}{{ r.light }} {{ r.dark }}{% endif %}{% endfor %}",
        json!({}),
    );
    assert_eq!(roles.split(' ').count(), 2);
    assert_eq!(filled("{{ modes | join('/') }}", json!({})), "light/dark");
    let (one, two) = (theme("#0f5c7a"), theme("#a33a1e"));
    let text = "{% for t in family %}{{ t.name }} {{ t.scales[0].base }} {{ t.token('primary.fill') }}\n{% endfor %}";
    let all = fill(&form(text, json!({})), &one, &[&one, &two])
        .unwrap()
        .text;
    assert_eq!(all, "Ferry #0f5c7a #0f5c7a\nFerry #a33a1e #a33a1e\n");
}

#[test]
fn a_mistake_is_told_with_its_place_and_what_was_expected() {
    for (text, why) in [
        (
            "a\n  {{ brnad }}",
            "2:6: no slot is called brnad: expected one of brand, or token",
        ),
        ("{{ brand | purple }}", "1:"),
        ("{{ token('petrol.501') }}", "no token is called petrol.501"),
        (
            "{{ token('primary.fill', 'dusk') }}",
            "no mode is called dusk: expected light or dark",
        ),
        ("x\n{% for a in %}", "2:13: "),
        ("{{ brand.hue }}", "nothing stands behind this"),
        ("{{ 'petrol' | rgb }}", "expected a colour, found petrol"),
        ("{% include 'other.txt' %}", "in a form that stands alone"),
    ] {
        let told = told(text);
        assert!(told.contains(why), "{text}: {told}");
    }
    let unknown = fill(
        &form("{{ a }}", json!({ "a": { "token": "petrol.501" } })),
        &theme("#0f5c7a"),
        &[],
    );
    assert!(
        unknown
            .unwrap_err()
            .to_string()
            .starts_with("slot a: no token is called petrol.501")
    );
    let unused = fill(
        &form("x", json!({ "a": { "color": "red" } })),
        &theme("#0f5c7a"),
        &[],
    )
    .unwrap();
    assert_eq!(unused.unused, ["a"]);
}

#[test]
fn hostile_forms_end_within_a_second_and_in_bounded_memory() {
    let big = "x".repeat(2000);
    for text in [
        "{% for a in range(10000) %}{% for b in range(10000) %}{% endfor %}{% endfor %}".to_owned(),
        "{% for a in range(100000000) %}x{% endfor %}".to_owned(),
        format!("{{% for a in range(9999) %}}{big}{{% endfor %}}"),
        "{% macro f(n) %}{{ f(n) }}{% endmacro %}{{ f(1) }}".to_owned(),
        "{% macro f(s) %}{{ f(s ~ s) }}{% endmacro %}{{ f('xxxxxxxxxxxxxxxx') }}".to_owned(),
        format!("{{% set s = 'xx' %}}{}{{{{ s }}}}", "{% set s = s ~ s %}".repeat(60)),
        format!("{{% set s = 'xx' %}}{}{{{{ s }}}}", "{%- set s = s + s -%}".repeat(60)),
        format!("{{% set s = ['xx'] %}}{}{{{{ s == s }}}}", "{% set s = [s, s] %}".repeat(60)),
        format!("{}{{{{ s }}}}", "{% for s in [s ~ s] %}".repeat(39)),
        format!("{}{{{{ s | upper }}}}", "{% with s = [s, s] %}".repeat(39)),
        "{% set s %}{% for a in range(9999) %}{% for b in range(200) %}xxxxxxxxxxxxxxxx{% endfor %}{% endfor %}{% endset %}{{ s }}".to_owned(),
        "{{ (range(9999) * 999999999) | last }}".to_owned(),
        // What hides behind a text that is none, or behind brackets in brackets.
        format!("{{% set s='xxxxxxxx' %}}{{% raw %}}{{{{ ' {{% endraw %}}{}{{{{ s }}}}", "{% set s = s ~ s %}".repeat(40)),
        "{{ {'a':{'b':1}} and ((range(999) * 999999999) | last) }}".to_owned(),
        "{% for i in range(999) %}{% for j in range(999) %}{{ tokens == tokens }}{% endfor %}{% endfor %}".to_owned(),
        "{% for s in ['xx'] recursive %}{{ loop(s ~ s) }}{% endfor %}".to_owned(),
        "{{ 2 ** 99999999 }}".to_owned(),
        "{% set r = range(999) %}{{ r * 999 }}".to_owned(),
        "{{ range(9999) * 1000 == range(9999) * 1000 }}".to_owned(),
        "{% filter upper %}{% for a in range(9999) %}xxxxxxxxxx{% endfor %}{% endfilter %}".to_owned(),
        "{% set s = 'x' %}{% for a in range(60) %}{% set s = s ~ s %}{% endfor %}{{ s }}".to_owned(),
        "{% set ns = namespace(s='xxxxxxxxxxxxxxxx') %}{% for a in range(60) %}{% set ns.s = ns.s ~ ns.s %}{% endfor %}{{ ns.s }}".to_owned(),
        "{{ 'x' * 1000000000 }}".to_owned(),
        "{{ ('xxxxxxxxxx' | replace('x', 'yyyyyyyyyyyyyyyyyyyyyyyyy' | replace('y', 'z' * 100))) | replace('z', 'w' * 10000) }}".to_owned(),
        format!("{}x{}", "{% if true %}".repeat(4000), "{% endif %}".repeat(4000)),
        format!("{{{{ {}1{} }}}}", "(".repeat(5000), ")".repeat(5000)),
        format!("{{{{ {}1 }}}}", "-".repeat(5000)),
        format!("{{{{ [{}] }}}}", "1,".repeat(60_000)),
    ] {
        let began = Instant::now();
        let slots = json!({});
        let done = fill(&form(&text, slots), &theme("#0f5c7a"), &[]);
        assert!(began.elapsed().as_secs() < 5, "{} took {:?}", &text[..40], began.elapsed());
        match done {
            Ok(done) => assert!(done.text.len() <= MAX_OUTPUT),
            Err(error) => assert!(error.to_string().len() < 400, "{error}"),
        }
    }
}

#[test]
fn bad_forms_in_a_document_are_told_at_their_place() {
    let read = |form: serde_json::Value| {
        let document = json!({ "format": 1, "name": "T", "brand": [{ "name": "A", "color": "red" }], "forms": { "own": form } });
        Document::parse(&document.to_string())
            .unwrap_err()
            .to_string()
    };
    for (form, why) in [
        (
            json!({ "file": "../x", "text": "" }),
            "/forms/own/file: expected a path inside the folder",
        ),
        (json!({ "file": "C:/x", "text": "" }), "/forms/own/file"),
        (json!({ "file": "x" }), "/forms/own"),
        (
            json!({ "file": "x", "text": "", "slots": { "For": { "color": "red" } } }),
            "/forms/own/slots",
        ),
        (
            json!({ "file": "x", "text": "", "slots": { "theme": { "color": "red" } } }),
            "that is no word of forms",
        ),
        (
            json!({ "file": "x", "text": "", "slots": { "a": {} } }),
            "expected either a token or a colour",
        ),
        (
            json!({ "file": "x", "text": "", "slots": { "a": { "token": "a.b", "mode": "dusk" } } }),
            "expected the mode light or dark",
        ),
    ] {
        let told = read(form);
        assert!(told.contains(why), "{told}");
    }
    let _: Rgb8 = Color::parse("red").unwrap().to_rgb8();
}

#[test]
fn a_slots_filter_is_judged_like_the_text() {
    for filter in [
        "default(range(9999) * 999999999 | last)",
        "upper ~ 'x'",
        "mix(",
        "x }} {{ y",
    ] {
        let slots = json!({ "a": { "color": "red", "filter": filter } });
        let told = fill(&form("{{ a }}", slots), &theme("#0f5c7a"), &[]).unwrap_err();
        assert_eq!(told.slot.as_deref(), Some("a"), "{filter}");
    }
}

/// Pieces of the language in any order.
const ODD: &[&str] = &[
    "{{",
    "}}",
    "{%",
    "%}",
    "{#",
    "#}",
    "{%-",
    "-%}",
    "'",
    "\"",
    "\\",
    "for a in ",
    "if ",
    "set ",
    "with ",
    "endfor",
    "endif",
    "raw",
    "endraw",
    "range(3)",
    "brand",
    "tokens",
    "|",
    "~",
    "*",
    "+",
    "-",
    "(",
    ")",
    "[",
    "]",
    "{",
    "}",
    ".",
    ",",
    ":",
    "=",
    "==",
    "not ",
    "is ",
    "7",
    "1e9",
    "é",
    "\n",
    " ",
    "like(",
    "hex",
    "loop",
    "recursive",
];

proptest! {
    #![proptest_config(ProptestConfig { cases: 1500, ..ProptestConfig::default() })]

    #[test]
    fn no_form_and_no_filter_is_too_odd(parts in prop::collection::vec(prop::sample::select(ODD), 0..24)) {
        let text = parts.concat();
        let theme = &*THEME;
        let slots = json!({ "brand": { "token": "petrol.500" } });
        let _ = fill(&form(&text, slots), theme, &[]);
        let filter: String = text.chars().take(100).filter(|c| *c != '\n').collect();
        let slots = json!({ "brand": { "token": "petrol.500", "filter": format!("x{filter}") } });
        let _ = fill(&form("{{ brand }}", slots), theme, &[]);
    }
}

static THEME: LazyLock<Derived> = LazyLock::new(|| theme("#0f5c7a"));

/// A form that cannot be filled is an error of the check, one with a slot too many a note; one that the
/// archive leaves out is nobody's business.
#[test]
fn the_check_tells_of_forms() {
    let forms = json!({
        "good": { "file": "a.txt", "text": "{{ token(\"primary.fill\") }}" },
        "bad": { "file": "b.txt", "text": "{{ primry }}" },
        "spare": { "file": "c.txt", "text": "x", "slots": { "edge": { "token": "primary.edge" } } },
        "apart": { "file": "d.txt", "text": "{{ primry }}", "pack": false },
    });
    let spec = json!({
        "format": 1, "name": "Tern", "forms": forms,
        "brand": [{ "name": "Petrol", "slug": "petrol", "color": "#0f5c7a" }],
    });
    let theme = Resolved::alone(Document::read(&spec).unwrap());
    let report = rhodon_formats::report::check(&theme, &derive(&theme).unwrap());
    let told = report.findings.iter().filter(|f| f.id == "form");
    let told: Vec<_> = told.map(|f| (f.severity, f.message.as_str())).collect();
    assert_eq!(told.len(), 2, "{told:?}");
    assert_eq!(told[0].0, Severity::Error);
    assert!(
        told[0].1.starts_with(
            "The form bad cannot be filled: line 1, column 4: no slot is called primry"
        )
    );
    assert_eq!(
        told[1].1,
        "The form spare: edge: the form does not use this slot."
    );
}
