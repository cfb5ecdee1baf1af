//! Weighted k-means in Oklab, the same for the same picture.

/// A colour in Oklab with the area that it covers.
#[derive(Clone, Copy, Debug, Default, PartialEq)]
pub(crate) struct Sample {
    pub lab: [f32; 3],
    pub weight: f32,
}

/// How often centres are moved at most.
const ROUNDS: usize = 16;
/// A movement, in Oklab squared, below which they rest.
const STILL: f32 = 1e-7;

/// Squared distance in Oklab.
pub(crate) fn squared(a: [f32; 3], b: [f32; 3]) -> f32 {
    let d = [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
    d[0] * d[0] + d[1] * d[1] + d[2] * d[2]
}

/// The index of the nearest centre.
pub(crate) fn nearest(centres: &[Sample], lab: [f32; 3]) -> usize {
    let mut best = (f32::INFINITY, 0);
    for (i, centre) in centres.iter().enumerate() {
        let d = squared(centre.lab, lab);
        if d < best.0 {
            best = (d, i);
        }
    }
    best.1
}

/// At most `count` centres of the samples, each with the area of what is nearest to it.
pub(crate) fn centres(samples: &[Sample], count: usize) -> Vec<Sample> {
    let mut centres = seeds(samples, count);
    for _ in 0..ROUNDS {
        let mut sums = vec![[0f32; 4]; centres.len()];
        for sample in samples {
            let sum = &mut sums[nearest(&centres, sample.lab)];
            for (sum, v) in sum.iter_mut().zip(sample.lab) {
                *sum += sample.weight * v;
            }
            sum[3] += sample.weight;
        }
        let mut moved = 0f32;
        for (centre, [l, a, b, weight]) in centres.iter_mut().zip(sums) {
            if weight > 0.0 {
                let lab = [l / weight, a / weight, b / weight];
                moved = moved.max(squared(lab, centre.lab));
                centre.lab = lab;
            }
            centre.weight = weight;
        }
        if moved < STILL {
            break;
        }
    }
    centres.retain(|c| c.weight > 0.0);
    centres
}

/// First centres: the heaviest sample, then always the one that is worst served by those there are.
fn seeds(samples: &[Sample], count: usize) -> Vec<Sample> {
    let heaviest = samples.iter().max_by(|a, b| a.weight.total_cmp(&b.weight));
    let mut seeds: Vec<Sample> = heaviest.copied().into_iter().collect();
    let Some(first) = seeds.first().copied() else {
        return seeds;
    };
    let mut away: Vec<f32> = samples.iter().map(|s| squared(s.lab, first.lab)).collect();
    while seeds.len() < count {
        let worst = samples
            .iter()
            .zip(&away)
            .max_by(|(a, da), (b, db)| served(a, **da).total_cmp(&served(b, **db)));
        let Some((next, distance)) = worst.map(|(s, d)| (*s, *d)) else {
            break;
        };
        if distance <= 0.0 {
            break;
        }
        for (away, sample) in away.iter_mut().zip(samples) {
            *away = away.min(squared(sample.lab, next.lab));
        }
        seeds.push(next);
    }
    seeds
}

/// How badly a sample is served: by its distance, and less by its area, so that small strong
/// colours get a centre of their own.
fn served(sample: &Sample, distance: f32) -> f32 {
    sample.weight.sqrt() * distance
}
