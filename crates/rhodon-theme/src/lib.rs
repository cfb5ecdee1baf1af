//! The spec — what the user decided — and everything that is derived from it.
//!
//! [`derive`] is a pure function from a [`Resolved`] document to [`Derived`] tokens and pairs:
//! no clock, no files, no network, no randomness. Server, command line, tests and benches
//! all call the same one.
//!
//! The way of the data: [`Document::read`] → [`Resolved::follow`] (parents) → scales → roles of each
//! mode → tokens. Adding a scale method is one file in `scale/` and one line in
//! [`scale::METHODS`]; adding a family of roles is one file in `role/` and one line there.

mod against;
mod audit;
mod change;
mod custom_token;
mod derive;
mod document;
mod family;
mod font_family;
mod label;
mod level;
mod naming;
mod near;
mod overrides;
mod palette;
mod reason;
mod role;
pub mod scale;
mod status;
mod token;
mod typeface;
mod unread;
mod value;
mod vocabulary;

pub use self::palette::{IntentScale, NamedScale};
pub use against::{Against, Side, against};
pub use audit::{
    AcceptedReport, CheckReport, Finding, FindingReport, Fix, FixReport, Matrix, Mended, Severity,
    audit, mend, mend_all, proportion,
};
pub use change::{
    Change, Changed, Diff, NewBrand, NewToken, Operation, add_named, apply, diff, opacity_note,
    set_role,
};
pub use derive::{Derived, More, MoreCell, derive};
pub use document::{
    Accepted, Aim, BASE, BOLD, BrandColor, ContrastSettings, CustomToken, Document, FORMAT,
    InheritError, Inherited, IntentChoice, MAX_BRAND, ModeValues, NUMBERS, NumberField, Part,
    Problem, Problems, Provenance, RADIUS, REGULAR, Resolved, ScaleSettings, ShapeSettings,
    TypeSettings, Typed, WebFonts, holds_nul, intent_called, not_json,
};
pub use document::{Form, Slot};
pub use family::{CellSource, Decision, Whose, decisions, sources};
pub use font_family::font_families;
pub use label::{KeptPath, NameError, SlotName, Slug, StepLabel, TokenPath};
pub use level::Level;
pub use naming::{capitalised, is_grey, is_ground, look as color_look, name as color_name};
pub use near::{Near, near};
pub use reason::Reason;
pub use role::{GRAPHIC as GRAPHIC_RATIO, TEXT as TEXT_RATIO};
pub use status::{APART, Status, tuned as status_colors};
pub use token::{Cell, Cells, Mode, Pair, Section, Token};
pub use unread::unread;
pub use value::{ColorValue, Origin, TokenKind, Unit, Value, Written};
pub use vocabulary::{Intent, IntentPart, Role, Share};
