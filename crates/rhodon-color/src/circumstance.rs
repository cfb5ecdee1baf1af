//! What comes between a screen and its reader besides the eye's colours: light that falls on the
//! screen, and sight that is not sharp.

use crate::Rgb8;

/// Luminance of the screen's white, cd/m².
const WHITE: f64 = 400.0;
/// Share of the light that falls on the screen and comes back in all directions.
const REFLECTED: f64 = 0.04;
/// The most light that falls on it, lx: daylight outdoors, not the sun itself.
const MOST_LIGHT: f64 = 20_000.0;
/// Pixels in a degree of the visual field: the reference pixel of CSS Values 4, section 6.2, is
/// 0.0213 degrees wide.
const PIXELS_A_DEGREE: f64 = 1.0 / 0.0213;

/// A screen outdoors. Reflected light, R E / π, is added to what it shows (Kelley, Lindfors and
/// Penczek, "Display daylight ambient contrast measurement methods and daylight readability", J. SID
/// 14, 2006), and the eye takes the brightest of it for white.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Daylight {
    /// Reflected light as a multiple of the screen's white.
    veil: f64,
}

impl Daylight {
    /// From 0, indoors, to 1, 20,000 lx; outside values are cut.
    pub fn new(severity: f64) -> Self {
        let light = severity.clamp(0.0, 1.0) * MOST_LIGHT;
        Self {
            veil: REFLECTED * light / std::f64::consts::PI / WHITE,
        }
    }

    /// What is left of each channel of linear sRGB, 0–1.
    pub fn share(self) -> f64 {
        1.0 / (1.0 + self.veil)
    }

    /// What is added to each channel of linear sRGB, 0–1.
    pub fn added(self) -> f64 {
        1.0 - self.share()
    }

    /// The colour as it is seen.
    pub fn see(self, color: Rgb8) -> Rgb8 {
        let seen = color.to_linear().map(|c| c * self.share() + self.added());
        Rgb8::from_linear_clipped(seen)
    }
}

/// How far a point is spread by sight of an acuity: the standard deviation of a Gaussian, in CSS
/// pixels, beyond what usual sight (logMAR 0) spreads already. `log_mar` is the decimal logarithm of
/// the smallest angle told apart in minutes of arc (ISO 8596): 0.3 is 20/40, 1.0 is 20/200.
///
/// A grating of that angle, 30 / MAR cycles a degree, is passed with a tenth of its contrast.
pub fn acuity_blur(log_mar: f64) -> f64 {
    let spread = |log_mar: f64| {
        let cycles_a_pixel = 30.0 / 10f64.powf(log_mar) / PIXELS_A_DEGREE;
        (10f64.ln() / 2.0).sqrt() / (std::f64::consts::PI * cycles_a_pixel)
    };
    let usual = spread(0.0);
    (spread(log_mar.max(0.0)).powi(2) - usual.powi(2)).sqrt()
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::contrast_ratio;

    #[test]
    fn daylight_takes_contrast_and_leaves_white() {
        let outdoors = Daylight::new(1.0);
        assert_eq!(outdoors.see(Rgb8::WHITE), Rgb8::WHITE);
        // 255 cd/m² lie over 400: black has (0 + 255) of (400 + 255).
        let black = outdoors.see(Rgb8::BLACK);
        assert!((black.luminance() - 254.6 / 654.6).abs() < 0.003, "{black}");
        assert!(contrast_ratio(black, Rgb8::WHITE) < 2.5);
        let petrol = Rgb8::new(0x0f, 0x5c, 0x7a);
        assert_eq!(Daylight::new(0.0).see(petrol), petrol);
    }

    #[test]
    fn a_grating_at_the_limit_keeps_a_tenth() {
        // Usual sight and the blur together: exp(-2 π² σ² f²) at 30 / MAR cycles a degree.
        for log_mar in [0.1, 0.3, 1.0] {
            let usual = 1.073 / (std::f64::consts::PI * 30.0 * 0.0213);
            let whole = acuity_blur(log_mar).hypot(usual);
            let f = 30.0 / 10f64.powf(log_mar) * 0.0213;
            let kept = (-2.0 * (std::f64::consts::PI * whole * f).powi(2)).exp();
            assert!((kept - 0.1).abs() < 0.001, "{log_mar}: {kept}");
        }
        assert_eq!(acuity_blur(0.0), 0.0);
        assert!((acuity_blur(1.0) - 5.3).abs() < 0.1);
    }
}
