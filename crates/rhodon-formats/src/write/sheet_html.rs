//! The sheet as a page to print: it flows over as many sheets of paper as it needs.

use rhodon_theme::ColorValue;

use super::sheet::{PairRow, PrintSheet, Row, Step, ink, rgb, row_codes};
use super::xml::Element;

const STYLE: &str = "\
@page { margin: 12mm; } \
body { margin: 0 auto; padding: 6mm; max-width: 190mm; font: 7.5pt/1.35 system-ui, sans-serif; color: #111; background: #fff; \
-webkit-print-color-adjust: exact; print-color-adjust: exact; } \
h1 { font-size: 15pt; margin: 0 0 4mm; } h2 { font-size: 10pt; margin: 5mm 0 1.5mm; break-after: avoid; } \
.strip { display: grid; grid-template-columns: repeat(12, minmax(0, 1fr)); gap: 1.5mm 1mm; break-inside: avoid; } \
.strip b { display: block; height: 9mm; padding: 0.5mm 1mm; font-weight: 500; border: 0.5pt solid #00000033; } \
.strip span { display: block; font-size: 5.8pt; white-space: pre; } \
ul { list-style: none; margin: 0; padding: 0; columns: 3; column-gap: 4mm; font-size: 6.5pt; } \
li { display: flex; gap: 1.5mm; align-items: center; padding-bottom: 1mm; break-inside: avoid; } \
li i { flex: none; width: 6mm; height: 6mm; box-sizing: border-box; border: 0.5pt solid #00000033; font-style: normal; \
line-height: 5.4mm; text-align: center; } li span { white-space: pre-line; }";

pub(super) fn page(sheet: &PrintSheet<'_>) -> Element {
    let mut body = vec![Element::new("h1").text(sheet.title.clone())];
    for (name, steps) in &sheet.scales {
        body.push(title(name));
        body.push(
            Element::new("div")
                .with("class", "strip")
                .children(steps.iter().map(step).collect()),
        );
    }
    body.push(title("roles and own colours, light / dark"));
    body.push(list(sheet.colors.iter().map(role)));
    body.push(title("type and shape"));
    body.push(list(sheet.others.iter().map(|line| vec![span(line)])));
    body.push(title("pairs"));
    body.push(list(sheet.pairs.iter().map(pair)));
    Element::new("html").with("lang", "en").children(vec![
        Element::new("head").children(vec![
            Element::new("meta").with("charset", "utf-8"),
            Element::new("title").text(sheet.title.clone()),
            Element::new("style").text(STYLE),
        ]),
        Element::new("body").children(body),
    ])
}

fn title(text: &str) -> Element {
    Element::new("h2").text(text)
}

fn span(text: &str) -> Element {
    Element::new("span").text(text)
}

fn list(items: impl Iterator<Item = Vec<Element>>) -> Element {
    Element::new("ul").children(
        items
            .map(|parts| Element::new("li").children(parts))
            .collect(),
    )
}

fn swatch(color: &ColorValue) -> Element {
    Element::new("i")
        .with("style", format!("background: {color}"))
        .text("")
}

fn step(step: &Step<'_>) -> Element {
    let style = format!("background: {}; color: {}", step.color, ink(&step.color));
    Element::new("div").children(vec![
        Element::new("b").with("style", style).text(step.label),
        span(&step.color.code.to_string()),
        span(&rgb(&step.color)),
    ])
}

fn role(row: &Row<'_>) -> Vec<Element> {
    let mut parts = vec![swatch(&row.light)];
    parts.extend(row.dark.as_ref().map(swatch));
    parts.push(span(&format!("{}\n{}", row.name, row_codes(row))));
    parts
}

fn pair(pair: &PairRow) -> Vec<Element> {
    let style = format!("background: {}; color: {}", pair.bg, pair.fg);
    vec![
        Element::new("i").with("style", style).text("a"),
        span(&pair.line),
    ]
}
