//! Why a token has its value. Kept as parts and worded only when somebody asks: a theme has
//! hundreds of reasons, and a slider makes them anew sixty times a second.

use std::{borrow::Cow, fmt, sync::Arc};

/// The rule behind a value; prints as a phrase.
#[derive(Clone, Debug, PartialEq)]
pub enum Reason {
    /// Said as it is.
    Plain(Cow<'static, str>),
    /// A step that a scale method made.
    Method {
        /// Which method.
        method: &'static str,
        /// Name of the scale.
        scale: Arc<str>,
        /// L\* of the step.
        lightness: f64,
    },
    /// The step of a scale nearest to a tone.
    Nearest {
        /// Name of the scale.
        scale: Arc<str>,
        /// L\* that was sought.
        tone: f64,
        /// The ratio that was needed, and the ground on which it was hardest.
        readable: Option<(f64, Arc<str>)>,
    },
    /// The scale's own colour, because it has the ratio where it is used.
    Itself {
        /// Name of the scale.
        scale: Arc<str>,
        /// The ratio that was needed.
        ratio: f64,
    },
    /// No step served: a colour between two.
    Between {
        /// Name of the scale.
        scale: Arc<str>,
        /// Its L\*.
        lightness: f64,
    },
    /// Another token under a name of its own.
    Follows(Arc<str>),
    /// The text colour for a ground.
    TextOn {
        /// `white`, `ink` or `black`.
        which: &'static str,
        /// The ground.
        ground: Arc<str>,
        /// The ratio that was needed.
        ratio: f64,
    },
    /// A fill that moved until text can be read on it.
    Carries {
        /// Name of the scale.
        scale: Arc<str>,
        /// The ratio that was needed.
        ratio: f64,
    },
    /// A state of a fill, some L\* away from it.
    State {
        /// L\* from the fill; negative is darker.
        distance: f64,
    },
    /// A step that can be told from the page, where the exact colour could not.
    Visible {
        /// Name of the scale.
        scale: Arc<str>,
        /// The surface from which the exact colour is told worst.
        surface: Arc<str>,
        /// CIEDE2000 between the two.
        difference: f64,
    },
    /// A shade of the colour that a role was set to.
    ShadeOf {
        /// Path of the role.
        of: Arc<str>,
        /// L\* of the shade.
        lightness: f64,
    },
    /// A colour of the neutral scale, see-through.
    Shade {
        /// Name of the scale.
        scale: Arc<str>,
        /// Opacity, 0–1.
        alpha: f64,
    },
}

impl From<&'static str> for Reason {
    fn from(text: &'static str) -> Self {
        Self::Plain(Cow::Borrowed(text))
    }
}

impl From<String> for Reason {
    fn from(text: String) -> Self {
        Self::Plain(Cow::Owned(text))
    }
}

impl fmt::Display for Reason {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        match self {
            Self::Plain(text) => f.write_str(text),
            Self::Method {
                method,
                scale,
                lightness,
            } => {
                write!(f, "{method} scale of {scale} at L* {lightness:.1}")
            }
            Self::Nearest {
                scale,
                tone,
                readable: None,
            } => {
                write!(f, "{scale} step nearest to L* {}", short(*tone))
            }
            Self::Nearest {
                scale,
                tone,
                readable: Some((ratio, ground)),
            } => {
                write!(
                    f,
                    "{scale} step nearest to L* {} with {ratio} : 1 on {ground}",
                    short(*tone)
                )
            }
            Self::Itself { scale, ratio } => {
                write!(f, "{scale} itself has {ratio} : 1 where it is used")
            }
            Self::Between { scale, lightness } => {
                write!(f, "{scale} at L* {}, between its steps", short(*lightness))
            }
            Self::Follows(path) => write!(f, "follows {path}"),
            Self::TextOn {
                which,
                ground,
                ratio,
            } => write!(f, "{which} has {ratio} : 1 on {ground}"),
            Self::Carries { scale, ratio } => write!(
                f,
                "{scale} itself carries no text at {ratio} : 1: the nearest that does"
            ),
            Self::State { distance } => {
                let word = if *distance < 0.0 { "darker" } else { "lighter" };
                write!(f, "{:.0} L* {word} than the fill", distance.abs())
            }
            Self::Visible {
                scale,
                surface,
                difference,
            } => write!(
                f,
                "{scale} itself would hardly show on {surface} (CIEDE2000 {difference:.0}): a step of it that does"
            ),
            Self::ShadeOf { of, lightness } => {
                write!(f, "the colour of {of} at L* {}", short(*lightness))
            }
            Self::Shade { scale, alpha } => write!(f, "{scale} ink at {:.0} %", alpha * 100.0),
        }
    }
}

/// One decimal, where there is one.
fn short(lightness: f64) -> f64 {
    (lightness * 10.0).round() / 10.0
}
