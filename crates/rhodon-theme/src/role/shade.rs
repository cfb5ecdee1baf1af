//! What lies over or under a surface without being one: the backdrop of a dialog, shadows.

use super::painter::{Choice, Painter};
use crate::reason::Reason;
use crate::value::ColorValue;

pub(crate) fn paint(p: &mut Painter<'_>) {
    let neutral = p.neutral();
    for (path, tone, light, dark) in [
        ("backdrop.fill", 7.5, 0.5, 0.7),
        ("shadow.near", 7.5, 0.16, 0.6),
        ("shadow.far", 7.5, 0.1, 0.45),
    ] {
        let alpha = p.by_mode(light, dark);
        let code = neutral.scale.at_lightness(p.by_mode(tone, 2.0));
        let color = ColorValue {
            code,
            alpha,
            wide: None,
        };
        let reason = Reason::Shade {
            scale: neutral.name.clone(),
            alpha,
        };
        p.put(
            path,
            Choice {
                color,
                alias: None,
                reason,
            },
        );
    }
}
