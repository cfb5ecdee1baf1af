//! A page whose colours stand in another balance than the theme aims at.

use std::collections::BTreeMap;

use super::scene::sentence;
use super::{Finding, Severity, accepted};
use crate::document::{Aim, Resolved};

/// How far a part may stand from its aim, in percent of the page.
const FAR: f64 = 20.0;

/// What a page that was measured, in percent, is told. Nothing where every part stands near its aim.
pub fn proportion(theme: &Resolved, page: &str, measured: Aim) -> Option<Finding> {
    let aim = theme.merged.aim.unwrap_or(Aim::USUAL);
    let parts = [
        ("dominant", measured.dominant, aim.dominant),
        ("secondary", measured.secondary, aim.secondary),
        ("accent", measured.accent, aim.accent),
    ];
    let away = |(_, found, aim): &(&str, f64, f64)| (found - aim).abs();
    let (part, found, wanted) = parts
        .into_iter()
        .max_by(|a, b| away(a).total_cmp(&away(b)))?;
    if (found - wanted).abs() <= FAR {
        return None;
    }
    let what = match part {
        "dominant" => "neutral grounds cover",
        "secondary" => "the main colours cover",
        _ => "what calls for attention covers",
    };
    let mut finding = Finding {
        figures: BTreeMap::from([("measured", found), ("aim", wanted)]),
        measure: -(found - wanted).abs(),
        ..Finding::told(
            "proportion",
            Severity::Note,
            format!(
                "{} {found:.0} % of the page {page}; the theme aims at {wanted:.0} %.",
                sentence(what)
            ),
            &[page],
            "the theme's aim, measured on the page as it is shown",
        )
    };
    finding.accepted = accepted(theme, &finding);
    Some(finding)
}
