//! The colours that are written in a drawing: attributes, styles, classes, gradient stops.

use rhodon_color::{Color, Rgb8};
use roxmltree::{Document, Node};
use simplecss::{DeclarationTokenizer, StyleSheet};

/// Properties that hold a colour.
const PROPERTIES: &[&str] = &[
    "fill",
    "stroke",
    "stop-color",
    "flood-color",
    "lighting-color",
    "solid-color",
];
/// Stands for whatever `color` says where it is used.
const CURRENT: &str = "currentcolor";
/// The most colours that are told.
const MOST: usize = 200;

/// Every colour once, in the order of the file.
pub(super) fn colors(document: &Document<'_>) -> Vec<Rgb8> {
    let mut found = Written::default();
    for node in document.descendants().filter(Node::is_element) {
        if node.tag_name().name() == "style" {
            let sheet = StyleSheet::parse(node.text().unwrap_or_default());
            for rule in &sheet.rules {
                for declaration in &rule.declarations {
                    found.declared(declaration.name, declaration.value);
                }
            }
        }
        for attribute in node.attributes() {
            match attribute.name() {
                "style" => {
                    for declaration in DeclarationTokenizer::from(attribute.value()) {
                        found.declared(declaration.name, declaration.value);
                    }
                }
                name => found.declared(name, attribute.value()),
            }
        }
    }
    found.resolved()
}

#[derive(Default)]
struct Written {
    colors: Vec<Rgb8>,
    /// What `color` was set to.
    current: Vec<Rgb8>,
    refers_to_current: bool,
}

impl Written {
    fn declared(&mut self, name: &str, value: &str) {
        let list = match name {
            "color" => &mut self.current,
            name if PROPERTIES.contains(&name) => &mut self.colors,
            _ => return,
        };
        let value = value.trim();
        if value.eq_ignore_ascii_case(CURRENT) {
            self.refers_to_current |= name != "color";
            return;
        }
        // Behind a reference stands what to paint where it leads nowhere: not this drawing's colour.
        let Ok(color) = Color::parse(value) else {
            return;
        };
        let code = color.to_rgb8();
        if color.alpha() > 0.0 && !list.contains(&code) && list.len() < MOST {
            list.push(code);
        }
    }

    fn resolved(self) -> Vec<Rgb8> {
        let mut colors = self.colors;
        if self.refers_to_current {
            let initial = [Rgb8::BLACK];
            let current = if self.current.is_empty() {
                &initial[..]
            } else {
                &self.current
            };
            for code in current {
                if !colors.contains(code) && colors.len() < MOST {
                    colors.push(*code);
                }
            }
        }
        colors
    }
}
