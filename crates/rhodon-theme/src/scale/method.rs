//! The ways to build a scale. A new one is one file with a function of this shape and one
//! line here.

use std::{borrow::Cow, fmt, str::FromStr};

use schemars::{JsonSchema, Schema, SchemaGenerator, json_schema};
use serde::{Deserialize, Serialize};

use crate::label::NameError;
use crate::scale::pin::Placed;
use crate::scale::round::Coded;
use crate::scale::{Request, aligned, mix, natural};

/// The colours of one scale, before they become steps.
pub(crate) type Build = fn(&Request, &[f64], &[Placed]) -> Vec<Coded>;

/// A way to build a scale.
#[derive(Clone, Copy, Serialize, Deserialize)]
#[serde(try_from = "String", into = "&'static str")]
pub struct Method {
    /// Stable name.
    pub id: &'static str,
    /// What it is for, in a sentence.
    pub help: &'static str,
    pub(crate) build: Build,
}

/// Every method; the first is the default.
pub const METHODS: &[Method] = &[
    Method {
        id: "natural",
        help: "The brand colour keeps its lightness and the steps around it give way.",
        build: natural::build,
    },
    Method {
        id: "aligned",
        help: "Every label has the same lightness, and so the same contrast, in every hue.",
        build: aligned::build,
    },
    Method {
        id: "mix",
        help: "The plain mix with white and black, for those who must match one.",
        build: mix::build,
    },
];

impl Default for Method {
    fn default() -> Self {
        METHODS[0]
    }
}

impl PartialEq for Method {
    fn eq(&self, other: &Self) -> bool {
        self.id == other.id
    }
}

impl fmt::Debug for Method {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        f.write_str(self.id)
    }
}

impl FromStr for Method {
    type Err = NameError;

    fn from_str(s: &str) -> Result<Self, NameError> {
        METHODS
            .iter()
            .find(|m| m.id == s)
            .copied()
            .ok_or(NameError::new("natural, aligned or mix"))
    }
}

impl TryFrom<String> for Method {
    type Error = NameError;

    fn try_from(s: String) -> Result<Self, NameError> {
        s.parse()
    }
}

impl From<Method> for &'static str {
    fn from(method: Method) -> Self {
        method.id
    }
}

impl JsonSchema for Method {
    fn schema_name() -> Cow<'static, str> {
        "Method".into()
    }

    fn json_schema(_: &mut SchemaGenerator) -> Schema {
        let ids: Vec<_> = METHODS.iter().map(|m| m.id).collect();
        json_schema!({ "type": "string", "enum": ids })
    }
}
