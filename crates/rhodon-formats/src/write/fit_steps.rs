//! Steps for frameworks that demand certain labels.

use crate::job::Step;
use crate::output::Warning;

/// Labels of the ten steps that several frameworks demand.
pub(crate) const TEN: [&str; 10] = [
    "50", "100", "200", "300", "400", "500", "600", "700", "800", "900",
];
/// The same with a last one.
pub(crate) const ELEVEN: [&str; 11] = [
    "50", "100", "200", "300", "400", "500", "600", "700", "800", "900", "950",
];

/// A step for each label: the scale's own where it has all of them, else steps spread evenly. The
/// one that holds the scale's colour is always among them.
pub(crate) fn fitted<'a, 'b, const N: usize>(
    steps: &'b [Step<'a>],
    labels: &[&'static str; N],
) -> [(&'static str, &'b Step<'a>); N] {
    let own = labels.map(|label| steps.iter().position(|s| s.label == label));
    let last = steps.len() - 1;
    let spread = |i: usize| (i * last + (N - 1) / 2) / (N - 1);
    let complete = own.iter().all(Option::is_some);
    let mut picked: [usize; N] =
        std::array::from_fn(|i| own[i].filter(|_| complete).unwrap_or_else(|| spread(i)));
    if let Some(base) = steps.iter().position(|s| s.base)
        && !picked.contains(&base)
    {
        let nearest = (0..N)
            .min_by_key(|i| picked[*i].abs_diff(base))
            .unwrap_or(0);
        picked[nearest] = base;
    }
    std::array::from_fn(|i| (labels[i], &steps[picked[i]]))
}

/// Steps that found no label, each told with the same reason.
pub(crate) fn left_out<'a>(
    steps: &[Step<'a>],
    fitted: &[(&'static str, &Step<'a>)],
    reason: &str,
) -> impl Iterator<Item = Warning> {
    let has_place = |s: &&Step<'a>| fitted.iter().any(|(_, placed)| placed.path == s.path);
    steps
        .iter()
        .filter(move |s| !has_place(s))
        .map(move |s| Warning::new(s.path, reason))
}

#[cfg(test)]
mod tests {
    use super::*;
    use rhodon_color::Rgb8;
    use rhodon_theme::ColorValue;

    fn steps(labels: &[&'static str], base: usize) -> Vec<Step<'static>> {
        let step = |(i, label): (usize, &&'static str)| Step {
            label,
            path: "",
            color: ColorValue::opaque(Rgb8::BLACK),
            base: i == base,
        };
        labels.iter().enumerate().map(step).collect()
    }

    #[test]
    fn own_labels_are_taken_and_others_are_spread_with_the_base() {
        let full = steps(&ELEVEN, 6);
        assert_eq!(
            fitted(&full, &TEN).map(|(l, s)| (l == s.label) as u8),
            [1; 10]
        );
        let dark = steps(&ELEVEN, 10);
        assert_eq!(
            fitted(&dark, &TEN).map(|(_, s)| s.label)[8..],
            ["800", "950"]
        );
        let short = steps(&["1", "2", "3", "4"], 2);
        assert_eq!(
            fitted(&short, &TEN).map(|(_, s)| s.label),
            ["1", "1", "2", "2", "2", "3", "3", "3", "4", "4"]
        );
        let long: Vec<&'static str> = (0..30)
            .map(|i| &*Box::leak(i.to_string().into_boxed_str()))
            .collect();
        let long = steps(&long, 17);
        assert!(fitted(&long, &TEN).iter().any(|(_, s)| s.base));
    }
}
