//! Brand colours that are called after the part they play: an intent under another of its names, or with
//! words before it.

use rhodon_color::Rgb8;

use super::{Document, IntentChoice, Typed};
use crate::label::Slug;
use crate::vocabulary::Intent;

/// Other names of intents, as the trade has them.
const CALLED: [(Intent, &[&str]); 4] = [
    (
        Intent::Danger,
        &["error", "negative", "destructive", "critical"],
    ),
    (Intent::Warning, &["caution", "warn"]),
    (Intent::Success, &["positive"]),
    (Intent::Info, &["information", "informative"]),
];
/// The most words of such a name.
const MOST_WORDS: usize = 3;
/// Words that say of a colour that it stands beside that of the part.
const BESIDE: [&str; 11] = [
    "on",
    "text",
    "background",
    "bg",
    "border",
    "surface",
    "hover",
    "dark",
    "light",
    "not",
    "no",
];

impl Document {
    /// Lets a brand colour play an intent, unless somebody says who plays it.
    pub fn let_play(&mut self, slug: &Slug, intent: Intent) {
        if !self.says(intent) {
            let choice = IntentChoice::Scale(slug.clone());
            self.intents.insert(Slug::known(intent.id()), choice);
        }
    }

    /// Whether the document says who plays an intent, by its own choice or by the name of a brand colour.
    pub fn says(&self, intent: Intent) -> bool {
        let slug = Slug::known(intent.id());
        self.intents.contains_key(&slug) || self.brand.iter().any(|brand| brand.slug == slug)
    }

    /// Paints an intent with a colour of its own.
    pub fn paint(&mut self, intent: Intent, code: Rgb8) {
        let color = IntentChoice::Color(Typed::from_color(code.into()));
        self.intents.insert(Slug::known(intent.id()), color);
    }

    /// The intent that the name of a brand colour ends in, where nothing else says who plays it. One that is
    /// called exactly as an intent plays it anyway.
    pub(crate) fn called(&self, slug: &Slug) -> Option<Intent> {
        let brand = self.brand.iter().find(|brand| brand.slug == *slug)?;
        let intent = intent_called(&brand.name)?;
        (!self.says(intent) && !self.intents.contains_key(slug)).then_some(intent)
    }
}

/// The intent that a name speaks of, by its last word: `error`, `Ferry accent`; none where words say that it
/// stands beside that of the intent.
pub fn intent_called(name: &str) -> Option<Intent> {
    let name = name.to_lowercase();
    let words: Vec<&str> = name.split_whitespace().collect();
    let last = words.last().filter(|_| words.len() <= MOST_WORDS)?;
    if words.iter().any(|word| BESIDE.contains(word)) {
        return None;
    }
    let other = CALLED.iter().find(|(_, names)| names.contains(last));
    other
        .map(|(intent, _)| *intent)
        .or_else(|| Intent::named(last))
}
