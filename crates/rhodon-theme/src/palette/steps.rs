//! The steps of scales as values and as tokens.

use std::collections::HashMap;
use std::sync::Arc;

use super::NamedScale;
use crate::reason::Reason;
use crate::scale::Step;
use crate::token::{Cell, Cells, Section, Token};
use crate::value::{ColorValue, Origin, TokenKind, Value};

/// Every step by its path.
pub(crate) fn values(scales: &[NamedScale]) -> HashMap<Arc<str>, Value> {
    let mut out = HashMap::with_capacity(scales.len() * 14);
    for s in scales {
        for (i, step) in s.scale.steps.iter().enumerate() {
            out.insert(s.step_path(i), Value::Color(opaque(step)));
        }
        for (path, color) in alpha_steps(s) {
            out.insert(path, Value::Color(color));
        }
    }
    out
}

fn opaque(step: &Step) -> ColorValue {
    ColorValue {
        code: step.color,
        alpha: 1.0,
        p3: step.p3,
    }
}

/// See-through steps: the scale's own colour at the asked opacities.
fn alpha_steps(s: &NamedScale) -> Vec<(Arc<str>, ColorValue)> {
    let base = opaque(s.scale.base_step());
    let step = |a: &u8| {
        let alpha = f64::from(*a) / 100.0;
        let color = ColorValue { alpha, ..base };
        (format!("{}.a{a}", s.slug).into(), color)
    };
    s.settings.alpha.iter().map(step).collect()
}

/// The tokens of a scale.
pub(crate) fn tokens(s: &NamedScale, out: &mut Vec<Token>) {
    let mut push = |path: Arc<str>, color: ColorValue, origin, reason, omitted| {
        out.push(Token {
            path,
            kind: TokenKind::Color,
            section: Section::Scales,
            omitted,
            description: None,
            cells: Cells::Both(Cell {
                value: Value::Color(color),
                alias: None,
                origin,
                reason,
            }),
        });
    };
    for (i, step) in s.scale.steps.iter().enumerate() {
        let (origin, reason) = cause(s, i);
        push(
            s.step_path(i),
            opaque(step),
            origin,
            reason,
            s.omits(&step.label),
        );
    }
    let base = &s.scale.base_step().label;
    for (path, color) in alpha_steps(s) {
        let reason = format!("{} {base} at {:.0} %", s.name, color.alpha * 100.0).into();
        push(
            path,
            color,
            Origin::Derived,
            reason,
            s.settings.off == Some(true),
        );
    }
}

/// Who decided a step, and why it is what it is.
fn cause(s: &NamedScale, index: usize) -> (Origin, Reason) {
    let step = &s.scale.steps[index];
    if !step.pinned {
        let reason = Reason::Method {
            method: s.settings.method.unwrap_or_default().id,
            scale: s.name.clone(),
            lightness: step.lightness,
        };
        return (Origin::Derived, reason);
    }
    let inherited = s.origin == Origin::Inherited;
    let origin = Origin::decided(inherited);
    let reason = match &s.settings.to {
        _ if index == s.scale.base && s.origin != Origin::Derived => {
            format!("pinned: {}", s.reason)
        }
        Some(to) if !s.settings.pins.contains_key(&step.label) => {
            format!("pinned: the scale runs to {to}")
        }
        _ => "pinned: set for this step".to_owned(),
    };
    (origin, reason.into())
}
