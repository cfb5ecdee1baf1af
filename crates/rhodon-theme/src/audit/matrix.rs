//! Every foreground of a theme against every ground: the contrast of each, declared or not.

use std::collections::HashMap;
use std::sync::Arc;

use indexmap::IndexSet;
use rhodon_color::{ContrastOn, Rgb8};

use crate::derive::Derived;
use crate::token::Mode;

/// Foregrounds down, grounds across.
#[derive(Clone, Debug, PartialEq)]
pub struct Matrix {
    /// Paths of what is read.
    pub inks: Vec<Arc<str>>,
    /// Paths of what it is read on.
    pub grounds: Vec<Arc<str>>,
    /// Contrast ratios (WCAG 2.2) in light and in dark, ink by ink.
    pub ratios: [Vec<f64>; 2],
    /// The ratio that a pair needs which is declared, ink by ink; none of others.
    pub needs: Vec<Option<f64>>,
}

impl Matrix {
    /// Of every token that takes part in a declared pair.
    pub fn of(theme: &Derived) -> Self {
        let inks: IndexSet<Arc<str>> = theme.pairs.iter().map(|p| p.fg.clone()).collect();
        let grounds: IndexSet<Arc<str>> = theme.pairs.iter().map(|p| p.bg.clone()).collect();
        let codes: HashMap<&str, [Rgb8; 2]> = theme
            .tokens
            .iter()
            .filter_map(|t| {
                let code = |mode: Mode| t.cell(mode).value.color().map(|c| c.code);
                Some((&*t.path, [code(Mode::Light)?, code(Mode::Dark)?]))
            })
            .collect();
        let of = |paths: &IndexSet<Arc<str>>, mode: Mode| -> Vec<Rgb8> {
            let code =
                |path: &Arc<str>| codes.get(&**path).map_or(Rgb8::BLACK, |c| c[mode as usize]);
            paths.iter().map(code).collect()
        };
        let ratios = Mode::BOTH.map(|mode| {
            let on: Vec<ContrastOn> = of(&grounds, mode)
                .into_iter()
                .map(ContrastOn::new)
                .collect();
            let rows = of(&inks, mode).into_iter();
            rows.flat_map(|ink| on.iter().map(move |ground| ground.ratio(ink)))
                .collect()
        });
        let mut needs = vec![None; inks.len() * grounds.len()];
        for pair in &theme.pairs {
            let at = inks
                .get_index_of(&pair.fg)
                .zip(grounds.get_index_of(&pair.bg));
            if let Some((ink, ground)) = at {
                needs[ink * grounds.len() + ground] = Some(pair.need);
            }
        }
        Self {
            inks: inks.into_iter().collect(),
            grounds: grounds.into_iter().collect(),
            ratios,
            needs,
        }
    }
}
