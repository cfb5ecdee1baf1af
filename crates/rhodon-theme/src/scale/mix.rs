//! **mix**: the plain mix of the encoded brand colour with white and with black. Kept for those
//! who must match it; it promises neither even steps nor a steady hue.

use rhodon_color::Rgb8;

use crate::scale::Request;
use crate::scale::pin::{Placed, nearest};

pub(crate) fn build(request: &Request, targets: &[f64], pins: &[Placed]) -> Vec<Rgb8> {
    let (base, color) = match pins.first() {
        Some(pin) => (pin.index, pin.color),
        None => (nearest(targets, request.tone.lightness()), request.tone),
    };
    let below = (targets.len() - 1 - base) as f64;
    (0..targets.len())
        .map(|i| {
            if let Some(pin) = pins.iter().find(|p| p.index == i) {
                return pin.color;
            }
            // The last step on either side still holds a trace of the colour.
            if i < base {
                mixed(color, Rgb8::WHITE, (base - i) as f64 / (base as f64 + 0.5))
            } else {
                mixed(color, Rgb8::BLACK, (i - base) as f64 / (below + 1.0))
            }
        })
        .collect()
}

fn mixed(color: Rgb8, with: Rgb8, share: f64) -> Rgb8 {
    let (a, b) = (color.channels(), with.channels());
    let [r, g, b] = std::array::from_fn(|i| {
        let (from, to) = (f64::from(a[i]), f64::from(b[i]));
        (from + (to - from) * share).round() as u8
    });
    Rgb8::new(r, g, b)
}
