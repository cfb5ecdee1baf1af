//! Marks: colours exact as written, and nothing that a drawing could do to us.
#![allow(clippy::unwrap_used)]

use std::time::Instant;

use rhodon_color::Rgb8;
use rhodon_picture::{Found, Picture};

fn svg(body: &str) -> Vec<u8> {
    format!(
        r#"<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 100 100">{body}</svg>"#
    )
    .into_bytes()
}

fn colors(body: &str) -> Vec<Found> {
    Picture::read(&svg(body)).unwrap().colors(12, None)
}

fn codes(body: &str) -> Vec<String> {
    colors(body).iter().map(|f| f.color.to_string()).collect()
}

#[test]
fn every_written_colour_is_exact_and_the_largest_comes_first() {
    let found = codes(
        r##"<style>.sea { fill: #0f5c7a } .rim { stroke: rgb(138, 154, 43) }</style>
        <defs><linearGradient id="glow"><stop offset="0" stop-color="#e4572e"/><stop offset="1" style="stop-color:hsl(276 22% 42%)"/></linearGradient></defs>
        <g color="#123456"><rect class="sea" width="100" height="60"/><rect y="60" width="100" height="20" fill="url(#glow)"/>
        <rect y="80" width="100" height="12" fill="currentColor"/><path class="rim" d="M0 96h100" stroke-width="8" fill="none"/></g>"##,
    );
    assert_eq!(found[0], "#0f5c7a");
    for code in ["#8a9a2b", "#e4572e", "#705483", "#123456"] {
        assert!(found.contains(&code.to_owned()), "{code} in {found:?}");
    }
    assert!(!found.contains(&"#000000".to_owned()), "{found:?}");
}

#[test]
fn spots_stand_on_what_they_name() {
    let picture = Picture::read(&svg(
        r##"<rect width="100" height="50" fill="#0f5c7a"/><circle cx="80" cy="75" r="15" fill="#e4572e"/>"##,
    ))
    .unwrap();
    for found in picture.colors(12, None) {
        assert_eq!(picture.at(found.x, found.y, 0.0), Some(found.color));
    }
    assert_eq!(picture.at(0.05, 0.95, 0.0), None, "nothing is drawn there");
}

#[test]
fn a_drawing_without_a_word_on_colour_is_black() {
    assert_eq!(codes(r#"<circle cx="50" cy="50" r="30"/>"#), ["#000000"]);
    let current = codes(r#"<circle cx="50" cy="50" r="30" fill="currentColor"/>"#);
    assert_eq!(current, ["#000000"]);
}

#[test]
fn scripts_and_outside_references_do_nothing() {
    let found = colors(
        r##"<script>while(true){}</script><image href="file:///etc/passwd" width="50" height="50"/>
        <image href="http://127.0.0.1:1/x.png" width="50" height="50"/><use href="other.svg#x"/>
        <rect width="40" height="40" fill="#0f5c7a"/>"##,
    );
    assert_eq!(found.len(), 1);
    assert_eq!(found[0].color, Rgb8::new(15, 92, 122));
}

#[test]
fn what_draws_itself_without_end_is_refused_at_once() {
    let mut uses =
        String::from(r##"<defs><g id="g0"><rect width="1" height="1" fill="#f00"/></g>"##);
    for i in 1..30 {
        let one = format!(r##"<use href="#g{}"/>"##, i - 1);
        uses += &format!(r#"<g id="g{i}">{one}{one}</g>"#);
    }
    uses += r##"</defs><use href="#g29"/>"##;
    let mut patterns = String::from("<defs>");
    for i in 0..40 {
        patterns += &format!(
            r##"<pattern id="p{i}" width="1" height="1"><rect width="1" height="1" fill="url(#p{0})"/><rect width="1" height="1" fill="url(#p{0})"/></pattern>"##,
            i + 1
        );
    }
    patterns += r##"</defs><rect width="9" height="9" style="fill:url(#p0)"/>"##;
    let deep = format!("{}{}", "<g>".repeat(5000), "</g>".repeat(5000));
    let filters = format!(
        r#"<filter id="f">{}</filter><rect width="99" height="99" filter="url(#f)"/>"#,
        r#"<feTurbulence baseFrequency="0.5" numOctaves="90"/>"#.repeat(500)
    );
    for (name, body) in [
        ("uses", uses),
        ("patterns", patterns),
        ("deep", deep),
        ("filters", filters),
    ] {
        let begun = Instant::now();
        let refusal = Picture::read(&svg(&body)).unwrap_err().to_string();
        assert!(refusal.contains("expected at most"), "{name}: {refusal}");
        assert!(
            begun.elapsed().as_secs() < 5,
            "{name} took {:?}",
            begun.elapsed()
        );
    }
    let laughs = br#"<!DOCTYPE svg [<!ENTITY a "lol lol lol lol lol lol lol"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;">
        <!ENTITY c "&b;&b;&b;&b;&b;&b;&b;&b;&b;&b;&b;&b;&b;">]><svg xmlns="http://www.w3.org/2000/svg"><desc>&c;&c;&c;&c;</desc></svg>"#;
    let grown = [&laughs[..], &b"&c;".repeat(200_000)].concat();
    assert!(Picture::read(&grown).is_err());
    let circle = r##"<g id="a"><use href="#b"/></g><g id="b"><use href="#a"/></g><rect width="9" height="9" fill="#0f5c7a"/>"##;
    let within = Picture::read(&svg(circle)).unwrap_err().to_string();
    assert_eq!(
        within,
        "an SVG that draws itself within itself: expected a drawing that ends"
    );
}

#[test]
fn any_size_is_drawn() {
    for size in [
        r#"width="0.001" height="4000""#,
        r#"width="1e9" height="1""#,
        "viewBox='0 0 1 1'",
    ] {
        let text = format!(
            r##"<svg xmlns="http://www.w3.org/2000/svg" {size}><rect width="1e9" height="1e9" fill="#0f5c7a"/></svg>"##
        );
        if let Ok(picture) = Picture::read(text.as_bytes()) {
            assert_eq!(
                picture.colors(1, None)[0].color,
                Rgb8::new(15, 92, 122),
                "{size}"
            );
        }
    }
}
