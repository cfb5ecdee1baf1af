//! Options that name a brand colour, when it gets another slug.

use rhodon_theme::{Document, Slug};

use crate::option::OptionKind;
use crate::write::find;

/// Lets options for the handoff that name a brand colour name it by its new slug. What else a document
/// refers to is the core's own matter; which options name colours only targets know.
pub fn rename_in_options(document: &mut Document, from: &Slug, to: &Slug) {
    for (id, chosen) in &mut document.handoff {
        let Ok(target) = find(id.as_str()) else {
            continue;
        };
        for (key, value) in chosen.iter_mut() {
            let mut options = target.options.iter();
            let option = options.find(|option| option.key == key.as_str());
            if option.is_some_and(|option| option.kind == OptionKind::Brand) {
                let renamed = |name: &str| match name.trim() == from.as_str() {
                    true => to.to_string(),
                    false => name.trim().to_owned(),
                };
                *value = value.split(',').map(renamed).collect::<Vec<_>>().join(",");
            }
        }
    }
}
