//! `sheet`: a printable record: swatches with names and codes, and pairs with their ratios.

use rhodon_theme::{ColorValue, Mode, Pair};

use super::xml::{DECLARATION, Element};
use super::{css_value, gap};
use crate::stamp::harmless;
use crate::target::{Comment, ExportError, File, Group, Job, Output, Target};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "sheet",
    name: "Printable sheet",
    group: Group::Records,
    options: &[],
    files: &["theme.svg", "theme.html"],
    keys: &["svg", "html", "swatch", "ratio", "print"],
    usage: "Open theme.html in a browser and print it, or place theme.svg in a document.",
    spell: None,
    write,
};

/// A row of the sheet.
enum Row {
    Title(String),
    /// A colour, its name and codes.
    Swatch(ColorValue, String),
    /// Foreground, background, and what they come to.
    Pair(ColorValue, ColorValue, String),
    /// A value that is no colour.
    Text(String),
}

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let rows = rows(job);
    let title = harmless(&job.theme.name);
    let svg = job.file("theme.svg", Comment::MARKUP, &svg(&title, &rows).print());
    let svg = File { text: format!("{DECLARATION}{}", svg.text), ..svg };
    let html = job.file("theme.html", Comment::MARKUP, &html(&title, &rows).print());
    let html = File { text: format!("<!doctype html>\n{}", html.text), ..html };
    Ok(Output { files: vec![svg, html], warnings: gap::mapped(job.colors()) })
}

fn rows(job: &Job<'_>) -> Vec<Row> {
    let mut out = Vec::new();
    let mut group = String::new();
    for token in job.tokens() {
        if token.group() != group {
            token.group().clone_into(&mut group);
            out.push(Row::Title(group.replace('-', " ")));
        }
        let modes: &[(Mode, &'static str)] = if token.is_modeless() {
            &[(Mode::Light, "")]
        } else {
            &[(Mode::Light, "light"), (Mode::Dark, "dark")]
        };
        for (mode, word) in modes {
            match &token.cell(*mode).value {
                rhodon_theme::Value::Color(c) => {
                    let gap = if word.is_empty() { "" } else { " " };
                    out.push(Row::Swatch(*c, format!("{}{gap}{word} · {}", token.path, codes(c))));
                }
                other => {
                    let value = css_value::value(other, rhodon_color::Notation::Hex);
                    out.push(Row::Text(format!("{} {word} {value}", token.path).replace("  ", " ")));
                }
            }
        }
    }
    out.push(Row::Title("pairs".to_owned()));
    out.extend(job.theme.pairs.iter().map(|pair| pair_row(job, pair)));
    out
}

fn pair_row(job: &Job<'_>, pair: &Pair) -> Row {
    let color = |path: &str| job.role(path, pair.mode);
    let verdict = if pair.pass { "reads" } else { "does not read" };
    let text = format!(
        "{} on {}, {}: {:.2} of {} : 1, {verdict}",
        pair.fg,
        pair.bg,
        pair.mode.id(),
        pair.ratio,
        pair.need
    );
    Row::Pair(color(&pair.fg), color(&pair.bg), text)
}

/// `#0f5c7a · rgb 15 92 122`
fn codes(color: &ColorValue) -> String {
    let [r, g, b] = color.code.channels();
    let opacity = if color.alpha < 1.0 { format!(" · {:.0} %", color.alpha * 100.0) } else { String::new() };
    format!("{} · rgb {r} {g} {b}{opacity}", color.code)
}

/// Width of the drawing, height of a row, columns and margin, in px.
const WIDTH: usize = 1200;
const ROW: usize = 30;
const COLUMNS: usize = 3;
const MARGIN: usize = 24;

fn svg(title: &str, rows: &[Row]) -> Element {
    let text = |x: usize, y: usize, content: &str| {
        Element::new("text").with("x", x.to_string()).with("y", y.to_string()).text(content)
    };
    let swatch = |x: usize, y: usize, color: &ColorValue| {
        let square =
            Element::new("use").with("href", "#swatch").with("x", x.to_string()).with("y", y.to_string());
        let square = square.with("fill", color.code.to_string());
        if color.alpha < 1.0 { square.with("fill-opacity", color.alpha.to_string()) } else { square }
    };
    let per_column = rows.len().div_ceil(COLUMNS);
    let height = MARGIN * 3 + per_column * ROW;
    let square = Element::new("rect").with("id", "swatch").with("width", "24").with("height", "24");
    let mut children = vec![
        Element::new("title").text(title),
        Element::new("defs").children(vec![square.with("stroke", "#00000033")]),
        Element::new("rect").with("width", "100%").with("height", "100%").with("fill", "#ffffff"),
        text(MARGIN, MARGIN + 12, title).with("font-size", "18"),
    ];
    for (i, row) in rows.iter().enumerate() {
        let x = MARGIN + (i / per_column) * ((WIDTH - MARGIN) / COLUMNS);
        let y = MARGIN * 2 + (i % per_column) * ROW;
        match row {
            Row::Title(name) => children.push(text(x, y + 20, name).with("font-size", "14")),
            Row::Text(line) => children.push(text(x, y + 15, line)),
            Row::Swatch(color, line) => {
                children.push(swatch(x, y, color));
                children.push(text(x + 32, y + 15, line));
            }
            Row::Pair(fg, bg, line) => {
                children.push(swatch(x, y, bg));
                children.push(text(x + 9, y + 15, "a").with("fill", fg.code.to_string()));
                children.push(text(x + 32, y + 15, line));
            }
        }
    }
    Element::new("svg")
        .with("xmlns", "http://www.w3.org/2000/svg")
        .with("viewBox", format!("0 0 {WIDTH} {height}"))
        .with("width", WIDTH.to_string())
        .with("height", height.to_string())
        .with("font-family", "system-ui, sans-serif")
        .with("font-size", "9")
        .children(children)
}

const STYLE: &str = "@page { margin: 12mm; } body { font: 10pt/1.4 system-ui, sans-serif; color: #111; background: #fff; -webkit-print-color-adjust: exact; print-color-adjust: exact; } \
ul { list-style: none; margin: 0; padding: 0; columns: 3 16em; } li { break-inside: avoid; padding: 0 0 4pt 0; } \
li.title { font-weight: 600; padding-top: 8pt; break-after: avoid; } \
i { display: inline-block; width: 18pt; height: 18pt; margin-right: 6pt; vertical-align: middle; text-align: center; font-style: normal; line-height: 18pt; border: 0.5pt solid #00000033; }";

fn html(title: &str, rows: &[Row]) -> Element {
    let item = |children: Vec<Element>| Element::new("li").children(children);
    let span = |text: &str| Element::new("span").text(text);
    let items = rows.iter().map(|row| match row {
        Row::Title(name) => Element::new("li").with("class", "title").text(name.clone()),
        Row::Text(line) => item(vec![span(line)]),
        Row::Swatch(color, line) => {
            item(vec![Element::new("i").with("style", format!("background: {color}")).text(""), span(line)])
        }
        Row::Pair(fg, bg, line) => item(vec![
            Element::new("i").with("style", format!("background: {bg}; color: {fg}")).text("a"),
            span(line),
        ]),
    });
    Element::new("html").with("lang", "en").children(vec![
        Element::new("head").children(vec![
            Element::new("meta").with("charset", "utf-8"),
            Element::new("title").text(title),
            Element::new("style").text(STYLE),
        ]),
        Element::new("body")
            .children(vec![Element::new("h1").text(title), Element::new("ul").children(items.collect())]),
    ])
}
