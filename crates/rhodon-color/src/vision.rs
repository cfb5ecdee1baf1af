//! Simulated colour vision after Machado, Oliveira and Fernandes, "A physiologically-based
//! model for simulation of color vision deficiency" (2009), applied in linear light.
//! The tables are theirs, one matrix per tenth of severity; between tenths the two
//! neighbours are mixed.

use std::sync::LazyLock;

use crate::Rgb8;
use crate::matrix::{Mat3, apply};

/// Which cones differ.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum VisionKind {
    /// Long-wave cones (red).
    Protan,
    /// Middle-wave cones (green).
    Deutan,
    /// Short-wave cones (blue).
    Tritan,
}

impl VisionKind {
    /// All kinds.
    pub const ALL: [Self; 3] = [Self::Protan, Self::Deutan, Self::Tritan];

    /// Its name, as in `protan`.
    pub fn id(self) -> &'static str {
        match self {
            Self::Protan => "protan",
            Self::Deutan => "deutan",
            Self::Tritan => "tritan",
        }
    }

    /// Vision of this kind, full; prepared once.
    pub fn full(self) -> &'static Vision {
        static FULL: LazyLock<[Vision; 3]> =
            LazyLock::new(|| VisionKind::ALL.map(|kind| Vision::new(kind, 1.0)));
        &FULL[self as usize]
    }

    fn table(self) -> &'static [Mat3; 10] {
        match self {
            Self::Protan => &PROTAN,
            Self::Deutan => &DEUTAN,
            Self::Tritan => &TRITAN,
        }
    }
}

/// A way of seeing, ready to be applied to many colours.
#[derive(Clone, Debug)]
pub struct Vision(Mat3);

impl Vision {
    /// Vision of a kind at a severity from 0 (none) to 1 (full); outside values are cut.
    pub fn new(kind: VisionKind, severity: f64) -> Self {
        let position = severity.clamp(0.0, 1.0) * 10.0;
        let below = (position.floor() as usize).min(9);
        let (low, high) = (level(kind, below), level(kind, below + 1));
        let t = position - below as f64;
        Self(std::array::from_fn(|r| {
            std::array::from_fn(|c| low[r][c] + (high[r][c] - low[r][c]) * t)
        }))
    }

    /// Vision that tells lightness alone, at a severity from 0 to 1: linear sRGB is drawn towards its
    /// luminance (WCAG 2.2, "relative luminance").
    pub fn without_color(severity: f64) -> Self {
        let share = severity.clamp(0.0, 1.0);
        let weights = [0.2126, 0.7152, 0.0722];
        Self(std::array::from_fn(|r| {
            std::array::from_fn(|c| {
                let own = if r == c { 1.0 - share } else { 0.0 };
                own + share * weights[c]
            })
        }))
    }

    /// What linear sRGB is multiplied with, row by row.
    pub fn matrix(&self) -> [[f64; 3]; 3] {
        self.0
    }

    /// The colour as it is seen.
    pub fn see(&self, color: Rgb8) -> Rgb8 {
        Rgb8::from_linear_clipped(apply(&self.0, color.to_linear()))
    }
}

fn level(kind: VisionKind, tenths: usize) -> Mat3 {
    match tenths {
        0 => [[1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0]],
        n => kind.table()[n - 1],
    }
}

#[rustfmt::skip]
const PROTAN: [Mat3; 10] = [
    [[0.856167, 0.182038, -0.038205], [0.029342, 0.955115, 0.015544], [-0.002880, -0.001563, 1.004443]],
    [[0.734766, 0.334872, -0.069637], [0.051840, 0.919198, 0.028963], [-0.004928, -0.004209, 1.009137]],
    [[0.630323, 0.465641, -0.095964], [0.069181, 0.890046, 0.040773], [-0.006308, -0.007724, 1.014032]],
    [[0.539009, 0.579343, -0.118352], [0.082546, 0.866121, 0.051332], [-0.007136, -0.011959, 1.019095]],
    [[0.458064, 0.679578, -0.137642], [0.092785, 0.846313, 0.060902], [-0.007494, -0.016807, 1.024301]],
    [[0.385450, 0.769005, -0.154455], [0.100526, 0.829802, 0.069673], [-0.007442, -0.022190, 1.029632]],
    [[0.319627, 0.849633, -0.169261], [0.106241, 0.815969, 0.077790], [-0.007025, -0.028051, 1.035076]],
    [[0.259411, 0.923008, -0.182420], [0.110296, 0.804340, 0.085364], [-0.006276, -0.034346, 1.040622]],
    [[0.203876, 0.990338, -0.194214], [0.112975, 0.794542, 0.092483], [-0.005222, -0.041043, 1.046265]],
    [[0.152286, 1.052583, -0.204868], [0.114503, 0.786281, 0.099216], [-0.003882, -0.048116, 1.051998]],
];

#[rustfmt::skip]
const DEUTAN: [Mat3; 10] = [
    [[0.866435, 0.177704, -0.044139], [0.049567, 0.939063, 0.011370], [-0.003453, 0.007233, 0.996220]],
    [[0.760729, 0.319078, -0.079807], [0.090568, 0.889315, 0.020117], [-0.006027, 0.013325, 0.992702]],
    [[0.675425, 0.433850, -0.109275], [0.125303, 0.847755, 0.026942], [-0.007950, 0.018572, 0.989378]],
    [[0.605511, 0.528560, -0.134071], [0.155318, 0.812366, 0.032316], [-0.009376, 0.023176, 0.986200]],
    [[0.547494, 0.607765, -0.155259], [0.181692, 0.781742, 0.036566], [-0.010410, 0.027275, 0.983136]],
    [[0.498864, 0.674741, -0.173604], [0.205199, 0.754872, 0.039929], [-0.011131, 0.030969, 0.980162]],
    [[0.457771, 0.731899, -0.189670], [0.226409, 0.731012, 0.042579], [-0.011595, 0.034333, 0.977261]],
    [[0.422823, 0.781057, -0.203881], [0.245752, 0.709602, 0.044646], [-0.011843, 0.037423, 0.974421]],
    [[0.392952, 0.823610, -0.216562], [0.263559, 0.690210, 0.046232], [-0.011910, 0.040281, 0.971630]],
    [[0.367322, 0.860646, -0.227968], [0.280085, 0.672501, 0.047413], [-0.011820, 0.042940, 0.968881]],
];

#[rustfmt::skip]
const TRITAN: [Mat3; 10] = [
    [[0.926670, 0.092514, -0.019184], [0.021191, 0.964503, 0.014306], [0.008437, 0.054813, 0.936750]],
    [[0.895720, 0.133330, -0.029050], [0.029997, 0.945400, 0.024603], [0.013027, 0.104707, 0.882266]],
    [[0.905871, 0.127791, -0.033662], [0.026856, 0.941251, 0.031893], [0.013410, 0.148296, 0.838294]],
    [[0.948035, 0.089490, -0.037526], [0.014364, 0.946792, 0.038844], [0.010853, 0.193991, 0.795156]],
    [[1.017277, 0.027029, -0.044306], [-0.006113, 0.958479, 0.047634], [0.006379, 0.248708, 0.744913]],
    [[1.104996, -0.046633, -0.058363], [-0.032137, 0.971635, 0.060503], [0.001336, 0.317922, 0.680742]],
    [[1.193214, -0.109812, -0.083402], [-0.058496, 0.979410, 0.079086], [-0.002346, 0.403492, 0.598854]],
    [[1.257728, -0.139648, -0.118081], [-0.078003, 0.975409, 0.102594], [-0.003316, 0.501214, 0.502102]],
    [[1.278864, -0.125333, -0.153531], [-0.084748, 0.957674, 0.127074], [-0.000989, 0.601151, 0.399838]],
    [[1.255528, -0.076749, -0.178779], [-0.078411, 0.930809, 0.147602], [0.004733, 0.691367, 0.303900]],
];

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn every_matrix_keeps_greys() {
        for kind in VisionKind::ALL {
            for (i, m) in kind.table().iter().enumerate() {
                for row in m {
                    let sum: f64 = row.iter().sum();
                    assert!((sum - 1.0).abs() < 2e-6, "{kind:?} {}: {sum}", i + 1);
                }
            }
        }
    }

    #[test]
    fn entries_change_smoothly_with_severity() {
        // A mistyped digit shows as a jump in the second difference.
        for kind in VisionKind::ALL {
            for n in 1..10 {
                let [a, b, c] = [n - 1, n, n + 1].map(|i| level(kind, i));
                for r in 0..3 {
                    for col in 0..3 {
                        let bend = a[r][col] - 2.0 * b[r][col] + c[r][col];
                        assert!(bend.abs() < 0.06, "{kind:?} {n} [{r}][{col}]: {bend}");
                    }
                }
            }
        }
    }

    #[test]
    fn no_severity_changes_nothing() {
        let petrol = Rgb8::new(0x0f, 0x5c, 0x7a);
        for kind in VisionKind::ALL {
            assert_eq!(Vision::new(kind, 0.0).see(petrol), petrol);
        }
    }
}
