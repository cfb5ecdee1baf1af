//! The lightness that each label of a step list stands for.

use std::sync::LazyLock;

use crate::label::StepLabel;

/// Labels of the default list and their L\* (engine document, "Scales"); `0` and `1000`
/// close the range for lists that reach further.
const KNOTS: [(f64, f64); 13] = [
    (0.0, 100.0),
    (50.0, 97.0),
    (100.0, 92.5),
    (200.0, 82.0),
    (300.0, 71.0),
    (400.0, 60.0),
    (500.0, 49.6),
    (600.0, 40.5),
    (700.0, 31.0),
    (800.0, 21.5),
    (900.0, 13.5),
    (950.0, 7.5),
    (1000.0, 3.0),
];

static DEFAULT: LazyLock<Vec<StepLabel>> = LazyLock::new(|| {
    KNOTS[1..12]
        .iter()
        .filter_map(|(label, _)| label.to_string().parse().ok())
        .collect()
});

/// The default step labels.
pub fn default_labels() -> Vec<StepLabel> {
    DEFAULT.clone()
}

/// Target L\* for each label, falling from light to dark. Ascending numbers that read like the
/// default list (up to 500–1000) keep the default's meaning; any other list is spread evenly
/// over the default curve.
pub(crate) fn targets(labels: &[StepLabel]) -> Vec<f64> {
    numeric(labels).unwrap_or_else(|| {
        let last = (labels.len() - 1).max(1) as f64;
        (0..labels.len())
            .map(|i| along_default(i as f64 / last))
            .collect()
    })
}

fn numeric(labels: &[StepLabel]) -> Option<Vec<f64>> {
    let values: Vec<f64> = labels
        .iter()
        .map(|l| l.as_str().parse::<u32>().ok().map(f64::from))
        .collect::<Option<_>>()?;
    let ascending = values.windows(2).all(|w| w[0] < w[1]);
    let last = *values.last()?;
    (ascending && (500.0..=1000.0).contains(&last))
        .then(|| values.into_iter().map(at_label).collect())
}

fn at_label(value: f64) -> f64 {
    let above = KNOTS
        .partition_point(|(label, _)| *label < value)
        .clamp(1, KNOTS.len() - 1);
    let ((x0, y0), (x1, y1)) = (KNOTS[above - 1], KNOTS[above]);
    y0 + (y1 - y0) * (value - x0) / (x1 - x0)
}

/// The default curve from its first step (0) to its last (1).
fn along_default(share: f64) -> f64 {
    let position = 1.0 + share * 10.0;
    let below = (position.floor() as usize).min(10);
    let (a, b) = (KNOTS[below].1, KNOTS[below + 1].1);
    a + (b - a) * (position - below as f64)
}

#[cfg(test)]
mod tests {
    use super::*;

    fn labels(text: &str) -> Vec<StepLabel> {
        text.split(' ').map(|l| l.parse().unwrap()).collect()
    }

    #[test]
    fn a_label_means_the_same_lightness_in_every_numeric_list() {
        assert_eq!(
            targets(&default_labels()),
            [
                97.0, 92.5, 82.0, 71.0, 60.0, 49.6, 40.5, 31.0, 21.5, 13.5, 7.5
            ]
        );
        assert_eq!(targets(&labels("0 100 500 1000")), [100.0, 92.5, 49.6, 3.0]);
    }

    #[test]
    fn other_lists_are_spread_over_the_curve() {
        for text in ["1 2 3 4 5 6 7 8 9 10 11 12", "tint base shade", "a b"] {
            let found = targets(&labels(text));
            assert_eq!((found[0], *found.last().unwrap()), (97.0, 7.5), "{text}");
            assert!(found.windows(2).all(|w| w[0] - w[1] > 2.0), "{found:?}");
        }
    }
}
