//! What both configurations of a utility-class framework share: which class a colour belongs to,
//! dark mode, and the stock colours.

use indexmap::IndexMap;
use rhodon_theme::{IntentPart, Token};

use super::family::families;
use crate::error::ExportError;
use crate::job::Job;
use crate::option::{OptionKind, TargetOption};
use crate::output::Warning;

/// See its help.
pub(crate) const STOCK: TargetOption = TargetOption {
    key: "stock",
    kind: OptionKind::Choice(&["extend", "replace"]),
    default: "extend",
    help: "Whether the theme's colours stand beside the stock colours or replace them; transparent, current and inherit always stay.",
};

/// See its help.
pub(crate) const KEEP: TargetOption = TargetOption {
    key: "keep",
    kind: OptionKind::Names,
    default: "",
    help: "Stock colours that stay when they are replaced, by name.",
};

/// See its help.
pub(crate) const MODE: TargetOption = TargetOption {
    key: "mode",
    kind: OptionKind::Choice(&["auto", "attribute", "class"]),
    default: "auto",
    help: "How dark mode is chosen, as in theme.css: by the system and overridable with data-mode, by data-mode alone, or by a class. The framework's own classes for dark mode follow it too.",
};

/// The families of stock colours that the framework has.
pub(crate) const STOCK_FAMILIES: [&str; 24] = [
    "black", "white", "slate", "gray", "zinc", "neutral", "stone", "red", "orange", "amber",
    "yellow", "lime", "green", "emerald", "teal", "cyan", "sky", "blue", "indigo", "violet",
    "purple", "fuchsia", "pink", "rose",
];

/// The classes that a colour makes.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Hash)]
pub(crate) enum Place {
    /// Every class that takes a colour.
    All,
    /// Those of text alone.
    Text,
    /// Those of borders and dividers.
    Border,
    /// Those of the ring around what has the focus.
    Ring,
}

impl Place {
    /// Where a role belongs that is for one use only.
    pub(crate) fn of(group: &str) -> Self {
        match group {
            "text" => Self::Text,
            "border" => Self::Border,
            "focus" => Self::Ring,
            _ => Self::All,
        }
    }
}

/// Colours of a place: families with their members, `""` for the family's own colour. A place of
/// one use has no families: its members stand under the empty name.
pub(crate) type Placed<'a> = IndexMap<&'a str, IndexMap<String, &'a Token>>;

/// Every colour by its place.
///
/// # Errors
/// Two colours of one name.
pub(crate) fn placed<'a>(job: &Job<'a>) -> Result<Vec<(Place, Placed<'a>)>, ExportError> {
    let mut out = vec![
        (Place::All, Placed::new()),
        (Place::Text, Placed::new()),
        (Place::Border, Placed::new()),
        (Place::Ring, Placed::new()),
    ];
    for (family, mut members) in families(job.colors())? {
        let place = Place::of(family);
        let Some((_, home)) = out.iter_mut().find(|(p, _)| *p == place) else {
            continue;
        };
        match place {
            Place::All => {
                if !members.contains_key("")
                    && let Some(own) = own_color(job, family, &members)
                {
                    members.shift_insert(0, String::new(), own);
                }
                home.insert(family, members);
            }
            Place::Text | Place::Border => {
                home.entry("").or_default().extend(members);
            }
            Place::Ring => {
                let named = members.into_iter().map(|(_, t)| (family.to_owned(), t));
                home.entry("").or_default().extend(named);
            }
        }
    }
    out.retain(|(_, families)| !families.is_empty());
    Ok(out)
}

/// The exact colour of a scale, the fill of an intent.
fn own_color<'a>(
    job: &Job<'a>,
    family: &str,
    members: &IndexMap<String, &'a Token>,
) -> Option<&'a Token> {
    let scale = job.scales().find(|(s, _)| s.slug.as_str() == family);
    let base = scale.and_then(|(_, steps)| Some(steps.iter().find(|s| s.base)?.label));
    let of_scale = base.and_then(|label| members.get(label));
    of_scale
        .or_else(|| members.get(IntentPart::Fill.id()))
        .copied()
}

/// What stays whether somebody names it or not.
const ALWAYS: [&str; 4] = ["transparent", "current", "currentColor", "inherit"];

/// Names of stock colours that stay, each once; what the framework has not, or was named twice, is
/// told.
pub(crate) fn kept<'a>(job: &'a Job<'_>) -> (Vec<&'a str>, Vec<Warning>) {
    let (mut names, mut warnings) = (Vec::new(), Vec::new());
    for name in job.settings.names(&KEEP) {
        if names.contains(&name) {
            warnings.push(Warning::new("keep", format!("{name} is named twice")));
        } else if STOCK_FAMILIES.contains(&name) {
            names.push(name);
        } else if ALWAYS.contains(&name) {
            continue;
        } else {
            let expected = STOCK_FAMILIES.join(", ");
            let message = format!("there is no stock colour {name}: expected some of {expected}");
            warnings.push(Warning::new("keep", message));
        }
    }
    if job.settings.get(&STOCK) != "replace" && !names.is_empty() {
        let message = "every stock colour stays: names count where stock is replace";
        warnings.push(Warning::new("keep", message));
    }
    (names, warnings)
}
