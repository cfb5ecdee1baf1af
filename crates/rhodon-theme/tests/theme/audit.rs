//! The audit: every kind of finding appears where it should, its fix takes it away, and nothing else
//! gets worse.

use proptest::prelude::*;
use rhodon_color::{Color, Rgb8};
use rhodon_theme::{
    Aim, Document, Finding, Mode, Operation, Resolved, Severity, apply, audit, derive, mend,
    mend_all, proportion,
};
use serde_json::{Value, json};

use crate::support::{document, theme};

fn found(theme: &Resolved) -> Vec<Finding> {
    audit(theme, &derive(theme).unwrap())
}

fn weight(findings: &[Finding]) -> u32 {
    findings
        .iter()
        .filter(|f| f.stands())
        .map(|f| f.severity.weight())
        .sum()
}

/// A document, the finding that it must show, its severity, and a part of its sentence.
fn cases() -> Vec<(Value, &'static str, Severity, &'static str)> {
    use Severity::{Error, Note, Warning};
    vec![
        (
            json!({ "roles": { "text.muted": { "light": "#9aa5ad", "dark": "{neutral.300}" } } }),
            "contrast",
            Error,
            "Muted text on the base surface has 2.3 : 1 in light; text needs 4.5. Neutral 600 has 5.9.",
        ),
        (
            json!({ "intents": { "success": { "color": "#c03020" } } }),
            "alike",
            Error,
            "Success and danger are CIEDE2000",
        ),
        (
            json!({ "scales": { "petrol": { "lightness": { "400": 35 } } } }),
            "order",
            Warning,
            "Petrol 400 was asked for L* 35 and stands at",
        ),
        (
            json!({
                "brand": [{ "name": "Petrol", "slug": "petrol", "color": "#0a0f12" }],
                "scales": { "petrol": { "at": "50" } },
            }),
            "order",
            Warning,
            "Petrol was asked to stand at 50 and stands at",
        ),
        (
            json!({ "roles": { "primary.fill-hover": { "light": "{petrol.600}" } } }),
            "state",
            Warning,
            "Primary fill hover differs from primary fill by CIEDE2000 0.0 in light; a state needs 2.",
        ),
        (
            json!({ "roles": { "primary.fill-hover": { "light": "#9f391b" } } }),
            "state",
            Warning,
            "Primary fill hover was set by hand in light and is of another hue than primary fill",
        ),
        (
            json!({
                "brand": [
                    { "name": "Petrol", "slug": "petrol", "color": "#0f5c7a" },
                    { "name": "Heather", "slug": "heather", "color": "#7a4b8f" },
                ],
                "intents": { "secondary": { "scale": "petrol" }, "heather": { "scale": "petrol" } },
            }),
            "unused",
            Note,
            "Nothing in the theme refers to the scale Heather.",
        ),
        (
            json!({ "roles": { "link.rest": { "light": "#0f5c7b", "dark": "{petrol.200}" } } }),
            "literal",
            Warning,
            "Link rest is written as #0f5c7b where Petrol 600 is #0f5c7a.",
        ),
        (
            json!({ "tokens": { "ferry.wake": { "value": "#0f5c7a" } } }),
            "literal",
            Warning,
            "Ferry wake is written as #0f5c7a where Petrol 600 is #0f5c7a.",
        ),
        (
            json!({ "scales": { "petrol": { "alpha": [8] } } }),
            "unused",
            Note,
            "Nothing in the theme refers to Petrol a8.",
        ),
        (
            json!({ "roles": { "accent.fill": { "dark": "#00c060" } } }),
            "mode",
            Error,
            "Accent fill was set in dark alone: in light it is another colour",
        ),
        (
            json!({
                "brand": [{ "name": "Navy", "slug": "navy", "color": "#001f3f" }],
                "roles": { "primary.fill": { "light": "#001f3e", "dark": "#001f3e" } },
            }),
            "vanishing",
            Warning,
            "Primary fill is CIEDE2000",
        ),
    ]
}

#[test]
fn every_finding_appears_and_is_gone_once_it_is_mended() {
    for (extra, id, severity, part) in cases() {
        let theme = theme(extra);
        let findings = found(&theme);
        let finding = findings
            .iter()
            .find(|f| f.id == id && f.message.contains(part))
            .unwrap_or_else(|| panic!("{id}: {part}: {findings:#?}"));
        assert_eq!(finding.severity, severity, "{id}");
        assert!(!finding.rule.is_empty() && finding.message.ends_with('.'));
        let fix = mend(&theme, &findings, finding).unwrap_or_else(|| panic!("{id} has no fix"));
        // The patch makes the document that was tried.
        let mut patched = theme.document().to_json();
        let patch: json_patch::Patch = serde_json::from_value(fix.patch.clone()).unwrap();
        json_patch::patch(&mut patched, &patch).unwrap();
        assert_eq!(patched, fix.document.to_json(), "{id}");
        let after = found(&theme.with_document(fix.document));
        assert!(
            !after.iter().any(|f| f.is_same(finding)),
            "{id} is still there: {}",
            fix.label
        );
        assert!(
            weight(&after) < weight(&findings) || severity == Severity::Note,
            "{id}"
        );
    }
}

#[test]
fn what_has_no_fix_is_told_all_the_same() {
    for (extra, id, part) in [
        (
            json!({ "brand": [{ "name": "Buoy", "slug": "buoy", "color": "color(display-p3 1 0.2 0)" }] }),
            "gamut",
            "Buoy lies outside sRGB; #",
        ),
        (
            json!({ "brand": [{ "name": "Signal", "slug": "signal", "color": "#b3123a" }] }),
            "near-brand",
            "Signal will be read as danger: CIEDE2000",
        ),
        (
            json!({ "brand": [{ "name": "Black", "slug": "black", "color": "#000000" }] }),
            "vanishing",
            "Primary fill is not Black itself in dark",
        ),
    ] {
        let theme = theme(extra);
        let findings = found(&theme);
        let finding = findings
            .iter()
            .find(|f| f.id == id && f.message.contains(part));
        let finding = finding.unwrap_or_else(|| panic!("{id}: {findings:#?}"));
        assert_eq!(mend(&theme, &findings, finding), None, "{id}");
    }
}

/// What holds for both modes is shown in the one in which it is worst.
#[test]
fn intents_alike_in_one_mode_are_shown_in_it() {
    let fills = |mode: &str| json!({ "success.fill": { mode: "#3fae6b" }, "info.fill": { mode: "#3fae6f" } });
    for (mode, worst) in [("light", Mode::Light), ("dark", Mode::Dark)] {
        let findings = found(&theme(json!({ "roles": fills(mode) })));
        let is_it = |f: &&Finding| f.id == "alike" && f.message.starts_with("Success and info");
        let finding = findings.iter().find(is_it).unwrap();
        assert_eq!(
            (finding.mode, finding.worst),
            (None, Some(worst)),
            "{}",
            finding.message
        );
        assert!(finding.message.contains(&format!(" in {mode};")));
    }
}

/// An accepted finding stands with its reason, and counts again once it is worse.
#[test]
fn what_is_accepted_counts_again_when_it_gets_worse() {
    let muted = |code: &str, accepted: Value| {
        theme(json!({ "roles": { "text.muted": { "light": code } }, "accepted": accepted }))
    };
    let plain = muted("#7a848c", json!([]));
    let finding = found(&plain)
        .into_iter()
        .find(|f| f.id == "contrast" && &*f.tokens[1] == "surface.base")
        .unwrap();
    let accepted = json!([{
        "id": "contrast", "tokens": finding.tokens.iter().map(|t| t.to_string()).collect::<Vec<_>>(),
        "mode": "light", "reason": "small print of the harbour master", "measure": finding.measure,
    }]);
    let reason = |theme: &Resolved| {
        let same = found(theme)
            .into_iter()
            .find(|f| f.is_same(&finding))
            .unwrap();
        same.accepted
    };
    let said = Some("small print of the harbour master".to_owned());
    assert_eq!(reason(&muted("#7a848c", accepted.clone())), said);
    assert_eq!(reason(&muted("#737d85", accepted.clone())), said);
    assert_eq!(reason(&muted("#9aa5ad", accepted)), None);
}

#[test]
fn an_accepted_finding_without_a_reason_is_refused() {
    let spec =
        document(json!({ "accepted": [{ "id": "contrast", "tokens": ["a", "b"], "measure": 2 }] }));
    let problems = Document::read(&spec).unwrap_err().to_string();
    assert!(problems.contains("/accepted/0/reason"), "{problems}");
}

proptest! {
    #![proptest_config(rhodon_testing::cases(24))]

    /// A theme that was derived has no error, whatever the brand.
    #[test]
    fn a_derived_theme_has_no_error(codes in prop::collection::vec(any::<[u8; 3]>(), 1..=4)) {
        let colors: Vec<Color> = codes.iter().map(|[r, g, b]| Rgb8::new(*r, *g, *b).into()).collect();
        let theme = Resolved::alone(Document::from_brand("Any", &colors));
        let errors: Vec<String> = found(&theme).into_iter().filter(|f| f.severity == Severity::Error).map(|f| f.message).collect();
        prop_assert!(errors.is_empty(), "{:?}", errors);
    }

    /// Whatever is damaged by hand: after mending no error is left that has a fix, and mending again
    /// changes nothing more.
    #[test]
    fn damage_is_mended_once(damage in prop::collection::vec((0usize..6, 0usize..12, any::<[u8; 3]>()), 1..5)) {
        let mut spec = document(json!({}));
        for (kind, at, [r, g, b]) in damage {
            let code = Rgb8::new(r, g, b).to_string();
            let labels = ["50", "100", "200", "300", "400", "500", "700", "800", "900", "950", "300", "700"];
            let roles = ["text.muted", "surface.base", "primary.fill", "danger.fill", "link.rest", "border.strong", "primary.fill-hover", "text.main", "accent.tint", "bar.fill", "focus.ring", "warning.edge"];
            match kind {
                0 => spec["roles"][roles[at]]["light"] = code.into(),
                1 => spec["roles"][roles[at]]["dark"] = code.into(),
                2 => spec["scales"]["petrol"]["lightness"][labels[at]] = (f64::from(r) / 2.55).into(),
                3 => spec["intents"][["success", "warning", "danger", "info"][at % 4]]["color"] = code.into(),
                4 => spec["scales"]["petrol"]["at"] = labels[at].into(),
                _ => spec["roles"][roles[at]] = json!({ "light": code, "dark": code }),
            }
        }
        let Ok(document) = Document::read(&spec) else { return Ok(()); };
        let theme = Resolved::alone(document);
        let Ok(derived) = derive(&theme) else { return Ok(()); };
        let before = audit(&theme, &derived);
        let mended = mend_all(&theme).unwrap();
        let after = theme.with_document(mended.document.clone());
        let findings = found(&after);
        for finding in findings.iter().filter(|f| f.severity == Severity::Error && f.stands()) {
            prop_assert!(mend(&after, &findings, finding).is_none(), "{} can be mended", finding.message);
        }
        prop_assert!(weight(&findings) <= weight(&before));
        let again = mend_all(&after).unwrap();
        prop_assert_eq!(again.document, mended.document);
    }
}

/// What a page was measured at is told where it is far from the aim, and may be accepted.
#[test]
fn a_page_far_from_the_aim_is_told() {
    let page = |dominant, secondary, accent| Aim {
        dominant,
        secondary,
        accent,
    };
    let usual = theme(json!({}));
    assert_eq!(proportion(&usual, "timetable", page(70.0, 25.0, 5.0)), None);
    let found = proportion(&usual, "timetable", page(86.0, 12.0, 2.0)).unwrap();
    assert_eq!(found.severity, Severity::Note);
    assert_eq!(
        found.message,
        "Neutral grounds cover 86 % of the page timetable; the theme aims at 60 %."
    );
    let aimed = theme(json!({ "aim": { "dominant": 85, "secondary": 10, "accent": 5 } }));
    assert_eq!(proportion(&aimed, "timetable", page(86.0, 12.0, 2.0)), None);
    let accepted = theme(json!({ "accepted": [
        { "id": "proportion", "tokens": ["timetable"], "reason": "mostly text", "measure": -26.0 }
    ] }));
    let found = proportion(&accepted, "timetable", page(86.0, 12.0, 2.0)).unwrap();
    assert_eq!(found.accepted.as_deref(), Some("mostly text"));
}

/// All findings of one kind are mended as one change; others stay.
#[test]
fn a_kind_is_mended_at_once() {
    let theme = theme(json!({
        "tokens": { "ferry.wake": { "value": "#0f5c7a" }, "ferry.foam": { "value": "#0f5c7b" } },
        "roles": { "primary.fill-hover": { "light": "{petrol.600}" } },
    }));
    let count = |theme: &Resolved, kind: &str| found(theme).iter().filter(|f| f.id == kind).count();
    let states = count(&theme, "state");
    assert_eq!(count(&theme, "literal"), 2);
    assert!(states > 0);
    let mended = apply(&Operation::MendFindings("literal".to_owned()), &theme).unwrap();
    assert_eq!(mended.notes.len(), 2, "{:?}", mended.notes);
    let after = theme.with_document(mended.document);
    assert_eq!(
        (count(&after, "literal"), count(&after, "state")),
        (0, states)
    );
    let none = apply(&Operation::MendFindings("gamut".to_owned()), &theme).unwrap_err();
    assert!(none.to_string().contains("nothing of the kind"), "{none}");
}
