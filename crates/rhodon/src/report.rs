//! The shapes of the command line's JSON.

use rhodon_color::{Color, ContrastOn, Oklch, Rgb8, Space};
use rhodon_theme::scale::Step;
use rhodon_theme::{
    Cell, CheckReport, Derived, FindingReport, Level, Mode, Origin, Pair, Problem, Resolved, Token,
};
use serde::{Serialize, Serializer};

#[derive(Serialize)]
#[serde(rename_all = "camelCase")]
pub struct ColorReport<'a> {
    pub input: &'a str,
    pub ok: bool,
    pub hex: String,
    pub alpha: f64,
    pub srgb: [f64; 3],
    pub oklch: (f64, f64, Option<f64>),
    pub lab: [f64; 3],
    pub luminance: f64,
    pub in_srgb: bool,
    #[serde(rename = "inP3")]
    pub in_p3: bool,
}

impl<'a> ColorReport<'a> {
    pub fn new(input: &'a str, color: Color) -> Self {
        let fit = color.gamut_fit();
        Self {
            input,
            ok: true,
            hex: color.to_hex(),
            alpha: color.alpha(),
            srgb: color.in_space(Space::Srgb),
            oklch: told(color.to_oklch()),
            lab: color.in_space(Space::Lab),
            luminance: color.to_rgb8().luminance(),
            in_srgb: fit.srgb,
            in_p3: fit.p3,
        }
    }
}

fn told(color: Oklch) -> (f64, f64, Option<f64>) {
    (color.l, color.c, color.hue())
}

#[derive(Serialize)]
pub struct Refused<'a> {
    pub input: &'a str,
    pub ok: bool,
    pub error: String,
}

impl<'a> Refused<'a> {
    pub fn new(input: &'a str, error: impl ToString) -> Self {
        Self {
            input,
            ok: false,
            error: error.to_string(),
        }
    }
}

#[derive(Serialize)]
#[serde(rename_all = "camelCase")]
pub struct StepReport<'a> {
    pub label: &'a str,
    #[serde(serialize_with = "as_digits")]
    pub hex: Rgb8,
    pub oklch: (f64, f64, Option<f64>),
    pub lightness: f64,
    pub pinned: bool,
    pub on_white: f64,
    pub on_black: f64,
}

/// Prints a code without a text of its own: there are hundreds of thousands of them.
fn as_digits<S: Serializer>(code: &Rgb8, serializer: S) -> Result<S::Ok, S::Error> {
    serializer.serialize_str(std::str::from_utf8(&code.digits()).unwrap_or_default())
}

impl<'a> StepReport<'a> {
    /// Every step of a scale.
    pub fn all(steps: &'a [Step]) -> Vec<Self> {
        let [white, black] = [Rgb8::WHITE, Rgb8::BLACK].map(ContrastOn::new);
        let report = |step: &'a Step| {
            let contrast = ContrastOn::new(step.color);
            Self {
                label: step.label.as_str(),
                hex: step.color,
                oklch: told(step.oklch),
                lightness: step.lightness,
                pinned: step.pinned,
                on_white: contrast.between(white),
                on_black: contrast.between(black),
            }
        };
        steps.iter().map(report).collect()
    }
}

#[derive(Serialize)]
pub struct TokenReport<'a> {
    pub path: &'a str,
    pub mode: Option<Mode>,
    /// The level of contrast, where it is not the usual one.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub level: Option<Level>,
    pub value: String,
    pub alias: Option<&'a str>,
    pub origin: Origin,
    pub reason: String,
}

#[derive(Serialize)]
pub struct PairReport<'a> {
    #[serde(flatten)]
    pub pair: &'a Pair,
    /// The level of contrast, where it is not the usual one.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub level: Option<Level>,
}

#[derive(Serialize)]
pub struct DeriveReport<'a> {
    pub ok: bool,
    pub tokens: Vec<TokenReport<'a>>,
    pub pairs: Vec<PairReport<'a>>,
    pub findings: Vec<FindingReport>,
}

impl<'a> DeriveReport<'a> {
    pub fn new(decided: &Resolved, theme: &'a Derived) -> Self {
        let more = theme.more.as_ref();
        let raised = more.into_iter().flat_map(|more| &more.cells).map(|raised| {
            token_report(
                &raised.path,
                Some(raised.mode),
                &raised.cell,
                Some(Level::More),
            )
        });
        let tokens = theme
            .tokens
            .iter()
            .flat_map(token_reports)
            .chain(raised)
            .collect();
        let pair = |level| move |pair| PairReport { pair, level };
        let usual = theme.pairs.iter().map(pair(None));
        let raised = more
            .into_iter()
            .flat_map(|more| &more.pairs)
            .map(pair(Some(Level::More)));
        Self {
            ok: true,
            tokens,
            pairs: usual.chain(raised).collect(),
            findings: CheckReport::new(decided, theme, Vec::new()).findings,
        }
    }
}

fn token_reports(token: &Token) -> impl Iterator<Item = TokenReport<'_>> {
    let modes: &[Option<Mode>] = if token.is_modeless() {
        &[None]
    } else {
        &[Some(Mode::Light), Some(Mode::Dark)]
    };
    modes.iter().map(|mode| {
        let cell = token.cell(mode.unwrap_or(Mode::Light));
        token_report(&token.path, *mode, cell, None)
    })
}

fn token_report<'a>(
    path: &'a str,
    mode: Option<Mode>,
    cell: &'a Cell,
    level: Option<Level>,
) -> TokenReport<'a> {
    TokenReport {
        path,
        mode,
        level,
        value: cell.value.to_string(),
        alias: cell.alias.as_deref(),
        origin: cell.origin,
        reason: cell.reason.to_string(),
    }
}

#[derive(Serialize)]
pub struct DeriveRefused<'a> {
    pub ok: bool,
    pub error: String,
    pub problems: &'a [Problem],
}
