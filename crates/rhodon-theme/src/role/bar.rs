//! The bar on top of an application.

use super::painter::Painter;
use crate::vocabulary::{Intent, IntentPart, Role};

/// What the bar has besides its fill, each as the part of primary that it follows unless the bar has a fill
/// of its own; in the order of [`Painter::states`].
const STATES: [(Role, IntentPart); 3] = [
    (Role::BAR_HOVER, IntentPart::FillHover),
    (Role::BAR_SELECTED, IntentPart::FillPressed),
    (Role::BAR_GRADIENT_END, IntentPart::GradientEnd),
];

pub(crate) fn paint(p: &mut Painter<'_>) {
    let (Some(primary), Some(of)) = (
        p.on.intents.first(),
        p.find(Intent::Primary.role(IntentPart::Fill)),
    ) else {
        return;
    };
    let fill = p.put_same(Role::BAR_FILL, of);
    let text_choice = p.text_on(fill);
    let text = p.put(Role::BAR_TEXT, text_choice);
    p.pair(text, fill, p.text());
    if p.is_set(fill) {
        let kin = p.kin(fill, &p.on.scales[primary.scale]);
        let states = p.states(fill, text, &kin);
        for ((role, _), choice) in STATES.into_iter().zip(states) {
            let state = p.put(role, choice);
            p.pair(text, state, p.text());
        }
        return;
    }
    for (role, part) in STATES {
        if let Some(of) = p.find(Intent::Primary.role(part)) {
            let state = p.put_same(role, of);
            p.pair(text, state, p.text());
        }
    }
}
