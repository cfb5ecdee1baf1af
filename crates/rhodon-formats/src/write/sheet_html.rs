//! The sheet as a page to print: it flows over as many sheets of paper as it needs, and nothing is
//! torn between two.

use rhodon_color::{Rgb8, ink_on};
use rhodon_theme::{ColorValue, Mode};

use super::print_sheet::{
    Brand, Ground, PrintSheet, Row, Specimen, Step, Worn, ink, rgb, row_codes,
};
use super::xml::Element;

const STYLE: &str = "\
@page { size: A4; margin: 12mm; } \
body { margin: 0 auto; padding: 6mm; max-width: 186mm; font: 7.5pt/1.4 system-ui, sans-serif; color: #111; background: #fff; \
-webkit-print-color-adjust: exact; print-color-adjust: exact; } \
@media print { body { padding: 0; } } \
header { display: flex; justify-content: space-between; align-items: baseline; margin: 0 0 4mm; } \
h1 { font-size: 20pt; line-height: 1.1; margin: 0; } header p { margin: 0; font-size: 9pt; } \
h2 { font-size: 11pt; margin: 7mm 0 2mm; break-after: avoid; } h3 { font-size: 8pt; margin: 2mm 0 1mm; break-after: avoid; } \
.brands { display: grid; grid-template-columns: repeat(auto-fill, minmax(43mm, 1fr)); gap: 2mm; } \
.brands div { min-height: 34mm; padding: 3mm; box-sizing: border-box; border: 0.5pt solid #00000026; break-inside: avoid; display: flex; flex-direction: column; } \
.brands b { font-size: 12pt; margin-bottom: auto; padding-bottom: 5mm; } .brands span { white-space: nowrap; font-size: 7pt; } \
.scale { break-inside: avoid; } \
.strip { display: grid; grid-template-columns: repeat(12, minmax(0, 1fr)); gap: 0.6mm; } \
.strip b { display: block; height: 11mm; padding: 0.8mm 1.2mm; font-weight: 500; box-sizing: border-box; } \
.strip b i { float: right; font-style: normal; } \
.strip span { display: block; font-size: 6pt; white-space: nowrap; } \
.ground { display: grid; grid-template-columns: 1fr 1fr; gap: 1mm; break-inside: avoid; margin-bottom: 1.5mm; } \
.ground div { padding: 2mm; border: 0.5pt solid #00000026; columns: 2; column-gap: 3mm; } \
.ground b { display: block; column-span: all; font-weight: 600; } \
.ground span { display: flex; justify-content: space-between; gap: 2mm; break-inside: avoid; } \
.ground em { font-style: normal; font-weight: 600; } \
.tiles { display: grid; grid-template-columns: repeat(3, 1fr); gap: 1.5mm 2mm; } .tiles .ground { margin: 0; gap: 0; } \
.tiles .ground div { columns: 1; padding: 1.2mm; font-size: 6pt; } .tiles .ground b { white-space: nowrap; overflow: hidden; } \
ul { list-style: none; margin: 0; padding: 0; columns: 3; column-gap: 4mm; font-size: 6.5pt; } \
li { display: flex; gap: 1.5mm; align-items: center; padding-bottom: 1mm; break-inside: avoid; } \
li i { flex: none; width: 6mm; height: 6mm; box-sizing: border-box; border: 0.5pt solid #00000033; } li span { white-space: pre-line; } \
.sizes p { margin: 0 0 1mm; line-height: 1.15; break-inside: avoid; white-space: nowrap; overflow: hidden; } \
.sizes small { font: 6.5pt system-ui, sans-serif; color: #555; padding-left: 2mm; } \
.radii { display: flex; gap: 3mm; margin: 3mm 0; } .radii div { width: 26mm; height: 14mm; padding: 2mm; box-sizing: border-box; border: 1pt solid #111; }";

/// Words in which every letter with a stroke above or below stands.
const SAMPLE: &str = "Sailings from Port Anlow, 24 June";

pub(super) fn page(sheet: &PrintSheet<'_>) -> Element {
    let mut body = vec![
        Element::new("header").children(vec![
            Element::new("h1").text(sheet.title.clone()),
            Element::new("p").text(sheet.edition.clone()),
        ]),
        block("brands", sheet.brands.iter().map(brand)),
        title("Scales"),
    ];
    body.extend(sheet.scales.iter().map(|(name, steps)| {
        let heading = Element::new("h3").text(*name);
        let strip = block("strip", steps.iter().map(step));
        block("scale", [heading, strip].into_iter())
    }));
    body.push(title(
        "In use: what is read on each ground, light and dark, with its contrast",
    ));
    let (small, large): (Vec<_>, Vec<_>) = sheet.grounds.iter().partition(|g| g.is_small());
    body.extend(large.into_iter().map(ground));
    body.push(block("tiles", small.into_iter().map(ground)));
    body.push(title("Roles and own colours, light / dark"));
    let rows = sheet
        .colors
        .iter()
        .map(|row| Element::new("li").children(role(row)));
    body.push(Element::new("ul").children(rows.collect()));
    body.push(title("Type and shape"));
    body.extend(specimen(&sheet.specimen));
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

fn span(text: impl Into<String>) -> Element {
    Element::new("span").text(text)
}

fn block(class: &'static str, children: impl Iterator<Item = Element>) -> Element {
    Element::new("div")
        .with("class", class)
        .children(children.collect())
}

fn painted(ground: impl std::fmt::Display, text: Rgb8) -> String {
    format!("background: {ground}; color: {text}")
}

fn brand(brand: &Brand<'_>) -> Element {
    let mut parts = vec![Element::new("b").text(brand.name)];
    parts.extend(brand.codes.iter().map(|code| span(code.clone())));
    Element::new("div")
        .with("style", painted(brand.color, ink_on(brand.color)))
        .children(parts)
}

fn step(step: &Step<'_>) -> Element {
    let mut name = vec![span(step.label)];
    if step.exact {
        name.insert(0, Element::new("i").text("◆"));
    }
    Element::new("div").children(vec![
        Element::new("b")
            .with("style", painted(step.color, ink(&step.color)))
            .children(name),
        span(step.color.to_string()),
        span(rgb(&step.color)),
    ])
}

fn ground(ground: &Ground<'_>) -> Element {
    block(
        "ground",
        Mode::BOTH.into_iter().map(|mode| {
            let color = ground.colors[mode as usize];
            let title = format!("{}, {}", ground.name, mode.id());
            let mut parts = vec![Element::new("b").text(title)];
            parts.extend(ground.modes[mode as usize].iter().map(worn));
            Element::new("div")
                .with("style", painted(color, ink_on(color)))
                .children(parts)
        }),
    )
}

fn worn(worn: &Worn<'_>) -> Element {
    let ratio = if worn.pass {
        format!("{:.2}", worn.ratio)
    } else {
        format!("{:.2} !", worn.ratio)
    };
    Element::new("span")
        .with("style", format!("color: {}", worn.color))
        .children(vec![span(worn.name), Element::new("em").text(ratio)])
}

fn swatch(color: &ColorValue) -> Element {
    Element::new("i")
        .with("style", format!("background: {color}"))
        .text("")
}

fn role(row: &Row<'_>) -> Vec<Element> {
    let mut parts = vec![swatch(&row.light)];
    parts.extend(row.dark.as_ref().map(swatch));
    parts.push(span(format!("{}\n{}", row.name, row_codes(row))));
    parts
}

fn specimen(specimen: &Specimen<'_>) -> Vec<Element> {
    let family = |name: &str| {
        let found = specimen.families.iter().find(|(use_of, _)| *use_of == name);
        found.map_or_else(String::new, |(_, families)| {
            format!("font-family: {families}; ")
        })
    };
    let sizes = specimen.sizes.iter().map(|(name, text, px)| {
        let of = if matches!(*name, "display" | "title") {
            "heading"
        } else {
            "body"
        };
        Element::new("p").children(vec![
            Element::new("span")
                .with("style", format!("{}font-size: {px}px", family(of)))
                .text(SAMPLE),
            Element::new("small").text(format!("{name} {text}")),
        ])
    });
    let radii = specimen.radii.iter().map(|(name, px)| {
        Element::new("div")
            .with("style", format!("border-radius: {px}px"))
            .text(format!("{name} {px}px"))
    });
    let families = specimen
        .families
        .iter()
        .map(|(name, text)| format!("{name}: {text}"));
    let lines = families.chain(specimen.others.iter().cloned());
    vec![
        block("sizes", sizes),
        block("radii", radii),
        Element::new("ul").children(
            lines
                .map(|l| Element::new("li").children(vec![span(l)]))
                .collect(),
        ),
    ]
}
