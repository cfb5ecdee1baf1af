//! Monotone cubic interpolation through a few points (Fritsch and Carlson, 1980):
//! smooth, and never turning back between two points.

/// A curve through points with rising `x`.
#[derive(Debug)]
pub(crate) struct Monotone {
    points: Vec<(f64, f64)>,
    slopes: Vec<f64>,
}

impl Monotone {
    /// At least two points, `x` strictly rising.
    pub(crate) fn through(points: Vec<(f64, f64)>) -> Self {
        let secants: Vec<f64> = points
            .windows(2)
            .map(|w| (w[1].1 - w[0].1) / (w[1].0 - w[0].0))
            .collect();
        let last = points.len() - 1;
        let slopes = (0..points.len())
            .map(|i| match i {
                0 => secants[0],
                _ if i == last => secants[last - 1],
                _ if secants[i - 1] * secants[i] <= 0.0 => 0.0,
                // The harmonic mean stays below three times the smaller secant,
                // which is the condition for monotony.
                _ => 2.0 / (1.0 / secants[i - 1] + 1.0 / secants[i]),
            })
            .collect();
        Self { points, slopes }
    }

    /// The value at `x`, beyond the ends along the end slopes.
    pub(crate) fn at(&self, x: f64) -> f64 {
        let above = self
            .points
            .partition_point(|p| p.0 < x)
            .clamp(1, self.points.len() - 1);
        let ((x0, y0), (x1, y1)) = (self.points[above - 1], self.points[above]);
        let (m0, m1, width) = (self.slopes[above - 1], self.slopes[above], x1 - x0);
        let t = (x - x0) / width;
        if !(0.0..=1.0).contains(&t) {
            return if t < 0.0 {
                y0 + m0 * (x - x0)
            } else {
                y1 + m1 * (x - x1)
            };
        }
        let (t2, t3) = (t * t, t * t * t);
        y0 * (2.0 * t3 - 3.0 * t2 + 1.0)
            + width * m0 * (t3 - 2.0 * t2 + t)
            + y1 * (3.0 * t2 - 2.0 * t3)
            + width * m1 * (t3 - t2)
    }
}
