//! What the rules offer, listed once in the core: the interface asks instead of knowing.

use axum::Json;
use rhodon_color::{Daylight, RELATIONS, Vision, VisionKind, acuity_blur};
use rhodon_formats::color_use::{FINDERS, NOT_OURS};
use rhodon_formats::read::READERS;
use rhodon_formats::{Group, PaintRule, paint_rules};
use rhodon_picture::{Lean, MAX_BYTES};
use rhodon_theme::scale::METHODS;
use rhodon_theme::{Aim, Intent, NUMBERS, TokenKind};
use serde::Serialize;
use utoipa::ToSchema;

/// Lists of what there is to choose from, each in the order in which it is shown.
#[derive(Debug, Serialize, ToSchema)]
pub struct VocabularyView {
    numbers: Vec<NumberView>,
    methods: Vec<ChoiceView>,
    relations: Vec<&'static str>,
    intents: Vec<&'static str>,
    kinds: Vec<&'static str>,
    groups: Vec<ChoiceView>,
    readers: Vec<ReaderView>,
    /// The balance of a page that holds where a theme says nothing else.
    #[schema(schema_with = crate::schema::aim_schema)]
    aim: Aim,
    /// Eyes other than the usual ones.
    eyes: Vec<EyesView>,
    /// What a picture may be.
    pictures: PictureLimits,
    /// Files in which colours are found.
    sources: SourceFiles,
    /// What a page of one's own may be.
    pages: PageLimits,
    /// What paints the parts of the components, in the order of the cascade.
    paints: Vec<PaintView>,
}

/// Files in which colours are found.
#[derive(Debug, Serialize, ToSchema)]
pub struct SourceFiles {
    /// Endings of their names, without the dot.
    endings: Vec<&'static str>,
    /// Folders that are passed over.
    passed_over: &'static [&'static str],
    /// The most text that is taken at once, in bytes.
    bytes: usize,
}

/// What a page of one's own may be.
#[derive(Debug, Serialize, ToSchema)]
pub struct PageLimits {
    /// The largest, in bytes, with all its files.
    bytes: usize,
}

/// What a picture may be.
#[derive(Debug, Serialize, ToSchema)]
pub struct PictureLimits {
    /// The largest file, in bytes.
    bytes: usize,
    endings: [&'static str; 6],
    /// Which colours may be preferred.
    leans: Vec<&'static str>,
}

/// A way of seeing: for each tenth of severity, from none to full, what is done to linear sRGB.
#[derive(Debug, Serialize, ToSchema)]
pub struct EyesView {
    id: &'static str,
    name: &'static str,
    /// The matrix that it is multiplied with, row by row.
    matrices: Vec<Vec<f64>>,
    /// What is added to each channel then.
    added: Vec<f64>,
    /// How far a point is spread: the standard deviation of a Gaussian in CSS pixels.
    blur: Vec<f64>,
}

impl EyesView {
    /// Eyes that see everything as it is.
    fn usual() -> Self {
        Self {
            id: "",
            name: "",
            matrices: tenths(|_| grey(1.0)),
            added: tenths(|_| 0.0),
            blur: tenths(|_| 0.0),
        }
    }
}

/// Which property paints a part of what a selector matches.
#[derive(Debug, Serialize, ToSchema)]
pub struct PaintView {
    selector: &'static str,
    /// Rules of a higher number win, of two alike the later.
    specificity: u32,
    /// `text`, `ground`, `border`, or the name of a custom property that is set here.
    part: &'static str,
    /// Name of the custom property; none where nothing is painted.
    name: Option<&'static str>,
}

/// A number that a document may set.
#[derive(Debug, Serialize, ToSchema)]
pub struct NumberView {
    /// `type`, `shape` or `scale`.
    part: &'static str,
    key: &'static str,
    title: &'static str,
    /// What it counts; empty where it has none.
    unit: &'static str,
    low: f64,
    high: f64,
    default: f64,
    step: f64,
    whole: bool,
    help: &'static str,
}

impl From<&PaintRule> for PaintView {
    fn from(rule: &PaintRule) -> Self {
        Self {
            selector: rule.selector,
            specificity: rule.specificity,
            part: rule.part,
            name: rule.name,
        }
    }
}

/// A format that is read.
#[derive(Debug, Serialize, ToSchema)]
pub struct ReaderView {
    name: &'static str,
    /// How names of its files end.
    endings: Vec<String>,
}

/// Something to choose, and what it means.
#[derive(Debug, Serialize, ToSchema)]
pub struct ChoiceView {
    id: &'static str,
    name: &'static str,
    help: &'static str,
}

/// Methods of scales, hue relations, intents, kinds of tokens, groups of targets, and numbers with
/// their ranges.
#[utoipa::path(get, path = "/vocabulary", responses((status = 200, body = VocabularyView)))]
pub(crate) async fn vocabulary() -> Json<VocabularyView> {
    let numbers = NUMBERS.iter().map(|n| NumberView {
        part: n.part,
        key: n.key,
        title: n.title,
        unit: n.unit,
        low: n.low,
        high: n.high,
        default: n.default,
        step: n.step,
        whole: n.whole,
        help: n.help,
    });
    let methods = METHODS.iter().map(|m| ChoiceView {
        id: m.id,
        name: m.id,
        help: m.help,
    });
    let groups = Group::ALL.iter().map(|g| ChoiceView {
        id: g.id(),
        name: g.name(),
        help: g.help(),
    });
    Json(VocabularyView {
        numbers: numbers.collect(),
        methods: methods.collect(),
        relations: RELATIONS.iter().map(|r| r.id).collect(),
        intents: Intent::ALL.map(Intent::id).to_vec(),
        kinds: TokenKind::ALL.map(TokenKind::id).to_vec(),
        groups: groups.collect(),
        readers: READERS
            .iter()
            .map(|r| ReaderView {
                name: r.name,
                endings: (r.endings)(),
            })
            .collect(),
        aim: Aim::USUAL,
        eyes: eyes(),
        sources: SourceFiles {
            endings: FINDERS.iter().flat_map(|f| f.endings).copied().collect(),
            passed_over: NOT_OURS,
            bytes: super::inventory::MAX_BODY / 2,
        },
        pages: PageLimits {
            bytes: super::page::MAX_BYTES,
        },
        pictures: PictureLimits {
            bytes: MAX_BYTES,
            endings: ["png", "jpg", "jpeg", "webp", "gif", "svg"],
            leans: Lean::ALL.iter().map(|(_, word)| *word).collect(),
        },
        paints: paint_rules().iter().map(PaintView::from).collect(),
    })
}

/// No severity, and each tenth up to the full one.
fn tenths<T>(of: impl Fn(f64) -> T) -> Vec<T> {
    (0..=10).map(|tenth| of(f64::from(tenth) / 10.0)).collect()
}

fn eyes() -> Vec<EyesView> {
    let colors = |id, name, see: &dyn Fn(f64) -> Vision| EyesView {
        id,
        name,
        matrices: tenths(|severity| see(severity).matrix().concat()),
        ..EyesView::usual()
    };
    let glare = EyesView {
        id: "glare",
        name: "glare",
        matrices: tenths(|severity| grey(Daylight::new(severity).share())),
        added: tenths(|severity| Daylight::new(severity).added()),
        ..EyesView::usual()
    };
    let blur = EyesView {
        id: "blur",
        name: "blur",
        blur: tenths(acuity_blur),
        ..EyesView::usual()
    };
    let kinds = VisionKind::ALL.map(|kind| {
        colors(kind.id(), kind.id(), &|severity| {
            Vision::new(kind, severity)
        })
    });
    let without_color = colors("none", "no colour", &Vision::without_color);
    let others = [without_color, blur, glare];
    kinds.into_iter().chain(others).collect()
}

/// A matrix that takes every channel alike.
fn grey(share: f64) -> Vec<f64> {
    vec![share, 0.0, 0.0, 0.0, share, 0.0, 0.0, 0.0, share]
}
