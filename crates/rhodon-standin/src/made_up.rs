//! A few hundred sets by people who do not exist, the same at every start.

use rhodon_color::{HueSlice, Rgb8, luminance_from_lightness};
use serde::Serialize;

/// How many sets there are.
const SETS: usize = 320;

const OWNERS: [&str; 16] = [
    "Ines Okafor",
    "Tove Lindqvist",
    "Marek Hale",
    "Sunniva Rao",
    "Jon Pascoe",
    "Amadi Berg",
    "Lowri Castell",
    "Petra Nakamura",
    "Oskar Dunmore",
    "Yusra Fenwick",
    "Elin Marchetti",
    "Kofi Strand",
    "Noor Halloran",
    "Vilde Ashworth",
    "Tomas Quill",
    "Greta Oyelaran",
];

/// A word, and the hue in degrees that goes with it.
const THINGS: [(&str, f64); 20] = [
    ("Kelp", 150.0),
    ("Lantern", 75.0),
    ("Slipway", 250.0),
    ("Heather", 320.0),
    ("Gorse", 95.0),
    ("Tidepool", 200.0),
    ("Rust", 40.0),
    ("Mackerel", 230.0),
    ("Thrift", 350.0),
    ("Lichen", 110.0),
    ("Buoy", 25.0),
    ("Cockle", 60.0),
    ("Fjord", 260.0),
    ("Samphire", 140.0),
    ("Ropewalk", 70.0),
    ("Foxglove", 340.0),
    ("Herring", 220.0),
    ("Bracken", 50.0),
    ("Dusk", 290.0),
    ("Signal", 30.0),
];

/// What is said of it, with its lightness from 0 to 1 and how strong it is.
const TIMES: [(&str, &str, f64, f64); 10] = [
    ("at low water", "calm", 0.55, 0.5),
    ("before rain", "muted", 0.5, 0.3),
    ("in the morning", "light", 0.72, 0.6),
    ("after the storm", "dark", 0.35, 0.55),
    ("on the quay", "warm", 0.6, 0.8),
    ("by lamplight", "warm", 0.65, 0.9),
    ("in winter", "cool", 0.7, 0.35),
    ("under sail", "bright", 0.62, 1.0),
    ("at the fair", "bright", 0.66, 1.0),
    ("in fog", "soft", 0.78, 0.25),
];

const ROLES: [&str; 6] = ["ground", "leading", "second", "signal", "ink", "quiet"];

/// A set as it is told.
#[derive(Clone, Debug, Serialize)]
pub(crate) struct Set {
    pub id: String,
    pub name: String,
    pub words: Vec<String>,
    pub note: String,
    pub owner: String,
    /// The day on which it was shared.
    pub when: String,
    pub colors: Vec<Color>,
}

/// A colour of a set.
#[derive(Clone, Debug, Serialize)]
pub(crate) struct Color {
    pub name: String,
    pub hex: String,
}

/// All of them, the newest first.
pub(crate) fn sets() -> Vec<Set> {
    let mut dice = fastrand::Rng::with_seed(4870);
    let mut sets: Vec<Set> = (0..SETS).map(|i| set(i, &mut dice)).collect();
    sets.sort_by(|a, b| b.when.cmp(&a.when).then(a.id.cmp(&b.id)));
    sets
}

fn set(i: usize, dice: &mut fastrand::Rng) -> Set {
    let (thing, hue) = THINGS[i % THINGS.len()];
    let (time, mood, lightness, strength) = TIMES[i / THINGS.len() % TIMES.len()];
    let round = i / (THINGS.len() * TIMES.len());
    let owner = OWNERS[dice.usize(..OWNERS.len())];
    let count = 3 + dice.usize(..4);
    let colors = (0..count)
        .map(|n| Color {
            name: format!("{thing} {}", ROLES[n]),
            hex: color(hue, lightness, strength, n, dice).to_string(),
        })
        .collect();
    let number = if round == 0 {
        String::new()
    } else {
        format!(", {}", round + 1)
    };
    Set {
        id: format!("c{:04}", i + 1),
        name: format!("{thing} {time}{number}"),
        words: vec![thing.to_lowercase(), mood.to_owned()],
        note: String::new(),
        owner: owner.to_owned(),
        when: format!("2026-{:02}-{:02}", 1 + dice.u8(..10), 1 + dice.u8(..28)),
        colors,
    }
}

/// The nth colour around a hue: relatives first, one signal across, then ink and something quiet.
fn color(hue: f64, lightness: f64, strength: f64, n: usize, dice: &mut fastrand::Rng) -> Rgb8 {
    let (turn, level, strong) = [
        (0.0, lightness, strength),
        (18.0, lightness - 0.12, strength),
        (-32.0, lightness + 0.1, strength * 0.8),
        (172.0, 0.62, 1.0),
        (6.0, 0.25, 0.4),
        (-8.0, 0.9, 0.2),
    ][n];
    let hue = hue + turn + dice.f64() * 16.0 - 8.0;
    let lightness = 100.0 * (level + dice.f64() * 0.1 - 0.05).clamp(0.12, 0.96);
    let slice = HueSlice::new(hue.rem_euclid(360.0));
    let most = slice.max_chroma(luminance_from_lightness(lightness));
    slice.code_at(lightness, most * strong)
}
