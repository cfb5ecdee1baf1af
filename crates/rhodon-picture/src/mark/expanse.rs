//! What a drawing comes to once everything that is used more than once is drawn as often.

use std::collections::HashMap;

use roxmltree::{Document, Node, NodeId};

use crate::error::PictureError;

/// The most that is drawn, in shapes; what needs a layer of its own counts as many.
const MAX_EXPANSE: u64 = 100_000;
/// How deep drawings nest, what they use included.
const MAX_DEPTH: usize = 200;

/// Attributes that draw what they refer to.
const REFERRING: &[&str] = &[
    "href",
    "fill",
    "stroke",
    "mask",
    "clip-path",
    "filter",
    "marker",
    "marker-start",
    "marker-mid",
    "marker-end",
    "style",
];

/// Refuses a drawing that would take too long.
pub(super) fn check(document: &Document<'_>) -> Result<(), PictureError> {
    let with_id = |n: Node<'_, '_>| n.attribute("id").map(|id| (id.to_owned(), n.id()));
    let ids = document.descendants().filter_map(with_id).collect();
    let sheets = document
        .descendants()
        .filter(|n| n.has_tag_name_in_any("style"))
        .filter_map(|n| n.text());
    let by_sheet: Vec<String> = sheets.flat_map(references).map(str::to_owned).collect();
    let mut weighing = Weighing {
        document,
        ids,
        known: HashMap::new(),
    };
    let mut all = weighing.weigh(document.root_element(), 0)?;
    // A rule of a sheet may refer for any number of shapes.
    let shapes = document.descendants().count() as u64;
    for id in by_sheet {
        all = all.saturating_add(shapes.saturating_mul(weighing.referred(&id, 0)?));
    }
    if all > MAX_EXPANSE {
        return Err(too_much());
    }
    Ok(())
}

fn too_much() -> PictureError {
    PictureError::Unsupported {
        what: "an SVG that draws the same things over and over".into(),
        expected: "at most 100,000 shapes once everything that it uses is drawn",
    }
}

trait AnyNamespace {
    fn has_tag_name_in_any(&self, name: &str) -> bool;
}

impl AnyNamespace for Node<'_, '_> {
    fn has_tag_name_in_any(&self, name: &str) -> bool {
        self.is_element() && self.tag_name().name() == name
    }
}

/// Ids in `url(#id)`.
fn references(text: &str) -> impl Iterator<Item = &str> {
    text.split("url(").skip(1).filter_map(|rest| {
        let rest = rest.trim_start_matches([' ', '"', '\'']);
        let id = rest.strip_prefix('#')?;
        let end = id.find([')', '"', '\'', ' '])?;
        Some(&id[..end])
    })
}

struct Weighing<'a, 'd> {
    document: &'a Document<'d>,
    ids: HashMap<String, NodeId>,
    /// What is known; none for what is being weighed.
    known: HashMap<NodeId, Option<u64>>,
}

impl Weighing<'_, '_> {
    fn weigh(&mut self, node: Node<'_, '_>, depth: usize) -> Result<u64, PictureError> {
        if depth > MAX_DEPTH {
            return Err(PictureError::Unsupported {
                what: "an SVG that nests too deep".into(),
                expected: "at most 200 levels, what it uses included",
            });
        }
        if let Some(known) = self.known.get(&node.id()) {
            return known.ok_or_else(|| PictureError::Unsupported {
                what: "an SVG that draws itself within itself".into(),
                expected: "a drawing that ends",
            });
        }
        self.known.insert(node.id(), None);
        let mut all = own_weight(node);
        for attribute in node.attributes() {
            if !REFERRING.contains(&attribute.name()) {
                continue;
            }
            let value = attribute.value();
            let plain = value.strip_prefix('#').into_iter();
            for id in plain.chain(references(value)) {
                all = all.saturating_add(self.referred(id, depth)?);
            }
        }
        for child in node.children().filter(Node::is_element) {
            all = all.saturating_add(self.weigh(child, depth + 1)?);
        }
        self.known.insert(node.id(), Some(all));
        Ok(all)
    }

    fn referred(&mut self, id: &str, depth: usize) -> Result<u64, PictureError> {
        let document = self.document;
        let node = self.ids.get(id).and_then(|id| document.get_node(*id));
        node.map_or(Ok(0), |node| self.weigh(node, depth + 1))
    }
}

/// What one element costs beside what it holds.
fn own_weight(node: Node<'_, '_>) -> u64 {
    let name = node.tag_name().name();
    if name.starts_with("fe") {
        return 5_000;
    }
    let layered = ["opacity", "mask", "clip-path", "filter", "style"]
        .iter()
        .any(|key| node.attribute(*key).is_some_and(|v| !v.starts_with("fill")));
    match name {
        "mask" | "clipPath" | "pattern" => 500,
        "g" | "use" | "svg" | "symbol" if layered => 500,
        _ => 1,
    }
}
