//! Eight chart colours that stay apart for every eye, on the page and on cards.
//!
//! The first is the primary colour, where it shows. The others are chosen from a fixed set:
//! first each as far as can be from those before it, in the kind of vision in which they are
//! nearest; then each is exchanged, in turn, for whatever keeps all of them further apart.

use std::sync::{Arc, LazyLock};

use quick_cache::sync::Cache;
use rhodon_color::{ContrastOn, Rgb8};

use super::candidate::CANDIDATES;
use super::painter::{Choice, Painter};
use crate::level::Level;
use crate::token::Mode;
use crate::value::ColorValue;
use crate::vocabulary::{Intent, IntentPart, Role};

const CHARTS: [Role; 8] = [
    Role::CHART_1,
    Role::CHART_2,
    Role::CHART_3,
    Role::CHART_4,
    Role::CHART_5,
    Role::CHART_6,
    Role::CHART_7,
    Role::CHART_8,
];
/// All that a choice depends on.
#[derive(Clone, Debug, PartialEq, Eq, Hash)]
struct Asked {
    mode: Mode,
    level: Level,
    first: Rgb8,
    grounds: [Rgb8; 2],
    usual: Vec<Rgb8>,
}

/// How many choices are kept: most documents after another one ask for the same again.
const KEPT: usize = 512;

static CHOSEN: LazyLock<Cache<Asked, Arc<[Rgb8]>>> = LazyLock::new(|| Cache::new(KEPT));

impl Asked {
    fn chosen(self, choose: impl FnOnce(&Self) -> Vec<Rgb8>) -> Arc<[Rgb8]> {
        if let Some(known) = CHOSEN.get(&self) {
            return known;
        }
        let chosen: Arc<[Rgb8]> = choose(&self).into();
        CHOSEN.insert(self, chosen.clone());
        chosen
    }
}

/// The chart colours of the usual level behind the first, where another one is painted.
fn usual_colors(p: &Painter<'_>) -> Vec<Rgb8> {
    let of = |role: &Role| {
        // Chart colours are the last of the roles.
        let token = p.on.usual.iter().rfind(|t| *t.path == *role.path())?;
        Some(token.cell(p.mode).value.color()?.code)
    };
    CHARTS[1..].iter().filter_map(of).collect()
}

pub(crate) fn paint(p: &mut Painter<'_>) {
    let Some(edge) = p.find(Intent::Primary.role(IntentPart::Edge)) else {
        return;
    };
    let grounds = [p.surfaces[0], p.surfaces[1]];
    let set = match p.mode {
        Mode::Light => &CANDIDATES[0],
        Mode::Dark => &CANDIDATES[1],
    };
    let on = grounds.map(|g| ContrastOn::new(p.code(g)));
    let shows = |c: ContrastOn| on.iter().all(|g| g.between(c) >= p.graphic());
    let usual = usual_colors(p);
    let asked = Asked {
        mode: p.mode,
        level: p.level,
        first: p.code(edge),
        grounds: grounds.map(|g| p.code(g)),
        usual,
    };
    let chosen = asked.chosen(|Asked { first, usual, .. }| match usual.is_empty() {
        true => set.choose(shows, *first, CHARTS.len() - 1),
        false => set.exchange(shows, *first, usual),
    });
    let mut ids = vec![p.put_same(CHARTS[0], edge)];
    for (n, code) in chosen.iter().copied().enumerate() {
        let reason = "far from the other chart colours in every kind of vision".into();
        let color = ColorValue::opaque(code);
        ids.push(p.put(
            CHARTS[n + 1],
            Choice {
                color,
                alias: None,
                reason,
            },
        ));
    }
    for id in ids {
        for ground in grounds {
            p.pair(id, ground, p.graphic());
        }
    }
}
