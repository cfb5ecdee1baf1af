//! The bar on top of an application.

use super::TEXT;
use super::painter::Painter;

pub(crate) fn paint(p: &mut Painter<'_>) {
    let same = |p: &mut Painter<'_>, own: &str, of: &str| p.find(of).map(|id| p.put_same(own, id));
    let Some(fill) = same(p, "bar.fill", "primary.fill") else {
        return;
    };
    let text_choice = p.text_on(fill);
    let text = p.put("bar.text", text_choice);
    p.pair(text, fill, TEXT);
    for (own, of) in [
        ("bar.hover", "primary.fill-hover"),
        ("bar.selected", "primary.fill-pressed"),
    ] {
        if let Some(id) = same(p, own, of) {
            p.pair(text, id, TEXT);
        }
    }
}
