//! Both levels of contrast in one declaration, between which two custom properties choose.

use rhodon_theme::Level;

use super::css_more::{MORE_ATTRIBUTE, MORE_SYSTEM, NOT_ASKED};
use super::css_tree::Node;
use crate::error::ExportError;
use crate::name::{self, Names};

/// Two custom properties of which one is nothing and the other has no value, so that
/// `var(--usual,a)var(--more,b)` is a or b.
pub(super) struct Toggles {
    usual: String,
    more: String,
}

impl Toggles {
    /// Under names that no token has.
    pub(super) fn new(prefix: &str, names: &Names<'_>) -> Result<Self, ExportError> {
        let claim = |name: &str| {
            let name = name::kebab(prefix, name);
            match names.iter().find(|(_, taken)| **taken == name) {
                None => Ok(name),
                Some((path, _)) => Err(ExportError::Clash {
                    first: (*path).to_owned(),
                    second: "the choice of contrast".to_owned(),
                    name,
                }),
            }
        };
        Ok(Self {
            usual: claim("usual")?,
            more: claim("more")?,
        })
    }

    /// The declarations under which a level holds.
    pub(super) fn set(&self, level: Level) -> Vec<String> {
        let (held, other) = match level {
            Level::Usual => (&self.usual, &self.more),
            Level::More => (&self.more, &self.usual),
        };
        vec![format!("--{held}: initial;"), format!("--{other}: ;")]
    }

    /// Values of both modes, the usual ones or those for more contrast.
    pub(super) fn both_levels(&self, usual: [String; 2], more: [Option<String>; 2]) -> String {
        let [light, dark] = more;
        let raised = [
            light.unwrap_or(usual[0].clone()),
            dark.unwrap_or(usual[1].clone()),
        ];
        if (0..2).any(|mode| usual[mode] == raised[mode]) {
            both_modes(
                &[0, 1].map(|mode| self.choose(&usual[mode], &raised[mode])),
                "",
            )
        } else {
            self.choose(&both_modes(&usual, ""), &both_modes(&raised, ""))
        }
    }

    /// A value that is the one or the other.
    fn choose(&self, usual: &str, more: &str) -> String {
        if usual == more {
            return usual.to_owned();
        }
        format!("var(--{},{usual})var(--{},{more})", self.usual, self.more)
    }

    /// The rules that follow the system or an attribute.
    pub(super) fn rules(&self) -> [Node; 2] {
        let more = || self.set(Level::More);
        [
            Node::at(MORE_SYSTEM, vec![Node::rule(NOT_ASKED, more())]),
            Node::rule(MORE_ATTRIBUTE, more()),
        ]
    }
}

/// One value where the modes do not differ, and else one that follows the `color-scheme` that holds.
pub(super) fn both_modes([light, dark]: &[String; 2], gap: &str) -> String {
    if light == dark {
        light.clone()
    } else {
        format!("light-dark({light},{gap}{dark})")
    }
}
