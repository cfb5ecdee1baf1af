//! Marks: SVG, drawn without scripts, outside references, text or embedded pictures, and the colours
//! written in it.

mod expanse;
mod written;

use resvg::tiny_skia::{Pixmap, Transform};
use resvg::usvg::{ImageHrefResolver, Options, Tree};
use roxmltree::{Document, ParsingOptions};

use crate::error::PictureError;
use crate::picture::{Picture, SIDE};
use crate::shrink::Grid;

const KIND: &str = "SVG";
/// The largest mark, in bytes.
const MAX_MARK: usize = 5_000_000;
/// The most nodes of its text.
const MAX_NODES: u32 = 200_000;
/// Entities are spelt out up to this many bytes.
const MAX_SPELT: usize = 64_000_000;
/// How often one reference may refer on: what the XML reader allows.
const REFERENCES: usize = 255;

/// Whether bytes begin like an SVG file.
pub(crate) fn is_svg(bytes: &[u8]) -> bool {
    let head = &bytes[..bytes.len().min(4096)];
    let head = String::from_utf8_lossy(head);
    let text = head.trim_start_matches('\u{feff}').trim_start();
    text.starts_with("<svg")
        || (text.starts_with('<') && text.contains("<svg"))
        || (text.starts_with("<?xml") && !text.contains("<html"))
}

/// Reads a mark.
pub(crate) fn read(bytes: &[u8]) -> Result<Picture, PictureError> {
    let damaged = |said: String| PictureError::damaged(KIND, &said);
    if bytes.len() > MAX_MARK {
        return Err(PictureError::Unsupported {
            what: format!("an SVG of {:.1} MB", bytes.len() as f64 / 1e6),
            expected: "at most 5 MB of a drawing",
        });
    }
    let text = std::str::from_utf8(bytes).map_err(|e| {
        let at = e.valid_up_to();
        damaged(format!("byte {at} is no UTF-8"))
    })?;
    check_entities(text)?;
    let options = ParsingOptions {
        allow_dtd: true,
        nodes_limit: MAX_NODES,
        ..ParsingOptions::default()
    };
    let document =
        Document::parse_with_options(text, options).map_err(|e| damaged(e.to_string()))?;
    if document.root_element().tag_name().name() != "svg" {
        return Err(PictureError::Unknown);
    }
    expanse::check(&document)?;
    let options = Options {
        resources_dir: None,
        image_href_resolver: ImageHrefResolver {
            resolve_data: Box::new(|_, _, _| None),
            resolve_string: Box::new(|_, _| None),
        },
        ..Options::default()
    };
    let tree = Tree::from_xmltree(&document, &options).map_err(|e| damaged(e.to_string()))?;
    let (size, grid) = drawn(&tree)?;
    Picture::of(size.0, size.1, written::colors(&document), grid)
}

/// Entities may be spelt out a thousandfold.
fn check_entities(text: &str) -> Result<(), PictureError> {
    let Some(first) = text.find("<!ENTITY") else {
        return Ok(());
    };
    let longest = text[first..].find("]>").unwrap_or(text.len() - first);
    let uses = text.bytes().filter(|b| *b == b'&').count();
    if uses.saturating_mul(longest).saturating_mul(REFERENCES) > MAX_SPELT {
        return Err(PictureError::Unsupported {
            what: "an SVG whose entities may grow without end".into(),
            expected: "a drawing without them",
        });
    }
    Ok(())
}

fn drawn(tree: &Tree) -> Result<((u32, u32), Grid), PictureError> {
    let size = tree.size();
    let scale = SIDE as f32 / size.width().max(size.height());
    let side = |v: f32| ((v * scale).round() as u32).clamp(1, SIDE as u32);
    let (width, height) = (side(size.width()), side(size.height()));
    let mut pixmap = Pixmap::new(width, height).ok_or(PictureError::Size { width, height })?;
    resvg::render(
        tree,
        Transform::from_scale(scale, scale),
        &mut pixmap.as_mut(),
    );
    let over_white = |p: &resvg::tiny_skia::PremultipliedColorU8| {
        let rest = 255 - p.alpha();
        let seen = |v: u8| v.saturating_add(rest);
        let covered = if p.alpha() > 0 { 255 } else { 0 };
        [seen(p.red()), seen(p.green()), seen(p.blue()), covered]
    };
    let grid = Grid {
        width: width as usize,
        height: height as usize,
        pixels: pixmap.pixels().iter().map(over_white).collect(),
    };
    let own = |v: f32| (v.round() as u32).max(1);
    Ok(((own(size.width()), own(size.height())), grid))
}
