//! Controls, which names know by their parts: the groove and the handle of a slider, the mark in a box.

use rhodon_theme::{Intent, IntentPart, Role};

use super::role_words::{GROUNDS, Painted, has};

/// A control whose parts are painted otherwise than a button's.
#[derive(Clone, Copy, PartialEq, Eq)]
pub(super) enum Control {
    /// A box or a dot to tick.
    Tick,
    /// What slides between on and off.
    Switch,
    /// A groove with a handle, or a share of it that is filled.
    Groove,
    /// A groove whose handle only moves what is seen.
    Scroll,
    /// Where one types or picks.
    Field,
}

const CONTROLS: [(Control, &[&str]); 5] = [
    (
        Control::Tick,
        &[
            "check",
            "checkbox",
            "checkmark",
            "checked",
            "radio",
            "radiobutton",
            "tick",
        ],
    ),
    (Control::Switch, &["switch", "toggle"]),
    (Control::Scroll, &["scrollbar", "scroll", "scroller"]),
    (
        Control::Groove,
        &[
            "slider",
            "progress",
            "progressbar",
            "range",
            "meter",
            "gauge",
        ],
    ),
    (
        Control::Field,
        &[
            "field",
            "input",
            "entry",
            "textbox",
            "textarea",
            "textfield",
            "combobox",
            "edit",
            "editor",
            "spinbox",
        ],
    ),
];

/// The part that one holds.
const HANDLES: [&str; 6] = ["handle", "thumb", "knob", "grip", "button", "btn"];
/// What a handle moves in.
const GROOVES: [&str; 6] = ["track", "groove", "trough", "rail", "base", "empty"];
/// What stands in a box that is ticked.
const MARKS: [&str; 4] = ["mark", "checkmark", "dot", "indicator"];

impl Control {
    /// The control that words speak of.
    pub(super) fn of(words: &[String]) -> Option<Self> {
        let known = CONTROLS.into_iter().find(|(_, names)| has(words, names));
        known.map(|(control, _)| control)
    }
}

/// The role of a part of a control.
pub(super) fn part_of_control(control: Control, words: &[String], painted: Painted) -> Role {
    let primary = |part| Intent::Primary.role(part);
    // Toolkits also call the handle of a scroll bar its slider.
    let is_handle = has(words, &HANDLES) || control == Control::Scroll && has(words, &["slider"]);
    let is_groove = (has(words, &GROUNDS) || has(words, &GROOVES)) && !is_handle;
    match (control, painted) {
        (_, Painted::Muted) => Role::TEXT_MUTED,
        (Control::Tick | Control::Field, Painted::Edge) => Role::BORDER_STRONG,
        (_, Painted::Edge) => Role::BORDER_SUBTLE,
        (Control::Tick, _) if has(words, &MARKS) => primary(IntentPart::FillText),
        (Control::Switch, _) if has(words, &["on", "active", "checked"]) => {
            primary(IntentPart::Fill)
        }
        (_, Painted::Text) => Role::TEXT_MAIN,
        (Control::Scroll, Painted::Hover | Painted::Pressed) => Role::TEXT_MUTED,
        (Control::Field, Painted::Hover) if !is_handle => Role::SURFACE_SUNKEN,
        // The knob is seen on both grooves of a switch.
        (Control::Switch, _) if is_handle => Role::SURFACE_RAISED,
        (Control::Switch, _) if is_groove => Role::BORDER_STRONG,
        (Control::Tick, _) if has(words, &["background", "bg"]) => Role::SURFACE_RAISED,
        (Control::Field, _) if !is_handle => Role::SURFACE_RAISED,
        (Control::Groove | Control::Scroll, _) if is_groove => Role::SURFACE_SUNKEN,
        (Control::Scroll, _) => Role::BORDER_STRONG,
        (_, Painted::Hover) => primary(IntentPart::FillHover),
        (_, Painted::Pressed) => primary(IntentPart::FillPressed),
        (Control::Tick | Control::Switch | Control::Groove | Control::Field, _) => {
            primary(IntentPart::Fill)
        }
    }
}
