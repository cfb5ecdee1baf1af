//! What a document decides about the level of more contrast.

use indexmap::IndexMap;
use schemars::JsonSchema;
use serde::Serialize;

use super::part::ModeValues;
use crate::label::TokenPath;

/// The level for people who ask for more contrast.
#[derive(Clone, Debug, Default, PartialEq, Serialize, JsonSchema)]
#[schemars(deny_unknown_fields)]
pub struct ContrastSettings {
    /// Whether the level is made; default yes.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub more: Option<bool>,
    /// Roles set by hand for this level alone, by token path.
    #[serde(skip_serializing_if = "IndexMap::is_empty")]
    #[schemars(default)]
    pub roles: IndexMap<TokenPath, ModeValues>,
}

impl ContrastSettings {
    /// Whether the level is made.
    pub fn is_made(&self) -> bool {
        self.more.unwrap_or(true)
    }

    pub(crate) fn is_empty(&self) -> bool {
        *self == Self::default()
    }
}
