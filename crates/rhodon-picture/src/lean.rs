//! Which colours of a picture are preferred.

use std::str::FromStr;

/// Which colours are preferred.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Lean {
    /// Light ones.
    Lighter,
    /// Dark ones.
    Darker,
    /// Strong ones.
    Stronger,
    /// Soft ones.
    Softer,
}

impl Lean {
    /// Every lean with its word.
    pub const ALL: [(Self, &str); 4] = [
        (Self::Lighter, "lighter"),
        (Self::Darker, "darker"),
        (Self::Stronger, "stronger"),
        (Self::Softer, "softer"),
    ];

    /// How much a colour is preferred.
    pub(crate) fn favour(self, lab: [f32; 3]) -> f32 {
        let chroma = lab[1].hypot(lab[2]);
        let strength = (chroma / 0.25).min(1.0);
        let raised = |v: f32| (0.05 + v.clamp(0.0, 1.0)).powi(3);
        match self {
            Self::Lighter => raised(lab[0]),
            Self::Darker => raised(1.0 - lab[0]),
            Self::Stronger => raised(strength),
            Self::Softer => raised(1.0 - strength),
        }
    }
}

impl FromStr for Lean {
    type Err = String;

    fn from_str(text: &str) -> Result<Self, String> {
        let found = Self::ALL.iter().find(|(_, word)| *word == text);
        found
            .map(|(lean, _)| *lean)
            .ok_or_else(|| format!("\"{text}\": expected lighter, darker, stronger or softer"))
    }
}
