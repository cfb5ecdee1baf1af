//! The sheet as a drawing: scales as strips, then roles and pairs in columns.

use rhodon_theme::ColorValue;

use super::sheet::{PairRow, PrintSheet, Row, Step, ink, rgb, row_codes};
use super::xml::Element;

/// Width of the drawing and its margin, in px.
const WIDTH: usize = 1200;
const MARGIN: usize = 24;
/// A strip holds this many steps in a line; each has this size.
const STEPS: usize = 12;
const STEP: (usize, usize) = (96, 40);
/// Columns of the lists, and the height of a role, of a pair and of a line of text.
const COLUMNS: usize = 3;
const ROLE: usize = 34;
const PAIR: usize = 28;
const LINE: usize = 16;

/// A drawing that grows downwards.
struct Pen {
    y: usize,
    elements: Vec<Element>,
}

pub(super) fn draw(sheet: &PrintSheet<'_>) -> Element {
    let mut pen = Pen {
        y: MARGIN,
        elements: Vec::new(),
    };
    pen.text(MARGIN, MARGIN + 8, &sheet.title, "20");
    pen.y += 24;
    for (name, steps) in &sheet.scales {
        pen.title(name);
        steps.chunks(STEPS).for_each(|line| pen.strip(line));
    }
    pen.title("roles and own colours, light / dark");
    pen.columns(&sheet.colors, ROLE, Pen::role);
    pen.title("type and shape");
    pen.columns(&sheet.others, LINE, |pen, x, y, line| {
        pen.text(x, y + 10, line, "9")
    });
    pen.title("pairs");
    pen.columns(&sheet.pairs, PAIR, Pen::pair);
    let height = pen.y + MARGIN;
    let mut children = vec![
        Element::new("title").text(sheet.title.clone()),
        Element::new("defs").children(vec![
            square("step", STEP.0 - 6, STEP.1),
            square("swatch", 24, 24),
        ]),
        Element::new("rect")
            .with("width", "100%")
            .with("height", "100%")
            .with("fill", "#ffffff"),
    ];
    children.extend(pen.elements);
    Element::new("svg")
        .with("xmlns", "http://www.w3.org/2000/svg")
        .with("viewBox", format!("0 0 {WIDTH} {height}"))
        .with("width", WIDTH.to_string())
        .with("height", height.to_string())
        .with("font-family", "system-ui, sans-serif")
        .children(children)
}

fn square(id: &'static str, width: usize, height: usize) -> Element {
    let size = Element::new("rect")
        .with("id", id)
        .with("width", width.to_string());
    size.with("height", height.to_string())
        .with("stroke", "#00000033")
}

impl Pen {
    fn text(&mut self, x: usize, y: usize, content: &str, size: &'static str) {
        let text = Element::new("text")
            .with("x", x.to_string())
            .with("y", y.to_string());
        self.elements
            .push(text.with("font-size", size).text(content));
    }

    fn square(&mut self, shape: &'static str, x: usize, y: usize, color: &ColorValue) {
        let square = Element::new("use")
            .with("href", shape)
            .with("x", x.to_string())
            .with("y", y.to_string());
        let square = square.with("fill", color.code.to_string());
        let is_translucent = color.alpha < 1.0;
        self.elements.push(if is_translucent {
            square.with("fill-opacity", color.alpha.to_string())
        } else {
            square
        });
    }

    fn title(&mut self, name: &str) {
        self.y += 20;
        self.text(MARGIN, self.y, name, "14");
        self.y += 8;
    }

    fn strip(&mut self, steps: &[Step<'_>]) {
        for (i, step) in steps.iter().enumerate() {
            let (x, y) = (MARGIN + i * STEP.0, self.y);
            self.square("#step", x, y, &step.color);
            let label = Element::new("text")
                .with("x", (x + 6).to_string())
                .with("y", (y + 14).to_string());
            let label = label
                .with("font-size", "10")
                .with("fill", ink(&step.color).to_string());
            self.elements.push(label.text(step.label));
            self.text(x, y + STEP.1 + 11, &step.color.code.to_string(), "9");
            self.text(x, y + STEP.1 + 22, &rgb(&step.color), "9");
        }
        self.y += STEP.1 + 30;
    }

    /// Lays items out in columns that are filled one after the other.
    fn columns<T>(
        &mut self,
        items: &[T],
        height: usize,
        mut put: impl FnMut(&mut Self, usize, usize, &T),
    ) {
        let rows = items.len().div_ceil(COLUMNS).max(1);
        for (i, item) in items.iter().enumerate() {
            let x = MARGIN + (i / rows) * ((WIDTH - MARGIN) / COLUMNS);
            let y = self.y + (i % rows) * height;
            put(self, x, y, item);
        }
        self.y += rows * height;
    }

    fn role(&mut self, x: usize, y: usize, row: &Row<'_>) {
        self.square("#swatch", x, y, &row.light);
        if let Some(dark) = &row.dark {
            self.square("#swatch", x + 28, y, dark);
        }
        self.text(x + 60, y + 10, row.name, "10");
        self.text(x + 60, y + 22, &row_codes(row), "9");
    }

    fn pair(&mut self, x: usize, y: usize, pair: &PairRow) {
        self.square("#swatch", x, y, &pair.bg);
        let letter = Element::new("text")
            .with("x", (x + 9).to_string())
            .with("y", (y + 15).to_string());
        self.elements.push(
            letter
                .with("font-size", "11")
                .with("fill", pair.fg.code.to_string())
                .text("a"),
        );
        self.text(x + 32, y + 15, &pair.line, "9");
    }
}
