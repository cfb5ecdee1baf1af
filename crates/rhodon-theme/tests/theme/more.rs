//! The level of more contrast: what reads at 7 : 1, and what of the usual level holds there.

use proptest::prelude::*;
use rhodon_color::{Color, Rgb8, VisionKind, contrast_ratio, difference};
use rhodon_theme::{Cell, Derived, Document, Level, Mode, More, Resolved, derive};
use serde_json::{Value, json};

use crate::support::{derived, problems};

const HARD: &[&str] = &[
    "#000000", "#ffffff", "#ffff00", "#00ff00", "#0000ff", "#ff0000", "#00ffff", "#ff00ff",
    "#808080", "#767676", "#777777", "#16c72e", "#39ff14", "#f2c200", "#3a00b8", "#00003a",
    "#fdfcfa", "#060608", "#5c6b73", "#1a1a00", "#001f3f", "#111827", "#fdf0d5",
];

fn theme_of(colors: &[Rgb8]) -> Derived {
    let colors: Vec<Color> = colors.iter().map(|c| Color::from(*c)).collect();
    derive(&Resolved::alone(Document::from_brand("Test", &colors))).unwrap()
}

/// A value that is another one at the level.
fn raised<'a>(more: &'a More, path: &str, mode: Mode) -> Option<&'a Cell> {
    more.by_path().get(path)?[mode as usize]
}

/// The code of a role at the level.
fn code(theme: &Derived, more: &More, path: &str, mode: Mode) -> Rgb8 {
    let usual = theme.token(path).unwrap().cell(mode);
    let cell = raised(more, path, mode).unwrap_or(usual);
    cell.value.color().unwrap().code
}

fn check(colors: &[Rgb8]) -> Result<(), TestCaseError> {
    let theme = theme_of(colors);
    let more = theme.more.as_ref().unwrap();
    for pair in &more.pairs {
        prop_assert!(pair.need == 7.0 || pair.need == 4.5);
        prop_assert!(pair.pass, "{colors:?}: {pair:?}");
        let (fg, bg) = (
            code(&theme, more, &pair.fg, pair.mode),
            code(&theme, more, &pair.bg, pair.mode),
        );
        prop_assert!(
            (contrast_ratio(fg, bg) - pair.ratio).abs() < 1e-9,
            "{pair:?}"
        );
    }
    for mode in Mode::BOTH {
        for intent in &theme.intents {
            let of = |part: &str| code(&theme, more, &format!("{}.{part}", intent.name), mode);
            for state in ["fill-hover", "fill-pressed"] {
                let apart = difference(of("fill"), of(state));
                prop_assert!(
                    apart >= 2.0,
                    "{colors:?} {} {state} {}: {apart:.1}",
                    intent.name,
                    mode.id()
                );
            }
        }
        let status = ["success", "warning", "danger", "info"];
        for (i, a) in status.iter().enumerate() {
            for b in &status[i + 1..] {
                let [a_fill, b_fill] =
                    [a, b].map(|name| code(&theme, more, &format!("{name}.fill"), mode));
                for kind in VisionKind::ALL {
                    let eyes = kind.full();
                    let apart = difference(eyes.see(a_fill), eyes.see(b_fill));
                    prop_assert!(
                        apart >= 10.0,
                        "{colors:?} {a} {b} {} {kind:?}: {apart:.1}",
                        mode.id()
                    );
                }
            }
        }
    }
    Ok(())
}

#[test]
fn hard_brands_read_at_seven_to_one() {
    for text in HARD {
        check(&[text.parse().unwrap()]).unwrap();
    }
}

proptest! {
    #![proptest_config(rhodon_testing::cases(60))]

    #[test]
    fn random_brands_read_at_seven_to_one(codes in prop::collection::vec(any::<[u8; 3]>(), 1..5)) {
        let colors: Vec<Rgb8> = codes.iter().map(|[r, g, b]| Rgb8::new(*r, *g, *b)).collect();
        check(&colors)?;
    }
}

fn more_of(extra: Value) -> (Derived, More) {
    let theme = derived(extra);
    let more = theme.more.clone().unwrap();
    (theme, more)
}

#[test]
fn only_what_differs_is_told_and_every_value_says_why() {
    let (theme, more) = more_of(json!({}));
    assert!(!more.cells.is_empty());
    for cell in &more.cells {
        let usual = theme.token(&cell.path).unwrap().cell(cell.mode);
        assert_ne!(usual.value, cell.cell.value, "{}", cell.path);
        assert!(!cell.cell.reason.to_string().is_empty());
    }
    // The brand itself carries white text at 7 : 1: it stays.
    assert!(raised(&more, "primary.fill", Mode::Light).is_none());
    let muted = raised(&more, "text.muted", Mode::Light).unwrap();
    assert!(
        muted.reason.to_string().contains("7 : 1"),
        "{}",
        muted.reason
    );
    let (_, middle) =
        more_of(json!({ "brand": [{ "name": "Own", "slug": "own", "color": "#e4572e" }] }));
    let fill = raised(&middle, "primary.fill", Mode::Light).unwrap();
    assert!(
        fill.reason.to_string().contains("carries no text at 7 : 1"),
        "{}",
        fill.reason
    );
    assert_eq!(Level::ALL.map(Level::id), ["usual", "more"]);
}

#[test]
fn what_was_set_by_hand_holds_where_it_reads_and_is_moved_where_not() {
    let (theme, more) = more_of(json!({
        "roles": { "text.muted": { "light": "#6b7280" }, "text.main": { "light": "#101418" } },
        "tokens": { "ferry.note": { "value": "{text.muted}" } }
    }));
    assert_eq!(
        code(&theme, &more, "text.main", Mode::Light).to_string(),
        "#101418"
    );
    let muted = code(&theme, &more, "text.muted", Mode::Light);
    assert_ne!(muted.to_string(), "#6b7280");
    // What refers to it follows.
    assert_eq!(code(&theme, &more, "ferry.note", Mode::Light), muted);
}

#[test]
fn a_role_can_be_set_for_this_level_alone_and_the_level_be_switched_off() {
    let set = json!({ "contrast": { "roles": { "text.muted": { "dark": "#ffffff" } } } });
    let (theme, more) = more_of(set);
    assert_eq!(
        code(&theme, &more, "text.muted", Mode::Dark).to_string(),
        "#ffffff"
    );
    assert_ne!(
        theme
            .token("text.muted")
            .unwrap()
            .cell(Mode::Dark)
            .value
            .to_string(),
        "#ffffff"
    );
    // What is set for it holds even where it cannot be read; its pairs say so.
    let wrong = json!({ "contrast": { "roles": { "text.muted": { "light": "#cccccc" } } } });
    let (_, more) = more_of(wrong);
    assert!(more.pairs.iter().any(|p| !p.pass && *p.fg == *"text.muted"));
    assert!(
        derived(json!({ "contrast": { "more": false } }))
            .more
            .is_none()
    );
    let told = problems(
        json!({ "contrast": { "roles": { "text.mutd": { "light": "#000" } }, "less": 1 } }),
    );
    assert!(told.contains("/contrast"), "{told}");
}
