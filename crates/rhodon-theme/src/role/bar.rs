//! The bar on top of an application.

use super::painter::Painter;
use crate::vocabulary::{Intent, IntentPart, Role};

pub(crate) fn paint(p: &mut Painter<'_>) {
    let same = |p: &mut Painter<'_>, own: Role, of: Role| p.find(of).map(|id| p.put_same(own, id));
    let Some(fill) = same(p, Role::BAR_FILL, Intent::Primary.role(IntentPart::Fill)) else {
        return;
    };
    let text_choice = p.text_on(fill);
    let text = p.put(Role::BAR_TEXT, text_choice);
    p.pair(text, fill, p.text());
    for (own, of) in [
        (Role::BAR_HOVER, Intent::Primary.role(IntentPart::FillHover)),
        (
            Role::BAR_SELECTED,
            Intent::Primary.role(IntentPart::FillPressed),
        ),
    ] {
        if let Some(id) = same(p, own, of) {
            p.pair(text, id, p.text());
        }
    }
}
