//! What the API shows of a derived theme.

use std::fmt::Display;

use rhodon_color::{ContrastOn, HueSlice, Rgb8, ink_on, lightness_limits};
use rhodon_formats::css_name;
use rhodon_theme::{
    Cell, Derived, Mode, More, NamedScale, Origin, Pair, Reason, Role, Section, Share, Token, Value,
};
use serde::{Serialize, Serializer};
use utoipa::ToSchema;

/// Contrast ratios that the stave draws as lines.
const LINES: [f64; 3] = [3.0, 4.5, 7.0];

/// A value that is written as its text, without a string in between.
#[derive(Debug)]
pub(crate) struct Shown<T>(T);

impl<T: Display> Serialize for Shown<T> {
    fn serialize<S: Serializer>(&self, serializer: S) -> Result<S::Ok, S::Error> {
        serializer.collect_str(&self.0)
    }
}

/// Everything that follows from a document.
#[derive(Debug, Serialize, ToSchema)]
#[serde(rename_all = "camelCase")]
pub struct DerivedView<'a> {
    name: &'a str,
    scales: Vec<ScaleView<'a>>,
    intents: Vec<IntentView<'a>>,
    tokens: Vec<TokenView<'a>>,
    pairs: Vec<PairView<'a>>,
    /// What had to give way, in sentences.
    notes: &'a [String],
    /// What differs where more contrast is asked for; nothing where the document does not make it.
    #[serde(skip_serializing_if = "Option::is_none")]
    more: Option<MoreView<'a>>,
    guides: GuidesView,
}

/// The level of more contrast.
#[derive(Debug, Serialize, ToSchema)]
pub struct MoreView<'a> {
    /// Values that are others than usual.
    cells: Vec<RaisedView<'a>>,
    /// How many pairs are declared, and how many of them have their ratio.
    pairs: usize,
    readable: usize,
}

/// A value that is another one where more contrast is asked for.
#[derive(Debug, Serialize, ToSchema)]
pub struct RaisedView<'a> {
    path: &'a str,
    #[schema(schema_with = crate::schema::mode_schema)]
    mode: &'static str,
    #[schema(value_type = String)]
    value: Shown<&'a Value>,
    #[schema(value_type = String)]
    reason: Shown<&'a Reason>,
}

impl<'a> From<&'a More> for MoreView<'a> {
    fn from(more: &'a More) -> Self {
        let raised = more.cells.iter().map(|raised| RaisedView {
            path: &raised.path,
            mode: raised.mode.id(),
            value: Shown(&raised.cell.value),
            reason: Shown(&raised.cell.reason),
        });
        Self {
            cells: raised.collect(),
            pairs: more.pairs.len(),
            readable: more.pairs.iter().filter(|p| p.pass).count(),
        }
    }
}

/// A scale.
#[derive(Debug, Serialize, ToSchema)]
#[serde(rename_all = "camelCase")]
pub struct ScaleView<'a> {
    slug: &'a str,
    name: &'a str,
    /// `set`, `derived` or `inherited`.
    #[schema(schema_with = crate::schema::origin_schema)]
    origin: Origin,
    #[schema(value_type = String)]
    reason: Shown<&'a Reason>,
    #[schema(schema_with = crate::schema::method_schema)]
    method: &'static str,
    /// Index of the step that holds the scale's own colour.
    base: usize,
    /// The most degrees by which a step's hue differs from the base step's.
    drift: f64,
    steps: Vec<StepView<'a>>,
}

/// One step.
#[derive(Debug, Serialize, ToSchema)]
#[serde(rename_all = "camelCase")]
pub struct StepView<'a> {
    label: &'a str,
    path: &'a str,
    #[schema(value_type = String)]
    hex: Shown<Rgb8>,
    /// CIE L* (D65), 0–100.
    lightness: f64,
    /// Oklch chroma.
    chroma: f64,
    /// The most chroma that sRGB holds at this lightness and hue.
    limit: f64,
    /// Oklch hue in degrees, none for a grey.
    hue: Option<f64>,
    pinned: bool,
    /// Black or white, whichever is read better on it.
    #[schema(value_type = String)]
    ink: Shown<Rgb8>,
    /// Contrast against the page.
    ratio: RatioView,
}

/// Contrast ratios (WCAG 2.2) in each mode, to two decimals.
#[derive(Debug, Serialize, ToSchema)]
pub struct RatioView {
    light: f64,
    dark: f64,
}

/// An intent and the slug of its scale.
#[derive(Debug, Serialize, ToSchema)]
pub struct IntentView<'a> {
    name: &'a str,
    scale: &'a str,
    #[schema(schema_with = crate::schema::origin_schema)]
    origin: Origin,
    #[schema(value_type = String)]
    reason: Shown<&'a Reason>,
}

/// A token; without `dark` its value holds in both modes.
#[derive(Debug, Serialize, ToSchema)]
#[serde(rename_all = "camelCase")]
pub struct TokenView<'a> {
    path: &'a str,
    /// Name of its custom property.
    css: String,
    /// `scales`, `roles`, `own`, `type` or `shape`.
    #[schema(schema_with = crate::schema::section_schema)]
    section: Section,
    #[schema(schema_with = crate::schema::kind_schema)]
    kind: &'static str,
    omitted: bool,
    /// The part that it plays in the balance of a page.
    #[schema(schema_with = crate::schema::share_schema)]
    share: &'static str,
    light: CellView<'a>,
    #[serde(skip_serializing_if = "Option::is_none")]
    dark: Option<CellView<'a>>,
}

/// A value and why it is so.
#[derive(Debug, Serialize, ToSchema)]
pub struct CellView<'a> {
    #[schema(value_type = String)]
    value: Shown<&'a Value>,
    #[serde(skip_serializing_if = "Option::is_none")]
    alias: Option<&'a str>,
    #[schema(schema_with = crate::schema::origin_schema)]
    origin: Origin,
    #[schema(value_type = String)]
    reason: Shown<&'a Reason>,
}

/// A foreground and the background it is declared to sit on.
#[derive(Debug, Serialize, ToSchema)]
pub struct PairView<'a> {
    /// `light` or `dark`.
    #[schema(schema_with = crate::schema::mode_schema)]
    mode: &'static str,
    fg: &'a str,
    bg: &'a str,
    ratio: f64,
    need: f64,
    pass: bool,
}

/// The stave's vertical lines, per mode.
#[derive(Debug, Serialize, ToSchema)]
pub struct GuidesView {
    light: GuideView,
    dark: GuideView,
}

/// Contrast limits against the page.
#[derive(Debug, Serialize, ToSchema)]
pub struct GuideView {
    /// Code of `surface.base`.
    page: String,
    lines: Vec<LineView>,
}

/// From this lightness on, away from the page, a colour has the ratio.
#[derive(Debug, Serialize, ToSchema)]
pub struct LineView {
    ratio: f64,
    lightness: f64,
}

impl<'a> From<&'a Derived> for DerivedView<'a> {
    fn from(theme: &'a Derived) -> Self {
        Self {
            name: &theme.name,
            scales: scales(theme),
            intents: theme
                .intents
                .iter()
                .map(|i| IntentView {
                    name: i.name.as_str(),
                    scale: theme.scales[i.scale].slug.as_str(),
                    origin: i.origin,
                    reason: Shown(&i.reason),
                })
                .collect(),
            tokens: theme.tokens.iter().map(TokenView::from).collect(),
            pairs: theme.pairs.iter().map(PairView::from).collect(),
            notes: &theme.notes,
            more: theme.more.as_ref().map(MoreView::from),
            guides: GuidesView {
                light: guide(theme, Mode::Light),
                dark: guide(theme, Mode::Dark),
            },
        }
    }
}

/// Every scale, with what its steps have against the page of each mode.
fn scales(theme: &Derived) -> Vec<ScaleView<'_>> {
    let pages = Mode::BOTH.map(|mode| ContrastOn::new(page(theme, mode)));
    let scales = theme.scales.iter();
    scales.map(|scale| ScaleView::of(scale, &pages)).collect()
}

impl<'a> ScaleView<'a> {
    fn of(s: &'a NamedScale, pages: &[ContrastOn; 2]) -> Self {
        let steps = s
            .scale
            .steps
            .iter()
            .zip(s.paths.iter())
            .map(|(step, path)| StepView {
                label: step.label.as_str(),
                path,
                hex: Shown(step.color),
                lightness: step.lightness,
                chroma: step.oklch.c,
                limit: HueSlice::new(step.oklch.h).max_chroma(step.color.luminance_cie()),
                hue: step.oklch.hue(),
                pinned: step.pinned,
                ink: Shown(ink_on(step.color)),
                ratio: RatioView {
                    light: hundredths(pages[0].ratio(step.color)),
                    dark: hundredths(pages[1].ratio(step.color)),
                },
            });
        Self {
            slug: s.slug.as_str(),
            name: &s.name,
            origin: s.origin,
            reason: Shown(&s.reason),
            method: s.settings.method.unwrap_or_default().id,
            base: s.scale.base,
            drift: s.scale.hue_drift(),
            steps: steps.collect(),
        }
    }
}

impl<'a> From<&'a Token> for TokenView<'a> {
    fn from(t: &'a Token) -> Self {
        let cell = |c: &'a Cell| CellView {
            value: Shown(&c.value),
            alias: c.alias.as_deref(),
            origin: c.origin,
            reason: Shown(&c.reason),
        };
        Self {
            path: &t.path,
            css: css_name(&t.path),
            section: t.section,
            kind: t.kind.id(),
            omitted: t.omitted,
            share: Share::of_group(t.group()).id(),
            light: cell(t.cell(Mode::Light)),
            dark: (!t.is_modeless()).then(|| cell(t.cell(Mode::Dark))),
        }
    }
}

impl<'a> From<&'a Pair> for PairView<'a> {
    fn from(p: &'a Pair) -> Self {
        Self {
            mode: p.mode.id(),
            fg: &p.fg,
            bg: &p.bg,
            ratio: p.ratio,
            need: p.need,
            pass: p.pass,
        }
    }
}

/// Rounded down, so that a ratio never seems to be enough where it is not.
fn hundredths(ratio: f64) -> f64 {
    (ratio * 100.0).floor() / 100.0
}

/// The colour of the page.
fn page(theme: &Derived, mode: Mode) -> Rgb8 {
    let base = theme
        .token(Role::SURFACE_BASE.path())
        .and_then(|t| t.cell(mode).value.color());
    base.map_or(Rgb8::WHITE, |c| c.code)
}

fn guide(theme: &Derived, mode: Mode) -> GuideView {
    let page = page(theme, mode);
    let dark_page = page.lightness() < 50.0;
    // Less than a part must have tells nothing.
    let lines = LINES.iter().filter(|r| **r >= theme.level.graphic());
    let lines = lines.filter_map(|ratio| {
        let (darker, lighter) = lightness_limits(page, *ratio);
        let lightness = if dark_page { lighter } else { darker };
        lightness.map(|lightness| LineView {
            ratio: *ratio,
            lightness,
        })
    });
    GuideView {
        page: page.to_string(),
        lines: lines.collect(),
    }
}
