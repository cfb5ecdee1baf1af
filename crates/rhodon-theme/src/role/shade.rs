//! What lies over or under a surface without being one: the backdrop of a dialog, shadows.

use super::painter::{Choice, Painter};
use crate::level::Level;
use crate::reason::Reason;
use crate::value::ColorValue;
use crate::vocabulary::Role;

pub(crate) fn paint(p: &mut Painter<'_>) {
    let neutral = p.neutral();
    for (path, tone, light, dark) in [
        (Role::BACKDROP_FILL, 7.5, 0.5, 0.7),
        (Role::SHADOW_NEAR, 7.5, 0.16, 0.6),
        (Role::SHADOW_FAR, 7.5, 0.1, 0.45),
    ] {
        // A ground that is seen through lowers the contrast of what stands on it.
        let is_ground = path == Role::BACKDROP_FILL && p.level == Level::More;
        let alpha = if is_ground {
            1.0
        } else {
            p.by_mode(light, dark)
        };
        let code = p.between(neutral, p.by_mode(tone, 2.0));
        let color = ColorValue {
            code,
            alpha,
            p3: None,
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
