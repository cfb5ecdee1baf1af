//! Which of many centres are told: near ones become one, then the most telling are picked.

use crate::cluster::{Sample, squared};
use crate::lean::Lean;

/// Oklab distance, with lightness halved, below which two centres are one colour.
const MERGED: f32 = 0.05;
/// How much the area of a colour counts against its distance from the others.
const AREA: f32 = 0.4;
/// The least share of what is covered.
const LEAST: f32 = 0.004;
/// How far, in codes, from the way between two others such a colour stands at most.
const OFF_THE_WAY: f32 = 14.0;

/// Centres of one colour become one: the evenest keeps its colour, a mean would stand nowhere.
pub(crate) fn merged(centres: &[Sample], flat: &[f32]) -> Vec<Sample> {
    let mut order: Vec<usize> = (0..centres.len()).collect();
    let telling = |i: &usize| centres[*i].weight * flat[*i].powi(2);
    order.sort_by(|a, b| telling(b).total_cmp(&telling(a)));
    let halved = |lab: [f32; 3]| [lab[0] / 2.0, lab[1], lab[2]];
    let mut out: Vec<Sample> = Vec::new();
    for centre in order.into_iter().map(|i| centres[i]) {
        let same = |o: &&mut Sample| squared(halved(o.lab), halved(centre.lab)) < MERGED * MERGED;
        match out.iter_mut().find(same) {
            Some(other) => other.weight += centre.weight,
            None => out.push(centre),
        }
    }
    out
}

/// Whether a code lies on the way from one to another.
pub(crate) fn is_between(code: [f32; 3], a: [f32; 3], b: [f32; 3]) -> bool {
    let along = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
    let from = [code[0] - a[0], code[1] - a[1], code[2] - a[2]];
    let dot = |u: [f32; 3], v: [f32; 3]| u[0] * v[0] + u[1] * v[1] + u[2] * v[2];
    let length = dot(along, along);
    if length < 1.0 {
        return false;
    }
    let t = dot(from, along) / length;
    let away = dot(from, from) - t * t * length;
    (0.0..=1.0).contains(&t) && away < OFF_THE_WAY * OFF_THE_WAY
}

/// The first by area and strength, each further one by area and distance from those before.
pub(crate) fn picked(
    centres: &[Sample],
    flat: &[f32],
    covered: f32,
    count: usize,
    lean: Option<Lean>,
) -> Vec<usize> {
    let large = |i: &usize| centres[*i].weight >= LEAST * covered;
    let mut left: Vec<usize> = (0..centres.len()).filter(large).collect();
    if left.is_empty() {
        left.extend(0..centres.len().min(1));
    }
    let favour = |i: usize| lean.map_or(1.0, |lean| lean.favour(centres[i].lab));
    let mut picked: Vec<usize> = Vec::new();
    while picked.len() < count && !left.is_empty() {
        let score = |i: usize| {
            let lab = centres[i].lab;
            let away = picked
                .iter()
                .map(|p| squared(centres[*p].lab, lab).sqrt())
                .fold(f32::INFINITY, f32::min);
            let apart = if away.is_finite() {
                away
            } else {
                0.05 + lab[1].hypot(lab[2])
            };
            centres[i].weight.powf(AREA) * flat[i] * apart * favour(i)
        };
        let best = (0..left.len()).max_by(|a, b| score(left[*a]).total_cmp(&score(left[*b])));
        picked.extend(best.map(|at| left.swap_remove(at)));
    }
    picked
}
