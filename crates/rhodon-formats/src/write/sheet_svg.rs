//! The sheet as a drawing: brand colours, scales, grounds with what is worn on them, roles, type.

use rhodon_color::{Rgb8, ink_on};
use rhodon_theme::{ColorValue, Mode};

use super::print_sheet::{Brand, Ground, PrintSheet, Row, Specimen, Step, ink, rgb, row_codes};
use super::xml::Element;

/// Width of the drawing and its margin, in px.
const WIDTH: usize = 1200;
const MARGIN: usize = 24;
const INNER: usize = WIDTH - 2 * MARGIN;
/// Brand colours stand in this many columns; each has this height.
const BRANDS: usize = 4;
const BRAND: usize = 150;
/// A strip holds this many steps in a line; each has this size.
const STEPS: usize = 12;
const STEP: (usize, usize) = (96, 44);
/// Small grounds in a line.
const TILES: usize = 3;
/// Columns of names on a ground, of roles and of lines of text; the heights of each.
const COLUMNS: usize = 3;
const WORN: usize = 16;
const ROLE: usize = 34;
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
    pen.text(MARGIN, MARGIN + 14, &sheet.title, "26");
    pen.text(MARGIN, MARGIN + 34, &sheet.edition, "12");
    pen.y += 48;
    sheet
        .brands
        .chunks(BRANDS)
        .for_each(|line| pen.brands(line));
    for (name, steps) in &sheet.scales {
        pen.title(name);
        steps.chunks(STEPS).for_each(|line| pen.strip(line));
    }
    pen.title("In use: what is read on each ground, light and dark, with its contrast");
    let (small, large): (Vec<_>, Vec<_>) = sheet.grounds.iter().partition(|g| g.is_small());
    large.into_iter().for_each(|g| pen.ground(g));
    small.chunks(TILES).for_each(|line| pen.tiles(line));
    pen.title("Roles and own colours, light / dark");
    pen.columns(&sheet.colors, ROLE, Pen::role);
    pen.title("Type and shape");
    pen.specimen(&sheet.specimen);
    let height = pen.y + MARGIN;
    let mut children = vec![
        Element::new("title").text(sheet.title.clone()),
        Element::new("defs").children(vec![
            square("step", STEP.0 - 4, STEP.1),
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
        .with("stroke", "#00000026")
}

impl Pen {
    fn text(&mut self, x: usize, y: usize, content: &str, size: &'static str) {
        self.ink(x, y, content, size, Rgb8::BLACK);
    }

    fn ink(&mut self, x: usize, y: usize, content: &str, size: &'static str, color: Rgb8) {
        let text = Element::new("text")
            .with("x", x.to_string())
            .with("y", y.to_string())
            .with("font-size", size);
        let text = if color == Rgb8::BLACK {
            text
        } else {
            text.with("fill", color.to_string())
        };
        self.elements.push(text.text(content));
    }

    fn area(&mut self, x: usize, y: usize, (width, height): (usize, usize), color: Rgb8) {
        self.elements.push(
            Element::new("rect")
                .with("x", x.to_string())
                .with("y", y.to_string())
                .with("width", width.to_string())
                .with("height", height.to_string())
                .with("stroke", "#00000026")
                .with("fill", color.to_string()),
        );
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
        self.y += 24;
        self.text(MARGIN, self.y, name, "14");
        self.y += 8;
    }

    fn brands(&mut self, line: &[Brand<'_>]) {
        let width = INNER / BRANDS;
        for (i, brand) in line.iter().enumerate() {
            let (x, y) = (MARGIN + i * width, self.y);
            self.area(x, y, (width - 8, BRAND - 8), brand.color);
            let ink = ink_on(brand.color);
            self.ink(x + 14, y + 28, brand.name, "18", ink);
            for (n, code) in brand.codes.iter().enumerate() {
                self.ink(x + 14, y + 60 + n * 16, code, "12", ink);
            }
        }
        self.y += BRAND;
    }

    fn strip(&mut self, steps: &[Step<'_>]) {
        for (i, step) in steps.iter().enumerate() {
            let (x, y) = (MARGIN + i * STEP.0, self.y);
            self.square("#step", x, y, &step.color);
            let mark = if step.exact { " ◆" } else { "" };
            let label = format!("{}{mark}", step.label);
            self.ink(x + 6, y + 16, &label, "10", ink(&step.color));
            self.text(x, y + STEP.1 + 11, &step.color.to_string(), "9");
            self.text(x, y + STEP.1 + 22, &rgb(&step.color), "9");
        }
        self.y += STEP.1 + 30;
    }

    /// A ground in both modes side by side, names and ratios in their own colours.
    fn ground(&mut self, ground: &Ground<'_>) {
        let rows = ground.modes.iter().map(|m| m.len().div_ceil(COLUMNS)).max();
        let height = rows.unwrap_or_default() * WORN + 34;
        let width = INNER / 2;
        for mode in Mode::BOTH {
            let color = ground.colors[mode as usize];
            let (x, y) = (MARGIN + mode as usize * width, self.y);
            self.area(x, y, (width - 6, height), color);
            let title = format!("{}, {}", ground.name, mode.id());
            self.ink(x + 10, y + 18, &title, "11", ink_on(color));
            for (i, worn) in ground.modes[mode as usize].iter().enumerate() {
                let (column, row) = (i % COLUMNS, i / COLUMNS);
                let at = (
                    x + 10 + column * ((width - 20) / COLUMNS),
                    y + 36 + row * WORN,
                );
                let mark = if worn.pass { "" } else { " !" };
                let line = format!("{} {:.2}{mark}", worn.name, worn.ratio);
                self.ink(at.0, at.1, &line, "11", worn.color);
            }
        }
        self.y += height + 6;
    }

    /// Grounds of which a small tile shows all, light beside dark.
    fn tiles(&mut self, line: &[&Ground<'_>]) {
        let most = line.iter().flat_map(|g| &g.modes).map(Vec::len).max();
        let height = most.unwrap_or_default() * WORN + 28;
        let width = INNER / TILES;
        for (i, ground) in line.iter().enumerate() {
            for mode in Mode::BOTH {
                let color = ground.colors[mode as usize];
                let half = (width - 8) / 2;
                let x = MARGIN + i * width + mode as usize * half;
                self.area(x, self.y, (half, height), color);
                let title = format!("{}, {}", ground.name, mode.id());
                self.ink(x + 8, self.y + 16, &title, "9", ink_on(color));
                for (n, worn) in ground.modes[mode as usize].iter().enumerate() {
                    let mark = if worn.pass { "" } else { " !" };
                    let line = format!("{} {:.2}{mark}", worn.name, worn.ratio);
                    self.ink(x + 8, self.y + 33 + n * WORN, &line, "9", worn.color);
                }
            }
        }
        self.y += height + 6;
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
            let x = MARGIN + (i / rows) * (INNER / COLUMNS);
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

    fn specimen(&mut self, specimen: &Specimen<'_>) {
        for (name, text, px) in &specimen.sizes {
            self.y += (*px * 1.3).ceil() as usize;
            let sample = Element::new("text")
                .with("x", MARGIN.to_string())
                .with("y", self.y.to_string())
                .with("font-size", px.to_string());
            self.elements
                .push(sample.text(format!("Port Anlow, {name} {text}")));
        }
        self.y += 16;
        for (i, (name, px)) in specimen.radii.iter().enumerate() {
            let x = MARGIN + i * 140;
            self.elements.push(
                Element::new("rect")
                    .with("x", x.to_string())
                    .with("y", self.y.to_string())
                    .with("width", "120")
                    .with("height", "48")
                    .with("rx", px.min(24.0).to_string())
                    .with("fill", "none")
                    .with("stroke", "#111111"),
            );
            self.text(x + 12, self.y + 28, &format!("{name} {px}px"), "11");
        }
        self.y += 64;
        let families = specimen
            .families
            .iter()
            .map(|(name, text)| format!("{name}: {text}"));
        let lines: Vec<String> = families.chain(specimen.others.iter().cloned()).collect();
        self.columns(&lines, LINE, |pen, x, y, line| {
            pen.text(x, y + 10, line, "9")
        });
    }
}
