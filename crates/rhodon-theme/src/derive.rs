//! From what was decided to everything that follows: scales, roles, tokens, pairs.

mod check;
mod more;

use std::borrow::Cow;
use std::sync::Arc;

use crate::custom_token;
use crate::document::{Problems, Resolved};
use crate::level::Level;
use crate::overrides::Overrides;
use crate::palette::{IntentScale, NamedScale, Palette, steps};
use crate::role::{self, Backdrop};
use crate::token::{Cell, Cells, Mode, Pair, Section, Token};
use crate::typeface;
use crate::value::{Origin, TokenKind};
use crate::vocabulary::IntentPart;

pub use more::{More, MoreCell};

/// Everything that follows from a document.
#[derive(Clone, Debug)]
pub struct Derived {
    /// Name of the theme.
    pub name: String,
    /// How much contrast the tokens and pairs have.
    pub level: Level,
    /// Scales, brand colours first, in the user's order.
    pub scales: Vec<NamedScale>,
    /// Intents, in order.
    pub intents: Vec<IntentScale>,
    /// Tokens, in the order in which exports write them.
    pub tokens: Vec<Token>,
    /// Declared pairs of both modes.
    pub pairs: Vec<Pair>,
    /// What had to give way, in sentences.
    pub notes: Vec<String>,
    /// Addresses of style sheets that bring its faces.
    pub web_fonts: Vec<String>,
    /// What differs for people who ask for more contrast, where the document does not switch it off.
    pub more: Option<More>,
}

impl Derived {
    /// A token by its path.
    pub fn token(&self, path: &str) -> Option<&Token> {
        self.tokens.iter().find(|t| *t.path == *path)
    }

    /// The value of a token in a mode, at a level of contrast.
    pub fn cell_at(&self, path: &str, mode: Mode, level: Level) -> Option<&Cell> {
        let usual = self.token(path)?.cell(mode);
        let raised = match (level, &self.more) {
            (Level::More, Some(more)) => more.cell(path, mode),
            _ => None,
        };
        Some(raised.unwrap_or(usual))
    }

    /// An intent by its name.
    pub fn intent(&self, name: &str) -> Option<&IntentScale> {
        self.intents.iter().find(|i| i.name.as_str() == name)
    }

    /// The scale that shades of a part of an intent come from in a mode: the intent's own, but where the part was
    /// set by hand that of its colour.
    pub fn shades(
        &self,
        intent: &IntentScale,
        part: IntentPart,
        mode: Mode,
    ) -> Cow<'_, NamedScale> {
        let own = &self.scales[intent.scale];
        let path = intent.path(part);
        let cell = self.token(&path).map(|token| token.cell(mode));
        let set = cell.filter(|cell| cell.origin != Origin::Derived);
        match set.and_then(|cell| cell.value.color()) {
            Some(color) => NamedScale::with(own, &self.scales, &path, color.code),
            None => Cow::Borrowed(own),
        }
    }

    /// The theme as it is where more contrast is asked for, complete; none where that is switched off.
    pub fn at_more(&self) -> Option<Self> {
        let more = self.more.as_ref()?;
        let by_path = more.by_path();
        let mut raised = Self {
            level: Level::More,
            pairs: more.pairs.clone(),
            more: None,
            ..self.clone()
        };
        for token in &mut raised.tokens {
            if let Some(cells) = by_path.get(&*token.path) {
                let each = Mode::BOTH.map(|mode| cells[mode as usize].unwrap_or(token.cell(mode)));
                token.cells = Cells::Each(Box::new(each.map(Cell::clone)));
            }
        }
        Some(raised)
    }

    /// The scale of an intent.
    pub fn intent_scale(&self, intent: &str) -> Option<&NamedScale> {
        self.scales.get(self.intent(intent)?.scale)
    }
}

/// Derives a theme.
///
/// # Errors
/// Every decision that contradicts another, with its place in the document.
pub fn derive(theme: &Resolved) -> Result<Derived, Problems> {
    let Palette { scales, intents } = Palette::new(theme)?;
    let overrides = Overrides::new(theme, || steps::values(&scales))?;
    let backdrop = Backdrop {
        scales: &scales,
        intents: &intents,
        overrides: &overrides,
        usual: &[],
    };
    let usual = |mode| role::paint(mode, Level::Usual, &backdrop);
    let [light, dark] = Mode::BOTH.map(usual);
    let mut tokens = Vec::with_capacity(512);
    scales.iter().for_each(|s| steps::tokens(s, &mut tokens));
    tokens.extend(role_tokens(light.roles, dark.roles));
    typeface::tokens(&theme.merged, &mut tokens);
    check::roles(theme, &overrides, &tokens)?;
    custom_token::tokens(theme, &overrides, &mut tokens)?;
    check::paths(&tokens)?;
    let more = match theme.merged.contrast.is_made() {
        true => Some(more::more(theme, &backdrop, &tokens)?),
        false => None,
    };
    let mut pairs = light.pairs;
    pairs.extend(dark.pairs);
    let notes = scales.iter().flat_map(notes).collect();
    let web_fonts = theme.merged.typography.import.as_ref();
    let web_fonts = web_fonts.map_or_else(Vec::new, |fonts| fonts.addresses().to_vec());
    let name = theme.merged.name.clone();
    Ok(Derived {
        name,
        level: Level::Usual,
        scales,
        intents,
        tokens,
        pairs,
        notes,
        web_fonts,
        more,
    })
}

/// Roles of both modes, which come in the same order.
fn role_tokens(
    light: Vec<(Arc<str>, Cell)>,
    dark: Vec<(Arc<str>, Cell)>,
) -> impl Iterator<Item = Token> {
    light
        .into_iter()
        .zip(dark)
        .map(|((path, light), (_, dark))| Token {
            path,
            kind: TokenKind::Color,
            section: Section::Roles,
            omitted: false,
            description: None,
            cells: Cells::Each(Box::new([light, dark])),
        })
}

/// What had to give way in a scale.
fn notes(s: &NamedScale) -> impl Iterator<Item = String> {
    s.scale
        .notes
        .iter()
        .map(|note| format!("{}: {note}", s.name))
}
