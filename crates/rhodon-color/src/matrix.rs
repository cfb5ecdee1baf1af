//! Three-by-three matrices, evaluated at compile time where they are constants.

pub(crate) type Vec3 = [f64; 3];
pub(crate) type Mat3 = [[f64; 3]; 3];

/// The product `m · v`.
pub(crate) const fn apply(m: &Mat3, v: Vec3) -> Vec3 {
    [
        m[0][0] * v[0] + m[0][1] * v[1] + m[0][2] * v[2],
        m[1][0] * v[0] + m[1][1] * v[1] + m[1][2] * v[2],
        m[2][0] * v[0] + m[2][1] * v[1] + m[2][2] * v[2],
    ]
}

/// The product `a · b`, that is: first `b`, then `a`.
pub(crate) const fn product(a: &Mat3, b: &Mat3) -> Mat3 {
    let mut out = [[0.0; 3]; 3];
    let mut row = 0;
    while row < 3 {
        let mut col = 0;
        while col < 3 {
            out[row][col] = a[row][0] * b[0][col] + a[row][1] * b[1][col] + a[row][2] * b[2][col];
            col += 1;
        }
        row += 1;
    }
    out
}

/// The inverse, so that a pair of matrices is never typed in twice.
pub(crate) const fn inverse(m: &Mat3) -> Mat3 {
    let [[a, b, c], [d, e, f], [g, h, i]] = *m;
    let (ca, cb, cc) = (e * i - f * h, f * g - d * i, d * h - e * g);
    let det = a * ca + b * cb + c * cc;
    [
        [ca / det, (c * h - b * i) / det, (b * f - c * e) / det],
        [cb / det, (a * i - c * g) / det, (c * d - a * f) / det],
        [cc / det, (b * g - a * h) / det, (a * e - b * d) / det],
    ]
}

/// Linear sRGB to CIE XYZ, D65 (CSS Color 4, section 18).
pub(crate) const SRGB_TO_XYZ: Mat3 = [
    [506752.0 / 1228815.0, 87881.0 / 245763.0, 12673.0 / 70218.0],
    [87098.0 / 409605.0, 175762.0 / 245763.0, 12673.0 / 175545.0],
    [7918.0 / 409605.0, 87881.0 / 737289.0, 1001167.0 / 1053270.0],
];
