//! **aligned**: every step exactly on its target, so that a label means the same contrast in
//! every hue. Only the pins stand where their colour stands.

use rhodon_color::Rgb8;

use crate::scale::Request;
use crate::scale::hand::adjusted;
use crate::scale::natural::paint;
use crate::scale::pin::Placed;
use crate::scale::round::Slack;

pub(crate) fn build(request: &Request, targets: &[f64], pins: &[Placed]) -> Vec<Rgb8> {
    let lightness = adjusted(targets.to_vec(), &request.labels, &request.lightness, pins);
    paint(request, &lightness, pins, Slack::Exact)
}
